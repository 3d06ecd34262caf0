import type { BenchTest } from '../bench';
import { inOrder, type BenchEntry, type Entry, type MeasurementEntry } from './entry';
import type { MeasurementName } from './measurements';

/** Entries that count, since the last work: what stands for the car as it is now. */
export function sinceLastWork(entries: readonly Entry[]): Entry[] {
  const live = inOrder(entries.filter((e) => e.takenBack !== true));
  return live.slice(live.findLastIndex((e) => e.kind === 'work') + 1);
}

/** Statements that were said before the last work, by item, as they stood then; empty before any work. */
export function saidBefore(entries: readonly Entry[]): string[] {
  const live = inOrder(entries.filter((e) => e.takenBack !== true));
  const before = live.slice(0, live.findLastIndex((e) => e.kind === 'work') + 1);
  const said = new Map<string, string>();
  for (const e of before) if (e.kind === 'statement') said.set(e.item, e.answer);
  return [...said].filter(([, answer]) => answer === 'yes').map(([item]) => item);
}

/** The complaint by its items: what the customer says now, and what was said before the work, which its proof must repeat. */
export function complainedOf(entries: readonly Entry[]): string[] {
  const now = sinceLastWork(entries).filter((e) => e.kind === 'statement' && e.answer === 'yes');
  return [...new Set([...saidBefore(entries), ...now.map((e) => (e.kind === 'statement' ? e.item : ''))])];
}

/** The entry by which an item is answered now; null while it is not. */
export function standingAnswer(entries: readonly Entry[], item: string) {
  const answers = sinceLastWork(entries).filter(
    (e) => (e.kind === 'statement' || e.kind === 'check' || e.kind === 'bench') && e.item === item,
  );
  const last = answers.at(-1);
  return last && 'answer' in last ? last : null;
}

/** The latest reading of a measurement since the last work; null before the first. */
export const standingReading = (
  entries: readonly Entry[],
  name: MeasurementName,
  place?: string,
): MeasurementEntry | null =>
  sinceLastWork(entries).findLast(
    (e): e is MeasurementEntry =>
      e.kind === 'measurement' && e.name === name && (place === undefined || e.place === place),
  ) ?? null;

/** Which bench test is meant: of what, of which of two senders, of the old part or the new one. */
export interface BenchRef {
  readonly of: BenchTest['of'];
  readonly which?: 'engine' | 'gauge';
  readonly part: BenchEntry['part'];
}

/** True for an entry that holds such a test. */
export const isBenchOf = (
  entry: Entry,
  { of, which, part }: BenchRef,
): entry is BenchEntry & { readonly test: BenchTest } =>
  entry.kind === 'bench' &&
  entry.test?.of === of &&
  entry.part === part &&
  (entry.test.of !== 'sender' || entry.test.which === (which ?? 'engine'));

/** Bench tests of one kind since the last work, the one that stands first. */
export const benchTests = (entries: readonly Entry[], ref: BenchRef) =>
  sinceLastWork(entries)
    .filter((e) => isBenchOf(e, ref))
    .reverse();

/** Earlier readings of a measurement that hold something, latest first. */
export const earlierReadings = (entries: readonly Entry[], name: MeasurementName, than: string): MeasurementEntry[] =>
  inOrder(entries)
    .filter(
      (e): e is MeasurementEntry =>
        e.kind === 'measurement' &&
        e.name === name &&
        e.id !== than &&
        e.takenBack !== true &&
        Object.keys(e.values).length > 0,
    )
    .reverse();
