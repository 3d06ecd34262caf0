import { perCause, type PerCause } from '../base';
import { catalogueItem, describeTest, openTests, proposeTest, type NextTest } from '../evidence';
import type { JudgeContext } from './judgeContext';

/** Tests named after one trace. */
const NAMED = 3;

/** What to do after one trace: log it right when it cannot tell, else the tests worth most per minute. */
export function nextForTrace(context: Pick<JudgeContext, 'causes' | 'vehicle' | 'quality'>): NextTest[] {
  const { vehicle, quality } = context;
  const probabilities: PerCause<number> = perCause(
    (cause) => context.causes.find((c) => c.cause === cause)?.probability ?? 0,
  );
  const tests = openTests(probabilities, vehicle).slice(0, NAMED).map(describeTest);
  if (quality.usable) return tests;
  const again = describeTest(proposeTest(catalogueItem('cold-start-log'), probabilities, vehicle));
  const relog: NextTest = { test: again.test, why: quality.problems.join(' ') };
  return [relog, ...tests.filter((t) => t.test !== relog.test)].slice(0, NAMED);
}
