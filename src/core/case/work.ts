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
  /**
   * Faults that come of what was unplugged or moved out of the way and not put back: how often each, as a multiple of
   * the shop's figure for one connector.
   */
  readonly unplugs: Readonly<Partial<Record<Cause, number>>>;
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
    unplugs: {
      'sender-stuck': 1,
      'sender-intermittent': 0.3,
      'gauge-sender-fault': 0.3,
      'thermostat-heating-fault': 1,
      'fan-not-running': 0.5,
    },
    renews: THERMOSTAT_PARAMETERS,
  },
  'replaced-seal': {
    done: 'Renewed the thermostat’s seal, cleaned its seat',
    cures: { 'thermostat-leaking': 0.6, 'thermostat-stuck-open': 0.1 },
    brings: ['thermostat-leaking'],
    opens: true,
    unplugs: {
      'sender-stuck': 0.7,
      'sender-intermittent': 0.2,
      'gauge-sender-fault': 0.2,
      'thermostat-heating-fault': 0.7,
      'fan-not-running': 0.3,
    },
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
    unplugs: { 'sender-stuck': 1, 'sender-intermittent': 0.5, 'gauge-sender-fault': 0.3 },
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
    unplugs: { 'sender-stuck': 1, 'sender-intermittent': 1, 'gauge-sender-fault': 0.3 },
    renews: ['senderOffset'],
  },
  'replaced-gauge-sender': {
    done: 'Replaced or mended the gauge’s own sender',
    cures: { 'gauge-sender-fault': 0.85 },
    brings: ['gauge-sender-fault'],
    opens: true,
    unplugs: { 'gauge-sender-fault': 1, 'sender-stuck': 0.2 },
    renews: [],
  },
  'mended-heating-circuit': {
    done: 'Mended the thermostat’s heating circuit',
    cures: { 'thermostat-heating-fault': 0.75 },
    brings: [],
    opens: false,
    unplugs: { 'thermostat-heating-fault': 1, 'sender-stuck': 0.2 },
    renews: ['heatingThreshold'],
  },
  'mended-fan': {
    done: 'Mended the fan or its circuit',
    cures: { 'fan-not-running': 0.9, 'fan-always-on': 0.9 },
    brings: ['fan-not-running'],
    opens: false,
    unplugs: { 'fan-not-running': 1, 'fan-always-on': 0.5 },
    renews: ['fanOn', 'fanFlow'],
  },
  'topped-up-and-bled': {
    done: 'Topped up and bled',
    cures: { 'low-coolant-or-air': 0.85 },
    brings: [],
    opens: true,
    unplugs: { 'sender-stuck': 0.1 },
    renews: [],
  },
  'drained-and-filled': {
    done: 'Drained, filled and bled',
    cures: { 'low-coolant-or-air': 0.8, 'flow-restricted': 0.05 },
    brings: [],
    opens: true,
    unplugs: { 'sender-stuck': 0.2, 'fan-not-running': 0.3 },
    renews: [],
  },
  'cleaned-radiator': {
    done: 'Cleaned or flushed the radiator',
    cures: { 'flow-restricted': 0.35 },
    brings: [],
    opens: false,
    unplugs: { 'fan-not-running': 1 },
    renews: ['radiator'],
  },
  'replaced-radiator': {
    done: 'Replaced the radiator',
    cures: { 'flow-restricted': 0.4 },
    brings: [],
    opens: true,
    unplugs: { 'fan-not-running': 1.5, 'sender-stuck': 0.3 },
    renews: ['radiator'],
  },
  'replaced-pump': {
    done: 'Replaced the water pump or its belt',
    cures: { 'flow-restricted': 0.55 },
    brings: ['flow-restricted'],
    opens: true,
    unplugs: { 'sender-stuck': 0.7, 'fan-not-running': 0.7, 'gauge-sender-fault': 0.2 },
    renews: ['flow'],
  },
  'replaced-cap': { done: 'Replaced the pressure cap', cures: {}, brings: [], opens: true, unplugs: {}, renews: [] },
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
  /** One connector that was in the way is left off, or its wire pinched. */
  readonly unplugged: number;
}

/**
 * Working figures: two to five new parts in a hundred; air left after three openings in a hundred; one connector in
 * seventy left off.
 */
export const WORK_RISKS: WorkRisks = { badPart: 0.03, badPartTested: 0.005, airLeft: 0.03, unplugged: 0.015 };

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
