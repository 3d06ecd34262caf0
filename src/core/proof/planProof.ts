import type { DriveLook } from '../desk';
import { GRID_S, type DrivingPhase, type Span } from '../drive';
import { repeatsComplaint, type DrivePlan } from '../planning';

type Phase = DrivePlan['phases'][number];
type PhaseKind = Phase['kind'];

/** Driving phases shorter than this are not driven on purpose, s. */
const KEPT_FROM_S = 45;
/** Longest drive that anyone is sent on, s. */
const LONGEST_S = 3600;
/** Mean speed from which an open road is the motorway, km/h. */
const MOTORWAY_KMH = 95;
const minutes = (kind: PhaseKind, n: number): Phase => ({ kind, duration_s: 60 * n });

/** What a driver does for each driving phase. */
function kindOf({ kind, from_s, to_s }: Span<DrivingPhase>, speed_kmh: Float64Array | null): PhaseKind {
  switch (kind) {
    case 'standstill':
      return 'idle';
    case 'slow':
      return 'town';
    case 'climb':
      return 'hill';
    case 'coast':
      return 'coast';
    case 'cruise': {
      const part = speed_kmh?.slice(Math.floor(from_s / GRID_S), Math.ceil(to_s / GRID_S)) ?? new Float64Array();
      const known = part.filter(Number.isFinite);
      const mean = known.reduce((a, b) => a + b, 0) / Math.max(1, known.length);
      return mean >= MOTORWAY_KMH ? 'motorway' : 'road';
    }
  }
}

/** The course of a drive as phases that can be driven again: short ones join what is around them, like ones each other. */
export function courseOf({ phases, series }: Pick<DriveLook, 'phases' | 'series'>): Phase[] {
  const out: { kind: PhaseKind; duration_s: number }[] = [];
  for (const span of phases.driving) {
    const duration_s = span.to_s - span.from_s;
    const kind = kindOf(span, series.speed_kmh);
    const last = out.at(-1);
    if (last && (last.kind === kind || duration_s < KEPT_FROM_S)) last.duration_s += duration_s;
    else out.push({ kind, duration_s });
  }
  const rounded = out.map(({ kind, duration_s }) => minutes(kind, Math.max(1, Math.round(duration_s / 60))));
  let left = LONGEST_S;
  return rounded.flatMap((p) => {
    const duration_s = Math.min(p.duration_s, left);
    left -= duration_s;
    return duration_s > 0 ? [{ ...p, duration_s }] : [];
  });
}

/** What each complaint adds where the course does not have it yet. */
const ADDS: readonly (readonly [itemId: string, phases: readonly Phase[]])[] = [
  ['complaint-gauge-low-on-road', [minutes('road', 12)]],
  ['complaint-overheats', [minutes('hill', 6)]],
  ['complaint-cool-mild-hot-towing', [minutes('towing', 6)]],
  ['complaint-climbs-at-standstill', [minutes('idle', 8)]],
  ['complaint-recovers-with-revs', [minutes('idle', 3), minutes('hold', 2), minutes('idle', 2)]],
];

/** Where no drive of before is there to be repeated. */
const USUAL: readonly Phase[] = [minutes('idle', 1), minutes('town', 6), minutes('road', 10), minutes('town', 4)];
/** Stands at the end until a fan can have cut in and out. */
const END_IDLE = minutes('idle', 8);
const USUAL_OUTSIDE_C = 5;

/** A proof drive with what it repeats. */
export interface ProofPlan {
  readonly plan: DrivePlan;
  /** Whether its course and weather are those of the drive before the repair. */
  readonly like: 'before' | 'complaint' | 'usual';
  /** Conditions of the complaint that even this drive does not have, in words; empty: all. */
  readonly lacks: readonly string[];
}

/**
 * The drive that can prove a repair: the one of before once more, in like weather, from as cold a start, with what the
 * complaint names added where that drive did not have it, and a stand at the end for the fan.
 *
 * @param itemIds statements that were said
 * @param before the drive that showed the fault; null without one
 */
export function planProofDrive(itemIds: readonly string[], before: DriveLook | null): ProofPlan {
  const like = before && before.phases.driving.length > 0 ? courseOf(before) : null;
  const phases = [...(like && like.length > 0 ? like : USUAL)];
  const heaterOn = itemIds.includes('complaint-weak-heater');
  const heater = before?.series.heater_pct?.filter(Number.isFinite) ?? new Float64Array();
  const heater_pct = heater.length > 0 ? heater.reduce((a, b) => a + b, 0) / heater.length : heaterOn ? 60 : 30;
  const start_c = before?.smooth.level_c.find(Number.isFinite) ?? null;
  const outside_c = before?.outside_c ?? USUAL_OUTSIDE_C;
  const cold = itemIds.includes('complaint-slow-warm-up') || start_c === null || start_c <= outside_c + 15;
  const base = (course: readonly Phase[]): DrivePlan => ({
    phases: course,
    ambient_c: Math.round(outside_c),
    heater_pct: Math.round(heaterOn ? Math.max(30, heater_pct) : heater_pct),
    startExcess_k: cold ? 0 : Math.round(start_c - outside_c),
  });
  for (const [itemId, adds] of ADDS) {
    if (!itemIds.includes(itemId)) continue;
    if (repeatsComplaint(base(phases), [itemId]).kind === 'missing') phases.push(...adds);
  }
  if (phases.at(-1)?.kind !== 'idle') phases.push(END_IDLE);
  const plan = base(phases);
  const repeats = repeatsComplaint(plan, itemIds);
  return {
    plan,
    like: like ? 'before' : repeats.kind === 'nothing' ? 'usual' : 'complaint',
    lacks: repeats.kind === 'missing' ? repeats.says : [],
  };
}
