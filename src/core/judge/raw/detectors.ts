import { max, median, min } from 'd3-array';
import { countPresent, type ChannelName, type Trace, type Vehicle } from '../../base';
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
  /** Median of gauge minus engine reading once both moved, K; null without a gauge channel. */
  readonly gaugeMinusEct_k: number | null;
  /** The same for the second engine sensor. */
  readonly secondMinusEct_k: number | null;
  /** How much further the second sensor falls behind during the warm-up than at its start and its end, K. */
  readonly secondLag_k: number | null;
  /** The same at the first readings, K. */
  readonly secondMinusEctAtStart_k: number | null;
  /** A level that swings again and again; null where it does not. */
  readonly sawTooth: SawTooth | null;
  /** First readings of coolant, outside and intake air, °C: after a night they agree. Null where not logged. */
  readonly atStart: {
    readonly ect_c: number | null;
    readonly outside_c: number | null;
    readonly intake_c: number | null;
  };
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
/** Shortest time a reading must stand still to be called frozen, s. */
const FROZEN_FOR_S = 180;
/** The same for a reading in the range of a regulated engine, s. */
const FROZEN_WARM_S = 900;
/** Climb just before a freeze that coolant could not have stopped so suddenly, K/s, and the time it is taken over, s. */
const ABRUPT_K_PER_S = 0.05;
const ABRUPT_OVER_S = 50;
/** Into the regulated range only a jump counts: a thermostat opening ends a climb too, K/s. */
const JUMP_K_PER_S = 0.5;

function present(trace: Trace): number[] {
  const out: number[] = [];
  const ect = trace.channels.ect_c;
  for (let i = 0; i < ect.length; i++) if (Number.isFinite(ect[i]!)) out.push(i);
  return out;
}

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
 * Longest time an engine below regulation can show one and the same figure, s: while its speed changes, and at all. A
 * thermostat that regulates too low holds its level for minutes too.
 */
const SAME_WHILE_DRIVING_S = 540;
const SAME_AT_ALL_S = 1500;

/**
 * How far a reading would have gone on at its pace while it stood, K: a gentle rise may settle for five minutes, a frozen
 * sender stands far short of where it was going.
 */
const STOPPED_SHORT_K = 30;

/** Change just before a figure began to stand that shows it had not settled by itself, K/s: 2 K in a minute. */
const UNSETTLED_K_PER_S = 0.03;

/** True when the very same figure below regulation outlasts what heat and cold could keep in balance. */
function unnaturallySame(trace: Trace, order: readonly number[], lowest_c: number): number | null {
  const ect = trace.channels.ect_c;
  const last = order.at(-1)!;
  let first = order.length - 1;
  while (first > 0 && ect[order[first - 1]!] === ect[last]) first--;
  const from = order[first]!;
  if (ect[last]! > lowest_c - 8) return null;
  const held_s = trace.time_s[last]! - trace.time_s[from]!;
  const speed = trace.channels.speed_kmh?.subarray(from, last + 1).filter(Number.isFinite);
  const varied = speed !== undefined && speed.length > 5 && max(speed)! - min(speed)! > 25;
  return held_s >= (varied ? SAME_WHILE_DRIVING_S : SAME_AT_ALL_S) ? trace.time_s[from]! - trace.time_s[0]! : null;
}

/** A reading that flickers by one digit is as still as one that does not, K; how long it must do so, s. */
const FLICKER_K = 1.01;
const FLICKERS_FOR_S = 600;

/** Largest range of a reading that is all but dead, K; how long the engine must have run; how far it ends under regulation, K. */
const NEARLY_FROZEN = { range_k: 9, for_s: 720, under_k: 25 } as const;
/** Engine speed under which an engine does not run, rpm. */
const RUNS_FROM_RPM = 300;

/** True when the reading stayed in a narrow range far under regulation though the engine ran for long. */
function isNearlyFrozen(trace: Trace, bad: Uint8Array, vehicle: Vehicle): boolean {
  const order = present(trace).filter((i) => !bad[i]);
  if (order.length < 12) return false;
  const ect = order.map((i) => trace.channels.ect_c[i]!);
  const rpm = trace.channels.rpm?.filter(Number.isFinite);
  if (rpm && rpm.length > 5 && !((median(rpm) ?? 0) > RUNS_FROM_RPM)) return false;
  const held_s = trace.time_s[order.at(-1)!]! - trace.time_s[order[0]!]!;
  const lowest = Math.min(vehicle.thermostat.rated_c, vehicle.thermostat.heated_rated_c ?? Infinity);
  return (
    held_s >= NEARLY_FROZEN.for_s &&
    max(ect)! - min(ect)! <= NEARLY_FROZEN.range_k &&
    max(ect)! < lowest - NEARLY_FROZEN.under_k
  );
}

