import { median } from 'd3-array';
import type { Trace, Vehicle } from '../../base';
import { readAtStart, type AtStart } from './atStart';
import { findFanCalledCold, findFanNotCalled, type FanCommanded } from './fanCommand';
import { findFrozen, hardlyFollowsGauge, isNearlyFrozen } from './frozen';
import { stillness, type Stillness } from './stillness';
import { lagOfSecond, medianDifference } from './otherSensor';
import { present } from './present';
import { findSawTooth, type SawTooth } from './sawTooth';

/** What the raw signal shows before any model is asked. */
export interface SignalFindings {
  /** Samples that no coolant can follow; they are masked before fitting. */
  readonly bad: Uint8Array;
  /** Times at which drop-outs or spikes begin, s. */
  readonly dropouts_s: readonly number[];
  /** How many of them hit a rail of the circuit. */
  readonly railHits: number;
  /** Times of sudden lasting rises that heat cannot make, s: a sender that hung in air and is wetted. */
  readonly leaps_s: readonly number[];
  /** The reading froze from this time on, s; null when it did not. */
  readonly frozenFrom_s: number | null;
  readonly frozenAt_c: number;
  /** The reading hardly follows an engine that must have warmed up: a sender that is all but dead. */
  readonly nearlyFrozen: boolean;
  /** How long the reading stood at its end. */
  readonly still: Stillness;
  /** Median of gauge minus engine reading once both moved, K; null without a gauge channel. */
  readonly gaugeMinusEct_k: number | null;
  /** The same for the second engine sensor. */
  readonly secondMinusEct_k: number | null;
  /** How much further the second sensor falls behind during the warm-up than at its start and its end, K. */
  readonly secondLag_k: number | null;
  /** The same at the first readings, K. */
  readonly secondMinusEctAtStart_k: number | null;
  /** A fan that its control does not call for though the reading is high; null where that was not seen. */
  readonly fanNotCalled: FanCommanded | null;
  /** A fan that is called for in full while the engine is cold and the air cool; null where that was not seen. */
  readonly fanCalledCold: FanCommanded | null;
  /** A level that swings again and again; null where it does not. */
  readonly sawTooth: SawTooth | null;
  readonly atStart: AtStart;
}

/** Readings at or beyond these are the circuit's rails, not a temperature (open and short circuit), °C. */
const COLD_RAIL_C = -39;
const HOT_RAIL_C = 138;
/**
 * Fastest change coolant at the sender can show, K/s, beside a fixed allowance for rounding: cold radiator water
 * arriving at a just opened thermostat makes the steepest real slopes.
 */
const FASTEST_K_PER_S = 1.3;
const ALLOWANCE_K = 7;
/** A spike that does not come back within this time is a level change, not a spike, s. */
const LONGEST_SPIKE_S = 45;
/** Level of the signal around sample j, from neighbours up to a minute away that are not rails. */
function localLevel(trace: Trace, order: readonly number[], j: number): number {
  const ect = trace.channels.ect_c;
  const t = trace.time_s[order[j]!]!;
  const near: number[] = [];
  for (let d = -80; d <= 80; d++) {
    const i = order[j + d];
    if (i === undefined || d === 0) continue;
    const v = ect[i]!;
    if (Math.abs(trace.time_s[i]! - t) <= 40 && v > COLD_RAIL_C && v < HOT_RAIL_C) near.push(v);
  }
  return near.length >= 3 ? median(near)! : NaN;
}

/** Samples on a rail, or off their neighbourhood by more than coolant could have moved. */
function findBadSamples(trace: Trace): { bad: Uint8Array; dropouts_s: number[]; railHits: number } {
  const ect = trace.channels.ect_c;
  const order = present(trace);
  const bad = new Uint8Array(ect.length);
  const dropouts_s: number[] = [];
  let railHits = 0;
  let lastGood: number | null = null;
  for (let j = 0; j < order.length; j++) {
    const i = order[j]!;
    const v = ect[i]!;
    const t = trace.time_s[i]!;
    const onRail = v <= COLD_RAIL_C || v >= HOT_RAIL_C;
    let isBad = onRail;
    if (!isBad && lastGood !== null) {
      const gap = t - trace.time_s[lastGood]!;
      const jumped = Math.abs(v - ect[lastGood]!) > ALLOWANCE_K + FASTEST_K_PER_S * Math.min(gap, LONGEST_SPIKE_S);
      const level = jumped ? localLevel(trace, order, j) : NaN;
      // A jump that the neighbourhood shares is the end of a bad stretch, not the start of one.
      isBad = jumped && gap < LONGEST_SPIKE_S && Math.abs(v - level) > ALLOWANCE_K;
    } else if (!isBad && lastGood === null) {
      const level = localLevel(trace, order, j);
      isBad = Math.abs(v - level) > 3 * ALLOWANCE_K;
    }
    if (isBad) {
      bad[i] = 1;
      const before = j > 0 ? order[j - 1]! : null;
      if (before === null || !bad[before]) {
        dropouts_s.push(t);
        if (onRail) railHits++;
      }
    } else lastGood = i;
  }
  // A whole trace on the cold rail at a deep-frozen start is a temperature, and a mask that leaves nothing helps nobody.
  const left = order.filter((i) => !bad[i]).length;
  if (left < 0.3 * order.length) return { bad: new Uint8Array(ect.length), dropouts_s: [], railHits: 0 };
  return { bad, dropouts_s, railHits };
}

