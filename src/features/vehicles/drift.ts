import equal from 'fast-deep-equal';
import type { Vehicle } from '@/core/base';
import type { Finding } from '@/core/judge';
import type { TraceRecord } from '@/storage/records';

/** What one trace of a vehicle showed, for its course over months. */
export interface DriftPoint {
  readonly traceId: string;
  /** When the drive was logged by its own clock where the log says, else when it was read in, ms. */
  readonly at: number;
  /** Mean of the last third, °C; null where it was not judged or the end cannot be trusted. */
  readonly settled_c: number | null;
  /** Opening temperature of the best fit, °C; null where the drive says nothing of it. */
  readonly opening_c: number | null;
}

/** An opening that a fit has not moved from its prior by this much of its spread was not seen on the drive. */
const SEEN_FROM_Z = 0.05;

/** Mean of the last third of the measured curve, °C. */
export function settledLevel_c(finding: Finding): number | null {
  const measured = Array.from(finding.curves.measured_c);
  const late = measured.slice(Math.floor((2 * measured.length) / 3)).filter(Number.isFinite);
  return late.length === 0 ? null : late.reduce((a, b) => a + b, 0) / late.length;
}

/** When a trace was driven. */
function drivenAt({ importedAt, report }: TraceRecord): number {
  const { clock } = report;
  return clock?.kind === 'date' ? clock.start_s * 1000 : importedAt;
}

/** Traces of a vehicle as points over time, oldest first. */
export function driftPoints(
  traces: readonly { readonly trace: TraceRecord; readonly finding: Finding | null }[],
): DriftPoint[] {
  return traces
    .map(({ trace, finding }) => {
      const opening = finding?.parameters.find((p) => p.name === 'opening');
      return {
        traceId: trace.id,
        at: drivenAt(trace),
        settled_c: finding && settledLevel_c(finding),
        opening_c: opening && Math.abs(opening.z) > SEEN_FROM_Z ? opening.value : null,
      };
    })
    .sort((a, b) => a.at - b.at);
}

/** True where two descriptions of a vehicle would be judged alike: what it is called does not matter to the judge. */
export function judgedAlike(a: Vehicle, b: Vehicle): boolean {
  return equal({ ...a, label: '' }, { ...b, label: '' });
}
