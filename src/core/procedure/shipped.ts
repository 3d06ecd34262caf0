import { procedureStep as step, type Procedure } from './procedure';

/** Shipped procedures name no car: what the maker prescribes for the engine goes first. */
const GENERIC = {
  source: 'Generic, ships with Varmek: the maker’s own goes first',
  page: '',
  stop_c: null,
  minimum_l: null,
};

const HEATER_HOT = 'Heater at its hottest, blower low: a water valve is open';
const NO_AIR_CON = 'Air conditioning and defrost off';
const LEVEL_GROUND = 'Car level, on its wheels, outdoors or with extraction';

const squeeze = step({ says: 'Squeeze the upper and lower hose by turns until no bubbles come.' });
const idleToOpening = (cap: 'on' | 'off' | null) =>
  step({
    says: 'Idle until the thermostat opens: the lower side of the radiator turns warm.',
    waits: 'opening',
    engine: 'idle',
    cap,
  });
const fanOnce = step({ says: 'Idle until the fan has cut in and out again.', engine: 'idle', most_s: 1200 });
const coldLevel = (backTo: number) =>
  step({
    says: 'Read the cold level, top up to the mark at the same strength.',
    waits: 'level',
    backTo,
    until: 'the cold level stays from one cycle to the next',
    mostTimes: 3,
  });
const coolDown = step({
  says: 'Engine off. Let it cool until hose and housing are cold to the touch.',
  waits: 'cold',
  least_s: 1800,
});

/** Generic ways to get the air out. Times and engine speeds are ordinary workshop figures, to be overwritten. */
export const BLEED_PROCEDURES: readonly Procedure[] = [
  {
    ...{
      id: 'bleed-screw',
      name: 'Bleed screw',
      use: 'bleed',
      variant: 'Layouts with a screw or valve at the high point',
    },
    ...GENERIC,
    conditions: [HEATER_HOT, LEVEL_GROUND],
    steps: [
      step({ says: 'Cap off. Open the bleed screw two turns, engine cold.', cap: 'off' }),
      step({ says: 'Fill slowly until the stream at the screw has no bubbles, then close it by hand.' }),
      squeeze,
      step({ says: 'Fill to the cold mark. Cap on.', cap: 'on' }),
      idleToOpening(null),
      fanOnce,
      coolDown,
      step({ says: 'Cap off, open the screw once more: air first, then coolant. Close it.', cap: 'off' }),
      coldLevel(3),
      step({ says: 'Cap on.', cap: 'on' }),
    ],
  },
  {
    ...{
      id: 'high-funnel',
      name: 'High funnel',
      use: 'bleed',
      variant: 'Radiator necks and tanks that take a sealed funnel',
    },
    ...GENERIC,
    conditions: [HEATER_HOT, NO_AIR_CON, LEVEL_GROUND, 'Funnel seals at the neck and is the highest point'],
    steps: [
      step({ says: 'Cap off, funnel on, a third full.', cap: 'off' }),
      squeeze,
      step({ says: 'Let it stand.', waits: 'time', duration_s: 300 }),
      idleToOpening(null),
      step({ says: 'Idle. Keep the funnel a third full until no bubbles come.', engine: 'idle', most_s: 1200 }),
      step({
        says: 'Hold the engine speed.',
        waits: 'time',
        duration_s: 60,
        engine: 'raised',
        rpmLow: 1500,
        rpmHigh: 2000,
      }),
      step({ says: 'Idle and watch the funnel.', waits: 'time', duration_s: 120, engine: 'idle' }),
      step({ says: 'Do bubbles still come?', engine: 'idle', backTo: 5, until: 'no bubbles come', mostTimes: 3 }),
      coolDown,
      step({ says: 'Plug the funnel, take it off, draw off what is above the mark. Cap on.', cap: 'on' }),
      coldLevel(3),
    ],
  },
  {
    ...{ id: 'raised-tank', name: 'Raised tank', use: 'bleed', variant: 'Tanks that lie below the heater or the head' },
    ...GENERIC,
    conditions: [HEATER_HOT, LEVEL_GROUND, 'Tank unscrewed and tied 15 cm (6 in) above its place, hoses not kinked'],
    steps: [
      step({ says: 'Cap off. Fill the raised tank to its highest mark.', cap: 'off' }),
      squeeze,
      step({ says: 'Let it stand; top up as it sinks.', waits: 'time', duration_s: 300 }),
      idleToOpening(null),
      step({
        says: 'Hold the engine speed, top up as it sinks.',
        waits: 'time',
        duration_s: 120,
        engine: 'raised',
        rpmLow: 2000,
        rpmHigh: 2500,
      }),
      step({ says: 'Cap on. Engine off.', cap: 'on' }),
      coolDown,
      step({ says: 'Lower the tank to its place and screw it down.' }),
      coldLevel(3),
    ],
  },
  {
    ...{
      id: 'vacuum-fill',
      name: 'Vacuum fill',
      use: 'bleed',
      variant: 'Sound hoses and cores; a pump and its adaptor at the neck',
    },
    ...GENERIC,
    conditions: [
      'Hoses sound: an old soft one is sucked flat and stays so',
      'Enough mixed coolant ready: a gulp of air spoils it',
    ],
    steps: [
      step({ says: 'Cap off, adaptor on. Pull it empty of air, as far as the maker of the pump says.', cap: 'off' }),
      step({
        says: 'Close the tap and watch the gauge: a leak shows before a drop is in.',
        waits: 'time',
        duration_s: 300,
      }),
      step({ says: 'Did the gauge hold?', backTo: 0, until: 'the gauge holds', mostTimes: 2 }),
      step({
        says: 'Dip the hose to the bottom of the coolant, bleed its own air, open the tap until it draws no more.',
      }),
      step({ says: 'Adaptor off, fill to the cold mark. Cap on.', cap: 'on' }),
      idleToOpening(null),
      fanOnce,
      coolDown,
      coldLevel(5),
    ],
  },
  {
    ...{
      id: 'self-bleeding-tank',
      name: 'Self-bleeding tank',
      use: 'bleed',
      variant: 'A tank above all else with a return line',
    },
    ...GENERIC,
    conditions: [HEATER_HOT, LEVEL_GROUND, 'Return line free: blow through it, cold'],
    steps: [
      step({ says: 'Cap off. Fill slowly to the cold mark, wait, fill again.', cap: 'off' }),
      step({ says: 'Let it stand.', waits: 'time', duration_s: 120 }),
      step({ says: 'Top up. Cap on.', cap: 'on' }),
      idleToOpening(null),
      step({ says: 'A stream must run from the return line into the tank.', engine: 'idle' }),
      fanOnce,
      coolDown,
      coldLevel(3),
    ],
  },
  {
    ...{
      id: 'timed-holds',
      name: 'Timed engine-speed holds',
      use: 'bleed',
      variant: 'Where the maker gives engine speeds and times',
    },
    ...GENERIC,
    conditions: [HEATER_HOT, NO_AIR_CON, LEVEL_GROUND, 'Not on a hot day: put a fan before the radiator, or wait'],
    steps: [
      step({
        says: 'Cap off. Fill to the cold mark; pinch the heater hose where the maker says so.',
        cap: 'off',
        clamp: 'on',
      }),
      step({
        says: 'Hold the engine speed, keep the level up.',
        waits: 'time',
        duration_s: 180,
        engine: 'raised',
        rpmLow: 2000,
        rpmHigh: 2500,
      }),
      step({ says: 'Idle. Take the clamp off the hose.', engine: 'idle', clamp: 'off' }),
      step({ says: 'Idle.', waits: 'time', duration_s: 60, engine: 'idle' }),
      step({ says: 'Top up. Cap on.', cap: 'on', engine: 'idle' }),
      idleToOpening(null),
      step({
        says: 'Hold the engine speed.',
        waits: 'time',
        duration_s: 240,
        engine: 'raised',
        rpmLow: 2000,
        rpmHigh: 2500,
      }),
      step({ says: 'Idle, then engine off.', waits: 'time', duration_s: 60, engine: 'idle' }),
      coolDown,
      coldLevel(5),
    ],
  },
  {
    ...{
      id: 'drive-cycles',
      name: 'Drive cycles',
      use: 'bleed',
      variant: 'Where it is driven warm and left to cool, several times',
    },
    ...GENERIC,
    conditions: [
      HEATER_HOT,
      'Filled to the mark, squeezed, idled once until it opened',
      'Short loop, tools and coolant along',
    ],
    steps: [
      step({
        says: 'Cap on. A short drive until warm; heater must stay hot.',
        engine: 'driven',
        cap: 'on',
        most_s: 1800,
      }),
      coolDown,
      coldLevel(0),
    ],
  },
];

