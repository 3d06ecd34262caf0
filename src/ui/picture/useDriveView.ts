'use client';

import { useMemo, useState, useSyncExternalStore } from 'react';
import type { Range } from './lane';
import { cursorStore, fitted, panned, showing, zoomed, type CursorStore } from './view';

/** The visible stretch of a drive with its cursor, and the ways to move both. */
export interface DriveView {
  readonly whole: Range;
  readonly range: Range;
  readonly cursor: CursorStore;
  readonly look: (range: Range) => void;
  readonly zoom: (factor: number) => void;
  readonly pan: (share: number) => void;
  readonly showAll: () => void;
  /** Brings a place into sight and puts the cursor on its start. */
  readonly show: (place: Range) => void;
}

/** Keeps what is looked at of a drive; begins with all of it. */
export function useDriveView(whole: Range): DriveView {
  const [asked, setAsked] = useState<Range | null>(null);
  const [cursor] = useState(cursorStore);
  const { from_s, to_s } = whole;
  return useMemo(() => {
    const all = { from_s, to_s };
    const range = asked ? fitted(asked, all) : all;
    return {
      whole: all,
      range,
      cursor,
      look: setAsked,
      zoom: (factor) => setAsked(zoomed(range, all, factor, cursor.get() ?? (range.from_s + range.to_s) / 2)),
      pan: (share) => setAsked(panned(range, all, share)),
      showAll: () => setAsked(null),
      show: (place) => {
        setAsked(showing(place, range, all));
        cursor.set(place.from_s);
      },
    };
  }, [from_s, to_s, asked, cursor]);
}

/** The cursor's moment, s; null while it points nowhere. */
export const useCursor = ({ subscribe, get }: CursorStore): number | null =>
  useSyncExternalStore(subscribe, get, () => null);
