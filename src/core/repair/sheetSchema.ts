import { array, boolean, mixed, number, object, string, ValidationError, type AnyObject, type Schema } from 'yup';
import { CAUSES, fail, ok, strangeKey, type Result, type Vehicle } from '../base';
import { WORK_KINDS } from '../case';
import { GLYCOLS } from '../coolant';
import { readProcedure } from '../procedure';
import { INSTRUMENT_NAMES, OUT_KINDS } from './ledger';
import { COUNTED, EXCEPTION_KINDS, OTHER_FAULTS, STRIP_KINDS, type RepairSheet } from './sheet';
import { USUAL_CLIMATE } from './strength';

const words = (most = 4000) => string().max(most).default('');
const flag = (first: boolean) => boolean().default(first);
const maybe = (low: number, high: number) => number().min(low).max(high).nullable().default(null);
const time = () => number().nullable().default(null);
const oneOf = <T extends string>(values: readonly T[]) =>
  mixed<T>()
    .oneOf([...values, null] as T[])
    .nullable()
    .default(null);
const list = <S extends Schema>(of: S) => array(of.required()).default([]);
const answer = () => boolean().nullable().default(null);

/** Numbers, or flags, by name. */
const byName = <T>(holds: 'number' | 'boolean') =>
  mixed<Record<string, T>>()
    .test('values', `\${path} must hold ${holds}s only`, (v) =>
      v === undefined
        ? true
        : typeof v === 'object' && v !== null && Object.values(v as AnyObject).every((x) => typeof x === holds),
    )
    .default(() => ({}));

const part = object({
  id: string().required(),
  name: words(200),
  work: oneOf(WORK_KINDS),
  rated_c: maybe(20, 140),
  build: oneOf(['insert', 'housing']),
  source: oneOf(['maker', 'other']),
  sealIncluded: answer(),
  vent: answer(),
  price: maybe(0, 1e7),
  deposit: maybe(0, 1e7),
  depositBackAt: time(),
  waitDays: maybe(0, 400),
  warrantyUntil: words(40),
  note: words(),
});

const coolant = object({
  glycol: mixed<(typeof GLYCOLS)[number]>().oneOf(GLYCOLS).default('ethylene'),
  approvalInCar: words(200),
  approvalNew: words(200),
  kind: mixed<'concentrate' | 'ready' | 'waterless'>()
    .oneOf(['concentrate', 'ready', 'waterless'])
    .default('concentrate'),
  ready_pct: number().min(5).max(100).default(50),
  container_l: number().min(0.1).max(250).default(1.5),
  containerPrice: number().min(0).max(1e6).default(0),
  water: oneOf(['demineralised', 'distilled', 'soft-tap', 'hard-tap']),
});

const plan = object({
  works: list(mixed<(typeof WORK_KINDS)[number]>().oneOf(WORK_KINDS)),
  fault: oneOf([...CAUSES, ...OTHER_FAULTS]),
  faultWords: words(),
  parts: list(part),
  extras: list(string()),
  coolant: coolant.default(() => coolant.getDefault()),
  minutesPlanned: maybe(0, 100_000),
  minutesTaken: maybe(0, 100_000),
  exceptions: list(
    object({
      id: string().required(),
      kind: mixed<(typeof EXCEPTION_KINDS)[number]>().oneOf(EXCEPTION_KINDS).required(),
      risk: words(),
      conditions: words(),
      reviewOn: words(20),
    }),
  ),
  references: list(
    object({
      id: string().required(),
      what: words(200),
      value: words(200),
      source: words(200),
      page: words(60),
    }),
  ),
  have: list(string()),
  ownTools: list(string().max(200)),
});

const safe = object({
  raise: flag(true),
  lift: flag(false),
  battery: flag(false),
  air: flag(false),
  place: words(200),
  weather: words(200),
  done: byName<number>('number'),
});

const item = object({
  id: string().required(),
  kind: mixed<(typeof STRIP_KINDS)[number]>().oneOf(STRIP_KINDS).required(),
  name: words(200),
  at: number().required(),
  label: words(60),
  place: words(200),
  thread: words(40),
  head_mm: maybe(1, 100),
  length_mm: maybe(1, 2000),
  torque_nm: maybe(0.1, 2000),
  torqueSource: words(200),
  note: words(),
  photoId: string().nullable().default(null),
  backAt: time(),
});
const count = object({
  in: number().integer().min(0).default(0),
  out: number().integer().min(0).default(0),
});

