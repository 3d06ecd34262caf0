import type { PastJob } from './pastJob';
import { counted, type Counted } from './reliability';

/** A kind of test, and how often the best act was another one after it. */
export interface TestRecord {
  readonly test: string;
  readonly changed: Counted;
}

/** Every test that the shop made before its repairs, the most used first. */
export function testRecords(jobs: readonly PastJob[]): TestRecord[] {
  const groups = new Map<string, { n: number; changed: number }>();
  for (const { test, changed } of jobs.flatMap((j) => j.tests)) {
    const group = groups.get(test) ?? { n: 0, changed: 0 };
    group.n++;
    if (changed) group.changed++;
    groups.set(test, group);
  }
  return [...groups]
    .map(([test, { n, changed }]) => ({ test, changed: counted(changed, n) }))
    .sort((a, b) => b.changed.n - a.changed.n || b.changed.hits - a.changed.hits);
}
