import { median } from 'd3-array';
import type { Trace } from '../../base';

/** A level that swings up and down again and again. */
export interface SawTooth {
  /** Whole swings, up and down. */
  readonly swings: number;
  /** Middle height of a swing, K. */
  readonly height_k: number;
  /** Middle time from one peak to the next, s. */
  readonly period_s: number;
  /** Middle of peaks and troughs, °C. */
  readonly level_c: number;
}

/** Smallest swing that is no rounding and no gear change, K. */
const LEAST_SWING_K = 4;
/** Fewest swings that make a pattern; a single one is a hill or a long stop. */
const LEAST_SWINGS = 3;
/** Longest period of a valve or a fan that hunts, s: slower swings are the drive's own. */
const LONGEST_PERIOD_S = 300;

/** A peak or trough. */
interface Turn {
  readonly t_s: number;
  readonly value_c: number;
}

/** Turning points between which the reading moved by at least `LEAST_SWING_K`: each confirmed by the way back. */
function turningPoints(trace: Trace, bad: Uint8Array, from_s: number): Turn[] {
  const turns: Turn[] = [];
  let best: Turn | null = null;
  let rising: boolean | null = null;
  const ect = trace.channels.ect_c;
  for (let i = 0; i < ect.length; i++) {
    const t_s = trace.time_s[i]! - trace.time_s[0]!;
    const value_c = ect[i]!;
    if (t_s < from_s || bad[i] || !Number.isFinite(value_c)) continue;
    const here = { t_s, value_c };
    if (best === null) {
      best = here;
      continue;
    }
    const move = value_c - best.value_c;
    if (rising === null) {
      if (Math.abs(move) >= LEAST_SWING_K) {
        rising = move > 0;
        best = here;
      }
    } else if (rising ? move >= 0 : move <= 0) best = here;
    else if (Math.abs(move) >= LEAST_SWING_K) {
      turns.push(best);
      rising = !rising;
      best = here;
    }
  }
  return turns;
}

/**
 * Finds a saw-tooth in the second half of a trace: a valve that sticks and snaps, a fan that holds an engine with too
 * little flow, a sender that is now in coolant, now in air; an inlet thermostat in the cold does it by design.
 *
 * @param bad samples that are no measurement
 * @returns null where the level does not swing again and again within minutes
 */
export function findSawTooth(trace: Trace, bad: Uint8Array): SawTooth | null {
  const end_s = trace.time_s.at(-1)! - trace.time_s[0]!;
  const turns = turningPoints(trace, bad, end_s / 2);
  const periods = turns.slice(2).map((turn, i) => turn.t_s - turns[i]!.t_s);
  const swings = Math.floor(turns.length / 2);
  if (swings < LEAST_SWINGS || median(periods)! > LONGEST_PERIOD_S) return null;
  const heights = turns.slice(1).map((turn, i) => Math.abs(turn.value_c - turns[i]!.value_c));
  const levels = turns.slice(1).map((turn, i) => (turn.value_c + turns[i]!.value_c) / 2);
  return { swings, height_k: median(heights)!, period_s: median(periods)!, level_c: median(levels)! };
}
