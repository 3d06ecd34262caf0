import type { Range } from './lane';

/** Shortest stretch that can be looked at, s. */
export const SHORTEST_VIEW_S = 10;

const widthOf = ({ from_s, to_s }: Range): number => to_s - from_s;

/** A stretch moved and cut so that it lies inside the whole and is not too short. */
export function fitted({ from_s, to_s }: Range, whole: Range): Range {
  const width = Math.min(widthOf(whole), Math.max(SHORTEST_VIEW_S, to_s - from_s));
  const from = Math.min(whole.to_s - width, Math.max(whole.from_s, from_s));
  return { from_s: from, to_s: from + width };
}

/** A stretch made shorter (factor below 1) or longer about a moment, which stays where it is on the screen. */
export function zoomed(range: Range, whole: Range, factor: number, about_s: number): Range {
  const about = Math.min(range.to_s, Math.max(range.from_s, about_s));
  const width = Math.min(widthOf(whole), Math.max(SHORTEST_VIEW_S, widthOf(range) * factor));
  const share = (about - range.from_s) / widthOf(range);
  return fitted({ from_s: about - share * width, to_s: about + (1 - share) * width }, whole);
}

/** A stretch moved by a share of its width; negative is towards the start. */
export function panned(range: Range, whole: Range, share: number): Range {
  const by = share * widthOf(range);
  return fitted({ from_s: range.from_s + by, to_s: range.to_s + by }, whole);
}

/** The stretch that shows a place with some room around it; the same width as now where that is wider. */
export function showing(place: Range, range: Range, whole: Range): Range {
  if (place.from_s >= range.from_s && place.to_s <= range.to_s) return range;
  const width = Math.max(widthOf(range), 1.3 * widthOf(place));
  const middle = (place.from_s + place.to_s) / 2;
  return fitted({ from_s: middle - width / 2, to_s: middle + width / 2 }, whole);
}

/** A cursor on a drive: many may read it, and moving it draws nothing but what reads it. */
export interface CursorStore {
  readonly get: () => number | null;
  readonly set: (at_s: number | null) => void;
  readonly subscribe: (listener: () => void) => () => void;
}

/** Makes a cursor that points nowhere yet. */
export function cursorStore(): CursorStore {
  let at: number | null = null;
  const listeners = new Set<() => void>();
  return {
    get: () => at,
    set: (at_s) => {
      if (at_s === at) return;
      at = at_s;
      listeners.forEach((l) => l());
    },
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}
