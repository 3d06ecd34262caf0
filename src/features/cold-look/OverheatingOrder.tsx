'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Cautions } from '@/job/Cautions';
import { useKeep } from '@/job/useKeep';
import { loadOrder, saveOrder } from '@/storage/settings';
import { inShopOrder, OrderedList } from '@/ui/OrderedList';

/** Cheapest and safest first. */
const OFFERED = [
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
].map((name) => ({ key: name, name }));

/** The general order for an overheating car; the shop can change it, and it stays changed. */
export function OverheatingOrder() {
  const keep = useKeep();
  const stored = useLiveQuery(() => loadOrder('overheating-order'), []);
  return (
    <details className="border-b border-base-content/20 py-4">
      <summary className="cursor-pointer text-lg font-bold">If it overheats: the order to look in</summary>
      <p className="mt-1 text-sm">Cheapest and safest first. Move what your shop does differently.</p>
      <Cautions className="mt-1" of={['overheating-on-the-road', 'past-the-limit', 'raw-water']} />
      <div className="mt-2 max-w-xl">
        <OrderedList
          items={inShopOrder(OFFERED, stored ?? null)}
          testId="overheating-order"
          onMove={(order) => keep(() => saveOrder('overheating-order', order))}
        />
      </div>
    </details>
  );
}
