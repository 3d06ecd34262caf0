'use client';

import { ComposedChart, Line, ReferenceLine, Tooltip } from 'recharts';
import { TIME_AXIS } from '@/ui/scale';
import { useUnits } from '@/ui/units';
import { DriveAxes, soundBand } from '@/ui/timeAxis';
import { besideColour } from '@/ui/colours';
import { besidePoints, type BesideCurve, type CurvePoint } from './findingView';

interface TooltipBodyProps {
  readonly active?: boolean;
  readonly payload?: readonly { readonly payload?: CurvePoint }[];
}

function TooltipBody({ active, payload }: TooltipBodyProps) {
  const { showTemperature } = useUnits();
  const point = payload?.[0]?.payload;
  // Points of a second log carry nothing of the judged curves.
  if (!active || point?.band === undefined) return null;
  return (
    <div className="border border-base-content/40 bg-base-100 px-3 py-2 text-sm">
      <p className="font-bold">{point.minute.toFixed(1)} min</p>
      <p>measured {showTemperature(point.measured ?? NaN)}</p>
      <p>
        sound {showTemperature(point.band[0])} to {showTemperature(point.band[1])}
      </p>
      <p>best cause {showTemperature(point.best)}</p>
    </div>
  );
}

/** Measured against modelled temperature over the drive, on the vehicle's own scale. */
export function WarmUpChart({
  points,
  width,
  height,
  lines,
  colour,
  beside = [],
}: {
  points: readonly CurvePoint[];
  width: number;
  height: number;
  /** Temperatures drawn through the picture, °C. */
  lines: readonly number[];
  /** Colour of the best cause's family. */
  colour: string;
  /** Curves of a second log on the same drive. */
  beside?: readonly BesideCurve[];
}) {
  const last = points.at(-1)?.minute ?? 0;
  const data = [...points, ...besidePoints(beside, last)].sort((a, b) => a.minute - b.minute);
  return (
    <ComposedChart
      width={width}
      height={height + TIME_AXIS}
      data={data}
      margin={{ top: 0, right: 14, bottom: 0, left: 0 }}
      accessibilityLayer
      title="Coolant temperature over the drive: measured, expected of a sound vehicle, best cause"
    >
      <DriveAxes last={last} />
      {lines.map((at) => (
        <ReferenceLine key={at} y={at} stroke="var(--color-base-content)" strokeOpacity={0.35} strokeDasharray="2 4" />
      ))}
      <Tooltip isAnimationActive={false} content={<TooltipBody />} />
      {soundBand}
      {beside.map((curve, i) => (
        <Line
          key={curve.label}
          dataKey={`beside${i}`}
          stroke={besideColour(i)}
          strokeWidth={1.5}
          dot={false}
          activeDot={false}
          isAnimationActive={false}
          connectNulls
        />
      ))}
      <Line
        dataKey="best"
        stroke={colour}
        strokeWidth={2.5}
        strokeDasharray="8 4"
        dot={false}
        activeDot={false}
        isAnimationActive={false}
        connectNulls
      />
      <Line
        dataKey="measured"
        stroke="var(--trace)"
        strokeWidth={2.5}
        dot={false}
        activeDot={{ r: 4 }}
        isAnimationActive={false}
        connectNulls={beside.length > 0}
      />
    </ComposedChart>
  );
}
