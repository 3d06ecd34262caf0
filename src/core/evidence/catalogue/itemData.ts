import type { Cause, Vehicle } from '../../base';

/** How the radiator fan is driven. */
export type FanKind = Vehicle['fan']['kind'];

/** Causes that an item of the catalogue treats alike. */
export const CAUSE_GROUPS = {
  'open-path': ['thermostat-stuck-open', 'thermostat-leaking', 'thermostat-opens-early'],
  'shut-path': ['thermostat-opens-late', 'thermostat-stuck-closed'],
  'runs-hot': ['thermostat-opens-late', 'thermostat-stuck-closed', 'fan-not-running', 'flow-restricted'],
  sender: ['sender-reads-low', 'sender-reads-high', 'sender-slow', 'sender-intermittent', 'sender-stuck'],
} as const satisfies Readonly<Record<string, readonly Cause[]>>;

/** Name of a group of causes. */
export type CauseGroup = keyof typeof CAUSE_GROUPS;

/** Probability of an answer: `default` for every cause that is not named, by itself or by its group. */
export type LikelihoodRow = { readonly default: number } & Readonly<Partial<Record<Cause | CauseGroup, number>>>;

/**
 * One thing that can be seen, asked or measured. `yes` holds the probability of the first answer, the second takes the
 * rest; where the place of the thermostat turns a rule round, `outlet` and `inlet` stand apart; with more than two
 * answers `table` has a row for each, summing to 1 per cause.
 */
export interface ItemData {
  readonly id: string;
  readonly ask: string;
  readonly answers: readonly { readonly key: string; readonly says: string }[];
  readonly minutes: number;
  readonly reason: string;
  /** Asked only of vehicles with an electrically heated thermostat. */
  readonly onlyHeated?: boolean;
  /** Asked only of vehicles with a fan of these kinds. */
  readonly onlyFan?: readonly FanKind[];
  readonly yes?: LikelihoodRow;
  readonly outlet?: LikelihoodRow;
  readonly inlet?: LikelihoodRow;
  readonly table?: readonly LikelihoodRow[];
}
