import { readHeader } from '../words/headers';
import { importError, type ImportError } from '../importError';
import { looksLikeTime } from '../words/timeCells';

/** A value of a JSON document. */
export type Json = string | number | boolean | null | readonly Json[] | { readonly [key: string]: Json };
export type JsonObject = { readonly [key: string]: Json };

/** Keys that reach into an object's prototype: no file of ours has them, and schemas trip over them. */
export const PROTOTYPE_KEYS = new Set(['__proto__', 'constructor', 'prototype']);
/** How deep records may lie in a document. */
const DEEPEST = 6;

export const isObject = (v: Json | undefined): v is JsonObject =>
  typeof v === 'object' && v !== null && !Array.isArray(v);
const isList = (v: Json | undefined): v is readonly Json[] => Array.isArray(v);

/** A refusal, thrown from deep inside a document and caught at the reader. */
export class Refused extends Error {
  constructor(readonly error: ImportError) {
    super(error.message);
  }
}

export const refuse = (error: ImportError): never => {
  throw new Refused(error);
};

/** Flattens one level: `{"engine":{"coolant":90}}` becomes `engine coolant`. */
export function fieldsOf(record: JsonObject, line: number | null, depth = 0): [string, Json][] {
  const fields: [string, Json][] = [];
  if (depth > DEEPEST) return fields;
  for (const [key, value] of Object.entries(record)) {
    if (PROTOTYPE_KEYS.has(key)) {
      refuse(
        importError(
          'bad-json',
          `The key "${key}"${line === null ? '' : ` on line ${line}`} is no channel of a log. Remove it.`,
          { line },
        ),
      );
    }
    if (isObject(value) && !('value' in value)) {
      for (const [inner, innerValue] of fieldsOf(value, line, depth + 1)) fields.push([`${key} ${inner}`, innerValue]);
    } else fields.push([key, value]);
  }
  return fields;
}

/** `{"time":[...],"coolant":[...]}`: columns of equal length. */
function columnsAsRecords(document: JsonObject): JsonObject[] | null {
  const lists = fieldsOf(document, null).filter(
    (f): f is [string, readonly Json[]] => isList(f[1]) && !isObject(f[1][0]) && !isList(f[1][0]),
  );
  const length = Math.max(0, ...lists.map(([, l]) => l.length));
  const whole = lists.filter(([, l]) => l.length === length);
  if (whole.length < 2 || length < 3) return null;
  return Array.from({ length }, (_, i) => Object.fromEntries(whole.map(([key, list]) => [key, list[i]!])));
}

/** Keys that number or time the rows of a table, and fewest of them. */
const isIndex = (keys: readonly string[]): boolean =>
  keys.length >= FEWEST_KEYS && keys.every((k) => /^\d{1,20}(\.\d+)?$/.test(k) || looksLikeTime(k));
const FEWEST_KEYS = 3;

/** An index that is more than a count says when: it becomes the time where the records have none. */
function withIndex(record: JsonObject, key: string, isCount: boolean): JsonObject {
  const hasTime = Object.keys(record).some((k) => readHeader(k).channel === 'time_s');
  return isCount || hasTime ? record : { time: key, ...record };
}

const countsUp = (keys: readonly string[]): boolean => keys.every((k, i) => Number(k) === Number(keys[0]) + i);

/** `{"0":{"time":0,"coolant":20},"1":{...}}`: records under the numbers of their rows. */
function indexedRecords(document: JsonObject): JsonObject[] | null {
  const entries = Object.entries(document);
  const keys = entries.map(([key]) => key);
  if (!isIndex(keys) || !entries.every((e): e is [string, JsonObject] => isObject(e[1]))) return null;
  const isCount = countsUp(keys);
  return entries.map(([key, record]) => withIndex(record as JsonObject, key, isCount));
}

/** `{"time":{"0":0,"1":1},"coolant":{"0":20,"1":21}}`: columns whose cells stand under the numbers of their rows. */
function indexedColumns(document: JsonObject): JsonObject[] | null {
  const columns = Object.entries(document).filter((e): e is [string, JsonObject] => isObject(e[1]));
  const first = columns[0];
  if (!first || columns.length < 2) return null;
  const keys = Object.keys(first[1]);
  if (!isIndex(keys)) return null;
  const alike = columns.filter(([, cells]) => Object.keys(cells).length === keys.length);
  if (alike.length < 2) return null;
  const isCount = countsUp(keys);
  return keys.map((key) =>
    withIndex(Object.fromEntries(alike.map(([name, cells]) => [name, cells[key] ?? null])), key, isCount),
  );
}

