import type { BenchTest } from '@/core/bench';
import {
  isBenchOf,
  readEntry,
  type BenchRef,
  type EntryKind,
  type KnownEntry,
  type MeasurementName,
} from '@/core/case';
import type { Result } from '@/core/base';
import { database } from './database';
import { touchCase } from './jobs';
import type { EntryRecord } from './records';
import { kept, type StorageError } from './storageError';

/** What a change did to the chronicle, so that it can be undone. */
export interface EntryChange {
  readonly jobId: string;
  /** Entries as they were. */
  readonly before: readonly EntryRecord[];
  /** Entries that were not there. */
  readonly added: readonly string[];
}

/** A new entry without what the store gives it. */
export type NewEntry<K extends EntryKind = EntryKind> = K extends EntryKind
  ? Omit<Extract<KnownEntry, { kind: K }>, 'id' | 'at' | 'takenBack'> & { readonly at?: number }
  : never;

type Kept<T> = Promise<Result<T, StorageError>>;

/** A correction made within this time replaces a reading; later it is a new reading, and the old one stays, ms. */
const SAME_SITTING_MS = 12 * 3_600_000;

/** Runs a change of a job's chronicle in one transaction. */
function change(
  jobId: string,
  work: (live: readonly EntryRecord[], put: (entry: EntryRecord) => Promise<void>) => Promise<void>,
): Kept<EntryChange> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.entries, db.jobs, db.traces, db.findings, async () => {
      const all = await db.entries.where('jobId').equals(jobId).toArray();
      const before: EntryRecord[] = [];
      const added: string[] = [];
      const put = async (entry: EntryRecord) => {
        const was = all.find((e) => e.id === entry.id);
        if (was) before.push(was);
        else added.push(entry.id);
        await db.entries.put(entry);
        await judgeAgainWithoutAir([entry, ...(was ? [was] : [])]);
      };
      const live = all.filter((e) => e.takenBack !== true).sort((a, b) => a.at - b.at);
      await work(live, put);
      await touchCase(jobId);
      return { jobId, before, added };
    }),
  );
}

/** A typed outside temperature concerns the traces of its job that logged none: they are judged again. */
export async function judgeAgainWithoutAir(entries: readonly EntryRecord[]): Promise<void> {
  const tells = (e: EntryRecord) =>
    e.kind === 'measurement' && typeof (e.values as { outside_c?: unknown } | undefined)?.outside_c === 'number';
  const found = entries.find(tells);
  if (!found) return;
  await database()
    .traces.where('jobId')
    .equals(found.jobId)
    .filter((t) => t.judging.state === 'done' && t.trace.channels.ambient_c === undefined)
    .modify((t: { judging: unknown }) => {
      t.judging = { state: 'wanted' };
    });
}

/** A record of a new entry, at a moment of its own: of two in one millisecond it would not be known which came last. */
function record(jobId: string, entry: NewEntry, live: readonly EntryRecord[]): EntryRecord {
  let at = entry.at ?? Date.now();
  while (live.some((e) => e.at === at)) at++;
  return { ...entry, id: crypto.randomUUID(), jobId, at };
}

/** Entries since the last work, latest first: what is corrected now belongs to the car as it is now. */
function sinceWork(live: readonly EntryRecord[]): readonly EntryRecord[] {
  return live.slice(live.findLastIndex((e) => e.kind === 'work') + 1).reverse();
}

const inThisSitting = (entry: EntryRecord): boolean => Date.now() - entry.at < SAME_SITTING_MS;

/** Adds an entry. */
export const addEntry = (jobId: string, entry: NewEntry): Kept<EntryChange> =>
  change(jobId, (live, put) => put(record(jobId, entry, live)));

/**
 * Answers an item. The same answer again takes it back; another one within the same sitting replaces it; later it is a
 * new answer, and the earlier one keeps its place in the history.
 */
export const giveAnswer = (
  jobId: string,
  entry: NewEntry<'statement'> | NewEntry<'check'> | NewEntry<'bench'>,
): Kept<EntryChange> =>
  change(jobId, async (live, put) => {
    const same = sinceWork(live).find((e) => e.kind === entry.kind && e.item === entry.item);
    const corrects = same && inThisSitting(same);
    if (same && (corrects || same.answer === entry.answer)) await put({ ...same, takenBack: true });
    if (same?.answer !== entry.answer) await put(record(jobId, entry, live));
  });

/**
 * Says what was shown of an item after the work. The same answer again takes it back; another one within the same sitting
 * replaces it; later it is another look, and the earlier one stays.
 */
export const giveProof = (jobId: string, entry: NewEntry<'proof'>): Kept<EntryChange> =>
  change(jobId, async (live, put) => {
    const same = sinceWork(live).find((e) => e.kind === 'proof' && e.item === entry.item);
    const again = same?.answer === entry.answer && same?.text === entry.text;
    if (same && (inThisSitting(same) || again)) await put({ ...same, takenBack: true });
    if (!again) await put(record(jobId, entry, live));
  });

