import type { PlantRun } from '../../src/core/plant';

/** Lift from which a valve counts as open, and the stretch of lift within which an opening is one that bends a trace. */
const OPEN_LIFT = 0.03;
const BEGINS_LIFT = 0.01;
const DONE_LIFT = 0.1;
const PROMPT_S = 120;
/** A valve that shuts again within this has not opened, s. */
const STAYS_S = 20;

/** First second from which a lift is reached and kept for a while; -1 when it never is. */
function reached(lift: Float64Array, at: number): number {
  return lift.findIndex((v, i) => v >= at && lift.slice(i, i + STAYS_S).every((w) => w >= at / 2));
}

/** True opening of a simulated drive, s, and whether it is prompt enough to bend a trace; null when it never opens. */
export function trueOpening({ lift }: PlantRun): { readonly at_s: number; readonly prompt: boolean } | null {
  const at_s = reached(lift, OPEN_LIFT);
  if (at_s < 0) return null;
  const begins = reached(lift, BEGINS_LIFT);
  const done = reached(lift, DONE_LIFT);
  return { at_s, prompt: done >= 0 && done - begins < PROMPT_S };
}

/** True first second at which the reading comes to a level from below; null when it does not. */
export function trueCrossing({ ect_c }: PlantRun, at_c: number): number | null {
  if (!(ect_c[0]! < at_c)) return null;
  const at = ect_c.findIndex((v) => v >= at_c);
  return at < 0 ? null : at;
}

/** Mean true reading over a stretch, °C. */
export function trueMean({ ect_c }: PlantRun, from_s: number, to_s: number): number {
  const part = ect_c.slice(Math.max(0, Math.round(from_s)), Math.min(ect_c.length, Math.round(to_s)));
  return part.reduce((a, b) => a + b, 0) / part.length;
}
