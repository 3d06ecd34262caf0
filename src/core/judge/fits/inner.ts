import {
  SOUND_WIRING,
  twinTruth,
  VEHICLE_PARAMETER_COUNT,
  type SenderWiring,
  type TwinFault,
  type TwinParameters,
} from '../../twin';
import { predictReading, type HypothesisFit, type TraceProblem } from './traceFit';

/** Lift from which a valve is called open: coolant begins to matter on the radiator's side. */
export const OPEN_FROM_LIFT = 0.03;

/** What the best fit says of the inside of a drive. Arrays have one entry per bin. */
export interface InnerDrive {
  readonly coolant_c: Float64Array;
  /** Valve lift, 0...1. */
  readonly lift: Float64Array;
  /** Coolant leaving the radiator. */
  readonly outlet_c: Float64Array;
  /** The fitted vehicle, its heat over the drive, its fault and the wiring of its sender: to run it again, changed. */
  readonly parameters: TwinParameters;
  readonly knots: Float64Array;
  readonly fault: TwinFault;
  readonly wiring: SenderWiring;
}

/** What the wiring of a hypothesis does to the reading. */
function wiringOf({ hypothesis, severity }: HypothesisFit): SenderWiring {
  switch (hypothesis.variant) {
    case 'offset':
      return { ...SOUND_WIRING, offset_k: severity[0]! };
    case 'series':
      return { ...SOUND_WIRING, series_ohm: severity[0]! };
    case 'parallel':
      return { ...SOUND_WIRING, parallel_ohm: severity[0]! };
    default:
      return SOUND_WIRING;
  }
}

/** Runs a fit once more and keeps what happens inside. */
export function innerDrive(problem: TraceProblem, best: HypothesisFit): InnerDrive {
  const truth = twinTruth(problem.inputs);
  const { prior } = problem;
  const { hypothesis, fit, severity } = best;
  predictReading(problem, hypothesis, fit.z, truth);
  return {
    coolant_c: truth.coolant_c,
    lift: truth.lift,
    outlet_c: truth.radiator_c,
    parameters: prior.toParameters(fit.z),
    knots: Float64Array.from(
      prior.toKnots(fit.z.subarray(VEHICLE_PARAMETER_COUNT, VEHICLE_PARAMETER_COUNT + prior.knotCount)),
    ),
    fault: hypothesis.toFault(severity),
    wiring: wiringOf(best),
  };
}

/** First moment at which a lift passes {@link OPEN_FROM_LIFT}, s; null when it never does. Lift is that of a bin's end. */
export function opensAt_s(lift: Float64Array, bin_s: number): number | null {
  const k = lift.findIndex((l) => l >= OPEN_FROM_LIFT);
  if (k < 0) return null;
  const before = k > 0 ? lift[k - 1]! : 0;
  return (k + (OPEN_FROM_LIFT - before) / (lift[k]! - before || 1)) * bin_s;
}

/** When the valve begins to open, over all ways of explaining the drive. */
export interface Opening {
  /** Share of the odds that it opens at all on this drive. */
  readonly share: number;
  /** Mean and spread between the ways in which it opens, s; null when none does. */
  readonly at_s: number | null;
  readonly sd_s: number;
}

/**
 * The moment of opening averaged over the fits by what speaks for each.
 *
 * @param support log weight of each fit
 */
export function openingOf(
  problem: TraceProblem,
  fits: readonly HypothesisFit[],
  support: (fit: HypothesisFit) => number,
): Opening {
  const truth = twinTruth(problem.inputs);
  const best = Math.max(...fits.map(support));
  let all = 0;
  let opens = 0;
  let sum = 0;
  let squares = 0;
  for (const fit of fits) {
    const weight = Math.exp(support(fit) - best);
    all += weight;
    if (weight < 1e-4) continue;
    predictReading(problem, fit.hypothesis, fit.fit.z, truth);
    const at_s = opensAt_s(truth.lift, problem.bin_s);
    if (at_s === null) continue;
    opens += weight;
    sum += weight * at_s;
    squares += weight * at_s ** 2;
  }
  if (opens === 0) return { share: 0, at_s: null, sd_s: 0 };
  const mean = sum / opens;
  return { share: opens / all, at_s: mean, sd_s: Math.sqrt(Math.max(0, squares / opens - mean ** 2)) };
}
