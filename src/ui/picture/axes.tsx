import { CartesianGrid, XAxis, YAxis } from 'recharts';
import type { Range } from './lane';
import { minuteTicks, SCALE_FROM_C, SCALE_TO_C, TIME_AXIS } from './scale';

/** A label of a time axis; the first one starts at the axis so that it is not cut off. */
function TickLabel({ x, y, payload }: { x?: number | string; y?: number | string; payload?: { value?: number } }) {
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

/** How a lane counts upwards: on the vehicle's scale that stands beside it, or by figures of its own. */
export type Upwards =
  { readonly kind: 'vehicle-scale' } | { readonly kind: 'own'; readonly show: (value: number) => string };

/** Grid and axes of a lane: minutes across. Called, not rendered: the chart must see the axes themselves. */
export function laneAxes(range: Range, upwards: Upwards) {
  const from = range.from_s / 60;
  const to = range.to_s / 60;
  const ticks = minuteTicks(to).filter((t) => t >= from);
  return (
    <>
      <CartesianGrid stroke="var(--color-base-300)" horizontal={upwards.kind === 'own'} verticalValues={ticks} />
      <XAxis
        dataKey="minute"
        type="number"
        domain={[from, to]}
        allowDataOverflow
        ticks={ticks}
        interval={0}
        height={TIME_AXIS}
        stroke="var(--color-base-content)"
        tick={TickLabel}
      />
      {upwards.kind === 'vehicle-scale' ? (
        <YAxis hide type="number" domain={[SCALE_FROM_C, SCALE_TO_C]} allowDataOverflow />
      ) : (
        <YAxis
          width={64}
          domain={['dataMin', 'dataMax']}
          tickFormatter={upwards.show}
          stroke="var(--color-base-content)"
        />
      )}
    </>
  );
}
