import { counted, type Counted } from '../history';
import type { Figures } from '../case';
import { isOver } from './progress';
import { reviewOf } from './review';
import type { PracticeResult, PracticeSheet } from './sheet';

/** One finished case as it counts. */
export interface Scored {
  readonly id: string;
  readonly startedAt: number;
  readonly sheet: PracticeSheet;
  readonly result: PracticeResult;
}

/** How a claim of certainty came true. */
export interface Calibration {
  readonly from: number;
  readonly to: number;
  readonly claimed: number | null;
  readonly right: Counted;
}

/** How good one is, and how well one knows it. */
export interface Skill {
  readonly right: Counted;
  /** Mean square of claim less outcome; 0 is best, 0.25 is a coin. Source: G. W. Brier, Mon. Wea. Rev. 78 (1950) 1-3. */
  readonly brier: number | null;
  readonly bins: readonly Calibration[];
}

/** Ends of the bins of certainty. */
const EDGES = [0, 0.55, 0.7, 0.85, 0.95, 1.001] as const;

function skillOf(claims: readonly { readonly share: number; readonly right: boolean }[]): Skill {
  const mean = (values: readonly number[]) =>
    values.length === 0 ? null : values.reduce((a, b) => a + b, 0) / values.length;
  const hits = (of: typeof claims) => of.filter((c) => c.right).length;
  return {
    right: counted(hits(claims), claims.length),
    brier: mean(claims.map((c) => (c.share - (c.right ? 1 : 0)) ** 2)),
    bins: EDGES.slice(0, -1).map((from, i) => {
      const to = EDGES[i + 1]!;
      const inside = claims.filter((c) => c.share >= from && c.share < to);
      return {
        from,
        to: Math.min(1, to),
        claimed: mean(inside.map((c) => c.share)),
        right: counted(hits(inside), inside.length),
      };
    }),
  };
}

/** The cases that are over, each with what came of it; worked out where it was not kept yet. */
export const scoredOf = (
  cases: readonly { readonly id: string; readonly startedAt: number; readonly sheet: PracticeSheet }[],
  figures: Figures,
): Scored[] =>
  cases
    .filter((c) => isOver(c.sheet))
    .map((c) => ({ ...c, result: c.sheet.result ?? reviewOf(c.sheet, figures).result }));

/** One's own skill beside Varmek's, on the same cases with the same evidence at the first decision. */
export function skills(scored: readonly Scored[]): { readonly yours: Skill; readonly varmek: Skill } {
  const decided = scored.filter(({ result }) => result.first !== null).map(({ result }) => result);
  return {
    yours: skillOf(decided.map(({ first }) => ({ share: first!.certainty, right: first!.right }))),
    varmek: skillOf(decided.map((r) => r.varmekSays)),
  };
}
