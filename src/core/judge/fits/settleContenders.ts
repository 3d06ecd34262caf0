import type { Cause } from '../../base';
import { MAP_DEFAULTS, type MapOptions } from '../../fit';
import { type Hypothesis, SOUND } from './hypotheses';
import type { JudgeProgress } from '../judgeProgress';
import { fitHypothesis, withSampledEvidence } from './fitHypothesis';
import { type HypothesisFit, type TraceProblem, vehiclePart } from './traceFit';
import { effect_k, effectAt_k } from './visibility';

/** Faults this close to the best, and the sound vehicle, are fitted to the bottom of their valley and sampled. */
const CONTENDER_WITHIN = 12;

/** Derivatives fresh at every step, finer, and stopped later: for the few fits on which the verdict rests. */
const POLISH: MapOptions = {
  ...MAP_DEFAULTS,
  maxIterations: 15,
  tolerance: 0.01,
  differenceStep: 0.03,
  refreshEvery: 1,
};

/**
 * Pairs of samples per contender. With so many the evidence of one cause against another is within about 0.3 of that of
 * thousands; where heat and road are unknown the valleys are more bent and take more.
 */
const PAIRS = 48;
const PAIRS_UNKNOWN_HEAT = 192;

/** Coordinates of a severity: mild, middling, severe. */
const SEVERITIES_TRIED = [-1.5, 0, 1.5];

/** A fault that moves the reading by less than this, K RMS, is the sound vehicle on this drive. */
const SAME_READING_K = 0.03;

/** True for a fault that would change nothing on the drive of the sound vehicle, however severe. */
function isInert(problem: TraceProblem, hypothesis: Hypothesis, sound: HypothesisFit): boolean {
  const common = vehiclePart(problem, sound);
  return SEVERITIES_TRIED.every((severity) => {
    const z = Float64Array.of(...common, ...hypothesis.severities.map(() => severity));
    return effectAt_k(problem, hypothesis, z) < SAME_READING_K;
  });
}

/**
 * Takes the fits between which the verdict lies to the bottom of their valleys and samples their evidence. What happens
 * to a sound vehicle under a fault that changes nothing on this drive is not worked out twice.
 *
 * @param fits one per hypothesis, the sound vehicle first; replaced in place
 * @param at makes the report of where the judgement stands
 */
export function* settleContenders(
  problem: TraceProblem,
  fits: HypothesisFit[],
  at: (doing: Cause) => JudgeProgress,
): Generator<JudgeProgress, void, undefined> {
  const pairs = problem.inputs.unknownDrive ? PAIRS_UNKNOWN_HEAT : PAIRS;
  const settle = (fit: HypothesisFit): HypothesisFit => {
    // The bottom counts even where its valley is narrower than the slope above it: evidence is taken at the bottom.
    const polished = fitHypothesis(problem, fit.hypothesis, fit.fit.z, POLISH);
    return withSampledEvidence(problem, polished.fit.objective < fit.fit.objective ? polished : fit, pairs);
  };
  yield at(SOUND.cause);
  // A fault that changes nothing on this drive, such as a dead fan on a cold motorway, is the sound vehicle again.
  const inert = fits.map((fit) => fit.hypothesis !== SOUND && effect_k(problem, fit) < SAME_READING_K);
  let best = fits[0]!;
  fits.forEach((fit, i) => {
    if (inert[i] && fit.fit.objective < best.fit.objective) best = fit;
  });
  const sound = (fits[0] = settle(best === fits[0] ? best : fitHypothesis(problem, SOUND, vehiclePart(problem, best))));
  let leader = sound.logEvidence;
  // Best first: how far the best one really reaches tells which of the rest can still matter.
  const order = fits.map((_, i) => i).slice(1);
  order.sort((a, b) => fits[b]!.logEvidence - fits[a]!.logEvidence);
  for (const i of order) {
    const fit = fits[i]!;
    if (fit.logEvidence < leader - CONTENDER_WITHIN) break;
    yield at(fit.hypothesis.cause);
    const settled =
      inert[i] && isInert(problem, fit.hypothesis, sound) ? { ...fit, logEvidence: sound.logEvidence } : settle(fit);
    leader = Math.max(leader, settled.logEvidence);
    fits[i] = settled;
  }
}
