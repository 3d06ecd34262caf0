'use client';

import { CartesianGrid, ComposedChart, Line, ReferenceArea, ReferenceLine, Scatter, XAxis, YAxis } from 'recharts';
import { unitOf } from '@/core/base';
import type { PlacedReading, ThermostatFinding } from '@/core/bench';
import { familyColour } from '@/ui/colours';
import { ChartLegend } from '@/ui/picture/ChartLegend';
import { useElementWidth } from '@/ui/useElementWidth';
import { useUnits } from '@/ui/units';
import { roundTicks } from '../roundTicks';

const HEIGHT = 210;
/** Room left and right of the readings that matter, K. */
const AROUND_K = 14;

/** One point of the picture. */
interface Spot {
  readonly at: number;
  readonly up?: number;
  readonly down?: number;
  readonly state?: number;
}

/** Lift over the water's temperature: going up and coming down, with the stamp and what was found. */
export function LiftChart({
  readings,
  found,
  rated_c,
}: {
  readings: readonly PlacedReading[];
  found: ThermostatFinding;
  rated_c: number;
}) {
  const [attach, width] = useElementWidth();
  const { temperatureNumber, temperature, length } = useUnits();
  const mm = (v: number) => unitOf('length', length).fromSi(v);
  const hottest = readings.reduce((best, r, i) => (r.water_c > readings[best]!.water_c ? i : best), 0);
  const words = { closed: 0, moving: 1, open: 2 } as const;
  const eye = readings.every((r) => r.lift_mm === null);
  const data = readings.flatMap((r, i): Spot[] => {
    const at = temperatureNumber(r.water_c);
    if (r.state !== null) return [{ at, state: words[r.state] }];
    return r.lift_mm === null ? [] : [i <= hottest ? { at, up: mm(r.lift_mm) } : { at, down: mm(r.lift_mm) }];
  });
  const rated = temperatureNumber(rated_c);
  const opens = found.opens_c;
  const ends = [rated_c - AROUND_K, rated_c + AROUND_K, ...(opens ? [opens.value - 5, opens.value + 5] : [])].map(
    temperatureNumber,
  );
  const ticks = roundTicks(Math.min(...ends), Math.max(...ends), 9);
  const domain = [ticks[0]!, ticks.at(-1)!];
  return (
    <div data-testid="lift-chart">
      <div ref={attach} style={{ minHeight: HEIGHT }}>
        {width > 0 && (
          <ComposedChart
            width={width}
            height={HEIGHT}
            data={data}
            margin={{ top: 16, right: 16, bottom: 4, left: 0 }}
            accessibilityLayer
            title="Lift over the water’s temperature"
          >
            <CartesianGrid stroke="var(--color-base-300)" />
            <XAxis
              dataKey="at"
              type="number"
              domain={domain}
              allowDataOverflow
              ticks={ticks}
              height={40}
              stroke="var(--color-base-content)"
              fontSize={12}
              label={{
                value: `water, ${temperature}`,
                position: 'insideBottom',
                offset: 2,
                fontSize: 12,
                fill: 'var(--color-base-content)',
              }}
            />
            <YAxis
              width={64}
              domain={eye ? [-0.3, 2.3] : [0, 'dataMax']}
              ticks={eye ? [0, 1, 2] : undefined}
              tickFormatter={(v: number) =>
                eye ? (['closed', 'moving', 'open'][v] ?? '') : `${Number(v.toFixed(2))} ${length}`
              }
              stroke="var(--color-base-content)"
              fontSize={12}
            />
            {opens && (
              <ReferenceArea
                x1={temperatureNumber(opens.value - 2 * opens.sd)}
                x2={temperatureNumber(opens.value + 2 * opens.sd)}
                fill={familyColour('open')}
                fillOpacity={0.2}
                ifOverflow="hidden"
              />
            )}
            <ReferenceLine
              x={rated}
              stroke="var(--color-base-content)"
              strokeWidth={2}
              label={{ value: 'stamp', position: 'top', fontSize: 12, fill: 'var(--color-base-content)' }}
            />
            {!eye && (
              <Line
                dataKey="up"
                stroke="var(--trace)"
                strokeWidth={2.5}
                dot={{ r: 2.5, fill: 'var(--trace)' }}
                connectNulls
                isAnimationActive={false}
                activeDot={false}
              />
            )}
            {!eye && (
              <Line
                dataKey="down"
                stroke={familyColour('shut')}
                strokeWidth={2.5}
                strokeDasharray="6 4"
                dot={{ r: 2.5, fill: familyColour('shut'), strokeDasharray: '0' }}
                connectNulls
                isAnimationActive={false}
                activeDot={false}
              />
            )}
            {eye && <Scatter dataKey="state" fill="var(--trace)" isAnimationActive={false} />}
          </ComposedChart>
        )}
      </div>
      <ChartLegend
        indent={false}
        entries={[
          { label: eye ? 'seen' : 'getting hotter', colour: 'var(--trace)' },
          ...(eye ? [] : [{ label: 'cooling', colour: familyColour('shut'), dash: '6 4' }]),
          ...(opens ? [{ label: 'first movement, lag taken off', colour: familyColour('open'), band: true }] : []),
        ]}
      />
    </div>
  );
}
