'use client';

import { skills, type Scored, type Skill } from '@/core/practice';
import { countedText } from '@/job/countedText';
import { percent } from '@/job/jobWords';

const brierText = ({ brier, right }: Skill): string =>
  brier === null || right.few ? 'too few to say' : brier.toFixed(2);

/** How often one was right with how much certainty, beside Varmek on the same evidence. */
export function SkillTable({ scored }: { scored: readonly Scored[] }) {
  const { yours, varmek } = skills(scored);
  return (
    <section aria-labelledby="skill-title">
      <h2 id="skill-title" className="text-2xl type-sign">
        How sure, how right
      </h2>
      <table
        className="mt-2 w-full [&_td]:py-1 [&_td]:pr-4 [&_th]:pr-4 [&_th]:text-left [&_tr]:border-b [&_tr]:border-base-content/15"
        data-testid="practice-skill"
      >
        <thead>
          <tr>
            <th scope="col">Certainty</th>
            <th scope="col">You were right</th>
            <th scope="col">Varmek was right</th>
          </tr>
        </thead>
        <tbody>
          {yours.bins.map((bin, i) => (
            <tr key={bin.from}>
              <th scope="row" className="font-normal">
                {bin.from === 0 ? `below ${percent(bin.to)}` : `${percent(bin.from)} to ${percent(bin.to)}`}
              </th>
              <td>{countedText(bin.right)}</td>
              <td>{countedText(varmek.bins[i]!.right)}</td>
            </tr>
          ))}
          <tr className="font-semibold">
            <th scope="row">All</th>
            <td>{countedText(yours.right)}</td>
            <td>{countedText(varmek.right)}</td>
          </tr>
          <tr>
            <th scope="row" className="font-normal">
              Mean square of claim less outcome
            </th>
            <td>{brierText(yours)}</td>
            <td>{brierText(varmek)}</td>
          </tr>
        </tbody>
      </table>
      <p className="mt-1 text-sm">0 is best; one who says 50 % to everything has 0.25. First decisions alone count.</p>
    </section>
  );
}
