import { SENDER_FAMILIES, buildCurve, senderCelsius, senderOhms, type SenderCurve } from '../../sender';
import { RAILS_C } from './reading';

/** What can be wrong with a sender and its circuit. */
export const SENDER_FAULTS = [
  'good',
  'offset',
  'series-resistance',
  'parallel-leak',
  'pull-up-drift',
  'wrong-curve',
  'open',
  'short',
] as const;

/** Name of a sender's fault. */
export type SenderFault = (typeof SENDER_FAULTS)[number];

/** How often each is met on a bench before anything is measured. Working figures of the project. */
export const FAULT_RATE: Readonly<Record<SenderFault, number>> = {
  good: 0.5,
  offset: 0.09,
  'series-resistance': 0.12,
  'parallel-leak': 0.08,
  'pull-up-drift': 0.05,
  'wrong-curve': 0.08,
  open: 0.04,
  short: 0.04,
};

/** Unit of a fault's size; null where it has none. */
export const FAULT_UNIT: Readonly<Record<SenderFault, 'K' | 'Ω' | '%' | null>> = {
  good: null,
  offset: 'K',
  'series-resistance': 'Ω',
  'parallel-leak': 'Ω',
  'pull-up-drift': '%',
  'wrong-curve': 'K',
  open: null,
  short: null,
};

/** Reading minus truth, K, at a true temperature; `electric` where the circuit takes part. */
export type ErrorAt = (true_c: number, electric: boolean) => number;

/** A stretch of a fault's size over which its likelihood is summed: equal steps of `u` carry equal prior weight. */
export interface FaultBranch {
  readonly fault: SenderFault;
  /** Share of the fault's own prior. */
  readonly share: number;
  readonly from: number;
  readonly to: number;
  /** Size in the unit of the fault. */
  readonly size: (u: number) => number;
  readonly errorOf: (u: number) => ErrorAt;
}

const clipped = (c: number): number => Math.min(RAILS_C[1], Math.max(RAILS_C[0], c));

function apparentOf(curve: SenderCurve, ohm: number): number {
  return ohm > 0 && ohm < Infinity ? clipped(senderCelsius(curve, ohm)) : ohm > 0 ? RAILS_C[0] : RAILS_C[1];
}

/**
 * The faults with one size, spread evenly over its logarithm: offsets of 1 to 35 K, plugs from a fiftieth of the hot
 * resistance to five times that at 20 °C, leaks from a tenth of that at 80 °C to fifty times the cold one, pull-ups off by
 * 3 % to a factor of 4. Shapes: work rule 28 (offset constant, series grows hot, leak grows cold).
 */
export function sizedFaults(curve: SenderCurve): readonly FaultBranch[] {
  const ohms = (c: number) => senderOhms(curve, c);
  const both = [1, -1] as const;
  const offsets = both.map((sign): FaultBranch => {
    const size = (u: number) => sign * Math.exp(u);
    return {
      fault: 'offset',
      share: 0.5,
      from: 0,
      to: Math.log(35),
      size,
      errorOf: (u) => (t) => clipped(t + size(u)) - t,
    };
  });
  const pullUps = both.map((sign): FaultBranch => {
    const factor = (u: number) => Math.exp(sign * Math.exp(u));
    return {
      fault: 'pull-up-drift',
      share: 0.5,
      from: Math.log(0.03),
      to: Math.log(Math.log(4)),
      size: (u) => 100 * (factor(u) - 1),
      // A higher pull-up lowers the pin's voltage: the unit takes the sender for smaller, so warmer.
      errorOf: (u) => (t, electric) => (electric ? apparentOf(curve, ohms(t) / factor(u)) - t : 0),
    };
  });
  const series: FaultBranch = {
    fault: 'series-resistance',
    share: 1,
    from: Math.log(0.02 * ohms(100)),
    to: Math.log(5 * ohms(20)),
    size: Math.exp,
    errorOf: (u) => (t) => apparentOf(curve, ohms(t) + Math.exp(u)) - t,
  };
  const leak: FaultBranch = {
    fault: 'parallel-leak',
    share: 1,
    from: Math.log(0.1 * ohms(80)),
    to: Math.log(50 * ohms(0)),
    size: Math.exp,
    errorOf: (u) => (t) => {
      const element = ohms(t);
      return apparentOf(curve, (element * Math.exp(u)) / (element + Math.exp(u))) - t;
    },
  };
  return [...offsets, series, leak, ...pullUps];
}

/** Standard deviations by which curves of other parts differ in level (natural logarithm) and steepness, K of beta. */
const OTHER_CURVE = { level: 1, steepness_k: 400 } as const;
/** Temperature about which steepness turns, K: the middle of what a sender sees. */
const PIVOT_K = 323;

/** A curve of another part: level and steepness against the expected one, in prior standard deviations. */
export const otherCurve =
  (curve: SenderCurve, level: number, steepness: number): ErrorAt =>
  (t) => {
    const inverse = 1 / (t + 273.15) - 1 / PIVOT_K;
    const factor = Math.exp(OTHER_CURVE.level * level + OTHER_CURVE.steepness_k * steepness * inverse);
    return apparentOf(curve, senderOhms(curve, t) * factor) - t;
  };

/** Errors of the other shipped families read on this curve. */
export function otherFamilies(curve: SenderCurve): readonly ErrorAt[] {
  return SENDER_FAMILIES.flatMap(({ id }) => {
    const built = buildCurve({ kind: 'family', family: id });
    if (!built.ok) return [];
    const error: ErrorAt = (t) => apparentOf(curve, senderOhms(built.value.curve, t)) - t;
    // The expected family is no wrong one.
    return [20, 60, 100].every((t) => Math.abs(error(t, false)) < 1) ? [] : [error];
  });
}
