import { database } from '../database';
import { safeName } from '../bundle/zipFile';
import { BACKUP_TABLES } from '../tables';
import { BACKUP_SCHEMA, MANIFEST, STORE_VERSION } from './manifest';
import { encodeRow } from './rowCode';
import { ZipStream } from './zipStream';

/** Characters after which a part of a table ends and the next begins. */
const PART_CHARS = 4_000_000;
/** Rows read at once. */
const READ_AT_ONCE = 50;

/** How far a backup or a restore is, 0 to 1. */
export type OnShare = (share: number) => void;

/** Names of the parts of a table, in order. */
export const partName = (table: string, part: number): string =>
  `tables/${table}-${String(part).padStart(4, '0')}.ndjson`;

/** The name of a file as a person would look for it. */
function labelOf(row: unknown): string {
  const { fileName, caption } = row as { readonly fileName?: unknown; readonly caption?: unknown };
  const label = typeof fileName === 'string' ? fileName : typeof caption === 'string' ? caption : '';
  return label === '' ? '' : ` ${safeName(label)}`;
}

/** Keys of every row that goes into the backup, as they stand at one moment. */
async function keysNow(): Promise<Map<string, readonly string[]>> {
  const db = database();
  const tables = BACKUP_TABLES.map((name) => db.table(name));
  return db.transaction('r', tables, async () => {
    const keys = await Promise.all(tables.map((t) => t.toCollection().primaryKeys()));
    return new Map(tables.map((t, i) => [t.name, keys[i] as string[]]));
  });
}

/**
 * Packs the whole shop into one file, table after table and row after row, so that no more than a part of it is in
 * memory at a time.
 *
 * @throws {Error} where a row was deleted while it was written
 */
export async function writeBackup(onShare: OnShare, madeAt: number): Promise<Blob> {
  const db = database();
  const keys = await keysNow();
  const all = [...keys.values()].reduce((sum, k) => sum + k.length, 0);
  const zip = new ZipStream();
  let done = 0;
  let files = 0;
  const tables: { name: string; rows: number; parts: number }[] = [];
  for (const [name, rowKeys] of keys) {
    let lines: string[] = [];
    let chars = 0;
    let parts = 0;
    const endPart = async () => {
      if (lines.length === 0) return;
      await zip.add(partName(name, ++parts), `${lines.join('\n')}\n`);
      lines = [];
      chars = 0;
    };
    for (let at = 0; at < rowKeys.length; at += READ_AT_ONCE) {
      const rows: unknown[] = await db.table(name).bulkGet(rowKeys.slice(at, at + READ_AT_ONCE) as string[]);
      for (const row of rows) {
        if (row === undefined) throw new Error('Something was deleted while the backup was written. Write it again.');
        const beside: [string, Blob][] = [];
        const line = JSON.stringify(
          encodeRow(row, (blob) => {
            const file = `files/${name}/${String(++files).padStart(6, '0')}${labelOf(row)}`;
            beside.push([file, blob]);
            return file;
          }),
        );
        for (const [file, blob] of beside) await zip.add(file, blob, !blob.type.startsWith('image/'));
        lines.push(line);
        chars += line.length;
        if (chars > PART_CHARS) await endPart();
        onShare(++done / all);
      }
    }
    await endPart();
    tables.push({ name, rows: rowKeys.length, parts });
  }
  const manifest = { schema: BACKUP_SCHEMA, storeVersion: STORE_VERSION, madeAt, tables };
  await zip.add(MANIFEST, `${JSON.stringify(manifest, null, 2)}\n`);
  return zip.end();
}
