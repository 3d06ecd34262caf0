'use client';

import { ErrorBar, ReferenceLine, Scatter, ScatterChart, XAxis, YAxis } from 'recharts';
import type { ReliabilityBin } from '@/core/history';
import { percent } from '@/job/jobWords';
import { useElementWidth } from '@/ui/useElementWidth';

const HEIGHT = 300;
const SHARES = [0.5, 0.6, 0.7, 0.8, 0.9, 1];

/** What was claimed against what came true, with the range in which the true share lies nine times of ten. */
export function ReliabilityPicture({ bins }: { bins: readonly ReliabilityBin[] }) {
  const [attach, width] = useElementWidth();
  const points = bins.flatMap((b) => {
    const { share, low, high, n } = b.right;
    return b.claimed === null || share === null
      ? []
      : [{ claimed: b.claimed, share, n, range: [Math.max(0, share - low), Math.max(0, high - share)] }];
  });
  return (
    <div ref={attach} style={{ minHeight: HEIGHT }} data-testid="reliability-picture">
      {width > 0 && (
        <ScatterChart
          width={Math.min(width, 520)}
          height={HEIGHT}
          margin={{ top: 10, right: 20, bottom: 26, left: 6 }}
          title="How often a finding was right, by how sure it was"
        >
          <XAxis
            dataKey="claimed"
            type="number"
            domain={[0.5, 1]}
            ticks={SHARES}
            tickFormatter={percent}
            stroke="var(--color-base-content)"
            fontSize={12}
            label={{ value: 'Varmek said', position: 'bottom', fontSize: 13, fill: 'var(--color-base-content)' }}
          />
          <YAxis
            dataKey="share"
            type="number"
            domain={[0, 1]}
            ticks={[0, 0.25, 0.5, 0.75, 1]}
            tickFormatter={percent}
            stroke="var(--color-base-content)"
            fontSize={12}
            width={56}
            label={{
              ...{ value: 'was right', angle: -90, position: 'insideLeft', fontSize: 13 },
              fill: 'var(--color-base-content)',
            }}
          />
          <ReferenceLine
            segment={[
              { x: 0.5, y: 0.5 },
              { x: 1, y: 1 },
            ]}
            stroke="var(--color-base-content)"
            strokeDasharray="4 4"
          />
          <Scatter data={points} fill="var(--color-primary)" isAnimationActive={false} shape="circle">
            <ErrorBar dataKey="range" width={8} strokeWidth={2} stroke="var(--color-primary)" direction="y" />
          </Scatter>
        </ScatterChart>
      )}
    </div>
  );
}
