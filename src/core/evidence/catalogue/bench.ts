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
  {
    id: 'wiggle-test',
    ask: 'Reading recorded while plug and wire of the sender are moved',
    answers: [
      { key: 'jumps', says: 'jumps' },
      { key: 'steady', says: 'steady' },
    ],
    minutes: 6,
    reason: 'Coolant at rest does not move: a reading that leaps while the wire is moved is the contact.',
    yes: {
      default: 0.02,
      'sender-intermittent': 0.75,
      'sender-stuck': 0.12,
      'sender-reads-low': 0.1,
      'sender-reads-high': 0.06,
    },
  },
  {
    id: 'fan-fuse',
    ask: 'Fan fuse: its element, and whether both sides have supply',
    answers: [
      { key: 'blown', says: 'blown or dead' },
      { key: 'sound', says: 'sound' },
    ],
    minutes: 3,
    onlyFan: ['electric'],
    reason: 'The easy thing first; a blown fuse has a cause that is still to be found.',
    yes: { default: 0.02, 'fan-not-running': 0.4 },
  },
  {
    id: 'fan-commanded',
    ask: 'Radiator fan commanded by scan tool or air conditioning request',
    answers: [
      { key: 'still', says: 'stands still' },
      { key: 'runs', says: 'runs' },
    ],
    minutes: 5,
    onlyFan: ['electric'],
    reason: 'The cabin blower does not command the radiator fan; a scan command or the air conditioning does.',
    yes: { default: 0.03, 'fan-not-running': 0.92 },
  },
  {
    id: 'fan-bridged',
    ask: 'Radiator fan on a bridged relay or a fused supply of its own',
    answers: [
      { key: 'still', says: 'stands still' },
      { key: 'runs', says: 'runs' },
    ],
    minutes: 8,
    onlyFan: ['electric'],
    reason: 'Parts the motor from relay, wire and command.',
    yes: { default: 0.02, 'fan-not-running': 0.45 },
  },
  {
    id: 'fan-plug',
    ask: 'Fan plug and relay base after running',
    answers: [
      { key: 'hot', says: 'hot, brown or melted' },
      { key: 'cool', says: 'cool and clean' },
    ],
    minutes: 4,
    onlyFan: ['electric'],
    reason: 'Heat in a contact is resistance: it stops the fan now or soon.',
    yes: { default: 0.04, 'fan-not-running': 0.35 },
  },
  {
    id: 'fan-current',
    ask: 'Fan supply and current at its plug, commanded on, against the fuse',
    answers: [
      { key: 'off', says: 'no supply or no current' },
      { key: 'as-it-should', says: 'runs at a usual current' },
    ],
    minutes: 10,
    onlyFan: ['electric'],
    reason: 'Supply without current is the motor, no supply is everything before it.',
    yes: { default: 0.02, 'fan-not-running': 0.9 },
  },
  {
    id: 'clutch-roar',
    ask: 'Viscous fan at 2500 rpm from cold: when does it roar, by the clock and the coolant reading?',
    answers: [
      { key: 'never', says: 'never, though hot' },
      { key: 'hot', says: 'when hot, quiet below' },
      { key: 'always', says: 'always' },
    ],
    minutes: 15,
    onlyFan: ['viscous'],
    reason: 'A clutch that works roars hot and is quiet below; by hand it cannot be told, and hands stay away.',
    table: [
      { default: 0.06, 'fan-not-running': 0.9, 'fan-always-on': 0.02 },
      { default: 0.88, 'fan-not-running': 0.08, 'fan-always-on': 0.1 },
      { default: 0.06, 'fan-not-running': 0.02, 'fan-always-on': 0.88 },
    ],
  },
  {
    id: 'pressure-hold',
    ask: 'Closed cold system pumped to no more than its cap holds',
    answers: [
      { key: 'falls', says: 'pressure falls' },
      { key: 'holds', says: 'holds' },
    ],
    minutes: 20,
    reason: 'A leak too small to drip still loses pressure; lost coolant is air at the sender.',
    yes: { default: 0.07, 'low-coolant-or-air': 0.6 },
  },
  {
    id: 'gas-test',
    ask: 'Combustion-gas test over the open tank, bubbles that go on',
    answers: [
      { key: 'changes', says: 'fluid changes colour' },
      { key: 'stays', says: 'stays' },
    ],
    minutes: 15,
    reason: 'Gas from a cylinder is told by fluid or analyser, never by smell.',
    yes: { default: 0.01, 'low-coolant-or-air': 0.12, 'flow-restricted': 0.03 },
  },
] as const satisfies readonly ItemData[];
