import { database, type VarmekDatabase } from './database';
import type {
  ClosingRecord,
  EntryRecord,
  FindingRecord,
  PhotoRecord,
  RecordingRecord,
  RepairRecord,
  RunRecord,
  SummaryRecord,
  TraceRecord,
} from './records';

/** Rows that belong to one job, by table. */
export interface JobRows {
  readonly entries: readonly EntryRecord[];
  readonly traces: readonly TraceRecord[];
  readonly findings: readonly FindingRecord[];
  readonly photos: readonly PhotoRecord[];
  readonly recordings: readonly RecordingRecord[];
  readonly runs: readonly RunRecord[];
  readonly repairs: readonly RepairRecord[];
  readonly closings: readonly ClosingRecord[];
  readonly summaries: readonly SummaryRecord[];
}

/** Name of a table whose rows belong to a job, by its index `jobId`. */
export type JobTable = keyof JobRows;

/**
 * Every table whose rows belong to a job, and whether they travel with it: what is derived is made again where the job
 * arrives. Deletion, its undo, the job file and its opening walk over this list and know no table by name.
 */
export const JOB_TABLES: Readonly<Record<JobTable, 'travels' | 'derived'>> = {
  entries: 'travels',
  traces: 'travels',
  findings: 'derived',
  photos: 'travels',
  recordings: 'travels',
  runs: 'travels',
  repairs: 'travels',
  closings: 'travels',
  summaries: 'derived',
};

/**
 * The other tables, and whether a backup of the shop holds them: what is derived or only on its way stays behind.
 */
export const SHOP_TABLES = {
  vehicles: 'travels',
  jobs: 'travels',
  procedures: 'travels',
  practice: 'travels',
  triage: 'travels',
  settings: 'travels',
  bin: 'travels',
  journal: 'stays',
  staged: 'stays',
} as const;

/** Tables that a backup holds. Findings go along, as it holds all that they follow from; summaries are soon made. */
export const BACKUP_TABLES: readonly string[] = Object.entries({ ...SHOP_TABLES, ...JOB_TABLES })
  .filter(([name, whether]) => whether === 'travels' || name === 'findings')
  .map(([name]) => name);

/** Their names. */
export const JOB_TABLE_NAMES = Object.keys(JOB_TABLES) as readonly JobTable[];

/** The job table and those of its rows, for a transaction over a whole job. */
export const wholeJobTables = (db: VarmekDatabase) => [db.jobs, ...JOB_TABLE_NAMES.map((name) => db.table(name))];

/** Every row of a job. */
export async function rowsOfJob(jobId: string): Promise<JobRows> {
  const db = database();
  const rows = await Promise.all(JOB_TABLE_NAMES.map((name) => db.table(name).where('jobId').equals(jobId).toArray()));
  return Object.fromEntries(JOB_TABLE_NAMES.map((name, i) => [name, rows[i]])) as unknown as JobRows;
}

/** Deletes every row of a job; call it in a transaction. */
export async function deleteRowsOfJob(jobId: string): Promise<void> {
  const db = database();
  for (const name of JOB_TABLE_NAMES) await db.table(name).where('jobId').equals(jobId).delete();
}

/** Puts rows of a job; call it in a transaction. */
export async function putRowsOfJob(rows: JobRows): Promise<void> {
  const db = database();
  for (const name of JOB_TABLE_NAMES) await db.table(name).bulkPut([...rows[name]]);
}
