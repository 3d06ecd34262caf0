import type { ItemData } from './itemData';

/** What a customer says. Working estimates, each with its reason; a shop edits them to its own experience. */
export const COMPLAINT_ITEMS = [
  {
    id: 'complaint-slow-warm-up',
    ask: 'Slow to warm up on cold mornings',
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
    reason: 'Anything that leads heat to the radiator, a cold light drive, or a low reading is described this way.',
    yes: {
      default: 0.08,
      'open-path': 0.6,
      'insufficient-heat': 0.65,
      'sender-reads-low': 0.45,
      'sender-slow': 0.3,
      'low-coolant-or-air': 0.2,
      'fan-always-on': 0.25,
      'thermostat-heating-fault': 0.25,
    },
  },
  {
    id: 'complaint-weak-heater',
    ask: 'Heater weak or never hot',
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
      'Lukewarm air with a low needle means coolant that is really cool; a faulty sender leaves the heater hot. Air in the heater gives a cold heater with a good gauge.',
    yes: {
      default: 0.06,
      'open-path': 0.5,
      'insufficient-heat': 0.45,
      'low-coolant-or-air': 0.55,
      'flow-restricted': 0.2,
      sender: 0.05,
      'gauge-sender-fault': 0.04,
    },
  },
  {
    id: 'complaint-gauge-low-on-road',
    ask: 'Gauge low on the road, higher in town or under load',
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
    reason: 'An open path makes the level follow heat and fall with cold air; a wrong sender keeps a flat level.',
    yes: {
      default: 0.04,
      'open-path': 0.5,
      'insufficient-heat': 0.3,
      'sender-reads-low': 0.12,
      'gauge-sender-fault': 0.12,
    },
  },
  {
    id: 'complaint-climbs-at-standstill',
    ask: 'Climbs when standing, recovers when rolling',
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
    reason: 'Hot at rest that recovers with air points to the fan; flow faults share it.',
    yes: {
      default: 0.03,
      'fan-not-running': 0.8,
      'flow-restricted': 0.35,
      'thermostat-opens-late': 0.15,
      'low-coolant-or-air': 0.15,
    },
  },
  {
    id: 'complaint-recovers-with-revs',
    ask: 'Hot at idle, falls as soon as the engine is revved',
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
    reason: 'Recovery with engine speed is coolant flow: pump, blockage, air.',
    yes: {
      default: 0.03,
      'flow-restricted': 0.6,
      'low-coolant-or-air': 0.35,
      'fan-not-running': 0.1,
    },
  },
  {
    id: 'complaint-overheats',
    ask: 'Overheats on the road or under load',
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
    reason: 'Heat that cannot leave: shut valve, flow, low coolant; a high-reading sender looks the same on the gauge.',
    yes: {
      default: 0.02,
      'thermostat-stuck-closed': 0.85,
      'thermostat-opens-late': 0.4,
      'flow-restricted': 0.55,
      'fan-not-running': 0.25,
      'low-coolant-or-air': 0.4,
      'sender-reads-high': 0.3,
      'thermostat-heating-fault': 0.1,
    },
  },
  {
    id: 'complaint-gauge-disagrees',
    ask: 'Gauge and scan reading disagree',
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
    reason: 'Gauge and control unit often have senders of their own; a lasting difference means one of them is wrong.',
    yes: {
      default: 0.02,
      'gauge-sender-fault': 0.75,
      'sender-reads-low': 0.35,
      'sender-reads-high': 0.35,
      'sender-stuck': 0.35,
      'sender-slow': 0.1,
    },
  },
  {
    id: 'complaint-needle-jumps',
    ask: 'Needle jumps or drops out',
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
    reason: 'Coolant cannot jump: wire, earth, or air at the sender.',
    yes: {
      default: 0.02,
      'sender-intermittent': 0.75,
      'low-coolant-or-air': 0.25,
      'gauge-sender-fault': 0.15,
    },
  },
  {
    id: 'complaint-fan-roars-cold',
    ask: 'Radiator fan loud from a cold start',
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
    reason: 'The fail-safe to a thermostat-heating or sender circuit fault runs the fan; so does a stuck relay.',
    yes: {
      default: 0.02,
      'fan-always-on': 0.7,
      'thermostat-heating-fault': 0.4,
      'sender-intermittent': 0.15,
      'sender-stuck': 0.15,
    },
  },
  {
    id: 'complaint-cool-mild-hot-towing',
    ask: 'Cool in mild weather, warm only when towing',
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
    reason: 'A level that follows load is an open path or an engine with little heat.',
    yes: {
      default: 0.03,
      'open-path': 0.4,
      'insufficient-heat': 0.25,
      'flow-restricted': 0.1,
    },
  },
] as const satisfies readonly ItemData[];
