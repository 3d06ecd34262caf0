/** Vertical extent of every temperature picture, °C: the same everywhere, so that it is learned once. */
export const SCALE_FROM_C = -30;
export const SCALE_TO_C = 135;

/** Height of the time axis below a temperature picture, px. */
export const TIME_AXIS = 26;

/** Position of a temperature on a scale of a given height, px from the top. */
export function scaleY(at_c: number, height: number): number {
  const share = (Math.min(SCALE_TO_C, Math.max(SCALE_FROM_C, at_c)) - SCALE_FROM_C) / (SCALE_TO_C - SCALE_FROM_C);
  return height * (1 - share);
}
