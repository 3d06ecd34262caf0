import { array, mixed, number, object, ValidationError, type Schema } from 'yup';
import {
  CHANNEL_NAMES,
  fail,
  isChannelName,
  ok,
  type ChannelName,
  type Result,
  type Trace,
  type Vehicle,
} from '../../core/base';
import { parseVehicle, readVehicleFile } from '../../core/formats';
import { readTextFile, readTraceFile, userPath } from '../files';
import type { ComputeError } from './computation';

/** True for a JSON object. */
export const isRecord = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/** A computation's error. */
export const error = (code: string, message: string, path: string | null): Result<never, ComputeError> =>
  fail({ code, message, path });

/** Six digits are more than anything is known to. */
export const rounded = (p: number): number => Math.round(p * 1e6) / 1e6;

/** Holds an input against its schema. */
export function validated<T>(schema: Schema<T>, input: unknown): Result<T, ComputeError> {
  try {
    return ok(schema.validateSync(input, { strict: true }));
  } catch (thrown) {
    if (!(thrown instanceof ValidationError)) throw thrown;
    return error('wrong-input', thrown.errors.join('; '), thrown.path ?? null);
  }
}

/** A vehicle by path or as an object. */
export function vehicleOf(given: unknown): Result<Vehicle, ComputeError> {
  const read = typeof given === 'string' ? readTextFile(userPath(given)) : null;
  if (read && !read.ok) return error(read.error.code, read.error.message, 'vehicle');
  const parsed = read ? readVehicleFile(read.value) : parseVehicle(given);
  return parsed.ok ? parsed : error(parsed.error.code, parsed.error.message, 'vehicle');
}

/** No drive is longer, s: beyond it the times are in another unit. */
const LONGEST_S = 2 * 86_400;
/** No figure of a car is larger. */
const LARGEST = 1e7;

const samples = array(number().nullable().defined()).strict();
const traceSchema = object({
  time_s: array(number().required()).strict().min(2, 'time_s needs two samples').required('time_s is missing'),
  channels: mixed<Record<string, unknown>>(isRecord).required('channels is missing'),
}).noUnknown('unknown field: ${unknown}');

/** A trace written out: `time_s` and `channels` of equal length, null where a sample is missing. */
function writtenTrace(given: unknown, path: string): Result<Trace, ComputeError> {
  const checked = validated(traceSchema, given);
  if (!checked.ok) return error('wrong-input', checked.error.message, `${path}.${checked.error.path ?? ''}`);
  const { time_s, channels } = checked.value;
  const wrong = (message: string, at: string) => error('wrong-input', message, `${path}.${at}`);
  if (time_s.some((t, i) => i > 0 && t <= time_s[i - 1]!)) return wrong('The times must rise.', 'time_s');
  const length_s = time_s.at(-1)! - time_s[0]!;
  if (!(length_s <= LONGEST_S)) {
    return wrong(
      `The times span ${length_s.toPrecision(4)} s, more than two days: give them in seconds, not in milliseconds.`,
      'time_s',
    );
  }
  const columns: Partial<Record<ChannelName, Float64Array>> = {};
  for (const [name, values] of Object.entries(channels)) {
    if (!isChannelName(name)) {
      return wrong(`“${name}” is no channel; there are ${CHANNEL_NAMES.join(', ')}.`, `channels.${name}`);
    }
    const column = validated(samples, values);
    if (!column.ok || !column.value) return wrong('A channel is a list of numbers and nulls.', `channels.${name}`);
    if (column.value.length !== time_s.length) return wrong('Not as long as time_s.', `channels.${name}`);
    const huge = column.value.findIndex((v) => v !== null && Math.abs(v) > LARGEST);
    if (huge >= 0) return wrong(`${column.value[huge]} is more than any ${name} can be.`, `channels.${name}[${huge}]`);
    columns[name] = Float64Array.from(column.value, (v) => v ?? NaN);
  }
  const { ect_c } = columns;
  if (!ect_c) return wrong('channels.ect_c is missing.', 'channels');
  return ok({ time_s: Float64Array.from(time_s), channels: { ...columns, ect_c } });
}

/** A trace by path or as an object. */
export async function traceOf(given: unknown, path: string): Promise<Result<Trace, ComputeError>> {
  if (typeof given !== 'string') return writtenTrace(given, path);
  const read = await readTraceFile(userPath(given));
  return read.ok ? ok(read.value.trace) : error(read.error.code, `${given}: ${read.error.message}`, path);
}
