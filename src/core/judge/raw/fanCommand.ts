import type { Trace, Vehicle } from '../../base';
import type { AtStart } from './atStart';
import { RUNS_FROM_RPM } from './frozen';

/** A fan whose command does not go with the reading that its control acts on. */
export interface FanCommanded {
  /** When that began, s after the start of the log. */
  readonly from_s: number;
  readonly lasts_s: number;
  /** Highest reading meanwhile, °C. */
  readonly reading_c: number;
}

/** Under this a command is none, %: a relay's is 0 or 100, and rounding makes a percent or two (working figure). */
const CALLED_FROM_PCT = 5;
/** Shortest time that counts, s: fans start a little late and channels are polled in turn (working figure). */
const AT_LEAST_S = 60;
/** Longest time for which the last value of a channel holds, s: slow loggers take turns (working figure). */
const HOLDS_S = 20;
/** How far over the fan's switch point the reading must be, K (working figure). */
const OVER_K = 4;
/** Where papers do not tell the switch point: it lies at the latest so far over the thermostat's rating, K (working figure). */
const SWITCHES_OVER_RATING_K = 20;
/** From this speed on the wind does the fan's work, and many controls leave it off, km/h (working figure). */
const WIND_FROM_KMH = 40;

/** From here on a command is one in full, % (working figure). */
const IN_FULL_PCT = 80;
/** So far under its thermostat's rating no engine needs a fan, K (working figure). */
const COLD_UNDER_K = 20;
/** Up to here no air conditioner asks for one, °C (working figure). */
const COOL_AIR_C = 20;

/** The last value of a channel at row after row, while it holds; NaN where none does. */
function held(time_s: Float64Array, values: Float64Array | undefined, bad?: Uint8Array): (i: number) => number {
  let at_s = -Infinity;
  let last = NaN;
  return (i) => {
    const value = values?.[i] ?? NaN;
    if (Number.isFinite(value) && !bad?.[i]) {
      at_s = time_s[i]!;
      last = value;
    }
    return time_s[i]! - at_s <= HOLDS_S ? last : NaN;
  };
}

/** The longest stretch, in rows from first to last, on which something holds without a break; null under the least. */
function longestStretch(time_s: Float64Array, holds: (i: number) => boolean): readonly [number, number] | null {
  let best: readonly [number, number] | null = null;
  let from = -1;
  const lasts = ([a, b]: readonly [number, number]) => time_s[b]! - time_s[a]!;
  for (let i = 0; i < time_s.length; i++) {
    if (!holds(i)) {
      from = -1;
      continue;
    }
    // What happened while nothing was logged is not known.
    if (from < 0 || time_s[i]! - time_s[i - 1]! > HOLDS_S) from = i;
    if (lasts([from, i]) >= Math.max(AT_LEAST_S, best ? lasts(best) : 0)) best = [from, i];
  }
  return best;
}

/** What a stretch shows. */
function told(
  { time_s, channels }: Trace,
  bad: Uint8Array,
  stretch: readonly [number, number] | null,
): FanCommanded | null {
  if (!stretch) return null;
  const [from, to] = stretch;
  let reading_c = -Infinity;
  for (let i = from; i <= to; i++) if (!bad[i] && channels.ect_c[i]! > reading_c) reading_c = channels.ect_c[i]!;
  return { from_s: time_s[from]! - time_s[0]!, lasts_s: time_s[to]! - time_s[from]!, reading_c };
}

/**
 * The longest stretch on which the fan's command stood at nothing while the engine ran, the car stood or crept, and the
 * reading stood over the fan's switch point: control and sender agree, so nothing but the control can be at fault. Null
 * without such a stretch, without a logged command, and for fans that no command drives.
 *
 * @param bad samples of the reading that no coolant can follow
 */
export function findFanNotCalled(trace: Trace, bad: Uint8Array, { fan, thermostat }: Vehicle): FanCommanded | null {
  const { ect_c, fan_pct, rpm, speed_kmh } = trace.channels;
  if (!fan_pct || fan.kind !== 'electric') return null;
  const from_c = (fan.on_c ?? thermostat.rated_c + SWITCHES_OVER_RATING_K) + OVER_K;
  const { time_s } = trace;
  const [reading, command] = [held(time_s, ect_c, bad), held(time_s, fan_pct)];
  const [turns, speed] = [held(time_s, rpm), held(time_s, speed_kmh)];
  const left = (i: number): boolean => {
    const [r, c, n, v] = [reading(i), command(i), turns(i), speed(i)];
    // What was not logged speaks against nothing.
    return c < CALLED_FROM_PCT && r >= from_c && !(n < RUNS_FROM_RPM) && !(v >= WIND_FROM_KMH);
  };
  return told(trace, bad, longestStretch(time_s, left));
}

/**
 * The longest stretch on which the fan was called for in full while the reading was far under any need and the air too
 * cool for an air conditioner to ask for it. Null without such a stretch, and where the air is not known.
 */
export function findFanCalledCold(
  trace: Trace,
  bad: Uint8Array,
  { fan, thermostat }: Vehicle,
  { outside_c, intake_c }: AtStart,
): FanCommanded | null {
  const { ect_c, fan_pct } = trace.channels;
  const air_c = outside_c ?? intake_c ?? Infinity;
  if (!fan_pct || fan.kind !== 'electric' || air_c > COOL_AIR_C) return null;
  const { time_s } = trace;
  const [reading, command] = [held(time_s, ect_c, bad), held(time_s, fan_pct)];
  const called = (i: number): boolean => {
    const [r, c] = [reading(i), command(i)];
    return c >= IN_FULL_PCT && r <= thermostat.rated_c - COLD_UNDER_K;
  };
  return told(trace, bad, longestStretch(time_s, called));
}
