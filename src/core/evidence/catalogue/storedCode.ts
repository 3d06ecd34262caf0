import type { ItemData } from './itemData';

/** Stored codes. Working estimates, each with its reason; a shop edits them to its own experience. */
export const CODE_ITEMS = [
  {
    id: 'code-P0128',
    ask: 'P0128 stored',
    answers: [
      {
        key: 'yes',
        says: 'yes',
      },
      {
        key: 'no',
        says: 'no',
      },
    ],
    minutes: 0,
    reason:
      'Too cold for too long: an open path, a low sender, and a cold day set it alike. It does not prove a thermostat.',
    yes: {
      default: 0.03,
      'open-path': 0.6,
      'sender-reads-low': 0.5,
      'insufficient-heat': 0.25,
      'sender-slow': 0.2,
      'sender-stuck': 0.3,
      'low-coolant-or-air': 0.12,
      'thermostat-heating-fault': 0.15,
    },
  },
  {
    id: 'code-too-cold-for-control',
    ask: 'P0125 or P0126 stored',
    answers: [
      { key: 'yes', says: 'yes' },
      { key: 'no', says: 'no' },
    ],
    minutes: 0,
    reason:
      'Too cold for closed loop or for steady running: set earlier and lower than P0128, so a really cold engine, a light cold drive or a sender that reads far low.',
    yes: {
      default: 0.03,
      'open-path': 0.35,
      'sender-reads-low': 0.4,
      'insufficient-heat': 0.25,
      'sender-slow': 0.25,
      'sender-stuck': 0.35,
      'low-coolant-or-air': 0.12,
      'thermostat-heating-fault': 0.06,
    },
  },
  {
    id: 'code-P2181',
    ask: 'P2181 stored',
    answers: [
      { key: 'yes', says: 'yes' },
      { key: 'no', says: 'no' },
    ],
    minutes: 0,
    reason:
      'Cooling system performance: the reading did not follow what was expected, too cold or too hot. It says less than P0128 about which way.',
    yes: {
      default: 0.03,
      'open-path': 0.4,
      'shut-path': 0.25,
      'sender-reads-low': 0.3,
      'sender-reads-high': 0.2,
      'insufficient-heat': 0.15,
      'sender-slow': 0.2,
      'sender-stuck': 0.3,
      'flow-restricted': 0.2,
      'fan-not-running': 0.12,
      'low-coolant-or-air': 0.25,
      'thermostat-heating-fault': 0.2,
    },
  },
  {
    id: 'code-sender-circuit',
    ask: 'P0115, P0117 or P0118 stored',
    answers: [
      {
        key: 'yes',
        says: 'yes',
      },
      {
        key: 'no',
        says: 'no',
      },
    ],
    minutes: 0,
    reason:
      'The circuit was seen open or short: sender, plug or wire. An unplugged connector during other work sets it too.',
    yes: {
      default: 0.02,
      'sender-intermittent': 0.45,
      'sender-stuck': 0.3,
      'sender-reads-low': 0.08,
      'sender-reads-high': 0.08,
    },
  },
  {
    id: 'code-P0116',
    ask: 'P0116 stored',
    answers: [
      {
        key: 'yes',
        says: 'yes',
      },
      {
        key: 'no',
        says: 'no',
      },
    ],
    minutes: 0,
    reason: "Range or performance: the reading did not fit the control unit's own expectation. Sender or thermostat.",
    yes: {
      default: 0.03,
      'sender-reads-low': 0.25,
      'sender-reads-high': 0.3,
      'sender-slow': 0.35,
      'sender-stuck': 0.4,
      'open-path': 0.1,
      'low-coolant-or-air': 0.1,
    },
  },
  {
    id: 'code-P0119',
    ask: 'P0119 stored',
    answers: [
      {
        key: 'yes',
        says: 'yes',
      },
      {
        key: 'no',
        says: 'no',
      },
    ],
    minutes: 0,
    reason: 'Intermittent sender circuit.',
    yes: {
      default: 0.01,
      'sender-intermittent': 0.6,
      'low-coolant-or-air': 0.03,
    },
  },
  {
    id: 'code-thermostat-heater',
    ask: 'P0597, P0598 or P0599 stored',
    answers: [
      {
        key: 'yes',
        says: 'yes',
      },
      {
        key: 'no',
        says: 'no',
      },
    ],
    minutes: 0,
    reason: 'The heating circuit of the thermostat is open, low or high. A wire alone can set it: test before buying.',
    yes: {
      default: 0.01,
      'thermostat-heating-fault': 0.7,
    },
  },
  {
    id: 'code-P0217',
    ask: 'P0217 stored',
    answers: [
      {
        key: 'yes',
        says: 'yes',
      },
      {
        key: 'no',
        says: 'no',
      },
    ],
    minutes: 0,
    reason: 'The reading passed the over-temperature limit.',
    yes: {
      default: 0.01,
      'thermostat-stuck-closed': 0.5,
      'thermostat-opens-late': 0.2,
      'flow-restricted': 0.35,
      'fan-not-running': 0.25,
      'low-coolant-or-air': 0.2,
      'sender-reads-high': 0.25,
    },
  },
  {
    id: 'code-fan-circuit',
    ask: 'P0480 or P0481 stored',
    answers: [
      {
        key: 'yes',
        says: 'yes',
      },
      {
        key: 'no',
        says: 'no',
      },
    ],
    minutes: 0,
    reason: 'Fan control circuit: the fan may be dead or forced on.',
    yes: {
      default: 0.01,
      'fan-not-running': 0.5,
      'fan-always-on': 0.4,
    },
  },
] as const satisfies readonly ItemData[];
