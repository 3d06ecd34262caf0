import { CAUSE_PLACE, type Cause, type ChannelSet } from '../../src/core/base';
import { caseOf, type DriveEntry } from '../../src/core/case';
import { gradeOf, type DriveEvidence, type Grade, type Odds } from '../../src/core/evidence';
import { judgeNow } from '../../src/core/judge';
import { drawScenario, type Scenario } from '../../src/core/plant';
import { requestFor, type ExamRequest } from './case';

/** What one way of judging says of a car. */
export interface PairVerdict {
  readonly verdict: Cause;
  readonly probability: number;
  readonly grade: Grade;
  /** Probability of what is true; a sound car is either kind of sound. */
  readonly ofTruth: number;
}

/** Two drives of one car: what each alone says, both chained, and both added as if they were of two cars. */
export interface PairCase {
  readonly seed: number;
  readonly truth: Cause;
  readonly channelSet: ChannelSet;
  /** The larger effect of the two drives, K RMS. */
  readonly effect_k: number;
  readonly first: PairVerdict;
  readonly second: PairVerdict;
  readonly chained: PairVerdict;
  readonly added: PairVerdict;
}

const isSound = (cause: Cause): boolean => CAUSE_PLACE[cause].family === 'sound';

function verdictOf(odds: readonly Odds[], truth: Cause): PairVerdict {
  const leader = odds[0]!;
  const ofTruth = odds
    .filter((o) => o.cause === truth || (isSound(truth) && isSound(o.cause)))
    .reduce((sum, o) => sum + o.probability, 0);
  return { verdict: leader.cause, probability: leader.probability, grade: gradeOf(odds), ofTruth };
}

const SECOND_SEED = 7_000_000;

/** Draws a car, drives it twice on other days and roads, and judges: alone, chained, added. */
export function runPair(index: number, exam: Omit<ExamRequest, 'count'>): PairCase {
  const request = { ...requestFor(index, exam), hotStart: false };
  const asked = request.cause === 'gauge-sender-fault' ? { ...request, channelSet: 'full' as const } : request;
  const one = drawScenario(asked);
  const { vehicle, body, fault, channelSet } = one;
  const two = drawScenario({ ...asked, seed: asked.seed + SECOND_SEED, vehicle, same: { body, fault } });
  const findings = [one, two].map((s: Scenario) => judgeNow(s.trace, vehicle));
  const entries = findings.map((_, i): DriveEntry => ({
    id: `${i}`,
    at: i,
    kind: 'drive',
    traceId: `${i}`,
    leftOut: '',
  }));
  const odds = (count: readonly number[], bases: readonly string[]) => {
    const drives = new Map<string, DriveEvidence>(findings.map((f, i) => [`${i}`, { ...f, basis: bases[i]! }]));
    return caseOf({ vehicle, senderPoints: [], entries: count.map((i) => entries[i]!), drives }).now;
  };
  const same = ['one', 'one'];
  // The truth of a sound car is of a drive; the fault is of the car.
  const truth = isSound(one.cause) ? two.cause : one.cause;
  return {
    seed: one.seed,
    truth,
    channelSet,
    effect_k: Math.max(one.effect_k, two.effect_k),
    first: verdictOf(odds([0], same), truth),
    second: verdictOf(odds([1], same), truth),
    chained: verdictOf(odds([0, 1], same), truth),
    added: verdictOf(odds([0, 1], ['one', 'other']), truth),
  };
}
