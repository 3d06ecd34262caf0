import type { Trace } from '../../base';
import { present } from './present';

/** How long a reading stood at its end, beside what {@link findFrozen} is sure of. */
export interface Stillness {
  /** At one and the same figure, s. */
  readonly same_s: number;
  /** At one figure or the next, s. */
  readonly flickers_s: number;
  readonly at_c: number;
}

/** Between so few readings stillness means nothing. */
const FEWEST = 20;
/** A logger that shows no less than this shows every engine standing still, K; under the smaller one flickers little. */
const COARSEST_K = 1.2;
const FINEST_K = 0.5;

/** Smallest step between readings, K; Infinity where all are the same. */
function resolution(values: readonly number[]): number {
  const distinct = [...new Set(values)].sort((a, b) => a - b);
  return distinct.slice(1).reduce((least, v, i) => Math.min(least, v - distinct[i]!), Infinity);
}

/**
 * Looks how long the reading stood at its end. Nothing where too few readings, or too coarse ones, cannot tell.
 *
 * @param bad samples of the reading that no coolant can follow
 */
export function stillness(trace: Trace, bad: Uint8Array): Stillness {
  const order = present(trace).filter((i) => !bad[i]);
  const values = order.map((i) => trace.channels.ect_c[i]!);
  const at_c = values.at(-1) ?? NaN;
  const step_k = resolution(values);
  const within = (range_k: number): number => {
    let [low, high, first] = [at_c, at_c, order.length - 1];
    for (let j = order.length - 1; j >= 0; j--) {
      low = Math.min(low, values[j]!);
      high = Math.max(high, values[j]!);
      if (high - low > range_k) break;
      first = j;
    }
    return order.length - first < FEWEST ? 0 : trace.time_s[order.at(-1)!]! - trace.time_s[order[first]!]!;
  };
  if (order.length < FEWEST || step_k > COARSEST_K) return { same_s: 0, flickers_s: 0, at_c };
  return { same_s: within(1e-9), flickers_s: step_k < FINEST_K ? 0 : within(step_k + 0.01), at_c };
}
