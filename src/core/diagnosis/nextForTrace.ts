import { CAUSES, type Cause } from '../base';
import { catalogueItem } from './catalogue/catalogue';
import type { JudgeContext } from './judgeContext';
import type { NextTest } from './finding';
import { bestTests, describeTest, proposeTest } from './nextTest';

/** What to do after one trace: log it right when it cannot tell, else the tests worth most per minute. */
export function nextForTrace(context: JudgeContext): NextTest[] {
  const probabilities = Object.fromEntries(CAUSES.map((c) => [c, 0])) as Record<Cause, number>;
  for (const { cause, probability } of context.causes) probabilities[cause] = probability;
  const tests = bestTests(probabilities, context.vehicle).map(describeTest);
  if (context.quality.usable) return tests;
  const again = describeTest(proposeTest(catalogueItem('cold-start-log'), probabilities, context.vehicle));
  const relog: NextTest = { test: again.test, why: context.quality.problems.join(' ') };
  return [relog, ...tests.filter((t) => t.test !== relog.test)].slice(0, 3);
}
