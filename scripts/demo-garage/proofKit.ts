/** Words of which demo jobs at their proof are made: drives, entries, papers. */
import type { ChannelName } from '../../src/core/base';
import type { Phase, PlantFault } from '../../src/core/plant';

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

export const FULL: readonly ChannelName[] = [
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
export const COOLANT_ONLY: readonly ChannelName[] = ['ect_c', 'ambient_c'];
export const round: readonly Phase[] = [
  { kind: 'idle', duration_s: 60 },
  { kind: 'town', duration_s: 420 },
  { kind: 'road', duration_s: 660 },
  { kind: 'town', duration_s: 180 },
  { kind: 'idle', duration_s: 480 },
];
export const said = (item: string) => ({ after_h: 0, kind: 'statement', item, answer: 'yes' });
export const code = (name: string, clearedAfter_h: number | null) => ({
  ...{ after_h: 0.2, kind: 'code', code: name, freezeFrame: '' },
  clearedAfter_h,
});
export const work = (after_h: number, kind: string, detail: string) => ({
  after_h,
  kind: 'work',
  work: kind,
  detail,
  benchPassed: false,
});
export const shown = (after_h: number, item: string, answer: string, text = '') => ({
  after_h,
  kind: 'proof',
  item,
  answer,
  text,
});
export const level = (after_h: number, above_mark_mm: number, at_c: number) => ({
  ...{ after_h, kind: 'measurement', name: 'level', place: 'cold look' },
  values: { above_mark_mm, at_c },
});
export const part = (id: string, name: string, more: object) => ({ id, name, work: 'replaced-thermostat', ...more });
export const line = (id: string, kind: string, l: number, where: string, pct: number | null = null) => ({
  ...{ id, at: 0, kind, l, measuredBy: 'jug', where, pct },
});
export const screw = (id: string, place: string, length_mm: number, torque_nm: number) => ({
  ...{
    id,
    kind: 'bolt',
    name: 'Housing screw',
    at: 0,
    place,
    thread: 'M6',
    head_mm: 10,
    length_mm,
    torque_nm,
  },
  ...{ torqueSource: 'maker’s manual 11-2', backAt: 1 },
});

export const thermostatRepair = (plan: object, lines: readonly object[]) => ({
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
