import { CHANNEL_NAMES } from '@/core/base';
import { writeTable } from '@/core/formats';
import type { RecordedMark, RecordedRow } from '@/storage/records';

/** A recording as the file that is kept with its trace: canonical columns, and marks beside the row they fell on. */
export function recordingFile(rows: readonly RecordedRow[], marks: readonly RecordedMark[]): string {
  const names = CHANNEL_NAMES.filter((name) => rows.some((r) => r.values[name] !== undefined));
  const words = rows.map((): string[] => []);
  for (const mark of marks) {
    const at = rows.findIndex((r) => r.time_s >= mark.time_s);
    words[at < 0 ? rows.length - 1 : at]?.push(mark.text);
  }
  return writeTable(
    ['time_s', ...names, 'mark'],
    rows.map((r, i) => [
      Math.round(1000 * r.time_s) / 1000,
      ...names.map((n) => (r.values[n] === undefined ? null : Math.round(1000 * r.values[n]) / 1000)),
      words[i]!.join('; '),
    ]),
  );
}
