'use client';

import { Area, AreaChart, ReferenceArea, ReferenceLine, XAxis, YAxis } from 'recharts';
import type { CaseStep } from '@/core/case';
import { causeLook } from '@/job/causeLook';
import { oddsPicture } from './oddsOverTime';

const HEIGHT = 250;
/** Causes of one family share a colour; the later ones are paler. */
const PALER = [0.95, 0.6, 0.38, 0.25] as const;

/** Odds after each entry, stacked; work stands as a line. A click picks the step. */
export function OddsChart({
  steps,
  width,
  chosen,
  onChoose,
}: {
  steps: readonly CaseStep[];
  width: number;
  chosen: number;
  onChoose: (step: number) => void;
}) {
  const { causes, points } = oddsPicture(steps);
  const opacityOf = (i: number): number => {
    const { colour } = causeLook(causes[i]!);
    const nth = causes.slice(0, i).filter((c) => causeLook(c).colour === colour).length;
    return PALER[Math.min(nth, PALER.length - 1)]!;
  };
  return (
    <AreaChart
      width={width}
      height={HEIGHT}
      data={[...points]}
      margin={{ top: 20, right: 4, bottom: 0, left: 0 }}
      accessibilityLayer={false}
      onClick={(at) => {
        const step = Number(at.activeLabel);
        if (Number.isFinite(step)) onChoose(Math.min(steps.length - 1, Math.floor(step)));
      }}
    >
      <XAxis dataKey="step" type="number" domain={[0, steps.length]} hide />
      <YAxis
        domain={[0, 1]}
        ticks={[0, 0.25, 0.5, 0.75, 1]}
        tickFormatter={(v: number) => `${Math.round(100 * v)} %`}
        width={52}
        stroke="var(--color-base-content)"
        fontSize={12}
      />
      {causes.map((cause, i) => (
        <Area
          key={cause}
          type="stepAfter"
          dataKey={cause}
          stackId="odds"
          fill={causeLook(cause).colour}
          fillOpacity={opacityOf(i)}
          stroke="var(--color-base-100)"
          strokeWidth={1}
          isAnimationActive={false}
          activeDot={false}
        />
      ))}
      <Area
        type="stepAfter"
        dataKey="rest"
        stackId="odds"
        fill="var(--color-base-300)"
        stroke="none"
        isAnimationActive={false}
        activeDot={false}
      />
      <ReferenceArea x1={chosen} x2={chosen + 1} fill="none" stroke="var(--color-base-content)" strokeWidth={2} />
      {steps.map(
        (s, i) =>
          s.kind === 'work' && (
            <ReferenceLine
              key={s.entryId}
              x={i}
              stroke="var(--color-base-content)"
              strokeWidth={3}
              label={{ value: 'work', position: 'top', fontSize: 12, fill: 'var(--color-base-content)' }}
            />
          ),
      )}
    </AreaChart>
  );
}
