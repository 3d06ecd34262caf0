import { temperatureText } from '../base';
import type { ItemId } from '../evidence';
import { roadSpeed_kmh, type Phase, type PhaseKind } from '../plant';

/** A planned drive: what is driven, in which weather, from which soak. */
export interface DrivePlan {
  readonly phases: readonly Phase[];
  readonly ambient_c: number;
  readonly heater_pct: number;
  /** Engine above outside air at the start, K; 0 after a night. */
  readonly startExcess_k: number;
}

/** Names of the phases in a driver's words. */
export const PHASE_NAME: Readonly<Record<PhaseKind, string>> = {
  idle: 'Stand and idle',
  hold: 'Hold 2500 rpm',
  town: 'Town',
  road: 'Open road',
  motorway: 'Motorway',
  hill: 'Climb',
  towing: 'Tow on the flat',
  coast: 'Long descent',
};

/** Speeds of a phase, km/h; null for those that stand. */
export function phaseSpeed_kmh(kind: PhaseKind): { readonly low: number; readonly high: number } | null {
  const speed = roadSpeed_kmh(kind);
  return speed.high > 0 ? speed : null;
}

/** Phases that a driver can choose, in the order of a usual drive. */
export const PHASE_KINDS = Object.keys(PHASE_NAME) as PhaseKind[];

/** Whole length, s. */
export const planLength_s = (plan: Pick<DrivePlan, 'phases'>): number =>
  plan.phases.reduce((sum, p) => sum + p.duration_s, 0);

const minutes = (kind: PhaseKind, n: number): Phase => ({ kind, duration_s: 60 * n });

/** Drives to start from; each stands for a way of asking the car. */
export const PLAN_TEMPLATES: readonly { readonly name: string; readonly phases: readonly Phase[] }[] = [
  {
    name: 'Town, road, stand',
    phases: [minutes('idle', 1), minutes('town', 8), minutes('road', 10), minutes('idle', 5)],
  },
  { name: 'Straight to the road', phases: [minutes('idle', 1), minutes('road', 14), minutes('town', 4)] },
  { name: 'Stand only', phases: [minutes('idle', 25)] },
  { name: 'Warm up, then stand', phases: [minutes('town', 10), minutes('idle', 12)] },
  { name: 'Stand, then fast road', phases: [minutes('idle', 8), minutes('motorway', 12)] },
];

/** Outside air up to which a morning counts as cold, °C. */
const COLD_MORNING_C = 10;

/** What a complaint needs of a drive to show itself. */
export const COMPLAINT_NEEDS: readonly {
  readonly itemId: ItemId;
  readonly says: string;
  readonly met: (plan: DrivePlan) => boolean;
}[] = [
  {
    itemId: 'complaint-slow-warm-up',
    says: `a cold start after a night, at ${temperatureText(COLD_MORNING_C)} or colder`,
    met: (plan) => plan.startExcess_k <= 5 && plan.ambient_c <= COLD_MORNING_C,
  },
  {
    itemId: 'complaint-gauge-low-on-road',
    says: 'ten minutes of open road',
    met: (plan) => driven_s(plan, ['road', 'motorway']) >= 600,
  },
  {
    itemId: 'complaint-climbs-at-standstill',
    says: 'five minutes at standstill once warm',
    met: (plan) => plan.phases.slice(1).some((p) => p.kind === 'idle' && p.duration_s >= 300),
  },
  {
    itemId: 'complaint-recovers-with-revs',
    says: 'engine speed held at standstill',
    met: (plan) => driven_s(plan, ['hold']) >= 60,
  },
  {
    itemId: 'complaint-overheats',
    says: 'load: a climb, the motorway or a tow',
    met: (plan) => driven_s(plan, ['hill', 'motorway', 'towing']) >= 300,
  },
  {
    itemId: 'complaint-cool-mild-hot-towing',
    says: 'a tow or a climb',
    met: (plan) => driven_s(plan, ['towing', 'hill']) >= 300,
  },
  {
    itemId: 'complaint-weak-heater',
    says: 'the heater on',
    met: (plan) => plan.heater_pct > 0 || plan.phases.some((p) => (p.heater_pct ?? 0) > 0),
  },
];

function driven_s(plan: DrivePlan, kinds: readonly PhaseKind[]): number {
  return plan.phases.filter((p) => kinds.includes(p.kind)).reduce((sum, p) => sum + p.duration_s, 0);
}

/** Whether a plan repeats what was complained about: `nothing` where no complaint names a condition. */
export type Repeats =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'all' }
  | { readonly kind: 'missing'; readonly says: readonly string[] };

/** What of the complaint's conditions a plan repeats. @param itemIds statements given */
export function repeatsComplaint(plan: DrivePlan, itemIds: readonly string[]): Repeats {
  const needs = COMPLAINT_NEEDS.filter((n) => itemIds.includes(n.itemId));
  if (needs.length === 0) return { kind: 'nothing' };
  const missing = needs.filter((n) => !n.met(plan));
  return missing.length === 0 ? { kind: 'all' } : { kind: 'missing', says: missing.map((n) => n.says) };
}

/** Something to feel or read by hand at a time of the drive. */
export interface HandCheck {
  readonly itemId: ItemId;
  readonly at_s: number;
  readonly what: string;
}

/**
 * Observations by hand that answer the evidence catalogue, with their times.
 *
 * @param opening_s when a sound thermostat is expected to have opened; null while that is not known, or not on this drive:
 *   then nothing is asked that needs it
 */
export function handChecks(plan: DrivePlan, opening_s: number | null): HandCheck[] {
  const end_s = planLength_s(plan);
  const cold = plan.startExcess_k <= 10;
  const standing = plan.phases.at(-1)?.kind === 'idle';
  const checks: (HandCheck | null)[] = [
    { itemId: 'fan-from-cold', at_s: 15, what: 'Fan: runs or stands still?' },
    cold ? { itemId: 'hose-top-2min', at_s: 120, what: 'Top hose by probe: warm or cold?' } : null,
    cold ? { itemId: 'hose-bottom-2min', at_s: 240, what: 'Bottom hose by probe: warm or cold?' } : null,
    opening_s === null
      ? null
      : {
          itemId: 'hose-hot-both',
          at_s: opening_s + 180,
          what: 'Above the rating: radiator side still cold, or both hoses hot?',
        },
    { itemId: 'heater-at-plateau', at_s: end_s - 120, what: 'If it settled low: heater air hot or lukewarm?' },
    { itemId: 'gauge-against-scan', at_s: end_s - 90, what: 'Needle against scan reading: agree?' },
    standing ? { itemId: 'fan-cuts-in', at_s: end_s - 20, what: 'At standstill: did the fan cut in and out?' } : null,
  ];
  return checks
    .filter((c): c is HandCheck => c !== null && c.at_s > 0 && c.at_s <= end_s)
    .sort((a, b) => a.at_s - b.at_s);
}
