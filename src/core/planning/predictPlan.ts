import { quantileSorted } from 'd3-array';
import { type Cause, type Vehicle } from '../base';
import { MONITOR_DEFAULTS, NOTHING_ELSE_LOGGED, runMonitors, type MonitorSettings } from '../monitor';
import { drawBody, drawFault, drivePhases, NO_FAULT, seededRandom, simulateDrive, type PlantRun } from '../plant';
import { PLAN_TEMPLATES, planLength_s, type DrivePlan } from './drivePlan';

/** Reading of one cause over a planned drive: middle and 10th to 90th percentile of drawn vehicles, °C. */
export interface PredictedBand {
  readonly cause: Cause;
  readonly low_c: Float64Array;
  readonly mid_c: Float64Array;
  readonly high_c: Float64Array;
  /** When a slow warm-up code would have set, s; null when not on this drive. */
  readonly code_s: number | null;
}

/** What a planned drive is expected to show. */
export interface PlanPrediction {
  readonly time_s: Float64Array;
  /** Sound vehicle first, then the causes in play. */
  readonly bands: readonly PredictedBand[];
  /** Earliest and latest opening of a sound thermostat, s; null when it is not due on this drive. */
  readonly opening_s: { readonly early: number; readonly late: number } | null;
  /** Share of drawn drives whose reading points to their own cause, weighted by the present odds. */
  readonly tellsApart: number;
  /** The two causes that are taken for each other most often; null when none are. */
  readonly hardest: { readonly truth: Cause; readonly taken: Cause; readonly share: number } | null;
}

/** How many vehicles are drawn per cause, and how far they differ (1: full scatter between vehicles of a kind). */
const DRAWS = 10;
const SPREAD = 0.8;
/** Spacing of the predicted curves, s. */
const EVERY_S = 15;
/** Causes below this probability are not worth planning for; at most so many are. */
const IN_PLAY_FROM = 0.04;
const MOST_CAUSES = 5;
/** Difference that no logger resolves, K: rounding, and the car against its model. */
const RESOLVED_K = 1.5;

/** Causes worth telling apart, most probable first, the sound vehicle before all. A cold day is a sound vehicle. */
export function causesInPlay(causes: readonly { readonly cause: Cause; readonly probability: number }[]): Cause[] {
  const others = causes
    .filter((c) => c.cause !== 'healthy' && c.cause !== 'insufficient-heat' && c.probability >= IN_PLAY_FROM)
    .slice(0, MOST_CAUSES)
    .map((c) => c.cause);
  return ['healthy', ...others];
}

function simulate(vehicle: Vehicle, plan: DrivePlan, cause: Cause, draw: number): PlantRun {
  const random = seededRandom(1000 + draw);
  const body = drawBody(vehicle, random, SPREAD);
  const fault = cause === 'healthy' ? NO_FAULT : drawFault(cause, seededRandom(77 + 13 * draw), vehicle);
  const conditions = {
    ambient_c: plan.ambient_c,
    engineStart_c: plan.ambient_c + plan.startExcess_k,
    coverFraction: 0,
  };
  // The same traffic for every cause: only the car differs.
  return simulateDrive(body, fault, drivePhases(plan.phases, plan.heater_pct, seededRandom(5)), conditions, random);
}

const thin = (values: Float64Array, n: number): Float64Array =>
  Float64Array.from({ length: n }, (_, i) => values[Math.min(values.length - 1, i * EVERY_S)]!);

/** Figures of one curve that tell causes apart: its height at four times, its top, and how level it ends. */
function figures(curve: Float64Array): number[] {
  const n = curve.length;
  const at = (share: number) => curve[Math.min(n - 1, Math.floor(share * n))]!;
  const late = curve.slice(Math.floor((2 * n) / 3));
  const mean = late.reduce((a, b) => a + b, 0) / late.length;
  const spread = Math.sqrt(late.reduce((s, v) => s + (v - mean) ** 2, 0) / late.length);
  return [at(0.02), at(0.15), at(0.35), at(0.6), at(0.99), Math.max(...curve), 2 * spread];
}

/** Nearest mean over standardised figures, each drive judged by the means of the others. */
function confusion(curves: readonly (readonly Float64Array[])[]): number[][] {
  const all = curves.map((list) => list.map(figures));
  const width = all[0]![0]!.length;
  const mean = (list: readonly (readonly number[])[], k: number) => list.reduce((s, f) => s + f[k]!, 0) / list.length;
  const sd = Array.from({ length: width }, (_, k) => {
    let sum = 0;
    let n = 0;
    for (const list of all) {
      const m = mean(list, k);
      for (const f of list) {
        sum += (f[k]! - m) ** 2;
        n++;
      }
    }
    return Math.sqrt(sum / n + RESOLVED_K ** 2);
  });
  return all.map((list, truth) => {
    const row = all.map(() => 0);
    list.forEach((f, i) => {
      const distance = all.map((other, c) => {
        const rest = c === truth ? other.filter((_, j) => j !== i) : other;
        return sd.reduce((sum, s, k) => sum + ((f[k]! - mean(rest, k)) / s) ** 2, 0);
      });
      row[distance.indexOf(Math.min(...distance))]! += 1 / list.length;
    });
    return row;
  });
}

