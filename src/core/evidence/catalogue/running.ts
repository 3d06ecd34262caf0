import type { ItemData } from './itemData';

/** What is felt, read and seen while the engine runs. Working estimates, each with its reason; a shop edits them to its own experience. */
export const RUNNING_ITEMS = [
  {
    id: 'hose-top-2min',
    ask: 'Top radiator hose two minutes after a cold start',
    answers: [
      {
        key: 'warm',
        says: 'warm',
      },
      {
        key: 'cold',
        says: 'cold',
      },
    ],
    minutes: 4,
    reason:
      'With the thermostat at the outlet the top hose stays cold until it opens: warm from the start means flow through the radiator. With the thermostat at the inlet the top hose warms with the engine whatever the valve does.',
    outlet: {
      default: 0.04,
      'thermostat-stuck-open': 0.9,
      'thermostat-leaking': 0.45,
      'thermostat-opens-early': 0.1,
    },
    inlet: {
      default: 0.8,
      'thermostat-stuck-closed': 0.75,
      'low-coolant-or-air': 0.45,
    },
  },
  {
    id: 'hose-bottom-2min',
    ask: 'Bottom radiator hose four minutes after a cold start',
    answers: [
      {
        key: 'warm',
        says: 'warm',
      },
      {
        key: 'cold',
        says: 'cold',
      },
    ],
    minutes: 6,
    reason:
      'With the thermostat at the inlet the bottom hose stays cold until it opens: warm early means flow. With an outlet thermostat it warms last of all.',
    outlet: {
      default: 0.03,
      'thermostat-stuck-open': 0.6,
      'thermostat-leaking': 0.15,
    },
    inlet: {
      default: 0.04,
      'thermostat-stuck-open': 0.85,
      'thermostat-leaking': 0.4,
      'thermostat-opens-early': 0.1,
    },
  },
  {
    id: 'hose-hot-both',
    ask: 'Radiator side when the reading is well above the rating',
    answers: [
      {
        key: 'still-cold',
        says: 'still cold',
      },
      {
        key: 'both-hot',
        says: 'both hoses hot',
      },
    ],
    minutes: 8,
    reason: 'A hot engine with a cold radiator has a shut valve or no flow, or the reading is wrong.',
    yes: {
      default: 0.04,
      'thermostat-stuck-closed': 0.92,
      'thermostat-opens-late': 0.6,
      'sender-reads-high': 0.6,
      'flow-restricted': 0.25,
      'low-coolant-or-air': 0.3,
    },
  },
  {
    id: 'housing-infrared',
    ask: 'Housing temperature by infrared or probe against the reading, engine warm',
    answers: [
      {
        key: 'differs',
        says: 'differs by more than 6 K',
      },
      {
        key: 'agrees',
        says: 'agrees',
      },
    ],
    minutes: 5,
    reason: 'A second thermometer settles whether the coolant or the sender is wrong.',
    yes: {
      default: 0.06,
      'sender-reads-low': 0.92,
      'sender-reads-high': 0.92,
      'sender-stuck': 0.95,
      'sender-slow': 0.15,
      'sender-intermittent': 0.3,
      'low-coolant-or-air': 0.35,
    },
  },
  {
    id: 'gauge-against-scan',
    ask: 'Dash gauge against the scan reading, engine warm',
    answers: [
      {
        key: 'disagree',
        says: 'disagree',
      },
      {
        key: 'agree',
        says: 'agree',
      },
    ],
    minutes: 3,
    reason:
      'Separate senders: a lasting disagreement means one is wrong, agreement clears both unless they share one sender.',
    yes: {
      default: 0.04,
      'gauge-sender-fault': 0.95,
      'sender-reads-low': 0.7,
      'sender-reads-high': 0.7,
      'sender-stuck': 0.8,
      'sender-slow': 0.2,
    },
  },
  {
    id: 'heater-at-plateau',
    ask: 'Heater air when the reading has settled low',
    answers: [
      {
        key: 'hot',
        says: 'hot',
      },
      {
        key: 'lukewarm',
        says: 'lukewarm',
      },
    ],
    minutes: 4,
    reason:
      'Hot vents with a low reading speak for the sender; lukewarm vents for cool coolant or little flow to the heater.',
    yes: {
      default: 0.75,
      'open-path': 0.12,
      'insufficient-heat': 0.15,
      'low-coolant-or-air': 0.2,
      'sender-reads-low': 0.93,
      'gauge-sender-fault': 0.93,
      'flow-restricted': 0.6,
    },
  },
  {
    id: 'fan-cuts-in',
    ask: 'Idle until hot: does the radiator fan cut in and out again?',
    answers: [
      {
        key: 'never',
        says: 'never starts',
      },
      {
        key: 'cycles',
        says: 'cuts in and out',
      },
    ],
    minutes: 15,
    reason: 'A fan silent above its switching temperature is the fault; one that cycles is proved.',
    yes: {
      default: 0.05,
      'fan-not-running': 0.97,
      'sender-reads-low': 0.35,
      'open-path': 0.25,
      'insufficient-heat': 0.35,
    },
  },
  {
    id: 'fan-from-cold',
    ask: 'Fan at a cold start',
    answers: [
      {
        key: 'runs',
        says: 'runs',
      },
      {
        key: 'still',
        says: 'stands still',
      },
    ],
    minutes: 1,
    reason: 'Running from cold is a fail-safe or a stuck relay; air conditioning or defrost also start it.',
    yes: {
      default: 0.04,
      'fan-always-on': 0.95,
      'thermostat-heating-fault': 0.3,
      'sender-stuck': 0.15,
      'sender-intermittent': 0.15,
    },
  },
  {
    id: 'rev-test',
    ask: 'Hot at standstill: hold 2500 rpm for a minute with the fan state unchanged',
    answers: [
      {
        key: 'falls',
        says: 'falls at once',
      },
      {
        key: 'same',
        says: 'no change',
      },
    ],
    minutes: 8,
    reason: 'Falling with engine speed is coolant flow; falling with road speed is air flow.',
    yes: {
      default: 0.12,
      'flow-restricted': 0.75,
      'low-coolant-or-air': 0.5,
      'thermostat-opens-late': 0.2,
    },
  },
  {
    id: 'level-drop',
    ask: 'Cold level after a heat cycle',
    answers: [
      {
        key: 'fell',
        says: 'fell',
      },
      {
        key: 'held',
        says: 'held',
      },
    ],
    minutes: 2,
    reason: 'A level that falls from heat cycle to heat cycle is air settling, a leak or boil-off.',
    yes: {
      default: 0.06,
      'low-coolant-or-air': 0.75,
      'thermostat-stuck-closed': 0.15,
    },
  },
] as const satisfies readonly ItemData[];
