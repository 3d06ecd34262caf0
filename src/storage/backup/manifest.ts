import { array, number, object, string, ValidationError, type InferType } from 'yup';
import { fail, ok, type Result } from '@/core/base';

/** Kind of the file. */
export const BACKUP_SCHEMA = 'varmek-backup/1';
/** The file that says what the others are. */
export const MANIFEST = 'backup.json';
/** Version of the store whose rows a backup holds. */
export const STORE_VERSION = 10;
/** The first that made any; its rows are those of now, without practice. */
const FIRST_VERSION = 9;

const count = () => number().integer().min(0).required();

const manifestSchema = object({
  schema: string().oneOf([BACKUP_SCHEMA]).required(),
  storeVersion: count(),
  madeAt: number().required(),
  tables: array(object({ name: string().required(), rows: count(), parts: count() }).required()).required(),
});

/** What a backup says of itself. */
export type Manifest = InferType<typeof manifestSchema>;

/** Reads what a backup says of itself. @returns it, or why this version cannot take it */
export function readManifest(value: unknown): Result<Manifest, string> {
  const { schema, storeVersion } = (typeof value === 'object' && value !== null ? value : {}) as Record<
    string,
    unknown
  >;
  if (typeof schema !== 'string' || !schema.startsWith('varmek-backup/')) {
    return fail('This is no backup of Varmek. A saved job is opened under Jobs, a log on its job.');
  }
  const isNewer = schema !== BACKUP_SCHEMA || (typeof storeVersion === 'number' && storeVersion > STORE_VERSION);
  if (isNewer) return fail(`This backup was made by a newer Varmek (${schema}). Restore it there, or update this one.`);
  try {
    const manifest = manifestSchema.validateSync(value);
    return manifest.storeVersion >= FIRST_VERSION ? ok(manifest) : fail(`${MANIFEST} names a store that never was.`);
  } catch (error) {
    if (error instanceof ValidationError) return fail(`${MANIFEST} is damaged: ${error.errors.join('; ')}.`);
    throw error;
  }
}
