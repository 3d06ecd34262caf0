import { fail, ok, type Result, type Trace } from '@/core/base';
import { readPractice, type PracticeSheet } from '@/core/practice';
import { moveToBin } from './bin';
import { database } from './database';
import type { PracticeRecord } from './practiceRecord';
import { kept, Unreadable, type StorageError } from './storageError';

/** A practice case as it is kept. */
export interface PracticeKept {
  readonly id: string;
  readonly startedAt: number;
  readonly sheet: PracticeSheet;
  readonly traces: Readonly<Record<string, Trace>>;
}

const asKept = ({ id, startedAt, sheet, traces }: PracticeRecord): PracticeKept | null => {
  const read = readPractice(sheet);
  return read && { id, startedAt, sheet: read, traces };
};

/** Every practice case, oldest first; those that this version cannot read stay where they are and are left out. */
export async function listPractices(): Promise<PracticeKept[]> {
  const all = await database().practice.orderBy('startedAt').toArray();
  return all.map(asKept).filter((p) => p !== null);
}

/** One practice case; null where there is none, words where it cannot be read. */
export async function loadPractice(id: string): Promise<Result<PracticeKept, string> | null> {
  const record = await database().practice.get(id);
  if (!record) return null;
  const found = asKept(record);
  return found ? ok(found) : fail('This case was written by another version: it is kept as it came.');
}

/** Keeps a new case. @returns its id */
export function addPractice(
  sheet: PracticeSheet,
  traces: PracticeRecord['traces'] = {},
): Promise<Result<string, StorageError>> {
  const now = Date.now();
  const id = crypto.randomUUID();
  return kept(async () => {
    await database().practice.add({ id, startedAt: now, updatedAt: now, sheet, traces });
    return id;
  });
}

/** Changes a case inside one transaction, with the log of a drive where one was made. */
export function changePractice(
  id: string,
  change: (sheet: PracticeSheet) => PracticeSheet,
  logged: PracticeRecord['traces'] = {},
): Promise<Result<void, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.practice, async () => {
      const record = await db.practice.get(id);
      const sheet = record ? readPractice(record.sheet) : null;
      if (!record || !sheet)
        throw new Unreadable(
          'This practice case is not here any more: it was deleted, or another version wrote it. Look into the bin.',
        );
      const traces = { ...record.traces, ...logged };
      await db.practice.put({ ...record, updatedAt: Date.now(), sheet: change(sheet), traces });
    }),
  );
}

/** Takes a case into the bin. @returns its id there; null where it was not here */
export function deletePractice(id: string, label: string): Promise<Result<string | null, StorageError>> {
  const db = database();
  return kept(() =>
    db.transaction('rw', db.practice, db.bin, async () => {
      const record = await db.practice.get(id);
      return record ? moveToBin('practice', label, { practice: [record] }) : null;
    }),
  );
}
