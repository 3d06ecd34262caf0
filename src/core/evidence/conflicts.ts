import type { ItemId } from './catalogue/catalogue';

/** Complaints that do not go together as one fault, and what usually lies behind such a pair. */
const PAIRS: readonly { readonly items: readonly [ItemId, ItemId]; readonly says: string }[] = [
  {
    items: ['complaint-slow-warm-up', 'complaint-overheats'],
    says: 'Too cold and too hot as one fault are rare: air or low coolant does both, a reading that lies does, or there are two faults. Ask when each happens.',
  },
  {
    items: ['complaint-slow-warm-up', 'complaint-climbs-at-standstill'],
    says: 'Cold on the way and hot at rest can be an open thermostat with a dead fan, or air. Ask whether both happen on one drive.',
  },
  {
    items: ['complaint-gauge-low-on-road', 'complaint-overheats'],
    says: 'A low gauge on the road with overheating: do not trust the gauge. Use a scan reading before driving it again.',
  },
  {
    items: ['complaint-cool-mild-hot-towing', 'complaint-overheats'],
    says: 'Warm under load is wanted when the complaint is cold, and not when it is hot. Ask which of the two is meant.',
  },
];

/** What to ask about when statements conflict. */
export function complaintConflicts(itemIds: readonly string[]): string[] {
  return PAIRS.filter(({ items }) => items.every((id) => itemIds.includes(id))).map((p) => p.says);
}
