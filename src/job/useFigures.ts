'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { figuresOf, type Figures, type OwnFigures } from '@/core/case';
import { loadFigures } from '@/storage/figures';

/** The shop's figures. */
export interface ShopFigures {
  readonly own: OwnFigures;
  readonly figures: Figures;
  readonly changedAt: number;
}

/** The figures of the shop, its own in their places; undefined while they are read. */
export function useFigures(): ShopFigures | undefined {
  const stored = useLiveQuery(loadFigures, []);
  return useMemo(() => stored && { ...stored, figures: figuresOf(stored.own) }, [stored]);
}