/** Start of a final stretch without any change, outside the band in which a regulated engine may stand still. */
function findFrozen(trace: Trace, bad: Uint8Array, vehicle: Vehicle): { from_s: number | null; at_c: number } {
  const ect = trace.channels.ect_c;
  const order = present(trace).filter((i) => !bad[i]);
  const last = order.at(-1);
  if (last === undefined) return { from_s: null, at_c: NaN };
  const at_c = ect[last]!;
  let first = last;
  for (let j = order.length - 1; j >= 0; j--) {
    if (Math.abs(ect[order[j]!]! - at_c) > 0.51) break;
    first = order[j]!;
  }
  const held_s = trace.time_s[last]! - trace.time_s[first]!;
  const lowest = Math.min(vehicle.thermostat.rated_c, vehicle.thermostat.heated_rated_c ?? Infinity);
  const regulated = at_c > lowest - 4 && at_c < vehicle.thermostat.rated_c + 16;
  const flickers = order.every((i) => Math.abs(ect[i]! - at_c) < FLICKER_K);
  const whole_s = trace.time_s[last]! - trace.time_s[order[0]!]!;
  // A frozen reading between two digits flickers between them.
  if (flickers && !regulated && whole_s >= FLICKERS_FOR_S) return { from_s: 0, at_c };
  const wholeTrace = first === order[0];
  if (wholeTrace) {
    // A reading that never moved since key-on is not alive, unless a hot engine merely stands at its regulated level.
    const frozen = held_s >= (regulated ? FROZEN_WARM_S : FROZEN_FOR_S);
    return { from_s: frozen ? 0 : null, at_c };
  }
  // Coolant slows down before it stands still; a frozen reading stops in mid-climb.
  const before = order.filter((i) => {
    const lead = trace.time_s[first]! - trace.time_s[i]!;
    return lead > 0 && lead <= ABRUPT_OVER_S;
  });
  const earliest = before[0];
  if (earliest === undefined || held_s < FROZEN_FOR_S) return { from_s: null, at_c };
  const span_s = trace.time_s[first]! - trace.time_s[earliest]!;
  const slope = Math.abs(at_c - ect[earliest]!) / Math.max(10, span_s);
  const same = slope > UNSETTLED_K_PER_S ? unnaturallySame(trace, order, lowest) : null;
  if (same !== null) return { from_s: same, at_c };
  const stopped = slope > ABRUPT_K_PER_S && slope * held_s > STOPPED_SHORT_K;
  const frozen = stopped && !(regulated && slope < JUMP_K_PER_S);
  return { from_s: frozen ? trace.time_s[first]! - trace.time_s[0]! : null, at_c };
}

function medianDifference(
  trace: Trace,
  name: 'gauge_c' | 'ect2_c',
  bad: Uint8Array,
  fromStart_s: number,
): number | null {
  const other = trace.channels[name];
  if (!other || countPresent(other) < 5) return null;
  const ect = trace.channels.ect_c;
  const end = trace.time_s.at(-1)! - trace.time_s[0]!;
  const differences: number[] = [];
  let held = NaN;
  for (let i = 0; i < ect.length; i++) {
    if (Number.isFinite(ect[i]!) && !bad[i]) held = ect[i]!;
    const t = trace.time_s[i]! - trace.time_s[0]!;
    const inside = fromStart_s >= 0 ? t <= fromStart_s : t > 0.4 * end;
    if (inside && Number.isFinite(other[i]!) && Number.isFinite(held)) differences.push(other[i]! - held);
  }
  return differences.length >= 2 ? median(differences)! : null;
}

/** How long a stretch must be over which a second sensor lags, samples taken together. */
const LAG_OVER = 0.05;

/** Furthest that the second sensor falls behind for a twentieth of the drive, beyond its difference at the start, K. */
function lagOfSecond(trace: Trace, bad: Uint8Array): number | null {
  const other = trace.channels.ect2_c;
  const start = medianDifference(trace, 'ect2_c', bad, 60);
  if (!other || start === null) return null;
  const behind: number[] = [];
  let held = NaN;
  for (let i = 0; i < other.length; i++) {
    const v = trace.channels.ect_c[i]!;
    if (Number.isFinite(v) && !bad[i]) held = v;
    if (Number.isFinite(other[i]!) && Number.isFinite(held)) behind.push(held - other[i]! + start);
  }
  behind.sort((a, b) => b - a);
  return behind[Math.floor(LAG_OVER * behind.length)] ?? null;
}

/** Time after key-on in which a reading still shows the soak, s. */
const SOAK_S = 30;

/** Median of a channel's first readings, °C; null without any. */
function firstReading(trace: Trace, name: ChannelName, bad?: Uint8Array): number | null {
  const values = trace.channels[name];
  const early = values?.filter(
    (v, i) => trace.time_s[i]! - trace.time_s[0]! <= SOAK_S && Number.isFinite(v) && !bad?.[i],
  );
  return early && early.length > 0 ? median(early)! : null;
}

/** Looks at the raw signal: rails, spikes, freezing, and disagreement with other sensors. */
export function inspectSignal(trace: Trace, vehicle: Vehicle): SignalFindings {
  const { bad, dropouts_s, railHits } = findBadSamples(trace);
  const frozen = findFrozen(trace, bad, vehicle);
  return {
    bad,
    dropouts_s,
    railHits,
    leaps_s: findLeaps(trace, bad),
    frozenFrom_s: frozen.from_s,
    frozenAt_c: frozen.at_c,
    nearlyFrozen: frozen.from_s === null && isNearlyFrozen(trace, bad, vehicle),
    gaugeMinusEct_k: medianDifference(trace, 'gauge_c', bad, -1),
    secondMinusEct_k: medianDifference(trace, 'ect2_c', bad, -1),
    secondMinusEctAtStart_k: medianDifference(trace, 'ect2_c', bad, 60),
    secondLag_k: lagOfSecond(trace, bad),
    sawTooth: findSawTooth(trace, bad),
    atStart: {
      ect_c: firstReading(trace, 'ect_c', bad),
      outside_c: firstReading(trace, 'ambient_c'),
      intake_c: firstReading(trace, 'iat_c'),
    },
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
