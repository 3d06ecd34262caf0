import type { Cause } from '@/core/base';
import { causeName } from '@/core/evidence';
import type { PlanPrediction } from '@/core/planning';
import { causeLook } from '@/job/causeLook';
import type { Curve, Lane, Mark } from '@/ui/picture/lane';

const DASHES = ['0', '9 4', '3 3', '12 3 3 3', '6 2', '2 6'] as const;

/** Line style of the n-th cause in play: families share a colour, the dash tells their members apart. */
export const dashOf = (n: number): string => DASHES[n % DASHES.length]!;

/** Colour of a cause by its family. */
export const causeColour = (cause: Cause): string => causeLook(cause).colour;

/** Readings of a drive so far. */
export interface Readings {
  /** s from the start. */
  readonly time_s: ArrayLike<number>;
  readonly values: ArrayLike<number>;
}

/**
 * The predicted drive: sound band and the middle course of each cause in play, the stretch in which the opening is due,
 * and the limit.
 */
export function planLane(
  { time_s, bands, opening_s }: PlanPrediction,
  limit_c: number,
  readings: Readings | null,
): Lane {
  const limit: Mark = { kind: 'level', value: limit_c, colour: 'var(--color-error)', bold: true };
  const opening: readonly Mark[] = opening_s
    ? [{ kind: 'stretch', from_s: opening_s.early, to_s: opening_s.late }]
    : [];
  const courses = bands.map((b, i): Curve => ({
    ...{ label: causeName(b.cause).toLowerCase(), colour: causeColour(b.cause), dash: dashOf(i) },
    ...{ time_s, values: b.mid_c },
  }));
  const logged: readonly Curve[] = readings
    ? [{ label: 'logged', colour: 'var(--trace)', width: 4, logged: true, ...readings }]
    : [];
  const [sound] = bands;
  const band = { label: 'sound', colour: 'var(--family-sound)', time_s, low: sound!.low_c, high: sound!.high_c };
  return { bands: [band], curves: [...courses, ...logged], marks: [...opening, limit] };
}

/** What a picture of a predicted drive shows, for those who cannot see it. */
export const planTitle = ({ bands }: PlanPrediction): string =>
  `Predicted drive: ${bands.map((b) => causeName(b.cause)).join(', ')}`;
