import type { Trace, Vehicle } from '../../base';
import { RUNS_FROM_RPM } from './frozen';

/** A fan that its control does not call for although the reading that the control acts on is high. */
export interface FanNotCalled {
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

/**
 * The longest stretch on which the fan's command stood at nothing while the engine ran, the car stood or crept, and the
 * reading stood over the fan's switch point: control and sender agree, so nothing but the control can be at fault. Null
 * without such a stretch, without a logged command, and for fans that no command drives.
 *
 * @param bad samples of the reading that no coolant can follow
 */
export function findFanNotCalled(trace: Trace, bad: Uint8Array, { fan, thermostat }: Vehicle): FanNotCalled | null {
  const { ect_c, fan_pct, rpm, speed_kmh } = trace.channels;
  if (!fan_pct || fan.kind !== 'electric') return null;
  const from_c = (fan.on_c ?? thermostat.rated_c + SWITCHES_OVER_RATING_K) + OVER_K;
  const { time_s } = trace;
  const [reading, command] = [held(time_s, ect_c, bad), held(time_s, fan_pct)];
  const [turns, speed] = [held(time_s, rpm), held(time_s, speed_kmh)];
  let best: FanNotCalled | null = null;
  let now = null as FanNotCalled | null;
  for (let i = 0; i < time_s.length; i++) {
    const t = time_s[i]! - time_s[0]!;
    const reading_c = reading(i);
    const left = command(i) < CALLED_FROM_PCT && reading_c >= from_c;
    // What was not logged speaks against nothing.
    const rests = turns(i) < RUNS_FROM_RPM;
    const winds = speed(i) >= WIND_FROM_KMH;
    if (!left || rests || winds) {
      now = null;
      continue;
    }
    const from_s = now?.from_s ?? t;
    now = { from_s, lasts_s: t - from_s, reading_c: Math.max(now?.reading_c ?? reading_c, reading_c) };
    if (now.lasts_s >= Math.max(AT_LEAST_S, best?.lasts_s ?? 0)) best = now;
  }
  return best;
}
