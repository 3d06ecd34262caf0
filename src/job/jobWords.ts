import type { CaseLine } from '@/core/case';
import { causeName, type Grade } from '@/core/evidence';
import type { JobState } from '@/storage/records';

/** States of a job in the shop's words, in the order of the work. */
export const STATE_NAME: Readonly<Record<JobState, string>> = {
  'to-look-at': 'To look at',
  'drive-planned': 'Drive planned',
  'waiting-for-part': 'Waiting for a part',
  'to-prove': 'To prove',
  'look-again': 'Look again',
  finished: 'Finished',
};

/** Grades in words. */
export const GRADE_NAME: Readonly<Record<Grade, string>> = {
  confirmed: 'confirmed',
  likely: 'likely',
  suspect: 'suspected',
  inconclusive: 'cannot tell yet',
};

/** A share as a person says it. */
export const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** A factor on odds as a person says it. */
export function factorText(factor: number): string {
  const times = factor >= 1 ? factor : 1 / factor;
  if (times < 1.05) return 'no change';
  const shown = times >= 100 ? 'over 100' : times >= 10 ? String(Math.round(times)) : times.toFixed(1);
  return `${shown} times ${factor >= 1 ? 'more' : 'less'} likely`;
}

/** How a line moved the odds, in words. */
export const movedText = (line: Pick<CaseLine, 'moved'>): string =>
  `${causeName(line.moved.cause)} ${factorText(line.moved.factor)}`;

/** What a line made of the odds: the figures that stood there before and after, as the strip shows them. */
export const becameText = ({ moved }: Pick<CaseLine, 'moved'>): string =>
  percent(moved.from) === percent(moved.to)
    ? `${causeName(moved.cause)} stays at ${percent(moved.to)}`
    : `${causeName(moved.cause)} from ${percent(moved.from)} to ${percent(moved.to)}`;

/** States that a repair leaves behind. */
const BEFORE_PROOF: readonly JobState[] = ['to-look-at', 'drive-planned', 'waiting-for-part'];

/** True for a job that has not come to its proof: work that is written down takes it there. */
export const isBeforeProof = (state: JobState): boolean => BEFORE_PROOF.includes(state);
