import { liveQuery } from 'dexie';
import { readClosing, type ClosingSheet } from '@/core/closing';
import { readSheet, type RepairSheet } from '@/core/repair';
import { database } from './database';
import { loadRepair } from './repairs';
import { NO_VEHICLE_ID } from './vehicles';

/** Ids of every job on a vehicle, oldest first. */
export async function listJobIds(): Promise<string[]> {
  const jobs = await database()
    .jobs.filter((j) => j.vehicleId !== NO_VEHICLE_ID)
    .toArray();
  return jobs.sort((a, b) => a.createdAt - b.createdAt).map((j) => j.id);
}

/**
 * Calls at once, and again whenever anything that jobs are counted by has changed, here or in another tab.
 * @returns how to end it
 */
export function watchPastJobs(changed: () => void, failed: (error: unknown) => void): () => void {
  const { jobs, vehicles, entries, traces, findings, repairs, closings } = database();
  const tables = [jobs, vehicles, entries, traces, findings, repairs, closings];
  const watch = liveQuery(() => Promise.all(tables.map((table) => table.count()))).subscribe(changed, failed);
  return () => watch.unsubscribe();
}

/** The repair and the closing of a job as far as this version can read them. */
export async function loadPapers(
  jobId: string,
): Promise<{ readonly repair: RepairSheet | null; readonly closing: ClosingSheet | null }> {
  const [repair, closing] = await Promise.all([loadRepair(jobId), database().closings.get(jobId)]);
  const sheet = repair ? readSheet(repair.sheet) : null;
  const closed = closing ? readClosing(closing.sheet) : null;
  return { repair: sheet?.ok ? sheet.value : null, closing: closed?.ok ? closed.value : null };
}