/** `{"columns":[...],"rows":[[...],...]}`: names beside lists of cells. */
function rowsAsRecords(names: readonly Json[] | undefined, rows: readonly Json[]): JsonObject[] | null {
  if (!rows.every(isList) || rows.length === 0) return null;
  const header = names ?? (rows[0] as readonly Json[]);
  if (!header.every((h) => typeof h === 'string' || (isObject(h) && typeof h.name === 'string'))) return null;
  const keys = header.map((h) => (typeof h === 'string' ? h : String((h as JsonObject).name)));
  const data = names ? rows : rows.slice(1);
  return data.map((row) => Object.fromEntries(keys.map((key, i) => [key, (row as readonly Json[])[i] ?? null])));
}

/** Keys of the value of a point, and of its time beside those that headers know. */
const POINT_VALUE = /^(value|val|v|y|reading)$/i;
const POINT_TIME = /^(x|offset)$/i;

/** A point of a series: `[time, value]` or `{ time, value }`; null for anything else. */
function pointOf(point: Json): { time: Json; value: Json } | null {
  if (isList(point)) return point.length === 2 ? { time: point[0]!, value: point[1]! } : null;
  if (!isObject(point)) return null;
  const keys = Object.keys(point);
  const time = keys.find((k) => readHeader(k).channel === 'time_s' || POINT_TIME.test(k));
  const value = keys.find((k) => POINT_VALUE.test(k));
  return time !== undefined && value !== undefined && keys.length <= 3
    ? { time: point[time]!, value: point[value]! }
    : null;
}

const isChannel = (name: string): boolean => {
  const { channel } = readHeader(name);
  return channel !== null && channel !== 'time_s';
};

interface Series {
  readonly name: string;
  readonly unit: Json;
  readonly points: readonly Json[];
}

/** Lists of points under their names, or objects with a name and a list of points. */
function seriesIn(document: JsonObject): Series[] {
  const found: Series[] = [];
  for (const [key, value] of Object.entries(document)) {
    if (isList(value) && value.length > 0 && pointOf(value[0]!)) found.push({ name: key, unit: null, points: value });
    for (const item of isList(value) ? value : []) {
      if (!isObject(item) || typeof item.name !== 'string') continue;
      const points = Object.values(item).find(
        (v): v is readonly Json[] => isList(v) && v.length > 0 && pointOf(v[0]!) !== null,
      );
      if (points) found.push({ name: item.name, unit: item.unit ?? null, points });
    }
  }
  return found;
}

/** `{"coolant":[[0,20],[1,21]],"rpm":[[0,800]]}`: one list of points per channel, as one reading per record. */
function seriesAsRecords(document: JsonObject): JsonObject[] | null {
  const series = seriesIn(document);
  if (series.length === 0 || !series.some((s) => isChannel(s.name))) return null;
  return series.flatMap(({ name, unit, points }) =>
    points.map((point) => ({ time: null, ...pointOf(point), name, unit })),
  );
}

/** The records of a document: the longest list of objects in it, or columns, or names with rows. */
export function recordsIn(document: Json, depth = 0): JsonObject[] | null {
  if (depth > DEEPEST) return null;
  if (isList(document)) {
    if (document.length > 0 && document.every(isObject)) return document as JsonObject[];
    return rowsAsRecords(undefined, document);
  }
  if (!isObject(document)) return null;
  for (const key of Object.keys(document)) {
    if (PROTOTYPE_KEYS.has(key)) refuse(importError('bad-json', `The key "${key}" is no part of a log. Remove it.`));
  }
  const names = [document.columns, document.header, document.headers, document.fields, document.channels].find(isList);
  let best =
    seriesAsRecords(document) ?? columnsAsRecords(document) ?? indexedRecords(document) ?? indexedColumns(document);
  for (const value of Object.values(document)) {
    const found =
      names && isList(value) && value !== names
        ? (rowsAsRecords(names, value) ?? recordsIn(value, depth + 1))
        : recordsIn(value, depth + 1);
    if (found && found.length > (best?.length ?? 0)) best = found;
  }
  return best;
}
