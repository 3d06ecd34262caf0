import { mixed, object, ValidationError } from 'yup';
import { fail, ok, type Result } from '../base';
import {
  MONITOR_DEFAULTS,
  WARM_UP_KINDS,
  type MonitorLimits,
  type MonitorSettings,
  type MonitorTables,
  type StartTable,
  type WarmUpKind,
} from '../monitor';
import { given, numbersWithin } from './figureSchemas';

/** Limits within which a monitor setting can be true. */
export const MONITOR_RANGES: Readonly<Record<keyof MonitorLimits, readonly [low: number, high: number]>> = {
  startFrom_c: [-60, 60],
  startTo_c: [-20, 90],
  belowRating_k: [0, 40],
  grace_s: [0, 3600],
  coldestIntake_c: [-60, 40],
  coldRail_c: [-60, 0],
  hotRail_c: [100, 250],
  railFor_s: [0, 120],
  overTemperature_c: [90, 150],
  overTemperatureFor_s: [0, 600],
  idleShareTo_pct: [0, 100],
  meanSpeedFrom_kmh: [0, 150],
  closedLoop_c: [-30, 80],
  soakSpread_k: [2, 60],
  soakAgree_k: [1, 20],
  drivesToLamp: [1, 3],
  drivesToLampCircuit: [1, 3],
};

/** Amounts that a table by start temperature may allow, and the most rows it may have. */
export const TABLE_RANGE = [1, 1e6] as const;
const MOST_ROWS = 12;

/** A table by start temperature, rising, with what is wrong in words. */
const startTable = (path: string) =>
  mixed<StartTable>().test(path, (value, context) => {
    if (value === undefined) return true;
    const rows: unknown = value;
    const wrong = (what: string) => context.createError({ message: `${path} ${what}` });
    if (!Array.isArray(rows) || rows.length === 0) return wrong('must hold rows of start and amount');
    if (rows.length > MOST_ROWS) return wrong(`holds more than ${MOST_ROWS} rows`);
    let before = -Infinity;
    for (const row of rows as unknown[]) {
      if (!Array.isArray(row) || row.length !== 2 || !row.every((v) => typeof v === 'number' && Number.isFinite(v))) {
        return wrong('must hold pairs of numbers');
      }
      const [start, amount] = row as [number, number];
      if (start <= before) return wrong('must rise from row to row');
      if (start < -60 || start > 120) return wrong('holds a start that no engine has');
      if (amount < TABLE_RANGE[0] || amount > TABLE_RANGE[1]) return wrong('holds an amount that cannot be');
      before = start;
    }
    return true;
  });

/** A shop's own monitors as a file holds them. */
export const monitorsSchema = numbersWithin(MONITOR_RANGES, 'monitors').shape({
  warmUp: mixed<WarmUpKind>()
    .oneOf(WARM_UP_KINDS, `monitors.warmUp must be one of ${WARM_UP_KINDS.join(', ')}`)
    .optional(),
  tables: object({
    time: startTable('monitors.tables.time'),
    air: startTable('monitors.tables.air'),
    fuel: startTable('monitors.tables.fuel'),
    closedLoop: startTable('monitors.tables.closedLoop'),
  })
    .noUnknown('monitors.tables holds a name that this version does not know: ${unknown}')
    .optional()
    .default(undefined),
});

/** What a file says of the monitors, tables that it leaves out as shipped. */
export function ownMonitors(read: object & { readonly tables?: Partial<MonitorTables> }): Partial<MonitorSettings> {
  const { tables, ...rest } = read;
  return {
    ...(given(rest) as Partial<MonitorSettings>),
    ...(tables ? { tables: { ...MONITOR_DEFAULTS.tables, ...given(tables) } } : {}),
  };
}

/** What is wrong with a shop's monitors together, each of them being possible alone; null when nothing is. */
export function monitorsProblem(own: Partial<MonitorSettings>): string | null {
  const { startFrom_c, startTo_c } = { ...MONITOR_DEFAULTS, ...own };
  return startFrom_c > startTo_c
    ? `monitors.startFrom_c (${startFrom_c}) must not be above monitors.startTo_c (${startTo_c}): the warm-up monitor would never run`
    : null;
}

/** Reads monitor settings on their own. @returns what is said, or what is wrong and where */
export function readMonitors(value: unknown): Result<Partial<MonitorSettings>, string> {
  try {
    const own = ownMonitors(monitorsSchema.validateSync(value, { abortEarly: false, strict: true }));
    const problem = monitorsProblem(own);
    return problem ? fail(`${problem}.`) : ok(own);
  } catch (error) {
    if (error instanceof ValidationError) return fail(`${error.errors.join('; ')}.`);
    throw error;
  }
}
