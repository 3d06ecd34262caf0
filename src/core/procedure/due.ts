/** Time before its minute at which something comes to the front, s. */
const AHEAD_S = 45;

/**
 * What to ask for now: the first thing whose time has come or is near, else the next to come; null when none is left.
 *
 * @param open things that are not done, in the order of their times
 */
export function nextDue<T extends { readonly at_s: number }>(
  open: readonly T[],
  elapsed_s: number,
): { readonly it: T; readonly isDue: boolean } | null {
  const due = open.find((c) => elapsed_s >= c.at_s - AHEAD_S);
  const it = due ?? open[0];
  return it ? { it, isDue: due !== undefined } : null;
}
