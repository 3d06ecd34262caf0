import { createFileReader, type ReadTrace } from '../../src/core/formats';
import { CHANNELS, type FuzzChannel, type TruthRow } from './truth';

/** What came of a mutated log: only the last four are wrong. */
export type Outcome =
  | 'exact'
  | 'reported'
  | 'wrong but reported'
  | 'asked'
  | 'refused'
  | 'crashed'
  | 'coolant wrong'
  | 'channel wrong'
  | 'rows lost'
  | 'slow';
export const WRONG: readonly Outcome[] = ['crashed', 'coolant wrong', 'channel wrong', 'rows lost', 'slow'];

export interface Verdict {
  readonly outcome: Outcome;
  readonly why: string;
  readonly ms: number;
}

const TOLERANCE: Readonly<Record<FuzzChannel, number>> = {
  ect_c: 0.6,
  iat_c: 0.6,
  speed_kmh: 1,
  rpm: 1,
  load_pct: 0.6,
};
/** A few cells that were changed to other good numbers are nobody's to find. */
const FEW_CELLS = 4;
const FEW_SHARE = 0.02;
const FEW_ROWS_LOST = 4;
const SLOW_MS = 5000;

/** Reads bytes as the program does. */
export async function importBytes(bytes: Uint8Array) {
  const reader = createFileReader();
  for (let at = 0; at < bytes.length; at += 1 << 18) {
    const error = reader.push(bytes.subarray(at, at + (1 << 18)));
    if (error) return { ok: false as const, error };
  }
  return reader.finish();
}

/** Time of the trace's first row in the drive: the shift on which most rows agree. */
function shiftOf({ trace }: ReadTrace, truth: readonly TruthRow[]): number {
  const key = trace.channels.rpm ? 'rpm' : 'ect_c';
  const values = trace.channels[key]!;
  const votes = new Map<number, number>([[0, 1]]);
  const step = Math.max(1, Math.floor(values.length / 60));
  for (let i = 0; i < values.length; i += step) {
    for (const row of truth) {
      if (Math.abs(row[key] - values[i]!) > 0.06) continue;
      const shift = Math.round(10 * (row.time_s - trace.time_s[i]!)) / 10;
      votes.set(shift, (votes.get(shift) ?? 0) + 1);
    }
  }
  return [...votes].reduce((a, b) => (b[1] > a[1] ? b : a))[0];
}

/** The drive at a moment; null where no row is near. */
function truthAt(truth: readonly TruthRow[], time_s: number, step: number): TruthRow | null {
  const at = Math.round((time_s - truth[0]!.time_s) / step);
  const row = truth[Math.max(0, Math.min(truth.length - 1, at))]!;
  return Math.abs(row.time_s - time_s) <= 0.51 * step + 0.06 ? row : null;
}

/** Told of anything beyond that no unit is named: that stands in the report of many a good file. */
function isReported({ report }: ReadTrace): boolean {
  return report.cleaning.length > 0 || report.notes.some((n) => !n.includes('names no unit'));
}

/** Told that a unit was taken for granted, and that is what is wrong. */
const isToldUnit = ({ report }: ReadTrace, channel: FuzzChannel, pairs: readonly [number, number][]): boolean => {
  const header = report.columns.find((c) => c.channel === channel)?.header ?? '';
  const told = report.notes.some((n) => n.startsWith(header) && n.includes('names no unit'));
  const alike = pairs.filter(([truth, value]) => Math.abs(1.8 * truth + 32 - value) < 0.2).length;
  return told && alike > 0.9 * pairs.length;
};

/** Judges what the import made of a log whose drive is known. */
export async function judgeImport(bytes: Uint8Array, truth: readonly TruthRow[]): Promise<Verdict> {
  const begun = performance.now();
  let read: Awaited<ReturnType<typeof importBytes>>;
  try {
    read = await importBytes(bytes);
  } catch (error) {
    return { outcome: 'crashed', why: String(error), ms: performance.now() - begun };
  }
  const ms = performance.now() - begun;
  if (ms > SLOW_MS) return { outcome: 'slow', why: '', ms };
  if (!read.ok) {
    if (read.error.code === 'not-read') return { outcome: 'crashed', why: read.error.message, ms };
    return { outcome: read.error.question ? 'asked' : 'refused', why: read.error.message, ms };
  }
  const step = truth[1]!.time_s - truth[0]!.time_s;
  const { trace } = read.value;
  const shift = shiftOf(read.value, truth);
  const reported = isReported(read.value);
  for (const channel of CHANNELS) {
    const values = trace.channels[channel];
    if (!values) continue;
    const pairs: [number, number][] = [];
    let wrong = 0;
    let seen = 0;
    values.forEach((value, i) => {
      if (!Number.isFinite(value)) return;
      seen++;
      const row = truthAt(truth, trace.time_s[i]! + shift, step);
      if (row) pairs.push([row[channel], value]);
      if (!row || Math.abs(row[channel] - value) > TOLERANCE[channel]) wrong++;
    });
    if (wrong <= Math.max(FEW_CELLS, FEW_SHARE * seen)) continue;
    const why = `${wrong} of ${seen} values of ${channel}; ${describe(read.value)}`;
    if (!reported && !isToldUnit(read.value, channel, pairs))
      return { outcome: channel === 'ect_c' ? 'coolant wrong' : 'channel wrong', why, ms };
    return { outcome: 'wrong but reported', why, ms };
  }
  const lost = truth.length - trace.time_s.length;
  if (lost > FEW_ROWS_LOST && !reported)
    return { outcome: 'rows lost', why: `${lost} rows; ${describe(read.value)}`, ms };
  return { outcome: reported ? 'reported' : 'exact', why: '', ms };
}

const describe = ({ report }: ReadTrace): string =>
  `${report.rows} rows, ${report.duration_s.toFixed(0)} s, ${report.columns.map((c) => `${c.header}>${c.channel}[${c.unit}]`).join(' ')}; ${[...report.notes, ...report.cleaning.map((c) => c.what)].join(' ')}`;
