'use client';

import { unitOf } from '@/core/base';
import { SCALE_FROM_C, SCALE_TO_C, scaleY, spreadLabels, type ScaleMark } from './scale';
import { useUnits } from '../units';

/** A coloured stretch of the scale, from its lower end up to the next one's. */
export interface ScaleZone {
  readonly from_c: number;
  readonly colour: string;
}

const WIDTH = 182;
/** Room between two figures of the axis, in the unit shown. */
const FIGURE_EVERY = { '°C': 20, '°F': 40 } as const;
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
  const every = FIGURE_EVERY[temperature as keyof typeof FIGURE_EVERY] ?? 20;
  const first = Math.ceil(temperatureNumber(SCALE_FROM_C) / every) * every;
  const figures = Array.from({ length: 14 }, (_, i) => first + every * i)
    .map((shown) => ({ shown, c: unitOf('temperature', temperature).toSi(shown) }))
    .filter(({ c }) => c > SCALE_FROM_C + 3 && c < SCALE_TO_C - 3);
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
      {figures.map(({ shown, c }) => (
        <g key={shown}>
          <path
            d={`M${STRIP_X + STRIP} ${scaleY(c, height)} h5`}
            stroke="var(--color-base-content)"
            strokeOpacity={0.7}
          />
          <text
            x={STRIP_X + STRIP + 8}
            y={scaleY(c, height) + 4}
            fontSize={11}
            fill="var(--color-base-content)"
            style={{ fontStretch: '85%' }}
          >
            {shown}
          </text>
        </g>
      ))}
    </svg>
  );
}
