'use client';

import { CartesianGrid, Line, LineChart, XAxis, YAxis } from 'recharts';
import type { Trace } from '@/core/base';
import type { LoggedSeries } from '@/core/formats';
import { thin } from '@/core/signal';
import { minuteTicks } from '@/ui/scale';
import { TickLabel } from '@/ui/timeAxis';
import { besideColour } from '@/ui/colours';
import { useUnits } from '@/ui/units';

/** Points drawn of each curve at most. */
const MOST_POINTS = 220;

interface Point {
  readonly minute: number;
  readonly [key: string]: number;
}

function pointsOf(time_s: Float64Array, values: Float64Array, offset_s: number, key: string): Point[] {
  return thin(values, MOST_POINTS).map((i) => ({ minute: (time_s[i]! + offset_s) / 60, [key]: values[i]! }));
}

/** Both logs on one time axis. */
export function SecondLogChart({
  trace,
  series,
  offset_s,
  width,
  height,
}: {
  trace: Trace;
  series: LoggedSeries;
  offset_s: number;
  width: number;
  height: number;
}) {
  const { showTemperature } = useUnits();
  const data = [
    ...pointsOf(trace.time_s, trace.channels.ect_c, 0, 'ect'),
    ...series.columns.flatMap((c, i) => pointsOf(series.time_s, c.values_c, offset_s, `beside${i}`)),
  ].sort((a, b) => a.minute - b.minute);
  const first = Math.min(0, data[0]?.minute ?? 0);
  const last = data.at(-1)?.minute ?? 1;
  return (
    <LineChart
      width={width}
      height={height}
      data={data}
      margin={{ top: 6, right: 12, bottom: 0, left: 0 }}
      title="Both logs on one time axis"
    >
      <CartesianGrid stroke="var(--color-base-300)" />
      <XAxis
        dataKey="minute"
        type="number"
        domain={[first, last]}
        ticks={minuteTicks(last)}
        height={26}
        stroke="var(--color-base-content)"
        tick={TickLabel}
      />
      <YAxis
        width={64}
        domain={['dataMin', 'dataMax']}
        tickFormatter={(v: number) => showTemperature(v)}
        stroke="var(--color-base-content)"
      />
      {series.columns.map((c, i) => (
        <Line
          key={c.header}
          dataKey={`beside${i}`}
          stroke={besideColour(i)}
          strokeWidth={2}
          dot={false}
          isAnimationActive={false}
          connectNulls
        />
      ))}
      <Line dataKey="ect" stroke="var(--trace)" strokeWidth={3} dot={false} isAnimationActive={false} connectNulls />
    </LineChart>
  );
}
