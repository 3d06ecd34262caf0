import { array, mixed, number, object, string, ValidationError } from 'yup';
import { fail, ok, strangeKey, type Result } from '../base';
import { ENGINE_STATES, procedureErrors, PROCEDURE_USES, WAITS, type Procedure } from './procedure';

const SCHEMA = 'varmek-procedure/1';

const words = (most = 2000) => string().max(most).default('');
const seconds = () =>
  number()
    .min(0)
    .max(30 * 86_400)
    .nullable()
    .default(null);
const oneOf = <T extends string>(values: readonly T[]) =>
  mixed<T>()
    .oneOf([...values, null] as T[])
    .nullable()
    .default(null);
const rpm = () => number().min(0).max(12_000).nullable().default(null);

const stepSchema = object({
  says: words(),
  waits: mixed<(typeof WAITS)[number]>().oneOf(WAITS).default('tick'),
  engine: mixed<(typeof ENGINE_STATES)[number]>().oneOf(ENGINE_STATES).default('off'),
  duration_s: seconds(),
  least_s: seconds(),
  most_s: seconds(),
  rpmLow: rpm(),
  rpmHigh: rpm(),
  cap: oneOf(['on', 'off']),
  clamp: oneOf(['on', 'off']),
  backTo: number().integer().min(0).nullable().default(null),
  until: words(),
  mostTimes: number().integer().min(1).max(99).nullable().default(null),
}).noUnknown('unknown field: ${unknown}');

const procedureSchema = object({
  id: string().max(200).required('id is missing'),
  name: words(200),
  use: mixed<(typeof PROCEDURE_USES)[number]>().oneOf(PROCEDURE_USES).required('use is missing'),
  variant: words(),
  source: words(),
  page: words(200),
  conditions: array(string().max(2000).required()).default([]),
  stop_c: number().min(40).max(160).nullable().default(null),
  minimum_l: number().min(0).max(200).nullable().default(null),
  steps: array(stepSchema.required()).max(500).required('steps is missing'),
}).noUnknown('unknown field: ${unknown}');

/** Reads a procedure that may not be finished, from plain data. Its error says at which field. */
export function readDraft(value: unknown): Result<Procedure, string> {
  const strange = strangeKey(value);
  if (strange !== null) return fail(`unknown field: ${strange}`);
  try {
    // Completed first, then held against the schema as it is: a field that is not known is told, not dropped.
    const whole: unknown = procedureSchema.cast(value, { assert: false, stripUnknown: false });
    return ok(procedureSchema.validateSync(whole, { strict: true }) as Procedure);
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return fail(error.path ? `${error.path}: ${error.errors.join('; ')}` : error.errors.join('; '));
  }
}

/** Reads a procedure that can be run: from a store, a run, a file. Its error says at which field or step. */
export function readProcedure(value: unknown): Result<Procedure, string> {
  const read = readDraft(value);
  if (!read.ok) return read;
  const [wrong] = procedureErrors(read.value);
  return wrong ? fail(wrong.says) : read;
}

/** A procedure as a file of its own. */
export const writeProcedureFile = (procedure: Procedure): string =>
  `${JSON.stringify({ schema: SCHEMA, procedure }, null, 2)}\n`;

/** Reads a procedure's file. @param value what its JSON holds */
export function readProcedureFile(value: unknown): Result<Procedure, string> {
  const { schema, procedure } = (value ?? {}) as { readonly schema?: unknown; readonly procedure?: unknown };
  if (typeof schema === 'string' && /^varmek-procedure\/\d+$/.test(schema) && schema !== SCHEMA) {
    return fail(`This procedure was saved by a newer Varmek (${schema}). Open it there, or update this one.`);
  }
  if (schema !== SCHEMA) return fail('This is no procedure of Varmek: schema must be varmek-procedure/1.');
  return readProcedure(procedure);
}
