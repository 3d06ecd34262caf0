'use client';

import { CartesianGrid, Line, LineChart, XAxis, YAxis } from 'recharts';
import type { Scored } from '@/core/practice';
import { useElementWidth } from '@/ui/useElementWidth';

const HEIGHT = 190;

/** The score of case after case. */
export function ScoreChart({ scored }: { scored: readonly Scored[] }) {
  const [attach, width] = useElementWidth();
  const points = scored.map(({ result }, i) => ({ nth: i + 1, score: result.score }));
  return (
    <div ref={attach} style={{ minHeight: HEIGHT }} data-testid="practice-scores">
      {width > 0 && (
        <LineChart
          width={width}
          height={HEIGHT}
          data={points}
          margin={{ top: 8, right: 12, bottom: 18, left: 0 }}
          title="Score of each case, in the order in which they were played"
        >
          <CartesianGrid stroke="var(--color-base-300)" vertical={false} />
          <XAxis
            dataKey="nth"
            type="number"
            domain={[1, Math.max(2, points.length)]}
            allowDecimals={false}
            stroke="var(--color-base-content)"
            fontSize={12}
            label={{ value: 'Case', position: 'bottom', offset: 2, fontSize: 13, fill: 'var(--color-base-content)' }}
          />
          <YAxis domain={[0, 100]} ticks={[0, 50, 100]} stroke="var(--color-base-content)" fontSize={12} width={34} />
          <Line
            dataKey="score"
            stroke="var(--color-primary)"
            strokeWidth={2}
            dot={{ r: 4, fill: 'var(--color-primary)' }}
            isAnimationActive={false}
          />
        </LineChart>
      )}
    </div>
  );
}