/** Flushing with water by cycles, thermostat out. */
export const GENTLE_FLUSH: Procedure = {
  ...{ id: 'gentle-flush', name: 'Gentle cycles', use: 'flush', variant: 'Old parts, plastic tanks, any engine' },
  ...GENERIC,
  conditions: [
    'Thermostat out, cover on with its seal',
    'Heater at its hottest',
    'A tray that holds it all, water at hand',
  ],
  steps: [
    step({ says: 'Fill with water: tap water will do until the last rinse. Cap on.', cap: 'on' }),
    step({ says: 'Idle, heater hot.', waits: 'time', duration_s: 600, engine: 'idle' }),
    step({ says: 'Engine off. Let it cool until it can be opened.', waits: 'cold', least_s: 1200 }),
    step({ says: 'Cap off, drain, measure what comes.', cap: 'off' }),
    step({ says: 'Is it clear?', backTo: 0, until: 'it runs clear and the share of old is low enough', mostTimes: 8 }),
    step({ says: 'Last rinse with demineralised water, drained as far as it goes: what stays thins the mix.' }),
  ],
};

const timer = (id: string, name: string, says: string, least_s: number | null, most_s: number | null): Procedure => ({
  ...{ id, name, use: 'wait', variant: '' },
  ...GENERIC,
  conditions: [],
  steps: [step({ says, least_s, most_s })],
});

/** Cure of a liquid sealant: what the tube says, s. */
export const cureTimer = (least_s: number): Procedure =>
  timer('cure', 'Sealant cures', 'No coolant before the sealant has cured.', least_s, null);

/** An engine that cools before it is opened, s. */
export const coolTimer = (least_s: number): Procedure =>
  timer('cool', 'Cool down', 'Engine off, cap shut. Read the coolant, feel the hose from outside.', least_s, null);

/** A filled system that stands before the first start, s. */
export const soakTimer = (least_s: number): Procedure =>
  timer('soak', 'Static soak', 'Filled, cap on, engine off. No drop of the level, no drip: then start.', least_s, null);

/** A cleaner's time by its label, s; the most is null where the label gives none. */
export const cleanerTimer = (least_s: number, most_s: number | null): Procedure =>
  timer('cleaner', 'Cleaner at work', 'Engine warm, heater hot. Drain it within its most time.', least_s, most_s);
