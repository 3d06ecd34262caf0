import { bleedReserve_l, containersFor, type ContainerNeed } from './containers';
import { insideNow } from './filling';
import type { RepairSheet } from './sheet';

/** How much coolant is bought: the whole filling less what is sure to stay, with the reserve for bleeding. */
export function coolantNeed(
  sheet: RepairSheet,
  capacity_l: number,
  target_pct: number,
): ContainerNeed & { readonly need_l: number } {
  const { coolant } = sheet.plan;
  const inside = insideNow(sheet.drain, capacity_l);
  const stays_l = sheet.drain.lines.length > 0 && inside.ok ? inside.value.inside_l : 0;
  const room_l = Math.max(0, capacity_l - stays_l) + bleedReserve_l(capacity_l);
  const need_l = coolant.kind === 'concentrate' ? (room_l * target_pct) / 100 : room_l;
  return { need_l, ...containersFor(need_l, coolant.container_l, coolant.containerPrice) };
}
