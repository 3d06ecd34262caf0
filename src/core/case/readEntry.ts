import { boolean, mixed, number, object, string, ValidationError, type AnyObjectSchema } from 'yup';
import { benchTestSchema, type BenchTest } from '../bench';
import { strangeKey } from '../base';
import { isAnswer } from '../evidence';
import { ACTION_KINDS, type ActionKind } from './actions';
import { DRIVE_MARK_KINDS, type DriveMarkKind } from './driveMarks';
import type { Entry, EntryKind, KnownEntry } from './entry';
import { isMark } from './marks';
import { isMeasurement, valueError, type MeasurementName } from './measurements';
import { isProofAnswer } from './proofItems';
import { isSinceRepairAnswer } from './filter/sinceRepair';
import { WORK_KINDS, type WorkKind } from './work';

const text = () => string().max(100_000).default('');
const key = () => string().required().max(200);
const finite = () => number().required().test('finite', '${path} must be a number', Number.isFinite);

/** Numbers by name. */
const numbers = () =>
  mixed<Record<string, number>>()
    .test(
      'numbers',
      '${path} must hold numbers only',
      (v) => v === undefined || (typeof v === 'object' && v !== null && Object.values(v).every(Number.isFinite)),
    )
    .default(() => ({}));

const base = {
  id: key(),
  at: finite(),
  takenBack: boolean().optional(),
};

const SHAPES: Readonly<Record<EntryKind, AnyObjectSchema>> = {
  statement: object({ ...base, item: key(), answer: key() }),
  code: object({ ...base, code: key(), freezeFrame: text(), clearedAt: number().nullable().default(null) }),
  check: object({ ...base, item: key(), answer: key(), minute: number().nullable().default(null) }),
  measurement: object({
    ...base,
    name: mixed<MeasurementName>().required(),
    values: numbers(),
    tolerance: numbers(),
    place: text(),
    text: text(),
  }),
  drive: object({ ...base, traceId: key(), leftOut: text() }),
  mark: object({
    ...base,
    traceId: key(),
    at_s: finite().min(0),
    mark: mixed<DriveMarkKind>().oneOf(DRIVE_MARK_KINDS).required(),
    place: text(),
    value: number().nullable().default(null),
    text: text(),
  }),
  bench: object({
    ...base,
    item: text(),
    answer: text(),
    test: mixed<BenchTest>().nullable().optional(),
    part: mixed<'old' | 'new'>().oneOf(['old', 'new']).default('old'),
    text: text(),
  }),
  work: object({
    ...base,
    work: mixed<WorkKind>()
      .oneOf([...WORK_KINDS])
      .required(),
    detail: text(),
    benchPassed: boolean().default(false),
  }),
  decision: object({
    ...base,
    action: mixed<ActionKind>()
      .oneOf([...ACTION_KINDS])
      .required(),
    reason: text(),
  }),
  proof: object({
    ...base,
    item: string().max(200).default(''),
    answer: string().max(200).default(''),
    ...{ text: text(), traceId: text(), beforeId: text(), by: text() },
  }),
  note: object({ ...base, stage: text(), text: text() }),
  photo: object({ ...base, photoId: key() }),
};

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What this version cannot make sense of in an entry of the right shape; null when nothing. */
function strangeness(entry: KnownEntry): string | null {
  if (entry.kind === 'check' && (isMark(entry.item) || isSinceRepairAnswer(entry.item, entry.answer))) return null;
  if (entry.kind === 'bench' && entry.test) {
    const { of } = entry.test as { readonly of?: unknown };
    return benchTestSchema(of) ? null : `bench test of “${String(of)}” is not known to this version`;
  }
  if (entry.kind === 'proof') {
    const { item, answer } = entry as { readonly item: string; readonly answer: string };
    return item === '' || isProofAnswer(item, answer)
      ? null
      : `“${item}: ${answer}” is no proof that this version knows`;
  }
  if (entry.kind === 'statement' || entry.kind === 'check' || entry.kind === 'bench') {
    return isAnswer(entry.item, entry.answer)
      ? null
      : `“${entry.item}: ${entry.answer}” is not in this version’s catalogue`;
  }
  if (entry.kind !== 'measurement') return null;
  const { name, values, tolerance } = entry;
  if (!isMeasurement(name)) return `measurement “${String(name)}” is not known to this version`;
  if (Object.values(tolerance).some((t) => !(t > 0))) return 'a tolerance must be above 0';
  for (const [value, si] of Object.entries(values)) {
    const error = valueError(name, value, si);
    if (error) return error;
  }
  return null;
}

/** Readings of a bench test as this version keeps them. @throws {ValidationError} naming the field that cannot be */
function readTest(test: BenchTest): BenchTest {
  return benchTestSchema(test.of)!.validateSync(test, { stripUnknown: true }) as BenchTest;
}

/**
 * Reads one entry from outside: a store, a file, a command. What this version does not know, or what cannot be, is kept
 * as it came, with the reason, and moves nothing.
 *
 * @param fallback id and time for an entry that has none of its own
 * @param fields what is done with a field that no entry of the kind has: a store's rows hold some of its own
 */
export function readEntry(
  value: unknown,
  fallback: { readonly id: string; readonly at: number },
  fields: 'known-only' | 'dropped' = 'dropped',
): Entry {
  const original = isRecord(value) ? value : { value };
  const id = typeof original.id === 'string' && original.id !== '' ? original.id : fallback.id;
  const at = typeof original.at === 'number' && Number.isFinite(original.at) ? original.at : fallback.at;
  const unknown = (why: string): Entry => ({
    ...{ id, at, kind: 'unknown', why, original },
    takenBack: original.takenBack === true,
  });
  const { kind } = original;
  const strange = strangeKey(original);
  if (strange !== null) return unknown(`it has an unknown field: ${strange}`);
  if (original.at !== undefined && original.at !== at) return unknown('its time must be a number, ms since 1970');
  if (typeof kind !== 'string' || !Object.hasOwn(SHAPES, kind)) {
    return unknown(`entries of kind “${typeof kind === 'string' ? kind : typeof kind}” are not known to this version`);
  }
  const others = Object.keys(original).filter((k) => k !== 'kind' && !(k in SHAPES[kind as EntryKind].fields));
  if (fields === 'known-only' && others.length > 0) return unknown(`it has an unknown field: ${others.join(', ')}`);
  try {
    const shape = SHAPES[kind as EntryKind].noUnknown();
    const entry = {
      ...(shape.validateSync({ ...original, id, at }, { stripUnknown: true }) as object),
      kind,
    } as KnownEntry;
    const strange = strangeness(entry);
    if (strange !== null) return unknown(strange);
    return entry.kind === 'bench' && entry.test ? { ...entry, test: readTest(entry.test) } : entry;
  } catch (error) {
    if (error instanceof ValidationError) return unknown(error.errors.join('; '));
    throw error;
  }
}
