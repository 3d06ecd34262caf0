/** The demo garage: a made-up municipal workshop on a made-up cold coast. */
import type { ChannelName } from '../../src/core/base';
import type { BenchTest } from '../../src/core/bench';
import type { Phase, PlantFault } from '../../src/core/plant';
import { FERRY_THERMOSTAT, HARBOUR_SENDER } from './bench';
import { FERRY_REPAIR } from './repair';
import { vehicle, type DemoVehicle } from './vehicle';

/** Vehicles of the demo garage by key. */
export const VEHICLES: Record<string, DemoVehicle> = {
  gritter: {
    plate: 'Gritter 4',
    mileage_km: 148000,
    parts: [{ part: 'Thermostat', when: 'two winters ago', detail: '82 °C' }],
    vehicle: vehicle(
      'Gritter, 2.5 diesel',
      { fuel: 'diesel', hybrid: false, displacement_l: 2.5, idle_rpm: 780, kerb_mass_kg: 2400 },
      { rated_c: 82 },
      9.5,
      { kind: 'viscous', on_c: 95, off_c: 88 },
    ),
  },
  nurse: {
    plate: 'District nurse 7',
    vehicle: vehicle(
      'Small hatchback, 1.2 petrol',
      { fuel: 'petrol', hybrid: false, displacement_l: 1.2, idle_rpm: 760, kerb_mass_kg: 1020 },
      { rated_c: 88 },
      5.2,
      { kind: 'electric', on_c: 97, off_c: 92 },
    ),
  },
  harbour: {
    plate: 'Harbour pick-up',
    mileage_km: 96000,
    vehicle: vehicle(
      'Pick-up, 2.0 petrol',
      { fuel: 'petrol', hybrid: false, displacement_l: 2, idle_rpm: 720, kerb_mass_kg: 1550 },
      { rated_c: 87 },
      7,
      { kind: 'electric', on_c: 98, off_c: 93 },
    ),
  },
  library: {
    plate: 'Library bus',
    mileage_km: 210000,
    variant: 'long body, second heater',
    vehicle: vehicle(
      'Mobile library, 3.0 diesel',
      { fuel: 'diesel', hybrid: false, displacement_l: 3, idle_rpm: 700, kerb_mass_kg: 3400 },
      { rated_c: 85, location: 'inlet' },
      12,
      { kind: 'viscous', on_c: 96, off_c: 89 },
    ),
  },
  ferry: {
    plate: 'Ferry office 2',
    mileage_km: 61000,
    parts: [
      { part: 'Thermostat', when: '2026-09', detail: 'pattern part, no stamp' },
      { part: 'Thermostat', when: '2025-12', detail: '89 °C' },
    ],
    vehicle: vehicle(
      'Estate, 1.6 petrol',
      { fuel: 'petrol', hybrid: false, displacement_l: 1.6, idle_rpm: 740, kerb_mass_kg: 1350 },
      { rated_c: 89 },
      6.2,
      { kind: 'electric', on_c: 98, off_c: 93 },
    ),
  },
};

VEHICLES.island = {
  plate: 'Island taxi',
  mileage_km: 183000,
  vehicle: vehicle(
    'Seven-seater, 1.9 diesel',
    { fuel: 'diesel', hybrid: false, displacement_l: 1.9, idle_rpm: 820, kerb_mass_kg: 1680 },
    { rated_c: 84 },
    8,
    { kind: 'electric', on_c: 96, off_c: 91 },
  ),
};

/** A job with the drive that its vehicle logged. */
export interface DemoJob {
  readonly id: string;
  /** Items of the evidence catalogue that the customer or the shop already said yes to. */
  readonly answers?: readonly string[];
  readonly vehicle: keyof typeof VEHICLES & string;
  readonly complaint: string;
  readonly state: string;
  readonly daysAgo: number;
  readonly ambient_c: number;
  readonly start_c?: number;
  readonly heater_pct: number;
  readonly phases: readonly Phase[];
  readonly fault?: Partial<PlantFault>;
  readonly channels: readonly ChannelName[];
  readonly period_s: number;
  readonly style?: 'imperial' | 'semicolons';
  /** Parts that were tested on the bench since. */
  readonly bench?: readonly BenchTest[];
  /** A repair that was begun. */
  readonly repair?: object;
  readonly seed: number;
}

