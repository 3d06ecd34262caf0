import { deviation, max } from 'd3-array';
import type { PlacedReading } from './reading';

/** Water at the start that far below the stamp must find a sound valve shut, K. */
export const COLD_BELOW_K = 12;
/** Lift, mm, above which a valve has moved, and shares of full lift called open wide. */
const MOVED_MM = 0.5;
const WIDE_SHARE = 0.3;

/** What was seen of the valve, in plain numbers. */
export interface Seen {
  readonly count: number;
  /** Moved after having been shut. */
  readonly moved: boolean;
  /** Index of the first reading at which it had moved, or, of one that was only seen to shut, at which it was shut. */
  readonly firstMoved: number;
  /** It was open at some time, whatever came before. */
  readonly everOpen: boolean;
  /** An eye called it fully open. */
  readonly saysOpen: boolean;
  /** Came shut again after moving. */
  readonly reseated: boolean;
  /** Began to shut after moving: some of the closing curve was seen. */
  readonly closing: boolean;
  readonly shutAtStart: boolean | null;
  readonly wideAtStart: boolean;
  readonly liftSeen_mm: number | null;
}

/**
 * Lift above which a valve has moved, mm: well above the scatter of the readings while it must be shut, so that a rule
 * that slips is no movement.
 */
function movedFrom_mm(readings: readonly PlacedReading[], rated_c: number): number {
  const cold = readings.flatMap((r) => (r.lift_mm !== null && r.water_c < rated_c - COLD_BELOW_K ? [r.lift_mm] : []));
  const scatter = cold.length >= 4 ? (deviation(cold.map((l) => Math.min(l, WIDE_SHARE * 8))) ?? 0) : 0;
  return Math.max(MOVED_MM, 3.5 * scatter);
}

/** What can be seen without any model: did it move, when first, did it shut again. */
export function lookAtValve(readings: readonly PlacedReading[], rated_c: number): Seen {
  const moved_mm = movedFrom_mm(readings, rated_c);
  const looked = readings.flatMap((r, i) => (r.lift_mm === null && r.state === null ? [] : [{ i, r }]));
  const above = (r: PlacedReading | undefined, mm: number) =>
    r !== undefined && (r.lift_mm !== null ? r.lift_mm > mm : r.state !== 'closed');
  // A lift counts as movement when the next reading says so too, or by its size.
  const seen = looked.map(({ i, r }, k) => ({
    ...{ i, r },
    open:
      above(r, moved_mm) && (k === looked.length - 1 || above(looked[k + 1]!.r, moved_mm) || above(r, 3 * moved_mm)),
  }));
  const liftSeen_mm = max(seen, (s) => s.r.lift_mm ?? undefined) ?? null;
  const shutFrom = seen.findIndex((s) => !s.open);
  const firstMoved = seen.findIndex((s, k) => s.open && shutFrom >= 0 && k > shutFrom);
  const firstOpen = seen.findIndex((s) => s.open);
  // One that was put in hot is seen to shut only.
  const firstShut = firstOpen === 0 ? seen.findIndex((s) => !s.open) : -1;
  const turned = firstMoved >= 0 ? firstMoved : firstShut;
  const after = firstMoved >= 0 ? seen.slice(firstMoved) : firstShut >= 0 ? seen : [];
  const start = seen.find((s) => s.r.water_c < rated_c - COLD_BELOW_K);
  const wide = ({ r }: { readonly r: PlacedReading }) =>
    r.state === 'open' || (r.lift_mm !== null && r.lift_mm > WIDE_SHARE * Math.max(7, liftSeen_mm ?? 0));
  const levels = after.filter((s) => s.r.lift_mm !== null).map((s) => s.r.lift_mm!);
  return {
    count: seen.length,
    moved: turned >= 0,
    firstMoved: turned < 0 ? -1 : seen[turned]!.i,
    everOpen: seen.some((s) => s.open),
    saysOpen: after.some((s) => s.r.state === 'open'),
    reseated: after.some((s) => !s.open),
    closing:
      after.some((s) => !s.open) ||
      (levels.length > 0 && levels.at(-1)! < 0.8 * Math.max(...levels)) ||
      after.some((s, k) => s.r.state === 'moving' && after[k - 1]?.r.state === 'open'),
    shutAtStart: start ? !start.open : null,
    wideAtStart: start !== undefined && wide(start),
    liftSeen_mm,
  };
}
