import { max, quantileSorted } from 'd3-array';
import { countPresent } from '../../base';
import type { JudgeContext } from '../judgeContext';

/** Figures of one trace that a person would point at. Temperatures °C, times s. */
export interface TraceFeatures {
  readonly start_c: number;
  /** Climb in the first stretch after the start, measured and expected of a sound vehicle, K/min. */
  readonly climb_kpmin: number;
  /** Where that stretch begins. */
  readonly climbFrom_s: number | null;
  readonly expectedClimb_kpmin: number;
  /** Last third of the drive. */
  readonly level_c: number;
  readonly levelSpread_k: number;
  /** Where the last third begins. */
  readonly levelFrom_s: number;
  readonly expectedLevel_c: number;
  readonly highest_c: number;
  readonly highestAt_s: number | null;
  /** Where the reading leaves the healthy band furthest; null when it stays inside. */
  readonly departure: {
    readonly time_s: number;
    readonly reading_c: number;
    readonly low_c: number;
    readonly high_c: number;
  } | null;
  /** When a sound vehicle would have come within 3 K of its rating; null when not on this drive. */
  readonly expectedWarm_s: number | null;
  /** Change of the level per 10 km/h between town and fast road, second half, K; null without both. */
  readonly sagPer10kmh_k: number | null;
  /** Mean change at standstill in the second half, K/min; null without a minute of standstill. */
  readonly standstill_kpmin: number | null;
  /** Change at standstill with the engine idling and held at speed, once warm, K/min; null without both. */
  readonly revs: { readonly idle_kpmin: number; readonly held_kpmin: number } | null;
}

function finiteMean(values: Float64Array, from: number, to: number): number {
  let sum = 0;
  let n = 0;
  for (let k = Math.max(0, from); k < Math.min(values.length, to); k++) {
    if (!Number.isFinite(values[k]!)) continue;
    sum += values[k]!;
    n++;
  }
  return n > 0 ? sum / n : NaN;
}

/** Mean slope between two levels, K/min, and where it begins, s; NaN and null where the values do not span them. */
function slopeBetween(
  values: Float64Array,
  time_s: Float64Array,
  low: number,
  high: number,
): { readonly kpmin: number; readonly from_s: number | null } {
  let first = -1;
  let last = -1;
  for (let k = 0; k < values.length; k++) {
    const v = values[k]!;
    if (!Number.isFinite(v)) continue;
    if (first < 0 && v >= low) first = k;
    if (v >= high) {
      last = k;
      break;
    }
    last = k;
  }
  if (first < 0 || last <= first) return { kpmin: NaN, from_s: null };
  const kpmin = ((values[last]! - values[first]!) / (time_s[last]! - time_s[first]!)) * 60;
  return { kpmin, from_s: time_s[first]! };
}

function departure(context: JudgeContext): TraceFeatures['departure'] {
  const { time_s, measured_c, healthyLow_c, healthyHigh_c } = context.curves;
  let worst = 2;
  let at = -1;
  for (let k = 0; k < measured_c.length; k++) {
    const out = Math.max(healthyLow_c[k]! - measured_c[k]!, measured_c[k]! - healthyHigh_c[k]!);
    if (out > worst) {
      worst = out;
      at = k;
    }
  }
  return at < 0
    ? null
    : { time_s: time_s[at]!, reading_c: measured_c[at]!, low_c: healthyLow_c[at]!, high_c: healthyHigh_c[at]! };
}

/** Change of the level with road speed and at standstill, over the second half of the drive. */
function speedResponse(context: JudgeContext): Pick<TraceFeatures, 'sagPer10kmh_k' | 'standstill_kpmin'> {
  if (countPresent(context.trace.channels.speed_kmh) < 10) return { sagPer10kmh_k: null, standstill_kpmin: null };
  const { measured_c, time_s } = context.curves;
  const perBin = context.inputs.steps / context.inputs.bins;
  const speedAt = (k: number) =>
    context.inputs.speedRel[Math.min(context.inputs.steps - 1, Math.round((k + 0.5) * perBin))]! * 100;
  const fast: number[] = [];
  const slow: number[] = [];
  const fastSpeed: number[] = [];
  const slowSpeed: number[] = [];
  let rise = 0;
  let stood_s = 0;
  for (let k = Math.floor(measured_c.length / 2); k < measured_c.length; k++) {
    const v = measured_c[k]!;
    if (!Number.isFinite(v)) continue;
    if (speedAt(k) > 65) {
      fast.push(v);
      fastSpeed.push(speedAt(k));
    } else if (speedAt(k) < 35) {
      slow.push(v);
      slowSpeed.push(speedAt(k));
    }
    if (k > 0 && speedAt(k) < 3 && speedAt(k - 1) < 3 && Number.isFinite(measured_c[k - 1]!)) {
      rise += v - measured_c[k - 1]!;
      stood_s += time_s[k]! - time_s[k - 1]!;
    }
  }
  const mean = (xs: readonly number[]) => xs.reduce((a, b) => a + b, 0) / xs.length;
  return {
    sagPer10kmh_k:
      fast.length >= 8 && slow.length >= 8
        ? (10 * (mean(fast) - mean(slow))) / (mean(fastSpeed) - mean(slowSpeed))
        : null,
    standstill_kpmin: stood_s >= 60 ? (rise / stood_s) * 60 : null,
  };
}

