import type { WorkKind } from '../case';
import type { FittedPart, PastJob } from './pastJob';
import { counted, type Counted } from './reliability';

/** Parts of one kind, source and rating, and how many came back. */
export interface PartRecord {
  readonly work: WorkKind;
  readonly source: FittedPart['source'];
  readonly rated_c: number | null;
  readonly cameBack: Counted;
}

const YEAR_MS = 365.25 * 86_400_000;
/** The same work on the same car within so long: the part came back. */
const BACK_WITHIN_MS = 2 * YEAR_MS;

/** True where the same work was done again on that vehicle later. */
function cameBack(part: FittedPart, vehicleId: string, jobs: readonly PastJob[]): boolean {
  return jobs.some(
    (j) =>
      j.vehicleId === vehicleId &&
      j.works.some((w) => w.work === part.work && w.at > part.at && w.at - part.at <= BACK_WITHIN_MS),
  );
}

/** Every part that the shop fitted, by work, source and rating; those that came back most often first. */
export function partRecords(jobs: readonly PastJob[]): PartRecord[] {
  const groups = new Map<string, { part: FittedPart; n: number; back: number }>();
  for (const { vehicleId, parts } of jobs) {
    // The main part of a work stands for it: its seal comes along.
    const main = parts.filter((p, i) => parts.findIndex((q) => q.work === p.work) === i);
    for (const part of main) {
      const key = `${part.work} ${part.source} ${part.rated_c}`;
      const group = groups.get(key) ?? { part, n: 0, back: 0 };
      group.n++;
      if (cameBack(part, vehicleId, jobs)) group.back++;
      groups.set(key, group);
    }
  }
  return [...groups.values()]
    .map(({ part: { work, source, rated_c }, n, back }) => ({ work, source, rated_c, cameBack: counted(back, n) }))
    .sort((a, b) => b.cameBack.hits - a.cameBack.hits || b.cameBack.n - a.cameBack.n);
}
