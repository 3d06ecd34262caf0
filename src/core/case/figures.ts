import { array, mixed, number, object, string, ValidationError } from 'yup';
import { CAUSES, fail, isCause, ok, perCause, type PerCause, type Result } from '../base';
import {
  BASE_RATES,
  buildCatalogue,
  CATALOGUE,
  findItem,
  type CatalogueItem,
  type ItemId,
  type Layout,
  type LikelihoodTable,
  type OwnTables,
} from '../evidence';
import { MONITOR_DEFAULTS, type MonitorSettings } from '../monitor';
import { given, numbersWithin } from './figureSchemas';
import { monitorsProblem, monitorsSchema, ownMonitors } from './monitorFigures';
import { AMOUNTS, type Prices } from './prices';
import { WORK_RISKS, type WorkRisks } from './work';

/** A shop's own figures: only what it changed; the rest is as shipped. */
export interface OwnFigures {
  readonly baseRates: Readonly<Partial<PerCause<number>>>;
  readonly tables: OwnTables;
  readonly prices: Readonly<Partial<Prices>>;
  readonly monitors: Readonly<Partial<MonitorSettings>>;
  readonly risks: Readonly<Partial<WorkRisks>>;
  /** Height of the shop above the sea, m: coolant boils sooner up there. */
  readonly altitude_m: number;
}

/** Figures of a shop that changed nothing. */
export const NO_OWN_FIGURES: OwnFigures = {
  baseRates: {},
  tables: {},
  prices: {},
  monitors: {},
  risks: {},
  altitude_m: 0,
};

/** All figures, a shop's own in their places. */
export interface Figures {
  readonly baseRates: PerCause<number>;
  readonly catalogue: readonly CatalogueItem[];
  readonly ownPrices: Readonly<Partial<Prices>>;
  readonly monitors: MonitorSettings;
  readonly risks: WorkRisks;
  readonly altitude_m: number;
}

/** Completes a shop's figures with the shipped ones. */
export const figuresOf = (own: OwnFigures): Figures => ({
  baseRates: { ...BASE_RATES, ...own.baseRates },
  catalogue: Object.keys(own.tables).length === 0 ? CATALOGUE : buildCatalogue(own.tables),
  ownPrices: own.prices,
  monitors: { ...MONITOR_DEFAULTS, ...own.monitors },
  risks: { ...WORK_RISKS, ...own.risks },
  altitude_m: own.altitude_m,
});

/** The shipped figures. */
export const SHIPPED_FIGURES: Figures = figuresOf(NO_OWN_FIGURES);

const SCHEMA = 'varmek-figures/1';

const share = (path: string) =>
  number()
    .strict()
    .typeError(`${path} must be a number`)
    .optional()
    .moreThan(0, `${path} must be above 0`)
    .lessThan(1, `${path} must be below 1`);

/** Heights at which people keep a workshop, m. */
export const ALTITUDE_RANGE_M = [-400, 5000] as const;

const fileSchema = object({
  schema: mixed<typeof SCHEMA>()
    .oneOf([SCHEMA], `schema must be ${SCHEMA}`)
    .required(`schema is missing: this is no file of figures`),
  baseRates: object(
    Object.fromEntries(
      CAUSES.map((c) => [
        c,
        share(`baseRates.${c}`)
          .notRequired()
          .transform((v: unknown) => v ?? undefined),
      ]),
    ),
  )
    .noUnknown('baseRates names a cause that this version does not know: ${unknown}')
    .default({}),
  tables: array(
    object({
      item: string().required('tables: item is missing'),
      layout: mixed<Layout>().oneOf(['outlet', 'inlet'], 'tables: layout must be outlet or inlet').required(),
      answers: array(mixed<Record<string, number>>().required()).required('tables: answers is missing'),
    }).required(),
  ).default([]),
  prices: object({
    currency: string().strict().max(8, 'prices.currency: eight letters at most').optional(),
    ...Object.fromEntries(
      AMOUNTS.map((name) => [
        name,
        number()
          .strict()
          .typeError(`prices.${name} must be a number`)
          .min(0, `prices.${name} must be 0 or more`)
          .max(1e7, `prices.${name} is more than anything costs`)
          .optional(),
      ]),
    ),
  })
    .noUnknown('prices holds a name that this version does not know: ${unknown}')
    .default({}),
  monitors: monitorsSchema,
  risks: numbersWithin(
    { badPart: [0.0001, 0.5], badPartTested: [0.0001, 0.5], airLeft: [0.0001, 0.5], unplugged: [0.0001, 0.5] },
    'risks',
  ),
  altitude_m: number()
    .strict()
    .typeError('altitude_m must be a number')
    .min(ALTITUDE_RANGE_M[0], 'altitude_m must be -400 or more')
    .max(ALTITUDE_RANGE_M[1], 'altitude_m must be 5000 or less')
    .default(0),
});

/** A full table from rows of a file; an error names what is wrong. */
function readTable(item: CatalogueItem, rows: readonly Record<string, number>[]): Result<LikelihoodTable, string> {
  if (rows.length !== item.answers.length) return fail(`tables: ${item.id} needs ${item.answers.length} answers`);
  for (const row of rows) {
    for (const [cause, p] of Object.entries(row)) {
      if (!isCause(cause)) return fail(`tables: ${item.id} names the unknown cause ${cause}`);
      if (!(p > 0 && p < 1)) return fail(`tables: ${item.id}, ${cause}: must be above 0 and below 1`);
    }
  }
  const missing = CAUSES.find((c) => rows.some((row) => row[c] === undefined));
  if (missing) return fail(`tables: ${item.id} has no figure for ${missing}`);
  const odd = CAUSES.find((c) => Math.abs(rows.reduce((sum, row) => sum + row[c]!, 0) - 1) > 1e-6);
  if (odd) return fail(`tables: the answers of ${item.id} do not sum to 1 for ${odd}`);
  return ok(rows.map((row) => perCause((c) => row[c]!)));
}

/** Reads a file of figures. @returns the figures, or what is wrong and where */
export function readFigures(value: unknown): Result<OwnFigures, string> {
  try {
    fileSchema.validateSync(value, { abortEarly: false, strict: true });
    const file = fileSchema.validateSync(value, { abortEarly: false });
    const tables: Partial<Record<ItemId, Partial<Record<Layout, LikelihoodTable>>>> = {};
    for (const { item: id, layout, answers } of file.tables) {
      const item = findItem(id);
      if (!item) return fail(`tables names the unknown item ${id}`);
      const table = readTable(item, answers);
      if (!table.ok) return table;
      tables[item.id] = { ...tables[item.id], [layout]: table.value };
    }
    const monitors = ownMonitors(file.monitors);
    const problem = monitorsProblem(monitors);
    if (problem) return fail(`${problem}.`);
    return ok({
      tables,
      baseRates: given(file.baseRates) as OwnFigures['baseRates'],
      prices: given(file.prices) as OwnFigures['prices'],
      monitors,
      risks: given(file.risks) as OwnFigures['risks'],
      altitude_m: file.altitude_m,
    });
  } catch (error) {
    if (error instanceof ValidationError) return fail(`${error.errors.join('; ')}.`);
    throw error;
  }
}

/** Figures as a file holds them. */
export function figuresFile(own: OwnFigures): object {
  const tables = Object.entries(own.tables).flatMap(([item, layouts]) =>
    Object.entries(layouts ?? {}).map(([layout, answers]) => ({ item, layout, answers })),
  );
  const { baseRates, prices, monitors, risks, altitude_m } = own;
  return { schema: SCHEMA, altitude_m, baseRates, prices, monitors, risks, tables };
}
