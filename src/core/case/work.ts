import type { Cause } from '../base';

/** What one kind of work does to the causes. Working figures of the project. */
export interface WorkSpec {
  /** In the past, as an entry says it. */
  readonly done: string;
  /** Probability that it takes a cause away, for those it touches. */
  readonly cures: Readonly<Partial<Record<Cause, number>>>;
  /** Causes that a bad or wrong new part brings; empty where no part is fitted. */
  readonly brings: readonly Cause[];
  /** The cooling system was opened: air may be left behind. */
  readonly opens: boolean;
  /** Coordinates of the vehicle (names of the twin's parameters) that start anew with the part. */
  readonly renews: readonly string[];
}

const THERMOSTAT: readonly Cause[] = [
  'thermostat-stuck-open',
  'thermostat-leaking',
  'thermostat-opens-early',
  'thermostat-opens-late',
  'thermostat-stuck-closed',
];
const each = (causes: readonly Cause[], p: number): Partial<Record<Cause, number>> =>
  Object.fromEntries(causes.map((c) => [c, p]));

const THERMOSTAT_PARAMETERS = ['opening', 'span', 'vent', 'waxLag', 'heatingThreshold'];
const SENDER_PARAMETERS = ['senderOffset', 'senderLag'];

/** Every kind of work that can be entered. */
export const WORK = {
  'replaced-thermostat': {
    done: 'Replaced the thermostat',
    // A housing that leaks past its seat, or a heating circuit, may outlast the new part.
    cures: { ...each(THERMOSTAT, 0.98), 'thermostat-leaking': 0.93, 'thermostat-heating-fault': 0.6 },
    brings: ['thermostat-stuck-open', 'thermostat-leaking', 'thermostat-opens-early', 'thermostat-opens-late'],
    opens: true,
    renews: THERMOSTAT_PARAMETERS,
  },
  'replaced-seal': {
    done: 'Renewed the thermostat’s seal, cleaned its seat',
    cures: { 'thermostat-leaking': 0.6, 'thermostat-stuck-open': 0.1 },
    brings: ['thermostat-leaking'],
    opens: true,
    renews: ['vent'],
  },
  'replaced-sender': {
    done: 'Replaced the coolant temperature sender',
    cures: {
      'sender-reads-low': 0.8,
      'sender-reads-high': 0.85,
      'sender-slow': 0.95,
      'sender-stuck': 0.75,
      'sender-intermittent': 0.55,
    },
    brings: ['sender-reads-low', 'sender-reads-high'],
    opens: true,
    renews: SENDER_PARAMETERS,
  },
  'mended-wiring': {
    done: 'Mended wire, plug or earth of the sender',
    cures: {
      'sender-intermittent': 0.65,
      'sender-stuck': 0.35,
      'sender-reads-low': 0.35,
      'sender-reads-high': 0.3,
    },
    brings: [],
    opens: false,
    renews: ['senderOffset'],
  },
  'replaced-gauge-sender': {
    done: 'Replaced or mended the gauge’s own sender',
    cures: { 'gauge-sender-fault': 0.85 },
    brings: ['gauge-sender-fault'],
    opens: true,
    renews: [],
  },
  'mended-heating-circuit': {
    done: 'Mended the thermostat’s heating circuit',
    cures: { 'thermostat-heating-fault': 0.75 },
    brings: [],
    opens: false,
    renews: ['heatingThreshold'],
  },
  'mended-fan': {
    done: 'Mended the fan or its circuit',
    cures: { 'fan-not-running': 0.9, 'fan-always-on': 0.9 },
    brings: ['fan-not-running'],
    opens: false,
    renews: ['fanOn', 'fanFlow'],
  },
  'topped-up-and-bled': {
    done: 'Topped up and bled',
    cures: { 'low-coolant-or-air': 0.85 },
    brings: [],
    opens: true,
    renews: [],
  },
  'drained-and-filled': {
    done: 'Drained, filled and bled',
    cures: { 'low-coolant-or-air': 0.8, 'flow-restricted': 0.05 },
    brings: [],
    opens: true,
    renews: [],
  },
  'cleaned-radiator': {
    done: 'Cleaned or flushed the radiator',
    cures: { 'flow-restricted': 0.35 },
    brings: [],
    opens: false,
    renews: ['radiator'],
  },
  'replaced-radiator': {
    done: 'Replaced the radiator',
    cures: { 'flow-restricted': 0.4 },
    brings: [],
    opens: true,
    renews: ['radiator'],
  },
  'replaced-pump': {
    done: 'Replaced the water pump or its belt',
    cures: { 'flow-restricted': 0.55 },
    brings: ['flow-restricted'],
    opens: true,
    renews: ['flow'],
  },
  'replaced-cap': { done: 'Replaced the pressure cap', cures: {}, brings: [], opens: true, renews: [] },
} as const satisfies Readonly<Record<string, WorkSpec>>;

/** A kind of work. */
export type WorkKind = keyof typeof WORK;

/** Every kind, in the order of the list. */
export const WORK_KINDS = Object.keys(WORK) as readonly WorkKind[];

/** What a kind of work does. */
export const workSpec = (kind: WorkKind): WorkSpec => WORK[kind];

/** Odds that work itself leaves something behind; editable by the shop. */
export interface WorkRisks {
  /** A new part is bad or wrong. */
  readonly badPart: number;
  /** The same after it passed a bench test. */
  readonly badPartTested: number;
  /** An opened system keeps air. */
  readonly airLeft: number;
}

/** Working figures: two to five new parts in a hundred; air left after three openings in a hundred. */
export const WORK_RISKS: WorkRisks = { badPart: 0.03, badPartTested: 0.005, airLeft: 0.03 };

/** Each earlier failure of the same part makes the next new one this many times as likely to be wrong again. */
const AGAIN = 2;
const MOST = 0.4;

/**
 * Probability that a new part is bad or wrong: lower after a passed bench test, higher after repeated failures.
 *
 * @param before how often the same work was done on this job already
 */
export const badPartOdds = (risks: WorkRisks, benchPassed: boolean, before: number): number =>
  Math.min(MOST, (benchPassed ? risks.badPartTested : risks.badPart) * AGAIN ** before);
