import { Area, CartesianGrid, XAxis, YAxis } from 'recharts';
import { minuteTicks, SCALE_FROM_C, SCALE_TO_C, TIME_AXIS } from './scale';

/** A label of a time axis; the first one starts at the axis so that it is not cut off. */
export function TickLabel({
  x,
  y,
  payload,
}: {
  x?: number | string;
  y?: number | string;
  payload?: { value?: number };
}) {
  const value = payload?.value ?? 0;
  return (
    <text
      x={x}
      y={Number(y) + 12}
      fontSize={12}
      fill="var(--color-base-content)"
      textAnchor={value === 0 ? 'start' : 'middle'}
    >
      {value} min
    </text>
  );
}

/** Grid and axes of a picture beside a vehicle's scale: minutes across, the scale's own extent upwards. */
export function DriveAxes({ last }: { last: number }) {
  const ticks = minuteTicks(last);
  return (
    <>
      <CartesianGrid stroke="var(--color-base-300)" horizontal={false} verticalValues={ticks} />
      <XAxis
        dataKey="minute"
        type="number"
        domain={[0, last]}
        ticks={ticks}
        interval={0}
        height={TIME_AXIS}
        stroke="var(--color-base-content)"
        tick={TickLabel}
      />
      <YAxis hide type="number" domain={[SCALE_FROM_C, SCALE_TO_C]} allowDataOverflow />
    </>
  );
}

/** The band of a sound vehicle, under the key `band`. */
export const soundBand = (
  <Area
    dataKey="band"
    stroke="none"
    fill="var(--family-sound)"
    fillOpacity={0.2}
    isAnimationActive={false}
    activeDot={false}
    connectNulls
  />
);
