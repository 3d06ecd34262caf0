import equal from 'fast-deep-equal';
import type { Trace, Vehicle } from '@/core/base';
import { workSpec, type WorkKind } from '@/core/case';
import { trendOf, type Trend } from '@/core/history';
import { interpolateTable } from '@/core/signal';
import type { Finding } from '@/core/judge';
import type { TraceRecord } from '@/storage/records';

/** What one trace of a vehicle showed, for its course over months. */
export interface DriftPoint {
  readonly traceId: string;
  /** When the drive was logged by its own clock where the log says, else when it was read in, ms. */
  readonly at: number;
  /** Mean of the last third, °C; null where it was not judged or the end cannot be trusted. */
  readonly settled_c: number | null;
  /** Reading at the opening by the best fit, °C; null where the judge does not have it open on that drive. */
  readonly opening_c: number | null;
  /** Reading of the sender after a soak less outside air, K; null where the drive did not start cold or air is not known. */
  readonly sender_k: number | null;
}

/** Share of the odds by which the judge must have it open on a drive. */
const OPENS_FROM = 0.5;

/** What the sender reads when the thermostat opens, °C; null where the judge does not have it open on that drive. */
function readsAtOpening_c({ opening, curves }: Finding): number | null {
  if (opening.at_s === null || opening.share < OPENS_FROM) return null;
  const value = interpolateTable(opening.at_s, Array.from(curves.time_s), Array.from(curves.best_c));
  return Number.isFinite(value) ? value : null;
}

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

/** Time at the start of a drive that air and coolant are read over, s. */
const START_S = 30;
/** Coolant above air by more than this has not soaked; it may read far below by a fault of the sender, K. */
const SOAKED_K = 8;

/** Mean of a channel over the first half minute; null where it was not logged. */
function atStart({ time_s }: Trace, values: Float64Array | undefined): number | null {
  const first = values?.filter((v, i) => Number.isFinite(v) && time_s[i]! - time_s[0]! <= START_S);
  return first && first.length > 0 ? first.reduce((a, b) => a + b, 0) / first.length : null;
}

/** What the sender reads against air after a night, K: its error when cold. */
export function senderWhenCold_k(trace: Trace): number | null {
  const air = atStart(trace, trace.channels.ambient_c) ?? atStart(trace, trace.channels.iat_c);
  const reads = atStart(trace, trace.channels.ect_c);
  if (air === null || reads === null || reads - air > SOAKED_K) return null;
  return reads - air;
}

/** Uncertainty of each reading: level by load and weather, opening by the fit, sender by how well it soaked, K. */
const SD_K = { settled_c: 1.5, opening_c: 1.5, sender_k: 1.5 } as const;
/** Coordinates of the vehicle that a part renews: a drift begins anew with it. */
const RENEWED_BY = { settled_c: 'opening', opening_c: 'opening', sender_k: 'senderOffset' } as const;

/** How level, opening and sender of a vehicle went since their part was last renewed. */
export function driftTrends(
  points: readonly DriftPoint[],
  works: readonly { readonly work: WorkKind; readonly at: number }[],
): Readonly<Record<keyof typeof SD_K, Trend>> {
  const trend = (key: keyof typeof SD_K): Trend => {
    const renewing = works.filter((w) => workSpec(w.work).renews.includes(RENEWED_BY[key]));
    const from = Math.max(-Infinity, ...renewing.map((w) => w.at));
    return trendOf(
      points.flatMap((p) => {
        const value = p[key];
        return value === null || p.at < from ? [] : [{ at: p.at, value, sd: SD_K[key] }];
      }),
    );
  };
  return { settled_c: trend('settled_c'), opening_c: trend('opening_c'), sender_k: trend('sender_k') };
}

/** Traces of a vehicle as points over time, oldest first. */
export function driftPoints(
  traces: readonly { readonly trace: TraceRecord; readonly finding: Finding | null }[],
): DriftPoint[] {
  return traces
    .map(({ trace, finding }) => {
      return {
        traceId: trace.id,
        at: drivenAt(trace),
        settled_c: finding && settledLevel_c(finding),
        opening_c: finding && readsAtOpening_c(finding),
        sender_k: senderWhenCold_k(trace.trace),
      };
    })
    .sort((a, b) => a.at - b.at);
}

/** True where two descriptions of a vehicle would be judged alike: what it is called does not matter to the judge. */
export function judgedAlike(a: Vehicle, b: Vehicle): boolean {
  return equal({ ...a, label: '' }, { ...b, label: '' });
}
