import type { StripItem, StripKind } from '@/core/repair';

/** What each kind is called on its button. */
export const STRIP_NAME: Readonly<Record<StripKind, string>> = {
  hose: 'Hose',
  clamp: 'Clamp',
  bolt: 'Bolt',
  connector: 'Plug',
  bracket: 'Bracket',
  thermostat: 'Thermostat',
  sender: 'Sender',
  housing: 'Housing',
  part: 'Other part',
};

/** Kinds that are screws: thread, head, length and torque matter. */
export const isScrew = (kind: StripKind): boolean => kind === 'bolt';

/** A thing taken off now, with the next number on its label. */
export function newItem(kind: StripKind, items: readonly StripItem[], at: number): StripItem {
  const n = items.filter((i) => i.kind === kind).length + 1;
  return {
    ...{ id: crypto.randomUUID(), kind, name: `${STRIP_NAME[kind]} ${n}`, at, label: String(items.length + 1) },
    ...{ place: '', thread: '', head_mm: null, length_mm: null, torque_nm: null, torqueSource: '' },
    ...{ note: '', photoId: null, backAt: null },
  };
}
