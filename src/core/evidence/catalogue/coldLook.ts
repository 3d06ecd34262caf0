import type { ItemData } from './itemData';

/** What is seen on a cold engine. Working estimates, each with its reason; a shop edits them to its own experience. */
export const COLD_LOOK_ITEMS = [
  {
    id: 'look-level-low',
    ask: 'Level below the cold mark before anything was touched',
    answers: [
      {
        key: 'low',
        says: 'low',
      },
      {
        key: 'at-the-mark',
        says: 'at the mark',
      },
    ],
    minutes: 2,
    reason: 'Low level or air makes sender and heater lie both ways. It is more often a symptom than the cause.',
    yes: {
      default: 0.1,
      'low-coolant-or-air': 0.8,
      'flow-restricted': 0.15,
      'thermostat-stuck-closed': 0.2,
    },
  },
  {
    id: 'look-topped-up',
    ask: 'The level had to be topped up since the last drive',
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
    minutes: 1,
    reason: 'Coolant that goes missing leaves air behind.',
    yes: {
      default: 0.08,
      'low-coolant-or-air': 0.65,
    },
  },
  {
    id: 'look-leak',
    ask: 'Leak points: hoses, pump, radiator, heater, tank, cap',
    answers: [
      {
        key: 'leaking',
        says: 'damp or dripping',
      },
      {
        key: 'dry',
        says: 'dry',
      },
    ],
    minutes: 4,
    reason: 'Coolant that leaves lets air in. Dry does not prove a full system without air.',
    yes: {
      default: 0.12,
      'low-coolant-or-air': 0.6,
    },
  },
  {
    id: 'look-belt',
    ask: 'Pump belt and hoses',
    answers: [
      {
        key: 'poor',
        says: 'belt slack or glazed, hose collapsed',
      },
      {
        key: 'sound',
        says: 'sound',
      },
    ],
    minutes: 3,
    reason: 'A slipping belt or a hose sucked flat is lost flow: hot at idle or under load.',
    yes: {
      default: 0.05,
      'flow-restricted': 0.35,
    },
  },
  {
    id: 'look-cap-weak',
    ask: 'Pressure cap: release pressure against its rating',
    answers: [
      {
        key: 'weak',
        says: 'weak',
      },
      {
        key: 'holds',
        says: 'holds',
      },
    ],
    minutes: 4,
    reason: 'A weak cap boils early and vents coolant; what is left is low and full of air.',
    yes: {
      default: 0.12,
      'low-coolant-or-air': 0.4,
      'flow-restricted': 0.15,
    },
  },
  {
    id: 'look-radiator-face',
    ask: 'Radiator face',
    answers: [
      {
        key: 'blocked',
        says: 'blocked or crusted',
      },
      {
        key: 'clear',
        says: 'clear',
      },
    ],
    minutes: 3,
    reason: 'Debris and bent fins take the cooling away at low speed.',
    yes: {
      default: 0.06,
      'flow-restricted': 0.35,
      'fan-not-running': 0.08,
    },
  },
  {
    id: 'look-fan-stiff',
    ask: 'Fan turned by hand, unplugged',
    answers: [
      {
        key: 'stiff',
        says: 'stiff or seized',
      },
      {
        key: 'free',
        says: 'turns freely',
      },
    ],
    minutes: 3,
    reason: 'A seized motor blows its fuse and stands still.',
    yes: {
      default: 0.02,
      'fan-not-running': 0.35,
    },
  },
] as const satisfies readonly ItemData[];
