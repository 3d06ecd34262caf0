import type { Case } from '../case';

/** A drive by its trace and time. */
export interface DatedDrive {
  readonly traceId: string;
  readonly at: number;
}

/**
 * The drive that showed the fault and the one that is to prove the repair: the last that counts before the first work,
 * the last that counts after the last. Either is null where there is none; without work the last drive stands alone.
 */
export function pickPair(
  drives: Case['drives'],
  worksAt: readonly number[],
): { readonly before: DatedDrive | null; readonly after: DatedDrive | null } {
  const counted = drives.filter((d) => d.counts);
  const first = worksAt.length > 0 ? Math.min(...worksAt) : Infinity;
  const last = worksAt.length > 0 ? Math.max(...worksAt) : -Infinity;
  const dated = (d: Case['drives'][number] | undefined) => (d ? { traceId: d.traceId, at: d.at } : null);
  const before = worksAt.length > 0 ? dated(counted.findLast((d) => d.at < first)) : null;
  return { before, after: dated(counted.findLast((d) => d.at >= last)) };
}
