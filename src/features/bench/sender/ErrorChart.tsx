'use client';

import { Area, CartesianGrid, ComposedChart, ErrorBar, Line, ReferenceLine, Scatter, XAxis, YAxis } from 'recharts';
import { unitOf } from '@/core/base';
import type { SenderExplanation } from '@/core/bench';
import { familyColour } from '@/ui/colours';
import { ChartLegend } from '@/ui/picture/ChartLegend';
import { useElementWidth } from '@/ui/useElementWidth';
import { useUnits } from '@/ui/units';
import { roundTicks } from '../roundTicks';

const HEIGHT = 230;
/** Least height shown above and below none, K: a sound sender is not drawn as noise. */
const LEAST_K = 5;
/** More is off the picture, K: a broken wire says so in words. */
const MOST_K = 60;

/** Reading minus truth over the whole range with its band, and the points it was made of. */
export function ErrorChart({ found }: { found: SenderExplanation }) {
  const [attach, width] = useElementWidth();
  const { temperatureNumber, temperature } = useUnits();
  const difference = (k: number) => unitOf('temperatureDifference', temperature).fromSi(k);
  const clip = (k: number) => Math.max(-MOST_K, Math.min(MOST_K, k));
  const data = found.error.map((e) => ({
    at: temperatureNumber(e.at_c),
    error: difference(clip(e.error_k)),
    band: [difference(clip(e.low_k)), difference(clip(e.high_k))],
  }));
  const points = found.points
    .filter((p) => p.rail === null)
    .map((p) => ({ at: temperatureNumber(p.true_c), error: difference(clip(p.error_k)), sd: difference(2 * p.sd_k) }));
  const extremes = [
    ...data.flatMap((d) => (found.points.length > 0 ? d.band : [d.error])),
    ...points.flatMap((p) => [p.error - p.sd, p.error + p.sd]),
  ];
  const least = difference(LEAST_K);
  const ticks = roundTicks(Math.min(-least, ...extremes), Math.max(least, ...extremes));
  const domain = [ticks[0]!, ticks.at(-1)!];
  const across = roundTicks(data[0]!.at, data.at(-1)!.at).filter((c) => c >= data[0]!.at && c <= data.at(-1)!.at);
  return (
    <div data-testid="sender-error">
      <div ref={attach} style={{ minHeight: HEIGHT }}>
        {width > 0 && (
          <ComposedChart
            width={width}
            height={HEIGHT}
            data={data}
            margin={{ top: 8, right: 16, bottom: 4, left: 0 }}
            accessibilityLayer
            title="Reading minus truth over temperature"
          >
            <CartesianGrid stroke="var(--color-base-300)" />
            <XAxis
              dataKey="at"
              type="number"
              domain={[data[0]!.at, data.at(-1)!.at]}
              ticks={across}
              tickFormatter={(c: number) => `${Math.round(c)}`}
              height={40}
              stroke="var(--color-base-content)"
              fontSize={12}
              label={{
                value: `true temperature, ${temperature}`,
                position: 'insideBottom',
                offset: 2,
                fontSize: 12,
                fill: 'var(--color-base-content)',
              }}
            />
            <YAxis
              width={52}
              domain={domain}
              ticks={ticks}
              allowDataOverflow
              tickFormatter={(k: number) => `${k > 0 ? '+' : ''}${Math.round(k)}`}
              stroke="var(--color-base-content)"
              fontSize={12}
            />
            <ReferenceLine y={0} stroke="var(--color-base-content)" strokeWidth={1.5} />
            {found.points.length > 0 && (
              <Area
                dataKey="band"
                stroke="none"
                fill={familyColour('sender')}
                fillOpacity={0.22}
                isAnimationActive={false}
                activeDot={false}
              />
            )}
            {found.points.length > 0 && (
              <Line
                dataKey="error"
                stroke={familyColour('sender')}
                strokeWidth={3}
                dot={false}
                activeDot={false}
                isAnimationActive={false}
              />
            )}
            <Scatter data={points} dataKey="error" fill="var(--color-base-content)" isAnimationActive={false}>
              <ErrorBar dataKey="sd" direction="y" width={6} strokeWidth={2} stroke="var(--color-base-content)" />
            </Scatter>
          </ComposedChart>
        )}
      </div>
      <ChartLegend
        indent={false}
        entries={[
          { label: 'reads off by, best', colour: familyColour('sender') },
          { label: '90 of 100', colour: familyColour('sender'), band: true },
        ]}
      />
    </div>
  );
}
