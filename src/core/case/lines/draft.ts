import { perCause, type PerCause } from '../../base';
import { findItem, logsOf, type EvidenceLine, type ItemId } from '../../evidence';
import type { LineContext } from '../context';

/** A line before its entry gives it an id, and what it answers, so that the same thing does not count twice. */
export interface LineDraft extends Omit<EvidenceLine, 'id'> {
  /** Items of the catalogue that it answers. */
  readonly answers: readonly ItemId[];
}

/**
 * Likelihood of a reading that settles an item only as well as its instrument does: each answer's row, weighed by how
 * probable the reading is if that answer is the true one.
 *
 * @param weights one per answer, in the catalogue's order, summing to 1
 */
export function softAnswer(context: LineContext, id: ItemId, weights: readonly number[]): PerCause<number> {
  const item = findItem(id, context.catalogue);
  if (!item) throw new RangeError(`softAnswer: no item ${id}`);
  const rows = item.answers.map((a) => item.likelihood(a.key, context.vehicle));
  return perCause((c) => rows.reduce((sum, row, i) => sum + weights[i]! * row[c], 0));
}

/** A measured line that answers one item. */
export function measuredLine(context: LineContext, id: ItemId, seen: string, likelihood: PerCause<number>): LineDraft {
  const item = findItem(id, context.catalogue);
  return {
    kind: 'measured',
    seen,
    reason: item?.reason ?? '',
    source: 'measured',
    logLikelihood: logsOf(likelihood),
    answers: [id],
  };
}
