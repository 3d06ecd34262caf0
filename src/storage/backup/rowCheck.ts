import { parseVehicle } from '@/core/formats';
import { BIN_KINDS, JOB_STATES } from '../records';
import { JOB_TABLE_NAMES } from '../tables';

type Row = Readonly<Record<string, unknown>>;

/** Longest name by which a row is known. */
const LONGEST_KEY = 500;

const isRecord = (v: unknown): v is Row =>
  typeof v === 'object' && v !== null && !Array.isArray(v) && !(v instanceof Blob) && !ArrayBuffer.isView(v);
const isTime = (v: unknown): boolean => typeof v === 'number' && Number.isFinite(v);
const isText = (v: unknown): v is string => typeof v === 'string';
const isKey = (v: unknown): boolean => isText(v) && v !== '' && v.length <= LONGEST_KEY;

/** A trace as the judge, the desk and the pictures take it: times and as many values in each channel. */
function isTrace(value: unknown): boolean {
  if (!isRecord(value) || !isRecord(value.channels) || !(value.time_s instanceof Float64Array)) return false;
  const { length } = value.time_s;
  return Object.values(value.channels).every((c) => c instanceof Float64Array && c.length === length);
}

const JUDGING: readonly unknown[] = ['wanted', 'done', 'stopped', 'failed'];
const isVehicle = (v: unknown): boolean => isRecord(v) && parseVehicle({ schema: 'varmek-vehicle/1', ...v }).ok;
const isPicture = (v: unknown): boolean => v instanceof Blob && /^image\/(?!svg)/.test(v.type);

/** What every row of a table must hold for the screens to show it; the rest is read where it is used. */
const FIELDS: Readonly<Record<string, Readonly<Record<string, (v: unknown) => boolean>>>> = {
  vehicles: {
    id: isKey,
    plate: isText,
    vehicle: isVehicle,
    parts: Array.isArray,
    senderPoints: Array.isArray,
    goodTraceIds: Array.isArray,
    createdAt: isTime,
    updatedAt: isTime,
  },
  jobs: {
    id: isKey,
    vehicleId: isKey,
    complaint: isText,
    conditions: isText,
    state: (v) => JOB_STATES.some((s) => s === v),
    createdAt: isTime,
    updatedAt: isTime,
  },
  entries: { id: isKey, at: isTime, kind: isText },
  traces: {
    id: isKey,
    vehicleId: isKey,
    fileName: isText,
    importedAt: isTime,
    raw: (v) => v instanceof Blob,
    trace: isTrace,
    report: isRecord,
    options: isRecord,
    judging: (v) => isRecord(v) && JUDGING.includes(v.state),
  },
  findings: { traceId: isKey, judgedAt: isTime, finding: isRecord },
  photos: { id: isKey, stage: isText, caption: isText, at: isTime, image: isPicture },
  recordings: { id: isKey, startedAt: isTime, source: isText, rows: Array.isArray, marks: Array.isArray },
  runs: { id: isKey, procedure: isText, elapsed_s: isTime, ended_s: isRecord },
  repairs: { id: isKey, startedAt: isTime, updatedAt: isTime, sheet: isRecord },
  closings: { id: isKey, updatedAt: isTime, sheet: isRecord },
  procedures: { id: isKey, updatedAt: isTime, procedure: isRecord },
  practice: {
    id: isKey,
    startedAt: isTime,
    updatedAt: isTime,
    sheet: (v) => isRecord(v) && isVehicle(v.vehicle),
    traces: (v) => isRecord(v) && Object.values(v).every(isTrace),
  },
  triage: { id: isKey, fileName: isText, addedAt: isTime, raw: (v) => v instanceof Blob, outcome: isRecord },
  settings: { key: isKey },
  bin: {
    id: isKey,
    deletedAt: isTime,
    kind: (v) => BIN_KINDS.some((k) => k === v),
    label: isText,
    rows: (v) => isRecord(v) && Object.entries(v).every(([table, rows]) => Array.isArray(rows) && binned(table, rows)),
  },
};

const binned = (table: string, rows: readonly unknown[]): boolean =>
  table !== 'bin' && (table === 'summaries' || rows.every((row) => rowProblem(table, row) === null));

/** What is wrong with a row of a table; null for one that can be kept. */
export function rowProblem(table: string, row: unknown): string | null {
  const fields = FIELDS[table];
  if (!fields) return `there is no table ${table}`;
  if (!isRecord(row)) return 'it is no record';
  const wrong = Object.entries(fields).find(([name, fits]) => !fits(row[name]));
  if (wrong) return `its ${wrong[0]} cannot be`;
  return JOB_TABLE_NAMES.some((name) => name === table) && !isKey(row.jobId) ? 'it belongs to no job' : null;
}
