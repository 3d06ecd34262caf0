import { causeName } from '@/core/evidence';
import { verdictText } from '@/core/judge';
import { writeTable } from '@/core/formats';
import type { TriageRecord, VehicleRecord } from '@/storage/records';

/** A row of the triage table. */
export interface TriageRow {
  readonly record: TriageRecord;
  readonly file: string;
  readonly vehicle: string;
  readonly finding: string;
  readonly probability: number | null;
  readonly grade: string;
  readonly codes: string;
  /** What cannot be read, or what to do next. */
  readonly remark: string;
}

/** Grades in the order of how much they ask for. */
export const GRADE_ORDER = ['confirmed', 'likely', 'suspect', 'inconclusive', 'refused', 'waiting'];

/** Prepares a log for the table. */
export function triageRow(record: TriageRecord, vehicles: readonly VehicleRecord[]): TriageRow {
  const vehicle = vehicles.find((v) => v.id === record.vehicleId)?.plate ?? '';
  const base = { record, file: record.fileName, vehicle, probability: null, codes: '', remark: '' };
  const { outcome } = record;
  if (outcome.state === 'refused') return { ...base, finding: 'Not read', grade: 'refused', remark: outcome.message };
  if (outcome.state === 'waiting') {
    const remark = vehicle === '' ? 'Say which vehicle this is.' : '';
    return { ...base, finding: vehicle === '' ? 'No vehicle' : 'Waiting', grade: 'waiting', remark };
  }
  const { verdict, codes, next } = outcome.finding;
  return {
    ...base,
    finding: verdict.grade === 'inconclusive' ? 'Cannot tell' : causeName(verdict.cause),
    // Odds of what cannot be told say nothing.
    probability: verdict.grade === 'inconclusive' ? null : verdict.probability,
    grade: verdict.grade,
    codes: codes
      .filter((c) => c.wouldSet)
      .map((c) => c.code)
      .join(' '),
    remark: verdict.grade === 'inconclusive' ? verdictText(outcome.finding) : (next[0]?.test ?? ''),
  };
}

/** The vehicle whose name stands in a file's name; null where none or several do. */
export function vehicleByName(fileName: string, vehicles: readonly VehicleRecord[]): string | null {
  const bare = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');
  const found = vehicles.filter((v) => bare(v.plate) !== '' && bare(fileName).includes(bare(v.plate)));
  // "Van 12" also holds "Van 1": the longest name that fits is meant.
  const longest = Math.max(0, ...found.map((v) => bare(v.plate).length));
  const fitting = found.filter((v) => bare(v.plate).length === longest);
  return fitting.length === 1 ? fitting[0]!.id : null;
}

/**
 * A file's name with the folders it came in: a chosen folder tells them one way, a dropped one another.
 *
 * @param file with `path` where a drop zone has walked the folder
 */
export function pathOf(file: Pick<File, 'name' | 'webkitRelativePath'> & { readonly path?: string }): string {
  return (file.webkitRelativePath || file.path || file.name).replace(/^\.?\/+/, '');
}

/** True for what systems leave in folders: no logger writes it. */
export const isLitter = (path: string): boolean =>
  path.split('/').some((part) => part.startsWith('.')) || /(^|\/)(thumbs\.db|desktop\.ini)$/i.test(path);

/** The table as a file for spreadsheets. */
export const triageTable = (rows: readonly TriageRow[]): string =>
  writeTable(
    ['file', 'vehicle', 'finding', 'probability', 'grade', 'codes', 'remark'],
    rows.map((r) => [
      r.file,
      r.vehicle,
      r.finding,
      r.probability === null ? null : Math.round(1000 * r.probability) / 1000,
      r.grade,
      r.codes,
      r.remark,
    ]),
  );

/** What the button of a row does; null where there is nothing to open. */
export function openWords({ record }: TriageRow): string | null {
  if (record.jobId !== undefined) return 'Go to its job';
  if (record.vehicleId === null) return null;
  if (record.outcome.state === 'judged') return 'Open a job';
  return record.outcome.state === 'refused' && record.outcome.asksColumns ? 'Choose the columns' : null;
}
