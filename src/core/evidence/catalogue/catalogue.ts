import { isCause, perCause, type Cause, type PerCause, type Vehicle } from '../../base';
import { BENCH_ITEMS } from './bench';
import { COLD_LOOK_ITEMS } from './coldLook';
import { COMPLAINT_ITEMS } from './complaint';
import { DRIVE_ITEMS } from './drive';
import { CAUSE_GROUPS, type FanKind, type ItemData, type LikelihoodRow } from './itemData';
import { KEY_ON_ITEMS } from './keyOn';
import { RUNNING_ITEMS } from './running';
import { CODE_ITEMS } from './storedCode';

const BY_STAGE = {
  complaint: COMPLAINT_ITEMS,
  code: CODE_ITEMS,
  'cold-look': COLD_LOOK_ITEMS,
  'key-on': KEY_ON_ITEMS,
  running: RUNNING_ITEMS,
  drive: DRIVE_ITEMS,
  bench: BENCH_ITEMS,
} as const;

/** Where in a job an item belongs. */
export type Stage = keyof typeof BY_STAGE;

/** Every shipped item. */
type Shipped = (typeof BY_STAGE)[Stage][number];

/** Name of an item of the catalogue. */
export type ItemId = Shipped['id'];

/** One answer to an item: its key is kept, its words are shown. */
export interface ItemAnswer {
  readonly key: string;
  readonly says: string;
}

/** One thing that can be seen, asked or measured, and how likely each answer is under each cause. */
export interface CatalogueItem {
  readonly id: ItemId;
  readonly stage: Stage;
  readonly ask: string;
  readonly answers: readonly ItemAnswer[];
  readonly minutes: number;
  readonly reason: string;
  readonly onlyHeated: boolean;
  /** Kinds of fan that it is asked of; null: of every vehicle. */
  readonly onlyFan: readonly FanKind[] | null;
  /** Probability of an answer under each cause. @throws {RangeError} if the item has no such answer */
  readonly likelihood: (answer: string, vehicle: Vehicle) => PerCause<number>;
}

/** Where the thermostat sits: some rules turn round with it. */
export type Layout = Vehicle['thermostat']['location'];

/** Probability of each answer per cause, in the order of the answers, for one layout. */
export type LikelihoodTable = readonly PerCause<number>[];

/** A shop's own figures: tables in place of the shipped ones, by item and layout. */
export type OwnTables = Readonly<Partial<Record<ItemId, Readonly<Partial<Record<Layout, LikelihoodTable>>>>>>;

/** Causes from a mixture of a default, groups and single causes; single causes win over groups. */
function expand(row: LikelihoodRow): Record<Cause, number> {
  const out = perCause(() => row.default);
  for (const [group, causes] of Object.entries(CAUSE_GROUPS)) {
    const p = row[group as keyof typeof CAUSE_GROUPS];
    if (p !== undefined) for (const cause of causes) out[cause] = p;
  }
  for (const [key, p] of Object.entries(row)) if (isCause(key) && p !== undefined) out[key] = p;
  return out;
}

const pair = (first: PerCause<number>): LikelihoodTable => [first, perCause((c) => 1 - first[c])];

function shippedTable(item: ItemData, layout: Layout): LikelihoodTable {
  if (item.table) return item.table.map(expand);
  const row = item[layout] ?? item.yes;
  if (!row) throw new RangeError(`evidence catalogue: ${item.id} has no probabilities`);
  return pair(expand(row));
}

/** Builds the catalogue, with a shop's own tables where it has them. */
export function buildCatalogue(own: OwnTables = {}): readonly CatalogueItem[] {
  return (Object.keys(BY_STAGE) as Stage[]).flatMap((stage) =>
    BY_STAGE[stage].map((shipped: Shipped): CatalogueItem => {
      const data: ItemData = shipped;
      const table = (layout: Layout) => own[shipped.id]?.[layout] ?? shippedTable(data, layout);
      const tables = { outlet: table('outlet'), inlet: table('inlet') };
      const { ask, answers, minutes, reason, onlyHeated = false, onlyFan = null } = data;
      return {
        ...{ id: shipped.id, stage, ask, answers, minutes, reason, onlyHeated, onlyFan },
        likelihood: (answer, vehicle) => {
          const row = tables[vehicle.thermostat.location][answers.findIndex((a) => a.key === answer)];
          if (!row) throw new RangeError(`likelihood: ${shipped.id} has no answer ${answer}`);
          return row;
        },
      };
    }),
  );
}

/** The shipped catalogue. */
export const CATALOGUE: readonly CatalogueItem[] = buildCatalogue();

/** True for an item that can be answered on a vehicle. */
export const appliesTo = ({ onlyHeated, onlyFan }: CatalogueItem, { thermostat, fan }: Vehicle): boolean =>
  (!onlyHeated || thermostat.heated) && (onlyFan === null || onlyFan.includes(fan.kind));

/** An item by its id; null where the catalogue has none of that name. */
export const findItem = (id: string, catalogue: readonly CatalogueItem[] = CATALOGUE): CatalogueItem | null =>
  catalogue.find((item) => item.id === id) ?? null;

/** An item that the catalogue has. */
export function catalogueItem(id: ItemId, catalogue: readonly CatalogueItem[] = CATALOGUE): CatalogueItem {
  const found = findItem(id, catalogue);
  if (!found) throw new RangeError(`catalogueItem: no item ${id}`);
  return found;
}

/** True for an item and one of its answers. */
export const isAnswer = (id: string, answer: string, catalogue: readonly CatalogueItem[] = CATALOGUE): boolean =>
  findItem(id, catalogue)?.answers.some((a) => a.key === answer) ?? false;
