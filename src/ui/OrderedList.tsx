'use client';

import { ArrowDown, ArrowUp } from 'lucide-react';
import type { ReactNode } from 'react';

/** One line of a list that can be put into another order. */
export interface OrderedItem {
  readonly key: string;
  readonly name: string;
  readonly content?: ReactNode;
}

/** Offered items in the shop's order: what it knows first as it put them, new ones behind. */
export function inShopOrder<T extends { readonly key: string }>(
  offered: readonly T[],
  order: readonly string[] | null,
): T[] {
  const known = (order ?? []).flatMap((key) => offered.find((o) => o.key === key) ?? []);
  return [...known, ...offered.filter((o) => !known.includes(o))];
}

/** A numbered list whose lines move up and down by buttons. */
export function OrderedList({
  items,
  testId,
  onMove,
}: {
  items: readonly OrderedItem[];
  testId: string;
  /** The keys in their new order. */
  onMove: (order: readonly string[]) => void;
}) {
  const move = (i: number, by: -1 | 1) => {
    const next = items.map((item) => item.key);
    [next[i], next[i + by]] = [next[i + by]!, next[i]!];
    onMove(next);
  };
  return (
    <ol data-testid={testId}>
      {items.map(({ key, name, content }, i) => (
        <li key={key} className="flex items-start gap-3 border-t border-base-content/15 py-1">
          <span className="w-6 pt-2.5 text-right type-label">{i + 1}</span>
          <div className="min-w-0 flex-1 pt-2">
            <p>{name}</p>
            {content}
          </div>
          <button
            type="button"
            className="btn btn-square btn-ghost"
            disabled={i === 0}
            aria-label={`Earlier: ${name}`}
            onClick={() => move(i, -1)}
          >
            <ArrowUp aria-hidden className="size-4" />
          </button>
          <button
            type="button"
            className="btn btn-square btn-ghost"
            disabled={i === items.length - 1}
            aria-label={`Later: ${name}`}
            onClick={() => move(i, 1)}
          >
            <ArrowDown aria-hidden className="size-4" />
          </button>
        </li>
      ))}
    </ol>
  );
}
