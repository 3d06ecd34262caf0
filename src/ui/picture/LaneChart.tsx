'use client';

import { useMemo, type ReactNode } from 'react';
import { Area, ComposedChart, Line, ReferenceArea, ReferenceLine, Tooltip } from 'recharts';
import { laneAxes, type Upwards } from './axes';
import { drawnLane, wholeRange, type Lane, type Mark, type Range } from './lane';
import { TIME_AXIS } from './scale';

/** The box at the pointer; the chart gives the rest. */
function Readout({
  readout,
  active,
  label,
}: {
  readout: (at_s: number) => ReactNode;
  active?: boolean;
  label?: number | string;
}) {
  return active ? <>{readout(60 * Number(label))}</> : null;
}

const INK = 'var(--color-base-content)';

function drawnMark(mark: Mark, { to_s }: Range) {
  switch (mark.kind) {
    case 'level':
      return (
        <ReferenceLine
          key={`level ${mark.value}`}
          y={mark.value}
          stroke={mark.colour ?? INK}
          strokeWidth={mark.bold ? 2 : 1}
          strokeOpacity={mark.bold ? 1 : 0.35}
          strokeDasharray={mark.bold ? '2 3' : '2 4'}
        />
      );
    case 'moment':
      return <ReferenceLine key={`at ${mark.at_s}`} x={mark.at_s / 60} stroke={INK} strokeWidth={2} />;
    case 'stretch':
      return (
        <ReferenceArea
          key={`from ${mark.from_s}`}
          x1={mark.from_s / 60}
          x2={Math.min(to_s, mark.to_s) / 60}
          fill={INK}
          fillOpacity={0.1}
        />
      );
  }
}

/** One lane of a picture over the time of a drive: bands, curves, marks, and what is read under the pointer. */
export function LaneChart({
  lane,
  title,
  width,
  height,
  upwards = { kind: 'vehicle-scale' },
  range,
  readout,
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
  /** What stands at the pointer, by the time under it. */
  readout?: (at_s: number) => ReactNode;
}) {
  const shown = range ?? wholeRange(lane);
  const { from_s, to_s } = shown;
  const { rows, pieces } = useMemo(() => drawnLane(lane, { from_s, to_s }), [lane, from_s, to_s]);
  return (
    <ComposedChart
      width={width}
      height={height + TIME_AXIS}
      data={rows}
      margin={{ top: upwards.kind === 'own' ? 6 : 0, right: 14, bottom: 0, left: 0 }}
      accessibilityLayer
      title={title}
    >
      {laneAxes(shown, upwards)}
      {lane.marks?.map((mark) => drawnMark(mark, shown))}
      {readout && <Tooltip isAnimationActive={false} content={<Readout readout={readout} />} />}
      {lane.bands?.map((band, n) => (
        <Area
          key={band.label}
          dataKey={`band${n}`}
          stroke="none"
          fill={band.colour}
          fillOpacity={0.2}
          isAnimationActive={false}
          activeDot={false}
          connectNulls
        />
      ))}
      {pieces.map(({ key, curve }) => (
        <Line
          key={key}
          dataKey={key}
          stroke={curve.colour}
          strokeWidth={curve.width ?? 2.5}
          strokeDasharray={curve.dash}
          dot={false}
          activeDot={curve.logged ? { r: 4 } : false}
          isAnimationActive={false}
          connectNulls
        />
      ))}
    </ComposedChart>
  );
}