/** Engine speed above which an engine at standstill is held at speed, times idle. */
const HELD_FROM = 1.6;
/** Least time of each that says something, s. */
const REVS_S = 40;
/** Reading above which pump and fan decide what happens at standstill, K under the rating. */
const WARM_BELOW_K = 12;

/** What holding the engine at speed did at standstill: a weak pump or air lets the reading fall, a dead fan does not. */
function revsResponse(context: JudgeContext): TraceFeatures['revs'] {
  const { speed_kmh, rpm } = context.trace.channels;
  if (countPresent(speed_kmh) < 10 || countPresent(rpm) < 10) return null;
  const { measured_c, time_s } = context.curves;
  const { inputs, vehicle } = context;
  const perBin = inputs.steps / inputs.bins;
  const at = (values: Float64Array, k: number) => values[Math.min(inputs.steps - 1, Math.round((k + 0.5) * perBin))]!;
  const sums = { idle: { rise: 0, s: 0 }, held: { rise: 0, s: 0 } };
  for (let k = 1; k < measured_c.length; k++) {
    const standing = [k - 1, k].every((b) => at(inputs.speedRel, b) < 0.03);
    const rise = measured_c[k]! - measured_c[k - 1]!;
    if (!standing || !(measured_c[k]! > vehicle.thermostat.rated_c - WARM_BELOW_K) || !Number.isFinite(rise)) continue;
    const turns = (at(inputs.pumpRel, k) * 2500) / vehicle.engine.idle_rpm;
    if (turns < 0.5) continue;
    const sum = turns > HELD_FROM ? sums.held : sums.idle;
    sum.rise += rise;
    sum.s += time_s[k]! - time_s[k - 1]!;
  }
  if (sums.idle.s < REVS_S || sums.held.s < REVS_S) return null;
  return { idle_kpmin: (sums.idle.rise / sums.idle.s) * 60, held_kpmin: (sums.held.rise / sums.held.s) * 60 };
}

/** Takes the figures from a judged trace. */
export function traceFeatures(context: JudgeContext): TraceFeatures {
  const { curves, inputs, vehicle } = context;
  const { measured_c, healthyMid_c, time_s } = curves;
  const n = measured_c.length;
  const from = Math.floor((2 * n) / 3);
  const late = Array.from(measured_c.slice(from))
    .filter(Number.isFinite)
    .sort((a, b) => a - b);
  const top_c = max(measured_c.filter(Number.isFinite)) ?? -Infinity;
  const topAt = measured_c.indexOf(top_c);
  const start = inputs.start_c;
  const top = Math.min(start + 40, start + 0.8 * (top_c - start));
  const climb = slopeBetween(measured_c, time_s, start + 3, top);
  const warmAt = healthyMid_c.findIndex((v) => v >= vehicle.thermostat.rated_c - 3);
  return {
    start_c: start,
    climb_kpmin: climb.kpmin,
    climbFrom_s: climb.from_s,
    expectedClimb_kpmin: slopeBetween(healthyMid_c, time_s, start + 3, top).kpmin,
    level_c: finiteMean(measured_c, from, n),
    levelSpread_k: late.length > 3 ? quantileSorted(late, 0.95)! - quantileSorted(late, 0.05)! : NaN,
    levelFrom_s: time_s[from] ?? 0,
    expectedLevel_c: finiteMean(healthyMid_c, from, n),
    highest_c: top_c,
    highestAt_s: topAt < 0 ? null : time_s[topAt]!,
    departure: departure(context),
    expectedWarm_s: warmAt < 0 ? null : time_s[warmAt]!,
    ...speedResponse(context),
    revs: revsResponse(context),
  };
}
