import { max, median, min } from 'd3-array';
import type { Trace, Vehicle } from '../../base';
import type { AtStart } from './atStart';
import { present } from './present';

/** The lowest temperature at which the thermostat is meant to open, °C: a heated one opens sooner. */
export const lowestRating = ({ thermostat: { rated_c, heated_rated_c } }: Vehicle): number =>
  Math.min(rated_c, heated_rated_c ?? Infinity);

/** Shortest time a reading must stand still to be called frozen, s. */
const FROZEN_FOR_S = 180;
/** The same for a reading in the range of a regulated engine, s. */
const FROZEN_WARM_S = 900;
/** Climb just before a freeze that coolant could not have stopped so suddenly, K/s, and the time it is taken over, s. */
const ABRUPT_K_PER_S = 0.05;
const ABRUPT_OVER_S = 50;
/** Into the regulated range only a jump counts: a thermostat opening ends a climb too, K/s. */
const JUMP_K_PER_S = 0.5;

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
export const RUNS_FROM_RPM = 300;

/**
 * Further over the air than this an engine was warm when the log began, or its sender lies, K; where the air is not
 * known, from this reading on, °C: no night is so warm. Working figures.
 */
const WARM = { over_air_k: 25, from_c: 45 } as const;
/** A gauge, or oil, so far under the reading shows that the engine was cold, K; oil lags behind (working figures). */
const COLD_WITNESS = { gauge_k: 20, oil_k: 35 } as const;

/** True where nothing says that an engine with this reading was cold when the log began. */
export function mayHaveBeenWarm(reading_c: number, { outside_c, intake_c, gauge_c, oil_c }: AtStart): boolean {
  if (gauge_c !== null && reading_c - gauge_c > COLD_WITNESS.gauge_k) return false;
  if (oil_c !== null && reading_c - oil_c > COLD_WITNESS.oil_k) return false;
  const air_c = outside_c ?? intake_c;
  return air_c === null ? reading_c > WARM.from_c : reading_c - air_c > WARM.over_air_k;
}

/** True when the reading stayed in a narrow range far under regulation though the engine ran for long. */
export function isNearlyFrozen(trace: Trace, bad: Uint8Array, vehicle: Vehicle, start: AtStart): boolean {
  const order = present(trace).filter((i) => !bad[i]);
  if (order.length < 12) return false;
  const ect = order.map((i) => trace.channels.ect_c[i]!);
  // A warm engine that is held too low, or read too low, stands still too.
  if (mayHaveBeenWarm(ect[0]!, start)) return false;
  const rpm = trace.channels.rpm?.filter(Number.isFinite);
  if (rpm && rpm.length > 5 && !((median(rpm) ?? 0) > RUNS_FROM_RPM)) return false;
  const held_s = trace.time_s[order.at(-1)!]! - trace.time_s[order[0]!]!;
  const lowest = lowestRating(vehicle);
  return (
    held_s >= NEARLY_FROZEN.for_s &&
    max(ect)! - min(ect)! <= NEARLY_FROZEN.range_k &&
    max(ect)! < lowest - NEARLY_FROZEN.under_k
  );
}

/**
 * Where a gauge with a sender of its own shows that the engine warmed up, K, and the share of that which a living sender
 * follows at least. The needle's rise from its rest does not count, s. Working figures: of field and drawn drives only
 * frozen senders come under them (decision 35).
 */
const FOLLOWS = { gauge_k: 35, share: 0.25, needle_s: 120 } as const;

/** True when the gauge shows a warm-up that the reading hardly followed. */
export function hardlyFollowsGauge(trace: Trace, bad: Uint8Array): boolean {
  const { gauge_c, ect_c } = trace.channels;
  if (!gauge_c) return false;
  const later = (_: number, i: number) => trace.time_s[i]! - trace.time_s[0]! >= FOLLOWS.needle_s;
  const gauge = gauge_c.filter((v, i) => Number.isFinite(v) && later(v, i));
  const reading = ect_c.filter((v, i) => Number.isFinite(v) && !bad[i] && later(v, i));
  if (gauge.length < 12 || reading.length < 12) return false;
  const warmed_k = max(gauge)! - gauge[0]!;
  return warmed_k >= FOLLOWS.gauge_k && max(reading)! - min(reading)! <= FOLLOWS.share * warmed_k;
}

/** Where a reading stands still. */
interface Frozen {
  /** From when on, s; null where it does not. */
  readonly from_s: number | null;
  readonly at_c: number;
}

/** So soon after the start a reading stands that never was seen to live, s (working figure). */
const SOON_S = 60;
/**
 * From so far under the opening temperature a start leaves no warm-up to see, and a warm engine may be held there by a
 * thermostat or a sender that is off, K (working figure).
 */
export const HOT_START_BELOW_K = 26;

/**
 * Start of a final stretch without any change, outside the band in which a regulated engine may stand still. One that
 * stands from the start where a warm engine may be held is frozen only if nothing moved for a quarter of an hour.
 */
export function findFrozen(trace: Trace, bad: Uint8Array, vehicle: Vehicle, start: AtStart): Frozen {
  const found = finalStretch(trace, bad, vehicle);
  if (found.from_s === null || found.from_s > SOON_S) return found;
  const lowest_c = lowestRating(vehicle);
  if (found.at_c < lowest_c - HOT_START_BELOW_K || !mayHaveBeenWarm(found.at_c, start)) return found;
  const order = present(trace).filter((i) => !bad[i]);
  const moved = order.some((i) => trace.channels.ect_c[i] !== found.at_c);
  const lasts_s = trace.time_s[order.at(-1)!]! - trace.time_s[order[0]!]!;
  return moved || lasts_s < FROZEN_WARM_S ? { from_s: null, at_c: found.at_c } : found;
}

function finalStretch(trace: Trace, bad: Uint8Array, vehicle: Vehicle): Frozen {
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
  const lowest = lowestRating(vehicle);
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
