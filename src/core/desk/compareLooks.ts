import { compareConditions, type ConditionDifference } from '../drive';
import type { DriveLook, FeatureRow } from './driveLook';

/** What became of one figure from one drive to the other. */
export interface FeatureChange {
  readonly name: FeatureRow['name'];
  readonly label: string;
  readonly unit: FeatureRow['unit'];
  readonly before: number;
  readonly after: number;
  readonly change: number;
  readonly sd: number;
  /**
   * Against what a sound vehicle shows on each of the drives; `same` where the change is within its uncertainty. Drives
   * that cannot be compared are never called better or worse.
   */
  readonly became: 'better' | 'worse' | 'different' | 'same';
}

/** Two drives held against each other. */
export interface Comparison {
  readonly comparable: boolean;
  /** Every condition; those that forbid the comparison have `agrees` false. */
  readonly conditions: readonly ConditionDifference[];
  readonly changes: readonly FeatureChange[];
}

/** How far a value lies outside of what is expected; null where nothing is. */
function outside(value: number, expected: FeatureRow['expected']): number | null {
  if (!expected) return null;
  return Math.max(0, expected[0] - value, value - expected[1]);
}

/** Changes smaller than so many of their own standard uncertainties are none. */
const REAL_FROM = 2;

function changeOf(before: FeatureRow, after: FeatureRow, comparable: boolean): FeatureChange | null {
  const [a, b] = [before.told, after.told];
  if (!a || !b) return null;
  const change = b.value - a.value;
  const sd = Math.hypot(a.sd, b.sd);
  const was = outside(a.value, before.expected);
  const is = outside(b.value, after.expected);
  const moved = was === null || is === null ? null : is - was;
  const became =
    Math.abs(change) <= REAL_FROM * sd
      ? 'same'
      : !comparable || moved === null || Math.abs(moved) <= sd
        ? 'different'
        : moved < 0
          ? 'better'
          : 'worse';
  const { name, label, unit } = after;
  return { ...{ name, label, unit, change, sd, became }, before: a.value, after: b.value };
}

/** Holds two measured drives against each other: first whether that is fair, then figure by figure. */
export function compareLooks(before: DriveLook, after: DriveLook): Comparison {
  const conditions = compareConditions(before, after);
  // Without the weather of both nothing can be said of either.
  const comparable = conditions.every((c) => c.agrees !== false && (c.condition !== 'outside' || c.agrees === true));
  return {
    comparable,
    conditions,
    changes: after.features.flatMap((row) => {
      const old = before.features.find((r) => r.name === row.name);
      const change = old ? changeOf(old, row, comparable) : null;
      return change ? [change] : [];
    }),
  };
}
