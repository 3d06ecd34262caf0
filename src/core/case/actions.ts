import type { Cause } from '../base';
import type { Prices } from './prices';
import type { WorkKind } from './work';

/** What can be done about a car, as a choice. */
export interface ActionSpec {
  readonly says: string;
  /** What is done; the cure of each cause follows from it. */
  readonly work: readonly WorkKind[];
  readonly minutes: number;
  readonly parts: (prices: Prices) => number;
  readonly onlyHeated?: true;
}

/** Every choice. Minutes are working figures for a car of ordinary access. */
export const ACTIONS = {
  'leave-it': { says: 'Mend nothing, and say what may come of it', work: [], minutes: 10, parts: () => 0 },
  'replace-thermostat': {
    says: 'Replace the thermostat and its seal',
    work: ['replaced-thermostat'],
    minutes: 90,
    parts: (p) => p.thermostat + p.coolant,
  },
  'replace-sender': {
    says: 'Replace the coolant temperature sender',
    work: ['replaced-sender'],
    minutes: 30,
    parts: (p) => p.sender,
  },
  'replace-both': {
    says: 'Replace thermostat and sender together',
    work: ['replaced-thermostat', 'replaced-sender'],
    minutes: 105,
    parts: (p) => p.thermostat + p.sender + p.coolant,
  },
  'mend-wiring': {
    says: 'Mend wire, plug or earth of the sender',
    work: ['mended-wiring'],
    minutes: 60,
    parts: () => 5,
  },
  'replace-gauge-sender': {
    says: 'Mend the gauge’s own sender',
    work: ['replaced-gauge-sender'],
    minutes: 40,
    parts: (p) => p.sender,
  },
  'mend-heating-circuit': {
    says: 'Mend the thermostat’s heating circuit',
    work: ['mended-heating-circuit'],
    minutes: 60,
    parts: () => 10,
    onlyHeated: true,
  },
  'mend-fan': { says: 'Mend the fan circuit', work: ['mended-fan'], minutes: 60, parts: (p) => p.fanRepair },
  'top-up-and-bleed': {
    says: 'Top up and bleed',
    work: ['topped-up-and-bled'],
    minutes: 40,
    parts: (p) => p.coolant / 3,
  },
  'clean-radiator': { says: 'Clean or flush the radiator', work: ['cleaned-radiator'], minutes: 90, parts: () => 15 },
  'replace-pump': {
    says: 'Replace the water pump',
    work: ['replaced-pump'],
    minutes: 180,
    parts: (p) => p.pump + p.coolant,
  },
  'replace-radiator': {
    says: 'Replace the radiator',
    work: ['replaced-radiator'],
    minutes: 120,
    parts: (p) => p.radiator + p.coolant,
  },
} as const satisfies Readonly<Record<string, ActionSpec>>;

/** A choice. */
export type ActionKind = keyof typeof ACTIONS;

/** Every choice, in the order of the list. */
export const ACTION_KINDS = Object.keys(ACTIONS) as readonly ActionKind[];

/** What a choice is. */
export const actionSpec = (kind: ActionKind): ActionSpec => ACTIONS[kind];

/** How likely each cause that is left alone does damage before the car comes back. Working figures. */
export const HARM: Readonly<Partial<Record<Cause, number>>> = {
  'thermostat-stuck-closed': 0.3,
  'thermostat-opens-late': 0.08,
  'fan-not-running': 0.12,
  'flow-restricted': 0.12,
  'low-coolant-or-air': 0.12,
  'sender-reads-low': 0.02,
  'sender-stuck': 0.02,
  'gauge-sender-fault': 0.02,
  'thermostat-heating-fault': 0.02,
};
