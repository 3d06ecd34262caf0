import type { Vehicle } from '../../base';
import { MAP_DEFAULTS, type MapOptions } from '../../fit';
import { VEHICLE_PARAMETER_COUNT } from '../../twin';
import { HYPOTHESES, type Hypothesis, SOUND } from './hypotheses';
import type { JudgeProgress } from '../judgeProgress';
import { settleContenders } from './settleContenders';
import { fitHypothesis } from './fitHypothesis';
import { firstGuess, type HypothesisFit, type TraceProblem, vehiclePart } from './traceFit';

/** How many other causes' fits the sound vehicle is tried again from. */
const SOUND_RESTARTS = 4;
/** Where a fault leads the sound vehicle by more than this in log evidence, it is tried again from all of them. */
const ACCUSED_FROM = 2;
/** Faults this close to the best in log evidence are tried again from what others found. */
const CONTENDER_WITHIN = 30;
/** Faults, beside the sound vehicle, whose vehicle and drive the others are tried from. */
const DONORS = 3;
/** No step: only how good a start is. */
const JUST_LOOK: MapOptions = { ...MAP_DEFAULTS, maxIterations: 0 };
/** A restart must gain this much to count. */
const BETTER_BY = 0.05;

function better(a: HypothesisFit, b: HypothesisFit): HypothesisFit {
  return b.logEvidence > a.logEvidence + BETTER_BY ? b : a;
}

/** Fits one hypothesis from its own starting points, vehicle at its prior. */
function fitFresh(problem: TraceProblem, hypothesis: Hypothesis): HypothesisFit {
  return hypothesis.starts
    .map((start) => fitHypothesis(problem, hypothesis, firstGuess(problem, hypothesis, start)))
    .reduce(better);
}

/** The vehicle and drive found by another fit from which a fault, as severe as fitted, starts best. */
function bestStart(problem: TraceProblem, fit: HypothesisFit, donors: readonly HypothesisFit[]): Float64Array {
  const severity = fit.fit.z.slice(VEHICLE_PARAMETER_COUNT + problem.prior.knotCount);
  const looks = donors
    .filter((donor) => donor.hypothesis !== fit.hypothesis)
    .map((donor) => Float64Array.of(...vehiclePart(problem, donor), ...severity))
    .map((start) => ({ start, ...fitHypothesis(problem, fit.hypothesis, start, JUST_LOOK).fit }));
  return looks.reduce((a, b) => (b.objective < a.objective ? b : a)).start;
}

/** Best of the fits with different causes, leaving out `except`. */
function bestOthers(fits: readonly HypothesisFit[], except: Hypothesis, count: number): HypothesisFit[] {
  const sorted = fits.filter((f) => f.hypothesis !== except).sort((a, b) => b.logEvidence - a.logEvidence);
  return sorted
    .filter((f, i) => sorted.findIndex((g) => g.hypothesis.cause === f.hypothesis.cause) === i)
    .slice(0, count);
}

/**
 * Fits every hypothesis that applies. The bend at opening makes several valleys, so what one hypothesis learned of the
 * vehicle is tried by the others: the sound vehicle starts again from the best faults, and close faults from the best
 * of these.
 *
 * @returns one fit per hypothesis, the sound vehicle first
 */
export function* fitCauses(
  problem: TraceProblem,
  vehicle: Vehicle,
): Generator<JudgeProgress, HypothesisFit[], undefined> {
  const hypotheses = HYPOTHESES.filter((h) => h.applies?.(vehicle) ?? true);
  const of = hypotheses.length + 2;
  const fits: HypothesisFit[] = [];
  for (const hypothesis of hypotheses) {
    yield { done: fits.length, of, doing: hypothesis.cause };
    fits.push(fitFresh(problem, hypothesis));
  }
  yield { done: of - 2, of, doing: SOUND.cause };
  let sound = fits[0]!;
  const likely = bestOthers(fits, SOUND, SOUND_RESTARTS);
  for (const other of likely) sound = better(sound, fitHypothesis(problem, SOUND, vehiclePart(problem, other)));
  const best = Math.max(...fits.map((f) => f.logEvidence));
  if (best - sound.logEvidence > ACCUSED_FROM) {
    // Before a vehicle is accused, its defence is heard in full.
    const rest = fits.slice(1).filter((f) => !likely.includes(f));
    for (const other of rest) sound = better(sound, fitHypothesis(problem, SOUND, vehiclePart(problem, other)));
  }
  fits[0] = sound;
  const donors = [sound, ...bestOthers(fits, SOUND, DONORS)];
  for (let i = 1; i < fits.length; i++) {
    const fit = fits[i]!;
    if (fit.logEvidence < best - CONTENDER_WITHIN) continue;
    yield { done: of - 1, of, doing: fit.hypothesis.cause };
    const start = bestStart(problem, fit, donors);
    fits[i] = better(fit, fitHypothesis(problem, fit.hypothesis, start));
  }
  // What the others found since may serve the sound vehicle too.
  const [leader] = bestOthers(fits, SOUND, 1);
  if (leader) fits[0] = better(sound, fitHypothesis(problem, SOUND, vehiclePart(problem, leader)));
  yield* settleContenders(problem, fits, (doing) => ({ done: of - 1, of, doing }));
  return fits;
}
