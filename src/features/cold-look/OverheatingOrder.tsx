'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { Cautions } from '@/job/Cautions';
import { useWrite } from '@/job/useWrite';
import { loadOverheatingOrder, saveOverheatingOrder } from '@/storage/settings';

/** Cheapest and safest first. */
const OFFERED: readonly string[] = [
  'Cold level',
  'Leak or loss over days',
  'Is the reading true? Scan, needle, probe',
  'Fan: fuse, relay, motor, control, clutch',
  'Cap and mix',
  'Air',
  'Thermostat shut or reversed',
  'Core and sediment',
  'Pump: belt, impeller, electric',
  'Gasket or head: combustion-gas test',
];

/** The general order for an overheating car; the shop can change it, and it stays changed. */
export function OverheatingOrder() {
  const write = useWrite();
  const stored = useLiveQuery(loadOverheatingOrder, []);
  const known = stored?.filter((s) => OFFERED.includes(s)) ?? [];
  const order = [...known, ...OFFERED.filter((s) => !known.includes(s))];
  const move = (i: number, by: -1 | 1) => {
    const next = [...order];
    [next[i], next[i + by]] = [next[i + by]!, next[i]!];
    void write(saveOverheatingOrder(next));
  };
  return (
    <details className="border-b border-base-content/20 py-4">
      <summary className="cursor-pointer text-lg font-bold">If it overheats: the order to look in</summary>
      <p className="mt-1 text-sm">Cheapest and safest first. Move what your shop does differently.</p>
      <Cautions className="mt-1" of={['overheating-on-the-road', 'past-the-limit', 'raw-water']} />
      <ol className="mt-2 max-w-xl" data-testid="overheating-order">
        {order.map((text, i) => (
          <li key={text} className="flex items-center gap-3 border-t border-base-content/15">
            <span className="w-6 text-right type-label">{i + 1}</span>
            <span className="flex-1">{text}</span>
            <button
              type="button"
              className="btn btn-square btn-ghost"
              disabled={i === 0}
              aria-label={`Earlier: ${text}`}
              onClick={() => move(i, -1)}
            >
              <ArrowUp aria-hidden className="size-4" />
            </button>
            <button
              type="button"
              className="btn btn-square btn-ghost"
              disabled={i === order.length - 1}
              aria-label={`Later: ${text}`}
              onClick={() => move(i, 1)}
            >
              <ArrowDown aria-hidden className="size-4" />
            </button>
          </li>
        ))}
      </ol>
    </details>
  );
}
