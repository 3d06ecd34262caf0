import { array, boolean, lazy, mixed, number, object, string, type InferType } from 'yup';
import { CAUSES, isCause, type Cause, type Vehicle } from '../../base';
import data from './evidence.json';

/** Where in a job an item belongs. */
export const STAGES = ['complaint', 'code', 'cold-look', 'key-on', 'running', 'drive', 'bench'] as const;

const probability = () => number().required().moreThan(0).lessThan(1);
const likelihoods = lazy((value: unknown) =>
  object(Object.fromEntries(Object.keys(Object(value)).map((key) => [key, probability()]))),
);
const fileSchema = object({
  schema: mixed<'varmek-evidence/1'>().oneOf(['varmek-evidence/1']).required(),
  groups: lazy((value: unknown) =>
    object(Object.fromEntries(Object.keys(Object(value)).map((key) => [key, array(string().required()).required()]))),
  ),
  items: array(
    object({
      id: string().required(),
      stage: mixed<(typeof STAGES)[number]>().oneOf(STAGES).required(),
      ask: string().required(),
      answers: array(string().required()).min(2).required(),
      minutes: number().required().min(0),
      reason: string().required(),
      onlyHeated: boolean().default(false),
      yes: likelihoods.optional(),
      outlet: likelihoods.optional(),
      inlet: likelihoods.optional(),
      table: array(likelihoods).optional(),
    }),
  ).required(),
});

type CatalogueFile = InferType<typeof fileSchema>;

/** One thing that can be seen, asked or measured, and how likely each answer is under each cause. */
export interface CatalogueItem {
  readonly id: string;
  readonly stage: (typeof STAGES)[number];
  readonly ask: string;
  readonly answers: readonly string[];
  readonly minutes: number;
  readonly reason: string;
  readonly onlyHeated: boolean;
  /** Probability of answer `index` under each cause. */
  readonly likelihood: (index: number, vehicle: Vehicle) => Readonly<Record<Cause, number>>;
}

type Likelihoods = Readonly<Record<string, number>>;

/** Causes from a mixture of a default, groups and single causes; single causes win over groups. */
function expand(row: Likelihoods, groups: Readonly<Record<string, readonly string[]>>): Record<Cause, number> {
  const fallback = row.default;
  if (fallback === undefined) throw new RangeError('evidence catalogue: a row without "default"');
  const out = Object.fromEntries(CAUSES.map((c) => [c, fallback])) as Record<Cause, number>;
  for (const [key, p] of Object.entries(row)) for (const c of groups[key] ?? []) if (isCause(c)) out[c] = p;
  for (const [key, p] of Object.entries(row)) if (isCause(key)) out[key] = p;
  for (const key of Object.keys(row)) {
    if (key !== 'default' && !isCause(key) && !groups[key])
      throw new RangeError(`evidence catalogue: unknown cause ${key}`);
  }
  return out;
}

/** Answers exclude each other and leave nothing out. @throws {RangeError} naming item and cause */
function checkTable(id: string, rows: readonly Record<Cause, number>[]): readonly Record<Cause, number>[] {
  for (const cause of CAUSES) {
    const sum = rows.reduce((total, row) => total + row[cause], 0);
    if (!(Math.abs(sum - 1) < 1e-6)) {
      throw new RangeError(`evidence catalogue: answers of ${id} sum to ${sum.toFixed(3)} for ${cause}, not to 1`);
    }
  }
  return rows;
}

const complement = (row: Record<Cause, number>): Record<Cause, number> =>
  Object.fromEntries(CAUSES.map((c) => [c, 1 - row[c]])) as Record<Cause, number>;

/** Reads a catalogue (the shipped one, or a shop's own) into items. @throws {ValidationError} naming the field */
export function readCatalogue(value: unknown): readonly CatalogueItem[] {
  const file: CatalogueFile = fileSchema.validateSync(value);
  const groups = file.groups as Readonly<Record<string, readonly string[]>>;
  return file.items.map((item) => {
    const rows = (row: unknown) => expand(row as Likelihoods, groups);
    const pair = (row: unknown): Record<Cause, number>[] => [rows(row), complement(rows(row))];
    const byLayout = item.table
      ? { outlet: checkTable(item.id, item.table.map(rows)), inlet: item.table.map(rows) }
      : { outlet: pair(item.outlet ?? item.yes), inlet: pair(item.inlet ?? item.yes) };
    return {
      id: item.id,
      stage: item.stage,
      ask: item.ask,
      answers: item.answers,
      minutes: item.minutes,
      reason: item.reason,
      onlyHeated: item.onlyHeated,
      likelihood: (index, vehicle) => {
        const row = byLayout[vehicle.thermostat.location][index];
        if (!row) throw new RangeError(`likelihood: ${item.id} has no answer ${index}`);
        return row;
      },
    };
  });
}

/** The shipped catalogue. */
export const CATALOGUE: readonly CatalogueItem[] = readCatalogue(data);

/** An item by its id. @throws {RangeError} if there is none */
export function catalogueItem(id: string): CatalogueItem {
  const found = CATALOGUE.find((item) => item.id === id);
  if (!found) throw new RangeError(`catalogueItem: no item ${id}`);
  return found;
}
