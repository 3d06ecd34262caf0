import { normalCdf } from '../../signal';
import type { Fitted } from './fitWax';
import type { Seen } from './look';
import type { PlacedReading } from './reading';
import type { Figure, ThermostatFinding, ThermostatTest } from './types';

/** Furthest from the stamp at which a thermostat is good, K. Source: begin to open at the rating ±2 °C, and as much for wear. */
export const GOOD_WITHIN_K = 4;

/** Odds over the verdicts. */
export type Odds = ThermostatFinding['odds'];
const NO_ODDS: Odds = { good: 0, 'opens-early': 0, 'opens-late': 0, 'stuck-open': 0, 'stuck-closed': 0, leaks: 0 };

function normalised(odds: Odds): Odds {
  const total = Object.values(odds).reduce((a, b) => a + b, 0);
  return Object.fromEntries(Object.entries(odds).map(([k, p]) => [k, p / total])) as unknown as Odds;
}

/** How often each state is met among thermostats that come to a bench. Working figures of the project. */
export const VERDICT_RATE: Odds = {
  good: 0.45,
  'opens-early': 0.14,
  'opens-late': 0.1,
  'stuck-open': 0.12,
  'stuck-closed': 0.12,
  leaks: 0.07,
};
/** How likely light is seen through the cold seat of each. */
const LIGHT: Odds = {
  good: 0.02,
  'opens-early': 0.04,
  'opens-late': 0.02,
  'stuck-open': 0.98,
  'stuck-closed': 0.02,
  leaks: 0.93,
};

const withLight = (odds: Odds, light: boolean | null): Odds =>
  light === null
    ? odds
    : (Object.fromEntries(
        Object.entries(odds).map(([k, p]) => [k, p * (light ? LIGHT[k as keyof Odds] : 1 - LIGHT[k as keyof Odds])]),
      ) as unknown as Odds);

/** How far above the stamp a late one may still open, K. */
const LATE_UP_TO_K = 16;

/** Odds of a valve that was never seen to move, by how hot its wax can have been. */
function unmovedOdds(wax_c: number, sd_k: number, rated_c: number): Odds {
  // Shares of each kind that would not have moved yet.
  const still = (from: number, to: number) => {
    const steps = 24;
    let sum = 0;
    for (let i = 0; i < steps; i++) {
      sum += normalCdf((rated_c + from + ((i + 0.5) * (to - from)) / steps - wax_c) / sd_k) / steps;
    }
    return sum;
  };
  return {
    good: VERDICT_RATE.good * still(-3, 3),
    'opens-early': VERDICT_RATE['opens-early'] * still(-30, -GOOD_WITHIN_K),
    'opens-late': VERDICT_RATE['opens-late'] * still(GOOD_WITHIN_K, LATE_UP_TO_K),
    'stuck-open': VERDICT_RATE['stuck-open'] * 0.01,
    'stuck-closed': VERDICT_RATE['stuck-closed'],
    leaks: VERDICT_RATE.leaks * still(-3, 3),
  };
}

function openingOdds(opens: Figure, rated_c: number): Odds {
  const below = normalCdf((rated_c - GOOD_WITHIN_K - opens.value) / opens.sd);
  const above = 1 - normalCdf((rated_c + GOOD_WITHIN_K - opens.value) / opens.sd);
  const within = Math.max(0, 1 - below - above);
  // A leak past the shut seat does not move the opening; nobody who did not look for light knows.
  const leaks = (within * VERDICT_RATE.leaks) / (VERDICT_RATE.leaks + VERDICT_RATE.good);
  return { ...NO_ODDS, good: within - leaks, 'opens-early': below, 'opens-late': above, leaks };
}

/** Lift when cold from which a valve is open rather than not quite shut, mm. */
const AJAR_MM = 1.6;

/** Odds of a valve that was never seen shut though the water was cold, nor wide open. */
function ajarOdds(readings: readonly PlacedReading[]): Odds {
  const first = readings.find((r) => r.lift_mm !== null)?.lift_mm ?? null;
  const odds = { ...NO_ODDS, 'stuck-open': 0.64, leaks: 0.27, 'opens-early': 0.07, good: 0.02 };
  if (first === null) return odds;
  return first < AJAR_MM ? { ...odds, leaks: 0.8, 'stuck-open': 0.1 } : { ...odds, 'stuck-open': 0.8, leaks: 0.1 };
}

/** A valve that is wide open when it must be shut. */
const WIDE_OPEN: Odds = {
  ...{ good: 0.005, 'opens-early': 0.02, 'opens-late': 0.005 },
  ...{ 'stuck-open': 0.9, 'stuck-closed': 0.001, leaks: 0.04 },
};

/** What was seen of the valve alone, without the light at its seat. */
function seenOdds(
  test: ThermostatTest,
  readings: readonly PlacedReading[],
  { seen, fitted, wax_c }: { readonly seen: Seen; readonly fitted: Fitted | null; readonly wax_c: number },
): Odds {
  if (seen.count === 0) return VERDICT_RATE;
  if (seen.wideAtStart) return WIDE_OPEN;
  if (fitted) return openingOdds(fitted.opens_c, test.rated_c);
  if (seen.shutAtStart === false) return ajarOdds(readings);
  // Open already when it was first looked at, hot: all that is known is that it opens.
  if (seen.everOpen) return { ...VERDICT_RATE, 'opens-late': 0.03, 'stuck-closed': 0.001 };
  return unmovedOdds(wax_c, Math.hypot(1.5, test.thermometerSd_k), test.rated_c);
}

/** Odds of every verdict, summing to 1: what was seen of the valve, and the light at its cold seat. */
export const verdictOdds = (
  test: ThermostatTest,
  readings: readonly PlacedReading[],
  known: { readonly seen: Seen; readonly fitted: Fitted | null; readonly wax_c: number },
): Odds => normalised(withLight(seenOdds(test, readings, known), test.lightWhenCold));
