import type { Counted, StripItem, StripState } from './sheet';
import { COUNTED } from './sheet';

/** What is still off, last off first: the list by which it goes together. */
export const refitList = (items: readonly StripItem[]): StripItem[] => items.filter((i) => i.backAt === null).reverse();

/** Plugs taken off and put back. */
export function connectorTally(items: readonly StripItem[]): { readonly off: number; readonly back: number } {
  const plugs = items.filter((i) => i.kind === 'connector');
  return { off: plugs.length, back: plugs.filter((i) => i.backAt !== null).length };
}

/** What went in and did not come out, by kind. */
export const stillInside = (counts: StripState['counts']): readonly { readonly what: Counted; readonly n: number }[] =>
  COUNTED.map((what) => ({ what, n: counts[what].in - counts[what].out })).filter((c) => c.n !== 0);

/** Screws that fell and were not found. */
export const lost = (strip: StripState) => strip.dropped.filter((d) => d.foundAt === null);

/** True while the thermostat, or the housing that holds it, is out. */
export const valveOut = (items: readonly StripItem[]): boolean =>
  items.some((i) => i.kind === 'thermostat' && i.backAt === null);
