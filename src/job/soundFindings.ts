import type { Case, Figures } from '@/core/case';
import type { JobDetail } from '@/storage/jobs';
import type { FindingRecord } from '@/storage/records';
import { caseOfJob } from './caseOfJob';

/** A case, and the findings that no version of the judge wrote: they are left out of it, to be made again. */
export interface SoundCase {
  readonly case: Case;
  readonly broken: readonly string[];
}

const isBroken = (detail: JobDetail, finding: FindingRecord, figures: Figures): boolean => {
  try {
    caseOfJob(detail, [finding], figures);
    return false;
  } catch (error) {
    // A finding is plain data from a store or a file: whatever it lacks shows as an error of this kind.
    if (error instanceof TypeError || error instanceof RangeError) return true;
    throw error;
  }
};

/**
 * The case of a job, whatever its findings hold: one that cannot be read must not keep the job shut. Entries read
 * themselves and need none of this.
 */
export function soundCase(detail: JobDetail, findings: readonly FindingRecord[], figures: Figures): SoundCase {
  try {
    return { case: caseOfJob(detail, findings, figures), broken: [] };
  } catch (error) {
    const broken = findings.filter((f) => isBroken(detail, f, figures));
    if (broken.length === 0) throw error;
    const sound = findings.filter((f) => !broken.includes(f));
    return { case: caseOfJob(detail, sound, figures), broken: broken.map((f) => f.traceId) };
  }
}
