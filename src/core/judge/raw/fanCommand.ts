import type { Trace, Vehicle } from '../../base';

/** A fan that its control does not call for although the reading that the control acts on is high. */
export interface FanNotCalled {
  /** When that began, s after the start of the log. */
  readonly from_s: number;
  readonly lasts_s: number;
  /** Highest reading meanwhile, °C. */
  readonly reading_c: number;
}

/** Under this a command is none, %. */
const CALLED_FROM_PCT = 5;
/** Shortest time that counts, s: fans start a little late and channels are polled in turn (working figure). */
const AT_LEAST_S = 60;
/** Longest time for which the last value of a channel holds, s. */
const HOLDS_S = 20;
/** How far over the fan's switch point the reading must be, K (working figure). */
const OVER_K = 4;
/** Where papers do not tell the switch point: it lies at the latest so far over the thermostat's rating, K (working figure). */
const SWITCHES_OVER_RATING_K = 20;

/**
 * The longest stretch on which the fan's command stood at nothing while the reading stood over the fan's switch point:
 * control and sender agree, so nothing but the control can be at fault. Null without such a stretch, without a logged
 * command, and for fans that no command drives.
 *
 * @param bad samples of the reading that no coolant can follow
 */
export function findFanNotCalled(trace: Trace, bad: Uint8Array, { fan, thermostat }: Vehicle): FanNotCalled | null {
  const command = trace.channels.fan_pct;
  if (!command || fan.kind !== 'electric') return null;
  const switches_c = fan.on_c ?? thermostat.rated_c + SWITCHES_OVER_RATING_K;
  const { time_s } = trace;
  const ect = trace.channels.ect_c;
  let best: FanNotCalled | null = null;
  let now = null as FanNotCalled | null;
  let reading = { at_s: -Infinity, value: NaN };
  let called = { at_s: -Infinity, value: NaN };
  for (let i = 0; i < time_s.length; i++) {
    const t = time_s[i]!;
    if (Number.isFinite(ect[i]!) && !bad[i]) reading = { at_s: t, value: ect[i]! };
    if (Number.isFinite(command[i]!)) called = { at_s: t, value: command[i]! };
    const known = t - reading.at_s <= HOLDS_S && t - called.at_s <= HOLDS_S;
    if (!known || reading.value < switches_c + OVER_K || called.value >= CALLED_FROM_PCT) {
      now = null;
      continue;
    }
    const from_s = now?.from_s ?? t - time_s[0]!;
    now = {
      from_s,
      lasts_s: t - time_s[0]! - from_s,
      reading_c: Math.max(now?.reading_c ?? -Infinity, reading.value),
    };
    if (now.lasts_s >= Math.max(AT_LEAST_S, best?.lasts_s ?? 0)) best = now;
  }
  return best;
}
