import { temperatureText } from '../../base';
import type { Fitted } from './fitWax';
import { COLD_BELOW_K, type Seen } from './look';
import { GOOD_WITHIN_K, type Odds } from './odds';
import type { Figure, ThermostatTest, ThermostatVerdict } from './types';

const VERDICT_TEXT: Readonly<Record<Exclude<ThermostatVerdict, 'cannot-tell'>, string>> = {
  good: 'opens as stamped',
  'opens-early': 'opens too early',
  'opens-late': 'opens too late',
  'stuck-open': 'is open when cold',
  'stuck-closed': 'does not open',
  leaks: 'opens as stamped, but light comes through its cold seat',
};

/** Half a pot of glycol boils high enough for any thermostat; without one the rating of the hottest is out of reach, K. */
const REACH_K = 3;

/** Why nothing can be told, and what would tell. */
export function cannotTell(
  test: ThermostatTest,
  seen: Seen,
  fitted: Fitted | null,
  hottest_c: number,
  boils_c: number,
): string {
  const { rated_c } = test;
  if (seen.count < 2) return 'Nothing was seen of the valve yet: write down closed, moving, open, or the lift.';
  if (!fitted) {
    if (seen.everOpen && seen.shutAtStart === null) {
      return `It was open at the first look already. Start colder, at ${temperatureText(rated_c - COLD_BELOW_K - 3)} or below, and watch it open.`;
    }
    if (rated_c + REACH_K > boils_c) {
      return `A valve stamped ${temperatureText(rated_c)} cannot open fully in water that boils at ${temperatureText(boils_c, 1)} here. Use half glycol and water outdoors or under extraction: it boils at about ${temperatureText(boils_c + 8)}; never a lid, never oil over a flame.`;
    }
    return `The water reached ${temperatureText(hottest_c)} only: go on to ${temperatureText(Math.min(boils_c, rated_c + 14))} and hold it there for two minutes.`;
  }
  const { heating_kps, opens_c } = fitted;
  if (heating_kps * LAG_SD_S > FROM_HEATING_K) {
    return `Heated too fast to tell: ${(60 * heating_kps).toFixed(0)} K a minute leaves the opening open by ${(2 * opens_c.sd).toFixed(0)} K. Repeat at under ${slowEnough_kpmin(heating_kps)} K a minute.`;
  }
  return `First movement at ${temperatureText(opens_c.value)}, uncertain by ${(2 * opens_c.sd).toFixed(0)} K, lies too near the limit of ${GOOD_WITHIN_K} K from the stamp. Repeat it with a better thermometer, or look more often near ${temperatureText(opens_c.value)}.`;
}

/** What the lag of an unknown wax is known to, s, and what heating may add to the opening before it is called too fast, K. */
const LAG_SD_S = 5.5;
const FROM_HEATING_K = 1;

/** Rate at which a repeat tells, K a minute: no more than a third of the last one, 5 at most. */
export const slowEnough_kpmin = (heating_kps: number): number =>
  Math.max(1, Math.min(5, Math.floor((60 * heating_kps) / 3)));

/** A named verdict in a sentence. */
export function reasonOf(verdict: keyof Odds, test: ThermostatTest, opens: Figure | null, hottest_c: number): string {
  const stamp = `stamped ${temperatureText(test.rated_c)}`;
  if (opens) {
    return `First movement at ${temperatureText(opens.value, 1)} ± ${opens.sd.toFixed(1)} K, ${stamp}: it ${VERDICT_TEXT[verdict]}.`;
  }
  if (verdict === 'stuck-closed' || verdict === 'opens-late') {
    return `No movement in water of ${temperatureText(hottest_c)}, ${stamp}: it ${VERDICT_TEXT[verdict]}.`;
  }
  return `It ${VERDICT_TEXT[verdict]}.`;
}
