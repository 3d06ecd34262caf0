import { readEntry, type Entry } from '@/core/case';
import type { UnitFamily } from '@/core/base';
import type { Step } from '@/storage/journal/undoStep';
import type { JournalRecord } from '@/storage/records';
import { entryText, KIND_NAME } from './entryWords';

/** Names of what is changed, by table; entries have words of their own. */
const NAMES: Readonly<Record<string, string>> = {
  jobs: 'the job itself',
  repairs: 'the repair sheet',
  closings: 'the closing',
  runs: 'a stopwatch',
  vehicles: 'the vehicle',
  procedures: 'the procedure',
  settings: 'the figures',
};

const entryOf = (row: JournalRecord): Entry => {
  const record = row.after ?? row.before ?? {};
  return readEntry(record, { id: row.key, at: Number(record.at) });
};

/** Longest words for one step. */
const LONGEST = 60;

/** What a step changed, in a few words. */
export function stepText(step: Step, show: (family: UnitFamily, si: number, digits?: number) => string): string {
  // An answer that replaces another is told by itself; what it moved beside, the job, is not.
  const telling = step.findLast((r) => r.table === 'entries') ?? step.at(-1);
  if (!telling) return 'nothing';
  if (telling.table !== 'entries') return NAMES[telling.table] ?? telling.table;
  const entry = entryOf(telling);
  const text = `${KIND_NAME[entry.kind]}, ${entryText(entry, show, () => 'a drive')}`;
  return text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text;
}