/** Time over which a leap is looked for, and over which it must last, s. */
const LEAP_OVER_S = 15;
const LEAP_LASTS_S = 75;
/** Rise beyond the trend that makes a leap, and what must remain of it, K. Full heat lifts coolant by about 3 K. */
const LEAP_K = 7;
const LEAP_REMAINS_K = 4;

/** Finds lasting leaps upward. */
function findLeaps(trace: Trace, bad: Uint8Array): number[] {
  const { time_s } = trace;
  const ect = trace.channels.ect_c;
  const good = present(trace).filter((i) => !bad[i]);
  const leaps: number[] = [];
  let from = 0;
  let to = 0;
  let blockedUntil = -Infinity;
  for (let j = 0; j < good.length; j++) {
    const t = time_s[good[j]!]!;
    while (time_s[good[from]!]! < t - 60) from++;
    while (to + 1 < good.length && time_s[good[to + 1]!]! <= t + LEAP_OVER_S) to++;
    if (t < blockedUntil || to <= j) continue;
    const before_s = t - time_s[good[from]!]!;
    const trend = before_s > 20 ? Math.max(0, (ect[good[j]!]! - ect[good[from]!]!) / before_s) : 0.15;
    const rise = ect[good[to]!]! - ect[good[j]!]! - trend * (time_s[good[to]!]! - t);
    if (rise < LEAP_K) continue;
    const later: number[] = [];
    for (let k = to; k < good.length && time_s[good[k]!]! <= t + LEAP_LASTS_S; k++) later.push(ect[good[k]!]!);
    if (later.length >= 3 && median(later)! - ect[good[j]!]! >= LEAP_REMAINS_K) {
      leaps.push(t);
      blockedUntil = t + LEAP_LASTS_S;
    }
  }
  return leaps;
}

/**
 * Looks at the raw signal: rails, spikes, freezing, and disagreement with other sensors.
 *
 * @param outside_c the outside temperature that was given by hand, °C; counts where none was logged
 */
export function inspectSignal(trace: Trace, vehicle: Vehicle, outside_c: number | null = null): SignalFindings {
  const { bad, dropouts_s, railHits } = findBadSamples(trace);
  const atStart = readAtStart(trace, bad, outside_c);
  const frozen = findFrozen(trace, bad, vehicle, atStart);
  const nearlyFrozen = isNearlyFrozen(trace, bad, vehicle, atStart) || hardlyFollowsGauge(trace, bad);
  return {
    bad,
    dropouts_s,
    railHits,
    leaps_s: findLeaps(trace, bad),
    frozenFrom_s: frozen.from_s,
    frozenAt_c: frozen.at_c,
    nearlyFrozen: frozen.from_s === null && nearlyFrozen,
    still: stillness(trace, bad),
    gaugeMinusEct_k: medianDifference(trace, 'gauge_c', bad, -1),
    secondMinusEct_k: medianDifference(trace, 'ect2_c', bad, -1),
    secondMinusEctAtStart_k: medianDifference(trace, 'ect2_c', bad, 60),
    secondLag_k: lagOfSecond(trace, bad),
    fanNotCalled: findFanNotCalled(trace, bad, vehicle),
    fanCalledCold: findFanCalledCold(trace, bad, vehicle, atStart),
    sawTooth: findSawTooth(trace, bad),
    atStart,
  };
}

/** The trace with bad samples, and a frozen stretch, taken out. */
export function maskTrace(trace: Trace, findings: SignalFindings): Trace {
  const t0 = trace.time_s[0]!;
  const ect_c = trace.channels.ect_c.map((v, i) => {
    const frozen = findings.frozenFrom_s !== null && trace.time_s[i]! - t0 >= findings.frozenFrom_s;
    return findings.bad[i] || frozen ? NaN : v;
  });
  return { time_s: trace.time_s, channels: { ...trace.channels, ect_c } };
}
