import type { ItemData } from './itemData';

/** What the bench answers. Working estimates, each with its reason; a shop edits them to its own experience. */
export const BENCH_ITEMS = [
  {
    id: 'sender-resistance',
    ask: 'Sender resistance at two known temperatures against its curve',
    answers: [
      {
        key: 'off',
        says: 'off the curve',
      },
      {
        key: 'on',
        says: 'on the curve',
      },
    ],
    minutes: 15,
    reason: 'An ohmmeter on the bare sender settles the element; wiring faults need the plug tested too.',
    yes: {
      default: 0.03,
      'sender-reads-low': 0.6,
      'sender-reads-high': 0.75,
      'sender-slow': 0.15,
      'sender-stuck': 0.5,
      'sender-intermittent': 0.2,
    },
  },
  {
    id: 'bench-thermostat',
    ask: 'Thermostat in heated water: light at the cold seat, or opening off its rating by more than 5 K',
    answers: [
      {
        key: 'light',
        says: 'light when cold',
      },
      {
        key: 'low',
        says: 'opens low',
      },
      {
        key: 'high',
        says: 'opens high or not',
      },
      {
        key: 'as-stamped',
        says: 'as stamped',
      },
    ],
    minutes: 60,
    reason:
      'Light through the cold seat, not the vent, proves an open path; first movement against the stamp proves the opening temperature.',
    table: [
      {
        default: 0.02,
        'thermostat-stuck-open': 0.9,
        'thermostat-leaking': 0.75,
      },
      {
        default: 0.02,
        'thermostat-opens-early': 0.88,
        'thermostat-leaking': 0.06,
        'thermostat-stuck-open': 0.04,
      },
      {
        default: 0.02,
        'thermostat-opens-late': 0.9,
        'thermostat-stuck-closed': 0.94,
        'thermostat-heating-fault': 0.1,
      },
      {
        default: 0.94,
        'thermostat-stuck-open': 0.04,
        'thermostat-leaking': 0.17,
        'thermostat-opens-early': 0.08,
        'thermostat-opens-late': 0.06,
        'thermostat-stuck-closed': 0.02,
        'thermostat-heating-fault': 0.86,
      },
    ],
  },
  {
    id: 'heating-element',
    ask: "Resistance of the thermostat's heating element, and supply at its plug when commanded",
    answers: [
      {
        key: 'bad',
        says: 'open, short or no supply',
      },
      {
        key: 'sound',
        says: 'sound',
      },
    ],
    minutes: 10,
    onlyHeated: true,
    reason: 'The element is a plain resistor: a dead one or a dead supply is proved in minutes.',
    yes: {
      default: 0.02,
      'thermostat-heating-fault': 0.85,
    },
  },
] as const satisfies readonly ItemData[];
