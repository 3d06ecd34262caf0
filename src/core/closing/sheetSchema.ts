import { array, mixed, number, object, string, ValidationError } from 'yup';
import { fail, ok, strangeKey, type Result } from '../base';
import type { ClosingSheet } from './sheet';

const words = (most = 4000) => string().max(most).default('');
const km = () => number().min(0).max(5e6).nullable().default(null);
const day = () =>
  words(20).test('day', '${path} must be a day such as 2027-03-01', (v) => v === '' || /^\d{4}-\d{2}-\d{2}$/.test(v));

const schema = object({
  odometer_km: km(),
  extraCosts: array(
    object({ id: string().required(), what: words(200), amount: number().min(-1e7).max(1e7).default(0) }).required(),
  ).default([]),
  done: mixed<Record<string, number>>()
    .test('values', '${path} must hold numbers only', (v) =>
      v === undefined ? true : v !== null && typeof v === 'object' && Object.values(v).every(Number.isFinite),
    )
    .default(() => ({})),
  nextDue: object({ what: words(200), on: day(), at_km: km(), source: words(200) }),
  notesNext: words(),
  toWatch: words(),
  by: words(200),
  handedOverAt: number().nullable().default(null),
});

/** Reads a closing from a store or a file: fields that are missing as in a new one; an error names its field. */
export function readClosing(value: unknown): Result<ClosingSheet, string> {
  const strange = strangeKey(value);
  if (strange !== null) return fail(`unknown field: ${strange}`);
  try {
    return ok(schema.validateSync(value ?? {}) as ClosingSheet);
  } catch (error) {
    if (error instanceof ValidationError) return fail(error.errors.join('; '));
    throw error;
  }
}

/** A closing before anything is written. */
export const newClosing = (): ClosingSheet => schema.getDefault() as ClosingSheet;
