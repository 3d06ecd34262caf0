import { unzipSync } from 'fflate';
import { fail, ok, type Result } from '../../base';
import { importError, type ImportError } from '../importError';

/** What a zip archive holds: a workbook, or one log. */
export type ZipContent =
  { readonly kind: 'workbook' } | { readonly kind: 'file'; readonly name: string; readonly bytes: Uint8Array };

interface Entry {
  readonly name: string;
  readonly size: number;
}

/** Most entries listed. */
const MOST_ENTRIES = 2000;
const MB = 1024 * 1024;

/** Files that systems and exporters put beside a log. */
const BESIDE = /(^|\/)(__MACOSX\/|\.|thumbs\.db$|desktop\.ini$)|\.(txt|md|pdf|png|jpe?g|html?|xml)$/i;
const HIDDEN = /(^|\/)(__MACOSX\/|\.|thumbs\.db$|desktop\.ini$)/i;

/** Lists the entries without unpacking any. */
function entriesOf(bytes: Uint8Array): Result<Entry[], ImportError> {
  const entries: Entry[] = [];
  try {
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (entries.length < MOST_ENTRIES) entries.push({ name, size: originalSize });
        return false;
      },
    });
    return ok(entries);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return fail(importError('bad-archive', `This zip archive is damaged (${why}). Copy or export it again.`));
  }
}

/** Unpacks one entry. Its memory is set aside by the size that was checked before, whatever it really holds. */
function unpack(bytes: Uint8Array, name: string): Result<Uint8Array, ImportError> {
  try {
    let taken = false;
    const files = unzipSync(bytes, {
      filter: (entry) => {
        if (taken || entry.name !== name) return false;
        taken = true;
        return true;
      },
    });
    return ok(files[name]!);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return fail(importError('bad-archive', `${name} in this archive is damaged (${why}). Copy or export it again.`));
  }
}

const tooLarge = (name: string, limit: number): ImportError =>
  importError(
    'too-large',
    `${name} unpacks to more than ${Math.round(limit / MB)} MB: no log of one drive is that long. Export a single drive and read that.`,
  );

/**
 * Opens a zip archive: the one log in it is unpacked, a workbook only recognised.
 *
 * @param limit most bytes to unpack
 */
export function readZip(bytes: Uint8Array, limit: number): Result<ZipContent, ImportError> {
  const listed = entriesOf(bytes);
  if (!listed.ok) return listed;
  const entries = listed.value;
  const total = entries.reduce((sum, e) => sum + e.size, 0);
  if (entries.some((e) => e.name === 'xl/workbook.xml')) {
    return total > limit ? fail(tooLarge('The workbook', limit)) : ok({ kind: 'workbook' });
  }
  const files = entries.filter((e) => !e.name.endsWith('/') && e.size > 0 && !HIDDEN.test(e.name));
  // Notes and pictures beside a single log do not make it several.
  const logs = files.filter((e) => !BESIDE.test(e.name));
  const [only, ...more] = logs.length > 0 ? logs : files;
  if (!only) return fail(importError('empty', 'This zip archive holds no file. Export the log again.'));
  if (more.length > 0) {
    const names = [only, ...more].slice(0, 6).map((e) => e.name);
    return fail(
      importError(
        'several-files',
        `This archive holds ${more.length + 1} files: ${names.join(', ')}. Unpack it and drop the one that is the warm-up.`,
      ),
    );
  }
  if (only.size > limit) return fail(tooLarge(only.name, limit));
  const unpacked = unpack(bytes, only.name);
  return unpacked.ok ? ok({ kind: 'file', name: only.name, bytes: unpacked.value }) : unpacked;
}
