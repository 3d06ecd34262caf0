'use client';

import { memo, useMemo } from 'react';
import { ComposedChart } from 'recharts';
import { ticks } from 'd3-array';
import { laneAxes, type Across, type Upwards } from './axes';
import { drawnHeights, drawnLane, wholeRange, type DrawnLane, type Lane, type Range } from './lane';
import { LaneCurves, type Heights } from './LaneCurves';
import { PLOT_RIGHT, SCALE_FROM_C, SCALE_TO_C, TIME_AXIS, timeTicks } from './scale';

/** Height of a lane's figures, by how it counts upwards. */
function heightsOf(upwards: Upwards, drawn: DrawnLane): Heights {
  switch (upwards.kind) {
    case 'vehicle-scale':
      return { from: SCALE_FROM_C, to: SCALE_TO_C };
    case 'beside':
      return { from: upwards.from, to: upwards.to };
    case 'own':
      return drawnHeights(drawn) ?? { from: 0, to: 1 };
  }
}

/** One lane of a picture over the time of a drive: bands, curves and marks. */
export const LaneChart = memo(function LaneChart({
  lane,
  title,
  width,
  height,
  upwards = { kind: 'vehicle-scale' },
  range,
  timeAxis = true,
  across = 'min',
}: {
  lane: Lane;
  /** What the picture shows, for those who cannot see it. */
  title: string;
  width: number;
  /** Without the time axis, px. */
  height: number;
  upwards?: Upwards;
  /** The visible stretch; the whole drive without one. */
  range?: Range;
  /** False for lanes that share the axis of one below. */
  timeAxis?: boolean;
  across?: Across;
}) {
  const shown = range ?? wholeRange(lane);
  const { from_s, to_s } = shown;
  const drawn = useMemo(() => drawnLane(lane, { from_s, to_s }), [lane, from_s, to_s]);
  const per = across === 'min' ? 60 : 1;
  const heights = heightsOf(upwards, drawn);
  // The ends only: curves are drawn beside the library, which would measure and keep every row.
  const ends = useMemo(() => [{ at: from_s / per }, { at: to_s / per }], [from_s, to_s, per]);
  return (
    <ComposedChart
      width={width}
      height={height + (timeAxis ? TIME_AXIS : 0)}
      data={ends}
      margin={{ top: upwards.kind === 'own' ? 6 : 0, right: PLOT_RIGHT, bottom: 0, left: 0 }}
      accessibilityLayer={false}
      title={title}
    >
      {laneAxes(shown, upwards, heights, timeAxis, across)}
      <LaneCurves
        drawn={drawn}
        marks={lane.marks ?? []}
        range={shown}
        heights={heights}
        verticals={timeTicks(from_s / per, to_s / per).map((t) => t * per)}
        horizontals={upwards.kind === 'own' ? ticks(heights.from, heights.to, 5) : []}
      />
    </ComposedChart>
  );
});
