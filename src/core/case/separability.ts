import { isFault } from '../base';
import type { Odds } from '../evidence';
import type { WorkEntry } from './entry';
import { WORK, workSpec, type WorkKind } from './work';

/** Whether one of the repairs can be given the credit. */
export interface Separability {
  readonly separable: boolean;
  /** What each repair's causes hold of the odds at arrival, largest first. */
  readonly shares: readonly { readonly work: WorkKind; readonly says: string; readonly share: number }[];
  readonly says: string;
}

/** A repair whose causes hold less than this cannot have been it, share. */
const COULD_BE_FROM = 0.08;
/** From here on one repair has the credit, share. */
const CREDITED_FROM = 0.8;
const percent = (p: number): string => `${Math.round(100 * p)} %`;

/**
 * Tells whether it can be known which of several repairs mattered; null before any work.
 *
 * @param atArrival odds of what was wrong at arrival, everything since taken into account
 */
export function separability(
  works: readonly WorkEntry[],
  atArrival: readonly Odds[],
  now: readonly Odds[],
): Separability | null {
  if (works.length === 0) return null;
  const kinds = [...new Set(works.map((w) => w.work))];
  const shares = kinds
    .map((work) => ({
      work,
      says: WORK[work].done,
      share: atArrival.reduce((sum, o) => sum + ((workSpec(work).cures[o.cause] ?? 0) >= 0.3 ? o.probability : 0), 0),
    }))
    .sort((a, b) => b.share - a.share);
  const possible = shares.filter((s) => s.share >= COULD_BE_FROM);
  const separable = possible.length < 2 || possible[0]!.share >= CREDITED_FROM;
  const list = possible.map((s) => `${s.says.toLowerCase()} ${percent(s.share)}`).join(', ');
  const sound = !isFault(now[0]!.cause);
  const says = separable
    ? possible[0]
      ? `Most likely mattered: ${list}.`
      : 'None of what was done touches what was likely wrong at arrival.'
    : `Not separable: ${list}. ${sound ? 'It is well now, and nobody can say which of them did it.' : 'Several things were changed at once.'}`;
  return { separable, shares, says };
}
