/** When the opening is due by the model, s from the start; past `stop_s` something is wrong. */
export interface OpeningWindow {
  readonly early_s: number;
  readonly late_s: number;
  readonly stop_s: number;
}

/** How much longer than the latest sound vehicle is waited: at least so long, at least so much of its time. */
const PATIENCE_S = 300;
const PATIENCE_SHARE = 0.4;

/** The window from the earliest and latest opening of drawn sound vehicles. */
export const openingWindow = (due: { readonly early: number; readonly late: number }): OpeningWindow => ({
  early_s: due.early,
  late_s: due.late,
  stop_s: due.late + Math.max(PATIENCE_S, PATIENCE_SHARE * due.late),
});

/** What the clock says of the opening. */
export function openingWords(
  window: OpeningWindow,
  elapsed_s: number,
): { readonly says: string; readonly stop: boolean } {
  const minute = (s: number) => Math.round(s / 60);
  const due = `minute ${minute(window.early_s)} to ${minute(window.late_s)}`;
  if (elapsed_s > window.stop_s) {
    return {
      says: `Due at ${due}, and nothing after ${minute(window.stop_s)}: stop and look. Valve, level, air, pump.`,
      stop: true,
    };
  }
  if (elapsed_s > window.late_s) {
    return {
      says: `Later than any sound one: was due at ${due}. Stop at minute ${minute(window.stop_s)}.`,
      stop: false,
    };
  }
  if (elapsed_s >= window.early_s) return { says: `Due now: ${due}.`, stop: false };
  return { says: `Due at ${due}; nothing after ${minute(window.stop_s)}: stop and look.`, stop: false };
}
