/** Jobs of the demo garage that are at their proof or beyond: one to be proved, one proved, one that came back, one whose repairs cannot be told apart, one closed years ago whose vehicle drifted since. */
import type { ChannelName } from '../src/core/base';
import type { Phase, PlantFault } from '../src/core/plant';

/** A drive of such a job. */
export interface DemoDrive {
  readonly file: string;
  /** Hours after the arrival at which it was logged. */
  readonly after_h: number;
  readonly ambient_c: number;
  readonly heater_pct: number;
  readonly phases: readonly Phase[];
  readonly fault?: Partial<PlantFault>;
  readonly channels: readonly ChannelName[];
  readonly seed: number;
}

/** A job with several drives of one car, entries at their hours, and its papers. */
export interface ProofJob {
  readonly id: string;
  readonly vehicle: string;
  readonly complaint: string;
  readonly state: string;
  readonly daysAgo: number;
  readonly bodySeed: number;
  readonly drives: readonly DemoDrive[];
  readonly entries: readonly (Readonly<Record<string, unknown>> & { readonly after_h: number })[];
  readonly repair?: object;
  readonly closing?: object;
}

const FULL: readonly ChannelName[] = [
  'ect_c',
  'iat_c',
  'ambient_c',
  'speed_kmh',
  'rpm',
  'load_pct',
  'maf_gps',
  'fan_pct',
  'heater_pct',
];
const COOLANT_ONLY: readonly ChannelName[] = ['ect_c', 'ambient_c'];
const round: readonly Phase[] = [
  { kind: 'idle', duration_s: 60 },
  { kind: 'town', duration_s: 420 },
  { kind: 'road', duration_s: 660 },
  { kind: 'town', duration_s: 180 },
  { kind: 'idle', duration_s: 480 },
];
const said = (item: string) => ({ after_h: 0, kind: 'statement', item, answer: 'yes' });
const code = (name: string, clearedAfter_h: number | null) => ({
  ...{ after_h: 0.2, kind: 'code', code: name, freezeFrame: '' },
  clearedAfter_h,
});
const work = (after_h: number, kind: string, detail: string) => ({
  after_h,
  kind: 'work',
  work: kind,
  detail,
  benchPassed: false,
});
const shown = (after_h: number, item: string, answer: string, text = '') => ({
  after_h,
  kind: 'proof',
  item,
  answer,
  text,
});
const level = (after_h: number, above_mark_mm: number, at_c: number) => ({
  ...{ after_h, kind: 'measurement', name: 'level', place: 'cold look' },
  values: { above_mark_mm, at_c },
});
const part = (id: string, name: string, more: object) => ({ id, name, work: 'replaced-thermostat', ...more });
const line = (id: string, kind: string, l: number, where: string, pct: number | null = null) => ({
  ...{ id, at: 0, kind, l, measuredBy: 'jug', where, pct },
});
const screw = (id: string, place: string, length_mm: number, torque_nm: number) => ({
  ...{
    id,
    kind: 'bolt',
    name: `Housing screw, ${place}`,
    at: 0,
    place,
    thread: 'M6',
    head_mm: 10,
    length_mm,
    torque_nm,
  },
  ...{ torqueSource: 'maker’s manual 11-2', backAt: 1 },
});

const thermostatRepair = (plan: object, lines: readonly object[]) => ({
  plan: {
    ...{ works: ['replaced-thermostat'], minutesPlanned: 90 },
    coolant: {
      ...{ glycol: 'ethylene', kind: 'concentrate', container_l: 1.5, containerPrice: 11 },
      ...{ approvalInCar: 'KV 17-B', approvalNew: 'KV 17-B', water: 'demineralised' },
    },
    ...plan,
  },
  strip: { items: [screw('s1', 'top', 35, 9), screw('s2', 'bottom', 22, 9)], closedAt: 1 },
  drain: { shortfall_l: 0, start_pct: 50, lines },
  written: { 'replaced-thermostat': 1, 'drained-and-filled': 1 },
  closedAt: 1,
});

