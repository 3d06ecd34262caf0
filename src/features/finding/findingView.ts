import { causeName } from '@/core/evidence';
import type { Finding } from '@/core/judge';
import { causeLook } from '@/job/causeLook';
import { besideCurves, measuredCurve } from '@/job/driveCurves';
import type { TraceRecord } from '@/storage/records';
import type { Band, Curve, Lane } from '@/ui/picture/lane';

/** The curves of a judged drive by what they are. */
export interface FindingLane extends Lane {
  readonly measured: Curve;
  readonly best: Curve;
  readonly sound: Band;
}

/**
 * What the picture of a finding shows: measured and best cause's reading over the band of a sound vehicle, with a
 * second log where there is one.
 */
export function findingLane(record: Pick<TraceRecord, 'trace' | 'companion'>, finding: Finding): FindingLane {
  const { time_s, healthyLow_c, healthyHigh_c, best_c } = finding.curves;
  const { cause } = finding.verdict;
  const measured = measuredCurve(record.trace);
  const beside = record.companion ? besideCurves(record.companion) : [];
  const best: Curve = {
    ...{ label: `best fit: ${causeName(cause).toLowerCase()}`, colour: causeLook(cause).colour, dash: '8 4' },
    ...{ time_s, values: best_c },
  };
  const sound: Band = {
    ...{ label: 'sound vehicle, 8 in 10 fall inside', colour: 'var(--family-sound)' },
    ...{ time_s, low: healthyLow_c, high: healthyHigh_c },
  };
  return { measured, best, sound, bands: [sound], curves: [best, ...beside, measured] };
}
