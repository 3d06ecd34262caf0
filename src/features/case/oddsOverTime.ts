import { CAUSES, type Cause } from '@/core/base';
import type { CaseStep } from '@/core/case';

/** Causes that never hold this much are put together as the rest, share. */
const SHOWN_FROM = 0.06;

/** The picture of the odds: which causes it shows, and their shares after each step. */
export interface OddsPicture {
  readonly causes: readonly Cause[];
  /** One point per step; `rest` takes what is not shown. */
  readonly points: readonly (Readonly<Record<string, number>> & { readonly step: number; readonly rest: number })[];
}

/** Points of the picture, largest cause at the end first. */
export function oddsPicture(steps: readonly CaseStep[]): OddsPicture {
  const last = steps.at(-1);
  const causes = CAUSES.filter((c) => steps.some((s) => s.now[c] >= SHOWN_FROM)).sort(
    (a, b) => (last?.now[b] ?? 0) - (last?.now[a] ?? 0),
  );
  const pointAt = (s: CaseStep, step: number) => {
    const shown = Object.fromEntries(causes.map((c) => [c, s.now[c]]));
    return { ...shown, step, rest: Math.max(0, 1 - causes.reduce((sum, c) => sum + s.now[c], 0)) };
  };
  const points = steps.map(pointAt);
  // A last stretch of the width of a step, so that what stands now has an area too.
  return { causes, points: last ? [...points, pointAt(last, steps.length)] : points };
}