const strip = object({
  items: list(item),
  counts: object(Object.fromEntries(COUNTED.map((c) => [c, count]))),
  seated: byName<number>('number'),
  closedAt: time(),
  dropped: list(object({ id: string().required(), what: words(200), at: number().required(), foundAt: time() })),
  capOff: flag(false),
  softHousing: flag(true),
  cure_min: maybe(0, 100_000),
});

const line = object({
  id: string().required(),
  at: number().required(),
  kind: mixed<(typeof OUT_KINDS)[number] | 'added'>()
    .oneOf([...OUT_KINDS, 'added'])
    .required(),
  l: number().min(0).max(500).required(),
  measuredBy: mixed<(typeof INSTRUMENT_NAMES)[number]>().oneOf(INSTRUMENT_NAMES).default('jug'),
  where: words(200),
  pct: maybe(0, 100),
});

const drain = object({
  shortfall_l: maybe(0, 500),
  start_pct: maybe(0, 100),
  lines: list(line),
  flushed: number().integer().min(0).max(100).default(0),
  drainEach_l: maybe(0.01, 500),
  until_pct: number().min(0.1).max(100).default(10),
  way: oneOf(['gentle', 'hose']),
  signs: object({ deposits: answer(), spoilt: answer(), oldParts: answer() }),
  cleaner: object({
    name: words(200),
    can_l: maybe(0.01, 50),
    treats_l: maybe(0.1, 500),
    lost_l: maybe(0, 100),
    least_min: maybe(0, 100_000),
    most_min: maybe(0, 100_000),
  }),
  dried: flag(false),
  waterLimit_pct: number().min(0.1).max(50).default(3),
  jars: list(object({ id: string().required(), at: number().required(), label: words(100), looks: words() })),
  disposal: object({ l: maybe(0, 1000), place: words(200), at: time() }),
});

const fill = object({
  coldest_c: maybe(-80, 40),
  margin_k: number().min(0).max(40).default(USUAL_CLIMATE.margin_k),
  ageing_pct: number().min(0).max(30).default(USUAL_CLIMATE.ageing_pct),
  least_pct: number().min(0).max(100).default(USUAL_CLIMATE.least_pct),
  target_pct: maybe(0, 100),
  done: byName<number>('number'),
  beforeStart_l: maybe(0, 500),
  reuse: byName<boolean>('boolean'),
});

const bleed = object({
  procedure: mixed<AnyObject>()
    .nullable()
    .default(null)
    .test('procedure', '${path} cannot be run', (v) => v === null || readProcedure(v).ok),
  conditions: list(string()),
  levels: list(
    object({
      id: string().required(),
      at: number().required(),
      above_mark_mm: number().min(-500).max(500).required(),
      at_c: maybe(-60, 150),
      filledTo_mm: maybe(-500, 500),
    }),
  ),
  bubbles: list(boolean()),
  settled_mm: number().min(0).max(50).default(3),
});

const sheetSchema = object({
  plan: plan.default(() => plan.getDefault()),
  safe: safe.default(() => safe.getDefault()),
  strip: strip.default(() => strip.getDefault()),
  drain: drain.default(() => drain.getDefault()),
  fill: fill.default(() => fill.getDefault()),
  bleed: bleed.default(() => bleed.getDefault()),
  written: byName<number>('number'),
  closedAt: time(),
});

/** Reads a sheet from a store or a file: fields that are missing as in a new one; an error names its field. */
export function readSheet(value: unknown): Result<RepairSheet, string> {
  const strange = strangeKey(value);
  if (strange !== null) return fail(`unknown field: ${strange}`);
  try {
    return ok(sheetSchema.validateSync(value ?? {}) as unknown as RepairSheet);
  } catch (error) {
    if (error instanceof ValidationError) return fail(error.errors.join('; '));
    throw error;
  }
}

/** A sheet before anything is planned: with what the vehicle says. */
export function newSheet(vehicle: Vehicle): RepairSheet {
  const empty = sheetSchema.getDefault() as unknown as RepairSheet;
  return { ...empty, drain: { ...empty.drain, start_pct: vehicle.coolant.glycol_pct } };
}