/** To be proved: the part is in, the drive is done, the second day is still to come. */
const PARCEL: ProofJob = {
  id: 'demo-parcel',
  vehicle: 'parcel',
  complaint: 'Slow to warm up on the morning round, heater lukewarm on the coast road, engine light twice.',
  state: 'to-prove',
  daysAgo: 2,
  bodySeed: 311,
  drives: [
    {
      ...{
        file: 'parcel-before.csv',
        after_h: 2,
        ambient_c: -2,
        heater_pct: 60,
        phases: round,
        channels: FULL,
        seed: 312,
      },
      fault: { cause: 'thermostat-stuck-open', leakFraction: 0.6 },
    },
    { file: 'parcel-after.csv', after_h: 46, ambient_c: 1, heater_pct: 60, phases: round, channels: FULL, seed: 313 },
  ],
  entries: [
    said('complaint-slow-warm-up'),
    said('complaint-weak-heater'),
    code('P0128', 28),
    { after_h: 24, kind: 'decision', action: 'replace-thermostat', reason: 'opens in cold water on the table' },
    work(28, 'replaced-thermostat', '83 °C, maker’s, with its seal'),
    work(28.5, 'drained-and-filled', ''),
    shown(29, 'washed', 'yes'),
    shown(29.2, 'leaks-cold', 'dry'),
    shown(46.8, 'leaks-hot', 'dry'),
  ],
  repair: thermostatRepair(
    {
      ...{ fault: 'thermostat-stuck-open', faultWords: 'light all round the disc when cold', minutesTaken: 115 },
      parts: [
        part('p1', 'Thermostat', {
          rated_c: 83,
          build: 'insert',
          source: 'maker',
          sealIncluded: true,
          vent: true,
          price: 46,
          deposit: 6,
        }),
      ],
    },
    [
      line('l1', 'drained', 5.2, 'Radiator tap'),
      line('l2', 'spilled', 0.2, 'Housing'),
      line('l3', 'added', 2.7, 'concentrate', 100),
      line('l4', 'added', 2.7, 'water', 0),
    ],
  ),
};

/** Proved, signed, handed over. */
const SCHOOL: ProofJob = {
  id: 'demo-school',
  vehicle: 'school',
  complaint: 'Engine light with the slow warm-up code. Heater is hot, gauge stands low.',
  state: 'finished',
  daysAgo: 26,
  bodySeed: 321,
  drives: [
    {
      ...{
        file: 'school-before.csv',
        after_h: 3,
        ambient_c: 4,
        heater_pct: 40,
        phases: round,
        channels: FULL,
        seed: 322,
      },
      fault: { cause: 'sender-reads-low', senderOffset_k: -17 },
    },
    { file: 'school-after.csv', after_h: 50, ambient_c: 6, heater_pct: 40, phases: round, channels: FULL, seed: 323 },
  ],
  entries: [
    said('complaint-slow-warm-up'),
    code('P0128', 30),
    { after_h: 27, kind: 'decision', action: 'replace-sender', reason: 'off against a probe at three temperatures' },
    work(29, 'replaced-sender', 'new one agrees with the probe'),
    shown(30, 'washed', 'yes'),
    shown(30.1, 'leaks-cold', 'dry'),
    shown(50.8, 'leaks-hot', 'dry'),
    shown(51, 'cabin-heat', 'hot'),
    shown(51, 'pressure', 'yes', '15 min at 100 kPa'),
    shown(51, 'monitor', 'clean'),
    level(30.2, 4, 6),
    level(72, 4, 5),
    shown(100, 'leaks-later', 'dry'),
    {
      ...{ after_h: 101, kind: 'proof', item: 'verdict', answer: 'proven', by: 'R. Halden' },
      text: 'Holds the level of its kind, as sender and probe agree',
      ...{ traceFile: 'school-after.csv', beforeFile: 'school-before.csv' },
    },
  ],
  repair: {
    plan: {
      ...{ works: ['replaced-sender'], fault: 'sender-reads-low', faultWords: 'reads 17 K low at 20, 60 and 90 °C' },
      parts: [{ id: 'p1', name: 'Coolant temperature sender', work: 'replaced-sender', source: 'maker', price: 24 }],
      ...{ minutesPlanned: 30, minutesTaken: 40 },
    },
    written: { 'replaced-sender': 1 },
    closedAt: 1,
  },
  closing: {
    ...{
      odometer_km: 84_150,
      by: 'R. Halden',
      handedOverAt: 1,
      notesNext: 'Plug of the sender sits behind the intake: 13 mm deep socket, mirror.',
    },
    nextDue: { what: 'Coolant', on: '2029-05-01', at_km: 140_000, source: 'handbook, page 188' },
    extraCosts: [{ id: 'x1', what: 'Fuel of the drives', amount: 9 }],
  },
};

