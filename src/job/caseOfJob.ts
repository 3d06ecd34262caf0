import { caseOf, type Case, type Figures } from '@/core/case';
import type { JobDetail } from '@/storage/jobs';
import type { FindingRecord, JobRecord, SummaryRecord, VehicleRecord } from '@/storage/records';

/** The case of a job as it is kept: the one place where entries, vehicle and findings meet. */
export const caseOfJob = (detail: JobDetail, findings: readonly FindingRecord[], figures: Figures): Case =>
  caseOf({
    vehicle: detail.vehicle.vehicle,
    senderPoints: detail.vehicle.senderPoints,
    entries: detail.entries,
    drives: new Map(findings.map((f) => [f.traceId, f.finding])),
    figures,
  });

/** Version of the way summaries are worked out: another one makes all of them anew. */
const WORKED_OUT_BY = 3;

/** What a summary was worked out from. */
export const summaryBasis = (job: JobRecord, vehicle: VehicleRecord, figuresChangedAt: number): string =>
  [WORKED_OUT_BY, job.revision, vehicle.updatedAt, figuresChangedAt].join(' ');

/** Whether the headline says what the work should have brought, which no drive has shown yet. */
export const expectedOnly = ({ headline, unproven }: Case): boolean => unproven && headline.family === 'sound';

/** What the list shows of a case. */
export const summaryOf = (job: JobRecord, basis: string, found: Case): SummaryRecord => ({
  jobId: job.id,
  basis,
  text: found.headline.text,
  share: found.headline.share,
  family: found.headline.family,
  empty: found.lines.length === 0 && found.drives.length === 0,
  expected: expectedOnly(found),
});
