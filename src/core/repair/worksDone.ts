import type { WorkKind } from '../case';
import { EXTRAS } from './extras';
import type { RepairSheet } from './sheet';

/** What a repair amounts to: the planned work with what was done along, and the filling where coolant went in. */
export function worksDone(sheet: RepairSheet): WorkKind[] {
  const filled = sheet.drain.lines.some((x) => x.kind === 'added');
  const planned = sheet.plan.works.filter((w) => w !== 'topped-up-and-bled');
  const drained = sheet.drain.lines.some((x) => x.kind === 'drained');
  const fill: WorkKind | null = !filled ? null : drained ? 'drained-and-filled' : 'topped-up-and-bled';
  const flushed: WorkKind | null = sheet.drain.flushed > 0 ? 'cleaned-radiator' : null;
  const along = EXTRAS.filter((e) => sheet.plan.extras.includes(e.id) && e.id !== 'coolant' && e.id !== 'flush').map(
    (e) => e.work,
  );
  return [...new Set([...planned, ...[...along, flushed, fill].filter((w) => w !== null)])];
}