/** Which measurement values belong to. */
export interface MeasuredAt {
  readonly name: MeasurementName;
  readonly place: string;
  /** Words beside the values, from those that stand. */
  readonly text?: (now: string) => string;
}

/**
 * Writes values of a measurement: into the reading of this sitting, else as a new reading. A value of null is taken
 * out; a reading that holds nothing any more is taken back.
 */
export const setMeasured = (
  jobId: string,
  { name, place, text }: MeasuredAt,
  values: Readonly<Record<string, number | null>>,
): Kept<EntryChange> =>
  change(jobId, async (live, put) => {
    const same = sinceWork(live).find((e) => e.kind === 'measurement' && e.name === name && e.place === place);
    const base = same && inThisSitting(same) ? same : null;
    const before = (base?.values ?? {}) as Record<string, number>;
    const merged = Object.entries({ ...before, ...values }).filter((v): v is [string, number] => v[1] !== null);
    const stands = typeof base?.text === 'string' ? base.text : '';
    const words = text ? text(stands) : stands;
    if (merged.length === 0 && words === '') {
      if (base) await put({ ...base, takenBack: true });
      return;
    }
    const next = { values: Object.fromEntries(merged), text: words };
    await put(
      base ? { ...base, ...next } : record(jobId, { kind: 'measurement', name, place, tolerance: {}, ...next }, live),
    );
  });

/** Ends the reading of this sitting: what is typed next is a reading of its own, and the old one stays. */
export const beginNewReading = (jobId: string, name: MeasurementName, place: string): Kept<EntryChange> =>
  change(jobId, (live, put) =>
    put(record(jobId, { kind: 'measurement', name, place, values: {}, tolerance: {}, text: '' }, live)),
  );

/**
 * Changes the bench test that stands, or begins one: inside one transaction, so that two tabs lose no reading.
 *
 * @param to the test as it becomes, from the one that stands; null before the first
 * @param anew begins another test and keeps the one that stood
 */
export const changeBench = (
  jobId: string,
  ref: BenchRef,
  to: (now: BenchTest | null) => BenchTest,
  anew = false,
): Kept<EntryChange> =>
  change(jobId, async (live, put) => {
    const standing = sinceWork(live)
      .map((e) => readEntry(e, { id: e.id, at: e.at }))
      .find((e) => isBenchOf(e, ref));
    const test = to(standing?.test ?? null);
    const same = anew ? undefined : live.find((e) => e.id === standing?.id);
    await put(
      same
        ? { ...same, test }
        : record(jobId, { kind: 'bench', item: '', answer: '', part: ref.part, text: '', test }, live),
    );
  });

/** Writes a note of a stage, from the one that stands; an emptied one is taken back. */
export const setNote = (jobId: string, stage: string, to: (now: string) => string): Kept<EntryChange> =>
  change(jobId, async (live, put) => {
    const same = live.findLast((e) => e.kind === 'note' && e.stage === stage);
    const text = to(typeof same?.text === 'string' ? same.text : '');
    if (same) await put({ ...same, text, ...(text === '' ? { takenBack: true } : {}) });
    else if (text !== '') await put(record(jobId, { kind: 'note', stage, text }, live));
  });

/** Changes fields of one entry: its time, its words, whether a drive counts. */
export const changeEntry = (jobId: string, id: string, fields: Readonly<Record<string, unknown>>): Kept<EntryChange> =>
  change(jobId, async (live, put) => {
    const entry = live.find((e) => e.id === id);
    if (entry) await put({ ...entry, ...fields });
  });

/** Changes a text of an entry, from what stands. */
export const changeEntryText = (
  jobId: string,
  id: string,
  field: string,
  to: (now: string) => string,
): Kept<EntryChange> =>
  change(jobId, async (live, put) => {
    const entry = live.find((e) => e.id === id);
    const now = entry?.[field];
    if (entry) await put({ ...entry, [field]: to(typeof now === 'string' ? now : '') });
  });

/** Takes an entry back, or counts it again. */
export const takeBack = (jobId: string, id: string, takenBack = true): Kept<EntryChange> =>
  change(jobId, async (_, put) => {
    const entry = await database().entries.get(id);
    if (entry) await put({ ...entry, takenBack });
  });

/** Deletes an entry for good. */
export function deleteEntry(jobId: string, id: string): Kept<EntryChange> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.entries, db.jobs, async () => {
      const entry = await db.entries.get(id);
      await db.entries.delete(id);
      await touchCase(jobId);
      return { jobId, before: entry ? [entry] : [], added: [] };
    }),
  );
}

/** Undoes a change. */
export function undoEntries({ jobId, before, added }: EntryChange): Kept<void> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.entries, db.jobs, db.traces, db.findings, async () => {
      const now = (await db.entries.bulkGet([...added])).filter((e) => e !== undefined);
      await db.entries.bulkDelete([...added]);
      await db.entries.bulkPut([...before]);
      await judgeAgainWithoutAir([...before, ...now]);
      await touchCase(jobId);
    }),
  );
}
