import { fail, ok, type Result } from '@/core/base';
import { openRangedArchive, parseJson, type RangedArchive } from '@/core/formats';
import { database } from '../database';
import type { StagedRecord } from '../records';
import { BACKUP_TABLES } from '../tables';
import { MANIFEST, readManifest, type Manifest } from './manifest';
import { BadRow, decodeRow } from './rowCode';
import { rowProblem } from './rowCheck';
import { partName, type OnShare } from './writeBackup';

/** Most bytes that one part or one file may unpack to. */
const LARGEST_PART = 512 * 1024 * 1024;
/** Most bytes that all of it may unpack to: a backup holds at most 4 GB packed, and logs shrink to a fifth. */
const LARGEST_WHOLE = 24 * 1024 ** 3;
/** Most bytes of what a backup says of itself. */
const LARGEST_MANIFEST = 64 * 1024;
const HELP = 'Nothing was changed. Take another backup, or copy this one again from where it was saved.';

const says = (what: string): string => `${what} ${HELP}`;

/** Opens the archive and reads what it says of itself. */
async function open(file: Blob): Promise<Result<{ archive: RangedArchive; manifest: Manifest }, string>> {
  const range = async (from: number, to: number) => new Uint8Array(await file.slice(from, to).arrayBuffer());
  const archive = await openRangedArchive(file.size, range, LARGEST_PART);
  if (!archive.ok) {
    return fail(
      'This is no whole backup file: its end is missing, or it is no zip. Copy it again from where it was saved.',
    );
  }
  const { entries } = archive.value;
  const whole = entries.reduce((sum, e) => sum + e.bytes, 0);
  const about = entries.find((e) => e.name === MANIFEST);
  const tooLarge = entries.some((e) => e.bytes > LARGEST_PART) || (about && about.bytes > LARGEST_MANIFEST);
  if (tooLarge || whole > LARGEST_WHOLE) return fail(says('This file unpacks to more than any shop holds.'));
  if (!about)
    return fail(`This zip holds no ${MANIFEST}: it is no backup of Varmek. A saved job is opened under Jobs.`);
  const bytes = await archive.value.read(about);
  if (!bytes.ok) return fail(says(`The backup is damaged: ${bytes.error.message}`));
  const json = parseJson(new TextDecoder().decode(bytes.value));
  if (!json.ok) return fail(says(`${MANIFEST} cannot be read: ${json.error.message}`));
  const manifest = readManifest(json.value);
  return manifest.ok ? ok({ archive: archive.value, manifest: manifest.value }) : manifest;
}

/** Why a file cannot be staged, with its place. */
class Damaged extends Error {}

/** Reads the rows of one part, blobs and all. @throws {Damaged} */
async function readPart(archive: RangedArchive, table: string, part: number): Promise<StagedRecord[]> {
  const name = partName(table, part);
  const bytesOf = async (file: string): Promise<Uint8Array> => {
    const entry = archive.entries.find((e) => e.name === file);
    if (!entry) throw new Damaged(`${file} is missing from the backup.`);
    const read = await archive.read(entry);
    if (!read.ok) throw new Damaged(`The backup is damaged: ${read.error.message}`);
    return read.value;
  };
  const lines = new TextDecoder().decode(await bytesOf(name)).split('\n');
  const staged: StagedRecord[] = [];
  for (const [i, line] of lines.entries()) {
    if (line === '') continue;
    const where = `${name}, line ${i + 1}`;
    const json = parseJson(line);
    if (!json.ok) throw new Damaged(`${where} cannot be read: ${json.error.message}`);
    // Blobs are named in the row before they are read: collected first, given in a second pass.
    const files = new Map<string, Blob>();
    const named = new Set<string>();
    try {
      decodeRow(json.value, (file) => {
        named.add(file);
        return new Blob([]);
      });
      for (const file of named) files.set(file, new Blob([(await bytesOf(file)) as BlobPart]));
      const row = decodeRow(json.value, (file) => files.get(file)!);
      const problem = rowProblem(table, row);
      if (problem !== null) throw new Damaged(`${where}: this row cannot be kept, ${problem}.`);
      staged.push({ table, row: row as StagedRecord['row'] });
    } catch (error) {
      if (error instanceof BadRow) throw new Damaged(`${where}: ${error.message}.`);
      throw error;
    }
  }
  return staged;
}

/** A backup laid ready beside the shop, whole and checked. */
export interface StagedBackup {
  readonly madeAt: number;
  readonly rows: number;
}

/**
 * Lays every row of a backup ready, checked, in a table beside the others: nothing of the shop is touched. What is cut
 * off, altered, too large, newer or no backup is refused with its place.
 */
export async function stageBackup(file: Blob, onShare: OnShare): Promise<Result<StagedBackup, string>> {
  const { staged } = database();
  await staged.clear();
  const opened = await open(file);
  if (!opened.ok) return opened;
  const { archive, manifest } = opened.value;
  const strange = manifest.tables.find((t) => !BACKUP_TABLES.includes(t.name));
  if (strange)
    return fail(says(`The backup holds a table ${strange.name.slice(0, 40)}, which this version does not know.`));
  const parts = manifest.tables.reduce((sum, t) => sum + t.parts, 0);
  let done = 0;
  let rows = 0;
  try {
    for (const { name, parts: ofTable, rows: expected } of manifest.tables) {
      let found = 0;
      for (let part = 1; part <= ofTable; part++) {
        const read = await readPart(archive, name, part);
        await staged.bulkAdd(read);
        found += read.length;
        onShare(++done / parts);
      }
      if (found !== expected) throw new Damaged(`The backup names ${expected} rows of ${name} and holds ${found}.`);
      rows += found;
    }
    return ok({ madeAt: manifest.madeAt, rows });
  } catch (error) {
    await staged.clear();
    if (error instanceof Damaged) return fail(says(error.message));
    throw error;
  }
}
