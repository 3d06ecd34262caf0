import { XAxis, YAxis } from 'recharts';
import type { Range } from './lane';
import type { Heights } from './LaneCurves';
import { TIME_AXIS, timeTicks } from './scale';

/** A label of a time axis; the first one starts at the axis so that it is not cut off. */
function TickLabel({
  x,
  y,
  payload,
  unit,
  first,
}: {
  x?: number | string;
  y?: number | string;
  payload?: { value?: number };
  unit: Across;
  first: number;
}) {
  const value = payload?.value ?? 0;
  const shown = Number(value.toFixed(2));
  return (
    <text
      x={x}
      y={Number(y) + 12}
      fontSize={12}
      fill="var(--color-base-content)"
      textAnchor={value <= first ? 'start' : 'middle'}
    >
      {shown} {unit}
    </text>
  );
}

/**
 * How a lane counts upwards: on the vehicle's scale that stands beside it, by figures of its own, or by figures that
 * the page writes beside it.
 */
export type Upwards =
  | { readonly kind: 'vehicle-scale' }
  | { readonly kind: 'own'; readonly show: (value: number) => string }
  | { readonly kind: 'beside'; readonly from: number; readonly to: number };

/** What a lane counts across: minutes of the drive, or the megajoules put in. */
export type Across = 'min' | 'MJ';

/** Axes of a lane, those that it has. Called, not rendered: the chart must see the axes themselves. */
export function laneAxes(range: Range, upwards: Upwards, heights: Heights, timeAxis: boolean, across: Across) {
  const per = across === 'min' ? 60 : 1;
  const from = range.from_s / per;
  const to = range.to_s / per;
  return (
    <>
      {timeAxis && (
        <XAxis
          dataKey="at"
          type="number"
          domain={[from, to]}
          allowDataOverflow
          ticks={timeTicks(from, to)}
          interval={0}
          height={TIME_AXIS}
          stroke="var(--color-base-content)"
          tick={<TickLabel unit={across} first={from} />}
        />
      )}
      {upwards.kind === 'own' && (
        <YAxis
          type="number"
          width={64}
          domain={[heights.from, heights.to]}
          allowDataOverflow
          tickFormatter={upwards.show}
          stroke="var(--color-base-content)"
        />
      )}
    </>
  );
}
