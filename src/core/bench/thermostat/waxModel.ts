import type { PlacedReading, ValveState } from './reading';
import { normalCdf } from '../../signal';

/** What a heated-water test is about. */
export interface Wax {
  /** First movement while warming, °C, with no lag. */
  readonly opens_c: number;
  /** From first movement to full lift, K. */
  readonly span_k: number;
  /** The closing curve lies this far below the opening one, K. */
  readonly hysteresis_k: number;
  /** Lag of the wax behind the water, s. */
  readonly lag_s: number;
  /** Full lift, mm. */
  readonly lift_mm: number;
  /** 0: lift grows straight; 1: slowly at both ends; 2: more slowly still. */
  readonly rounded: number;
}

/** Share of full lift at a share of the span. */
export function liftShare(x: number, rounded: number): number {
  const c = Math.min(1, Math.max(0, x));
  const cubic = c * c * (3 - 2 * c);
  if (rounded <= 1) return (1 - rounded) * c + rounded * cubic;
  const quintic = c * c * c * (10 - c * (15 - 6 * c));
  return (2 - rounded) * cubic + (rounded - 1) * quintic;
}

/**
 * Temperature of wax that follows its water with one lag, exact for water that changes in straight lines.
 * Before the first reading both are taken to be alike.
 */
export function waxTemperatures(readings: readonly PlacedReading[], lag_s: number): Float64Array {
  const out = new Float64Array(readings.length);
  readings.forEach((r, i) => {
    const before = readings[i - 1];
    if (!before) {
      out[0] = r.water_c;
      return;
    }
    const dt = r.t_s - before.t_s;
    const slope = (r.water_c - before.water_c) / dt;
    out[i] = r.water_c - slope * lag_s + (out[i - 1]! - before.water_c + slope * lag_s) * Math.exp(-dt / lag_s);
  });
  return out;
}

/** Lift at every reading, mm: the valve keeps its place until the wax has fallen by the hysteresis. */
export function lifts(readings: readonly PlacedReading[], wax: Wax): Float64Array {
  const wax_c = waxTemperatures(readings, wax.lag_s);
  let felt = wax_c[0] ?? 0;
  return wax_c.map((w) => {
    felt = Math.min(w + wax.hysteresis_k, Math.max(w, felt));
    return wax.lift_mm * liftShare((felt - wax.opens_c) / wax.span_k, wax.rounded);
  });
}

/** What an eye takes for movement, mm, and how sharply; what it takes for fully open, as shares of full lift. */
const SEEN_MM = { from: 0.3, sd: 0.2 } as const;
const OPEN_SHARE = { from: 0.93, sd: 0.05 } as const;
/** Mistaken or late words: each state is possible everywhere to this share. */
const MISTAKEN = 0.01;

/** Probability that an eye calls a lift by a word. */
export function stateProbability(state: ValveState, lift_mm: number, full_mm: number): number {
  const moved = normalCdf((lift_mm - SEEN_MM.from) / SEEN_MM.sd);
  const open = normalCdf((lift_mm / full_mm - OPEN_SHARE.from) / OPEN_SHARE.sd);
  const p = state === 'closed' ? 1 - moved : state === 'open' ? moved * open : moved * (1 - open);
  return (1 - 3 * MISTAKEN) * p + MISTAKEN;
}

/** Scatter of a lift that is read off: of the rule itself, and in shares of the full lift for what the model leaves out, mm. */
const LIFT_SD = { mm: 0.25, share: 0.035 } as const;
/** Readings closer than this share their errors: they count together as one, s. */
const INDEPENDENT_S = 8;

/** Log likelihood of everything that was seen of the valve. */
export function logLikelihood(readings: readonly PlacedReading[], wax: Wax): number {
  const predicted = lifts(readings, wax);
  const sd = Math.hypot(LIFT_SD.mm, LIFT_SD.share * wax.lift_mm);
  let sum = 0;
  let seen = 0;
  readings.forEach((r, i) => {
    if (r.lift_mm !== null) {
      seen++;
      const z = (r.lift_mm - predicted[i]!) / sd;
      // Heavy tails: a rule that slipped once does not decide.
      sum += -3 * Math.log1p((z * z) / 5) - Math.log(sd);
    } else if (r.state !== null) {
      seen++;
      sum += Math.log(stateProbability(r.state, predicted[i]!, wax.lift_mm));
    }
  });
  if (seen < 2) return sum;
  const length_s = readings.at(-1)!.t_s - readings[0]!.t_s;
  return sum * Math.min(1, Math.max(1, length_s / INDEPENDENT_S) / seen);
}
