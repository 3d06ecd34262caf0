import { DRIVE_MARKS, driveMarkOf, isMark, type DriveMarkKind, type Entry, type MarkEntry } from '@/core/case';
import type { TraceRecord } from '@/storage/records';

/** A mark as the desk shows it. */
export interface DeskMark {
  readonly at_s: number;
  readonly mark: DriveMarkKind;
  readonly place: string;
  readonly value: number | null;
  readonly text: string;
  /** Entry that holds it; null for one that stands in the log itself and cannot be moved. */
  readonly entry: MarkEntry | null;
}

/** Two marks of one kind nearer than this are one, s: a live log holds its marks in the file and in the chronicle. */
const SAME_WITHIN_S = 4;

/** Marks of the running drive, by the kind that says the same here. */
const kindOf = (item: string): DriveMarkKind | null =>
  (Object.keys(DRIVE_MARKS) as DriveMarkKind[]).find((k) => DRIVE_MARKS[k].as === item) ?? null;

/** Marks set while a drive was running belong to the first log that was kept after them. */
function liveMarks(
  record: Pick<TraceRecord, 'id' | 'importedAt'>,
  traces: readonly Pick<TraceRecord, 'id' | 'importedAt'>[],
  entries: readonly Entry[],
): DeskMark[] {
  const before = Math.max(0, ...traces.map((t) => t.importedAt).filter((t) => t < record.importedAt));
  return entries.flatMap((e) => {
    if (e.kind !== 'check' || !isMark(e.item) || e.minute === null || e.takenBack === true) return [];
    const mark = kindOf(e.item);
    if (mark === null || e.at <= before || e.at > record.importedAt) return [];
    const { place } = mark === 'hose-warm' ? driveMarkOf('top hose warm') : { place: '' };
    return [{ at_s: e.minute * 60, mark, place, value: null, text: '', entry: null }];
  });
}

/** Every mark of a drive in order of time: set here, set while it ran, and written in the log itself. */
export function deskMarks(
  record: Pick<TraceRecord, 'id' | 'importedAt' | 'report'>,
  traces: readonly Pick<TraceRecord, 'id' | 'importedAt'>[],
  entries: readonly Entry[],
): DeskMark[] {
  const own = entries.flatMap((e): DeskMark[] =>
    e.kind === 'mark' && e.traceId === record.id && e.takenBack !== true
      ? [{ at_s: e.at_s, mark: e.mark, place: e.place, value: e.value, text: e.text, entry: e }]
      : [],
  );
  const logged = record.report.marks.map(({ at_s, text }): DeskMark => {
    const { mark, place } = driveMarkOf(text);
    return { at_s, mark, place, value: null, text: mark === 'other' ? text : '', entry: null };
  });
  const marks: DeskMark[] = [];
  for (const m of [...own, ...logged, ...liveMarks(record, traces, entries)]) {
    const twin = marks.some(
      (o) => o.mark === m.mark && o.text === m.text && Math.abs(o.at_s - m.at_s) < SAME_WITHIN_S && m.entry === null,
    );
    if (!twin) marks.push(m);
  }
  return marks.sort((a, b) => a.at_s - b.at_s);
}
