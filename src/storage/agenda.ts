import { readEntry, type Entry } from '@/core/case';
import { dueDays, readClosing, type DueDay } from '@/core/closing';
import { readSheet } from '@/core/repair';
import { database } from './database';
import { NO_VEHICLE_ID } from './vehicles';

/** A day on which something is due for one job. */
export interface AgendaDay extends DueDay {
  readonly jobId: string;
  readonly plate: string;
  readonly complaint: string;
}

/** Kinds of entries that a day can follow from: the rest is not read. */
const TELLING: readonly unknown[] = ['work', 'proof', 'measurement'];

function grouped<T extends { readonly jobId: string }>(rows: readonly T[]): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const row of rows) groups.set(row.jobId, [...(groups.get(row.jobId) ?? []), row]);
  return groups;
}

/** Every day that is due for any job, earliest first. */
export async function loadAgenda(): Promise<AgendaDay[]> {
  const db = database();
  const [jobs, vehicles, entryRows, repairs, closings] = await Promise.all([
    db.jobs.filter((j) => j.vehicleId !== NO_VEHICLE_ID).toArray(),
    db.vehicles.toArray(),
    db.entries.filter((e) => TELLING.includes(e.kind)).toArray(),
    db.repairs.toArray(),
    db.closings.toArray(),
  ]);
  const plates = new Map(vehicles.map((v) => [v.id, v.plate]));
  const entriesOf = grouped(entryRows);
  const repairsOf = grouped([...repairs].sort((a, b) => a.startedAt - b.startedAt));
  const closingOf = new Map(closings.map((c) => [c.jobId, c]));
  const days = jobs.flatMap((job): AgendaDay[] => {
    const entries: Entry[] = (entriesOf.get(job.id) ?? []).map((e) => readEntry(e, { id: e.id, at: e.at }));
    const latest = repairsOf.get(job.id)?.at(-1);
    const repair = latest ? readSheet(latest.sheet) : null;
    const kept = closingOf.get(job.id);
    const closing = kept ? readClosing(kept.sheet) : null;
    const due = dueDays({
      entries,
      repair: repair?.ok ? repair.value : null,
      closing: closing?.ok ? closing.value : null,
      lookAgainOn: job.state === 'look-again' ? job.lookAgainOn : null,
      finished: job.state === 'finished',
    });
    const { id: jobId, complaint } = job;
    return due.map((d) => ({ ...d, jobId, complaint, plate: plates.get(job.vehicleId) ?? 'Vehicle missing' }));
  });
  return days.sort((a, b) => a.on.localeCompare(b.on));
}
