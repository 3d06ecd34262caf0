import { median } from 'd3-array';
import type { Cause } from '../../base';
import { type HypothesisFit, predictReading, type TraceProblem } from './traceFit';

/** How far a wrong sender's fit lifts the reading off the coolant once warm, K; absent for causes without such a fit. */
export type SenderShifts = Partial<Record<Cause, number>>;

/** Share of the drive before it counts as warm: the same as for the difference to other sensors. */
const WARM_AFTER = 0.4;

/** Shift of one fit: reading with its wiring against the same element read soundly. */
function shiftOf(problem: TraceProblem, { hypothesis, fit }: HypothesisFit): number {
  const read = Float64Array.from(predictReading(problem, hypothesis, fit.z));
  const soundly = { ...hypothesis };
  delete soundly.observe;
  const element = predictReading(problem, soundly, fit.z);
  const differences = read.map((v, k) => v - element[k]!).slice(Math.floor(WARM_AFTER * read.length));
  return median(differences) ?? 0;
}

/** Shifts that the best fit of each wrong sender needs: another sensor on the same coolant should show as much. */
export function senderShifts(problem: TraceProblem, fits: readonly HypothesisFit[]): SenderShifts {
  const shifts: SenderShifts = {};
  for (const cause of ['sender-reads-low', 'sender-reads-high'] as const) {
    const own = fits.filter((f) => f.hypothesis.cause === cause);
    if (own.length === 0) continue;
    shifts[cause] = shiftOf(
      problem,
      own.reduce((a, b) => (b.logEvidence > a.logEvidence ? b : a)),
    );
  }
  return shifts;
}
