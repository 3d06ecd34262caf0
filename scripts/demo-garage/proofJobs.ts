/** Jobs of the demo garage that are at their proof or beyond: one to be proved, one proved, one that came back, one whose repairs cannot be told apart, one closed years ago whose vehicle drifted since. */
import {
  FULL,
  COOLANT_ONLY,
  round,
  said,
  code,
  work,
  shown,
  level,
  part,
  line,
  thermostatRepair,
  type ProofJob,
} from './proofKit';
import { SURVEY } from './yearlyJobs';

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
      fault: { cause: 'thermostat-opens-early', openingShift_k: -10 },
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

/** All of them. */
export const PROOF_JOBS: readonly ProofJob[] = [PARCEL, SCHOOL, QUAY, CLINIC, ...SURVEY];
