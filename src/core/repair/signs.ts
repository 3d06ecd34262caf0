import type { Vehicle } from '../base';
import { insideNow } from './filling';
import { standsAt } from '../procedure';
import type { RepairSheet } from './sheet';
import { connectorTally, lost, stillInside, valveOut } from './strip';

/** A sign on a job that lies open. */
export interface OpenSign {
  readonly id: string;
  readonly says: string;
  /** The engine must not be started. */
  readonly noStart: boolean;
}

/** Below this share of its coolant an engine does not run at all; short of this much it is low, l. */
const EMPTY_SHARE = 0.7;
const LOW_L = 0.4;

/**
 * What must be in sight on every screen of a job that was left open. @param place of the bleeding run; null when none runs
 */
export function openSigns(sheet: RepairSheet | null, vehicle: Vehicle, place: number | null = null): OpenSign[] {
  if (!sheet || sheet.closedAt !== null) return [];
  const { strip, drain, bleed } = sheet;
  const signs: OpenSign[] = [];
  const sign = (id: string, says: string, noStart: boolean) => signs.push({ id, says, noStart });
  const capacity_l = vehicle.coolant.volume_l;
  const inside = insideNow(drain, capacity_l);
  if (drain.lines.length > 0 && inside.ok) {
    const missing_l = capacity_l - inside.value.inside_l;
    if (inside.value.inside_l < EMPTY_SHARE * capacity_l) sign('no-coolant', 'No coolant', true);
    else if (missing_l > LOW_L) sign('low', `Coolant ${missing_l.toFixed(1)} l short`, false);
  }
  if (valveOut(strip.items)) sign('no-valve', 'No valve fitted', false);
  if (strip.capOff) sign('cap-off', 'Cap off', false);
  const plugs = connectorTally(strip.items);
  if (plugs.off > plugs.back) sign('unplugged', `${plugs.off - plugs.back} unplugged`, false);
  for (const { what, n } of stillInside(strip.counts)) {
    if (n > 0) sign(what, `${n} ${n === 1 ? what.slice(0, -1) : what} still in`, what !== 'tools');
  }
  for (const d of lost(strip)) sign(`lost-${d.id}`, `Dropped: ${d.what === '' ? 'a screw' : d.what}`, true);
  const off = strip.items.filter((i) => i.backAt === null && i.kind !== 'connector' && i.kind !== 'thermostat').length;
  if (off > 0) sign('off', `${off} ${off === 1 ? 'part' : 'parts'} off`, true);
  if (bleed.procedure && place !== null && standsAt(bleed.procedure, place).clamped) {
    sign('clamp', 'Hose pinched', false);
  }
  return signs;
}

/** What keeps a repair from being closed as filled and bled; empty when nothing does. */
export const blockers = (sheet: RepairSheet, vehicle: Vehicle): OpenSign[] => openSigns(sheet, vehicle);
