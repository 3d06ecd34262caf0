import { CAUSES, type Cause } from '../../src/core/base';
import { lookAtDrive } from '../../src/core/desk';
import { judgeNow } from '../../src/core/judge';
import { drawScenario } from '../../src/core/plant';
import { trueCrossing, trueMean, trueOpening } from './featureTruth';

/** Disturbed readings have no truth to hold a figure against. */
const WITHOUT_TRUTH: readonly Cause[] = ['sender-intermittent', 'sender-stuck', 'low-coolant-or-air'];

/** One figure against the truth. */
export interface FeatureError {
  readonly seed: number;
  readonly cause: Cause;
  readonly name: 'bend' | 'opening-time' | 'plateau' | 'minutes-to-60';
  /** Told minus true: °C or s. */
  readonly error: number;
  /** Stated uncertainty in the same unit. */
  readonly sd: number;
  /** True where the truth has what the figure is about. */
  readonly exists: boolean;
}

/** How many drives had a prompt opening, and on how many of those a bend was told. */
export interface FeatureExam {
  readonly errors: readonly FeatureError[];
  readonly promptOpenings: number;
  readonly bendsTold: number;
}

/** Measures simulated drives and holds the figures against what really happened. */
export function featureExam(seeds: readonly number[]): FeatureExam {
  const causes = CAUSES.filter((c) => !WITHOUT_TRUTH.includes(c));
  const errors: FeatureError[] = [];
  let promptOpenings = 0;
  let bendsTold = 0;
  seeds.forEach((seed, i) => {
    const drawn = drawScenario({ seed, cause: causes[i % causes.length]! });
    const { run, trace, vehicle, cause } = drawn;
    const finding = judgeNow(trace, vehicle);
    const look = lookAtDrive(trace, vehicle, { opening: finding.opening, belowRating_k: 11, limit_c: 118 });
    const told = (name: string) => look.features.find((f) => f.name === name)!.told;
    const add = (name: FeatureError['name'], error: number, sd: number, exists: boolean) =>
      errors.push({ seed, cause, name, error, sd, exists });
    const opening = trueOpening(run);
    const bend = told('bend');
    const opens = told('opening-time');
    if (opening?.prompt) promptOpenings++;
    if (bend && opens) {
      if (opening?.prompt) bendsTold++;
      const bend_s = opens.value * 60;
      add('opening-time', opening ? bend_s - opening.at_s : Infinity, opens.sd * 60, opening?.prompt ?? false);
      const truth_c = opening ? trueMean(run, opening.at_s - 1, opening.at_s + 2) : -Infinity;
      add('bend', bend.value - truth_c, bend.sd, opening?.prompt ?? false);
    }
    const level = told('plateau');
    if (level && level.to_s - level.from_s > 0) {
      // Only where it was read from one piece: the truth is averaged over the same seconds.
      const told_s = level.to_s - level.from_s;
      if (told_s <= 601) add('plateau', level.value - trueMean(run, level.from_s, level.to_s), level.sd, true);
    }
    const to60 = told('minutes-to-60');
    const true60 = trueCrossing(run, 60);
    if (to60)
      add('minutes-to-60', true60 === null ? Infinity : to60.value * 60 - true60, to60.sd * 60, true60 !== null);
  });
  return { errors, promptOpenings, bendsTold };
}

/** Share of figures within a tolerance, and within twice their own stated uncertainty. */
export function withinTolerance(errors: readonly FeatureError[], name: FeatureError['name'], tolerance: number) {
  const own = errors.filter((e) => e.name === name && e.exists);
  const share = (holds: (e: FeatureError) => boolean) => own.filter(holds).length / Math.max(1, own.length);
  return {
    count: own.length,
    within: share((e) => Math.abs(e.error) <= tolerance),
    covered: share((e) => Math.abs(e.error) <= 2 * e.sd),
  };
}