function band(cause: Cause, curves: readonly Float64Array[], code_s: number | null): PredictedBand {
  const n = curves[0]!.length;
  const out = { cause, low_c: new Float64Array(n), mid_c: new Float64Array(n), high_c: new Float64Array(n), code_s };
  for (let k = 0; k < n; k++) {
    const sorted = curves.map((c) => c[k]!).sort((a, b) => a - b);
    out.low_c[k] = quantileSorted(sorted, 0.1)!;
    out.mid_c[k] = quantileSorted(sorted, 0.5)!;
    out.high_c[k] = quantileSorted(sorted, 0.9)!;
  }
  return out;
}

/** When drawn sound thermostats open; null when fewer than half do. */
function openingDue(runs: readonly PlantRun[]): PlanPrediction['opening_s'] {
  const times = runs
    .map((r) => r.lift.findIndex((l) => l > 0.03))
    .filter((t) => t >= 0)
    .sort((a, b) => a - b);
  if (times.length < runs.length / 2) return null;
  return { early: quantileSorted(times, 0.1)!, late: quantileSorted(times, 0.9)! };
}

/** How a plan is predicted: vehicles drawn per cause, and the shop's own monitors. */
export interface PredictionOptions {
  readonly draws?: number;
  readonly monitors?: MonitorSettings;
}

/**
 * Predicts a planned drive for one vehicle with the simulator: the band of a sound vehicle and of each cause in play,
 * when opening is due, when a code would set, and how well the plan tells the causes apart. A generator: it yields the
 * share done after each cause.
 *
 * @param causes present odds, most probable first
 */
export function* predictPlan(
  vehicle: Vehicle,
  plan: DrivePlan,
  causes: readonly { readonly cause: Cause; readonly probability: number }[],
  { draws = DRAWS, monitors: settings = MONITOR_DEFAULTS }: PredictionOptions = {},
): Generator<number, PlanPrediction, undefined> {
  const inPlay = causesInPlay(causes);
  const n = Math.floor(planLength_s(plan) / EVERY_S);
  const runs: PlantRun[][] = [];
  for (const cause of inPlay) {
    yield runs.length / inPlay.length;
    runs.push(Array.from({ length: draws }, (_, d) => simulate(vehicle, plan, cause, d)));
  }
  const curves = runs.map((list) => list.map((r) => thin(r.ect_c, n)));
  const time_s = Float64Array.from({ length: n }, (_, i) => i * EVERY_S);
  const sound = band('healthy', curves[0]!, null);
  const codeOf = (mid_c: Float64Array) => {
    const [warmUp] = runMonitors(
      {
        ...NOTHING_ELSE_LOGGED,
        time_s,
        reading_c: mid_c,
        expected_c: sound.low_c,
        rated_c: vehicle.thermostat.heated_rated_c ?? vehicle.thermostat.rated_c,
        start_c: plan.ambient_c + plan.startExcess_k,
        intake_c: plan.ambient_c,
      },
      // The planned reading is all there is: neither idle nor air is known of the curve in the middle.
      { ...settings, warmUp: settings.warmUp === 'time' ? 'time' : 'sound-vehicle' },
    );
    return warmUp!.wouldSet ? warmUp!.at_s : null;
  };
  const bands = inPlay.map((cause, i) => {
    const b = band(cause, curves[i]!, null);
    return { ...b, code_s: codeOf(b.mid_c) };
  });
  const table = confusion(curves);
  const weightOf = (cause: Cause) =>
    causes
      .filter((c) => c.cause === cause || (cause === 'healthy' && c.cause === 'insufficient-heat'))
      .reduce((s, c) => s + c.probability, 0);
  const weights = inPlay.map(weightOf);
  const total = weights.reduce((a, b) => a + b, 0);
  let hardest: PlanPrediction['hardest'] = null;
  table.forEach((row, t) =>
    row.forEach((share, c) => {
      if (c !== t && share > (hardest?.share ?? 0)) hardest = { truth: inPlay[t]!, taken: inPlay[c]!, share };
    }),
  );
  return {
    time_s,
    bands,
    opening_s: openingDue(runs[0]!),
    tellsApart: weights.reduce((sum, w, i) => sum + (w / total) * table[i]![i]!, 0),
    hardest,
  };
}

/** A drive that Varmek proposes instead. */
export interface PlanProposal {
  readonly name: string;
  readonly phases: DrivePlan['phases'];
  readonly tellsApart: number;
}

/** Plans this close in what they tell apart are ranked by their length. */
const AS_GOOD_WITHIN = 0.04;

/** Tries other drives under the same weather and odds, best first: what tells more apart, then what is shorter. */
export function* proposePlans(
  vehicle: Vehicle,
  plan: DrivePlan,
  causes: readonly { readonly cause: Cause; readonly probability: number }[],
  draws = 6,
): Generator<number, PlanProposal[], undefined> {
  const proposals: PlanProposal[] = [];
  for (const [i, { name, phases }] of PLAN_TEMPLATES.entries()) {
    yield i / PLAN_TEMPLATES.length;
    const steps = predictPlan(vehicle, { ...plan, phases }, causes, { draws });
    let step = steps.next();
    while (!step.done) step = steps.next();
    proposals.push({ name, phases, tellsApart: step.value.tellsApart });
  }
  return proposals.sort((a, b) =>
    Math.abs(a.tellsApart - b.tellsApart) > AS_GOOD_WITHIN
      ? b.tellsApart - a.tellsApart
      : planLength_s(a) - planLength_s(b),
  );
}
