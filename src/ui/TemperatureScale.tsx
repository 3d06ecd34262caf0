'use client';

import { SCALE_TO_C, scaleY, spreadLabels, type ScaleMark } from './scale';
import { useUnits } from './units';

/** A coloured stretch of the scale, from its lower end up to the next one's. */
export interface ScaleZone {
  readonly from_c: number;
  readonly colour: string;
}

const WIDTH = 168;
const STRIP_X = 132;
const STRIP = 18;

/**
 * This vehicle's temperature scale: zones as a strip, its own marks with names and figures. Stands left of every
 * temperature picture of the same height.
 */
export function TemperatureScale({
  height,
  marks,
  zones,
}: {
  height: number;
  marks: readonly ScaleMark[];
  zones: readonly ScaleZone[];
}) {
  const { temperatureNumber, temperature } = useUnits();
  const described = marks.map((m) => `${m.label} ${Math.round(temperatureNumber(m.at_c))} ${temperature}`).join(', ');
  return (
    <svg width={WIDTH} height={height} role="img" aria-label={`Temperature scale: ${described}`} className="shrink-0">
      {zones.map((zone, i) => {
        const top = scaleY(zones[i + 1]?.from_c ?? SCALE_TO_C, height);
        const bottom = scaleY(zone.from_c, height);
        return (
          <rect
            key={zone.from_c}
            x={STRIP_X}
            y={top}
            width={STRIP}
            height={Math.max(0, bottom - top)}
            fill={zone.colour}
          />
        );
      })}
      <rect
        x={STRIP_X}
        y={0}
        width={STRIP}
        height={height}
        fill="none"
        stroke="var(--color-base-content)"
        strokeOpacity={0.55}
      />
      {spreadLabels(marks, height).map(({ mark, y, labelY }) => (
        <g key={mark.label}>
          <path
            d={`M${STRIP_X - 14} ${labelY - 0.5} L${STRIP_X - 5} ${y} H${STRIP_X + STRIP}`}
            fill="none"
            stroke="var(--color-base-content)"
            strokeOpacity={0.8}
          />
          <text
            x={STRIP_X - 18}
            y={labelY + 4}
            textAnchor="end"
            fontSize={12}
            fill="var(--color-base-content)"
            style={{ fontStretch: '85%' }}
          >
            {mark.label} <tspan fontWeight={700}>{Math.round(temperatureNumber(mark.at_c))}</tspan>
          </text>
        </g>
      ))}
      {Array.from({ length: 9 }, (_, i) => -20 + 20 * i)
        .filter((c) => c < SCALE_TO_C)
        .map((c) => (
          <path
            key={c}
            d={`M${STRIP_X + STRIP} ${scaleY(c, height)} h5`}
            stroke="var(--color-base-content)"
            strokeOpacity={0.7}
          />
        ))}
    </svg>
  );
}