const mixedDrive: readonly Phase[] = [
  { kind: 'idle', duration_s: 60 },
  { kind: 'town', duration_s: 420 },
  { kind: 'road', duration_s: 540 },
  { kind: 'town', duration_s: 240 },
  { kind: 'road', duration_s: 360 },
  { kind: 'idle', duration_s: 180 },
];
const FULL: readonly ChannelName[] = [
  'ect_c',
  'iat_c',
  'ambient_c',
  'speed_kmh',
  'rpm',
  'load_pct',
  'maf_gps',
  'heater_pct',
];
const BASIC: readonly ChannelName[] = ['ect_c', 'iat_c', 'speed_kmh', 'rpm'];

/** Jobs with a logged drive. */
export const JOBS: readonly DemoJob[] = [
  {
    id: 'demo-gritter',
    vehicle: 'gritter',
    complaint: 'Slow to warm up, heater weak, engine light after ten minutes. New thermostat fitted two winters ago.',
    answers: ['complaint-slow-warm-up', 'complaint-weak-heater'],
    state: 'to-look-at',
    daysAgo: 0,
    ambient_c: -3,
    heater_pct: 60,
    phases: mixedDrive,
    fault: { cause: 'thermostat-stuck-open', leakFraction: 0.75 },
    channels: FULL,
    period_s: 1,
    seed: 11,
  },
  {
    id: 'demo-nurse',
    vehicle: 'nurse',
    complaint: 'Never gets warm on the island round in hard frost. Gauge stays low.',
    state: 'look-again',
    daysAgo: 1,
    ambient_c: -19,
    heater_pct: 100,
    phases: [
      { kind: 'idle', duration_s: 300 },
      { kind: 'town', duration_s: 480 },
      { kind: 'idle', duration_s: 900 },
    ],
    channels: FULL,
    period_s: 1,
    seed: 22,
  },
  {
    id: 'demo-harbour',
    vehicle: 'harbour',
    complaint: 'Engine light with a slow warm-up code. Heater is hot, gauge reads low. Wants a thermostat fitted.',
    answers: ['complaint-slow-warm-up'],
    state: 'to-look-at',
    daysAgo: 1,
    ambient_c: 6,
    heater_pct: 30,
    phases: mixedDrive,
    fault: { cause: 'sender-reads-low', senderOffset_k: -15 },
    bench: [HARBOUR_SENDER],
    channels: FULL,
    period_s: 1,
    style: 'imperial',
    seed: 33,
  },
  {
    id: 'demo-library',
    vehicle: 'library',
    complaint: 'Warm only in the villages with long stops; cools down on the coast road.',
    answers: ['complaint-gauge-low-on-road'],
    state: 'waiting-for-part',
    daysAgo: 3,
    ambient_c: 2,
    heater_pct: 50,
    phases: [
      { kind: 'idle', duration_s: 60 },
      { kind: 'road', duration_s: 900 },
      { kind: 'idle', duration_s: 240 },
      { kind: 'road', duration_s: 600 },
      { kind: 'town', duration_s: 240 },
    ],
    fault: { cause: 'thermostat-leaking', leakFraction: 0.1 },
    channels: FULL,
    period_s: 1,
    seed: 44,
  },
  {
    id: 'demo-ferry-early',
    vehicle: 'ferry',
    complaint: 'Gauge settles below the middle since the last service. Heater lukewarm.',
    state: 'waiting-for-part',
    daysAgo: 4,
    ambient_c: 9,
    heater_pct: 20,
    phases: mixedDrive,
    fault: { cause: 'thermostat-opens-early', openingShift_k: -24 },
    bench: [FERRY_THERMOSTAT],
    repair: FERRY_REPAIR,
    channels: BASIC,
    period_s: 1,
    style: 'semicolons',
    seed: 55,
  },
  {
    id: 'demo-ferry-short',
    vehicle: 'ferry',
    complaint: 'Second log by the driver: started straight after the crossing.',
    state: 'to-look-at',
    daysAgo: 5,
    ambient_c: 9,
    start_c: 71,
    heater_pct: 20,
    phases: [
      { kind: 'town', duration_s: 300 },
      { kind: 'idle', duration_s: 150 },
    ],
    channels: ['ect_c'],
    period_s: 2,
    seed: 66,
  },
  {
    id: 'demo-harbour-good',
    vehicle: 'harbour',
    complaint: 'Yearly check, nothing noticed. Logged as a reference.',
    state: 'to-prove',
    daysAgo: 40,
    ambient_c: 11,
    heater_pct: 20,
    phases: mixedDrive,
    channels: FULL,
    period_s: 1,
    seed: 77,
  },
];

/** Came in this morning: nothing is known of it but the customer's words. */
export const ARRIVAL = {
  id: 'demo-arrival',
  vehicle: 'island',
  complaint: 'Needle stays low on the coast road, heater only lukewarm, light came on twice last week.',
  state: 'to-look-at',
  daysAgo: 0,
  answers: [],
  trace: null,
};