/** Came back: the thermostat of last summer did not cure it. */
const QUAY: ProofJob = {
  id: 'demo-quay',
  vehicle: 'quay',
  complaint: 'Back again: gauge low on the road as before the new thermostat. Heater is hot.',
  state: 'to-look-at',
  daysAgo: 12,
  bodySeed: 331,
  drives: [
    {
      ...{
        file: 'quay-before.csv',
        after_h: 2,
        ambient_c: 5,
        heater_pct: 40,
        phases: round,
        channels: FULL,
        seed: 332,
      },
      fault: { cause: 'sender-reads-low', senderOffset_k: -19 },
    },
    {
      ...{
        file: 'quay-after.csv',
        after_h: 75,
        ambient_c: 7,
        heater_pct: 40,
        phases: round,
        channels: FULL,
        seed: 333,
      },
      fault: { cause: 'sender-reads-low', senderOffset_k: -19 },
    },
  ],
  entries: [
    said('complaint-gauge-low-on-road'),
    { after_h: 20, kind: 'decision', action: 'replace-thermostat', reason: 'customer wants another one' },
    work(48, 'replaced-thermostat', '85 °C, pattern part'),
    work(48.5, 'drained-and-filled', ''),
    {
      ...{ after_h: 80, kind: 'proof', item: 'verdict', answer: 'not-cured', by: 'J. Sund' },
      text: 'reads as low as before on a like drive',
      ...{ traceFile: 'quay-after.csv', beforeFile: 'quay-before.csv' },
    },
  ],
  repair: thermostatRepair(
    {
      ...{ fault: 'not-known', minutesPlanned: 110, minutesTaken: 150 },
      parts: [
        part('p1', 'Thermostat', {
          rated_c: 85,
          build: 'insert',
          source: 'other',
          sealIncluded: false,
          vent: false,
          price: 21,
        }),
      ],
    },
    [
      line('l1', 'drained', 6, 'Lower hose'),
      line('l2', 'added', 3, 'concentrate', 100),
      line('l3', 'added', 3, 'water', 0),
    ],
  ),
};

/** Well, and nobody can say by what: two parts at once, and of the drive before only the coolant was logged. */
const CLINIC: ProofJob = {
  id: 'demo-clinic',
  vehicle: 'clinic',
  complaint: 'Gauge settles low, on some days a little, on some a lot. Must be back on the road today.',
  state: 'look-again',
  daysAgo: 6,
  bodySeed: 341,
  drives: [
    {
      ...{
        file: 'clinic-before.csv',
        after_h: 1,
        ambient_c: 8,
        heater_pct: 20,
        phases: round,
        channels: COOLANT_ONLY,
        seed: 342,
      },
      fault: { cause: 'thermostat-opens-early', openingShift_k: -7 },
    },
    {
      file: 'clinic-after.csv',
      after_h: 26,
      ambient_c: 9,
      heater_pct: 20,
      phases: round,
      channels: COOLANT_ONLY,
      seed: 343,
    },
  ],
  entries: [
    { after_h: 2, kind: 'decision', action: 'replace-both', reason: 'car needed at noon' },
    work(4, 'replaced-thermostat', '87 °C, other source'),
    work(4.2, 'replaced-sender', ''),
    work(4.5, 'drained-and-filled', ''),
    shown(5, 'leaks-cold', 'dry'),
    {
      ...{ after_h: 27, kind: 'proof', item: 'verdict', answer: 'not-proven', by: 'R. Halden' },
      text: 'well on this drive; cold level and leak look are still to come',
      ...{ traceFile: 'clinic-after.csv', beforeFile: 'clinic-before.csv' },
    },
  ],
};

const yearly = (id: string, daysAgo: number, opening_k: number, seed: number, more: Partial<ProofJob>): ProofJob => ({
  ...{ id, vehicle: 'survey', daysAgo, bodySeed: 351, state: 'finished', complaint: 'Yearly check with a log.' },
  drives: [
    {
      ...{
        file: `${id.replace('demo-', '')}.csv`,
        after_h: 70,
        ambient_c: 6,
        heater_pct: 30,
        phases: round,
        channels: FULL,
        seed,
      },
      ...(opening_k === 0 ? {} : { fault: { cause: 'thermostat-opens-early', openingShift_k: opening_k } as const }),
    },
  ],
  entries: [],
  ...more,
});

/** Closed years ago; the logs of the years since show the opening coming down. */
const SURVEY: readonly ProofJob[] = [
  yearly('demo-survey-closed', 1475, 0, 352, {
    complaint: 'Hose at the thermostat housing wet. Renewed, logged as a reference.',
    entries: [
      work(3, 'replaced-seal', 'housing was dripping'),
      {
        after_h: 74,
        kind: 'proof',
        item: 'verdict',
        answer: 'proven',
        by: 'J. Sund',
        text: 'dry after three days',
        traceFile: 'survey-closed.csv',
      },
    ],
    closing: {
      ...{
        odometer_km: 31_200,
        by: 'J. Sund',
        handedOverAt: 1,
        notesNext: 'Lower housing screw is 22 mm, the upper 35: do not swap. Tap of the radiator turns left.',
      },
      nextDue: { what: 'Coolant', on: '2026-10-15', at_km: 90_000, source: 'handbook' },
    },
  }),
  yearly('demo-survey-2', 740, -5, 353, {}),
  yearly('demo-survey-3', 30, -10, 354, {
    complaint: 'Yearly check with a log. Driver says it takes a little longer.',
    state: 'to-look-at',
  }),
];

/** All of them. */
export const PROOF_JOBS: readonly ProofJob[] = [PARCEL, SCHOOL, QUAY, CLINIC, ...SURVEY];
