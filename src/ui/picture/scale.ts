/** Vertical extent of every temperature picture, °C: the same everywhere, so that it is learned once. */
export const SCALE_FROM_C = -30;
export const SCALE_TO_C = 135;

/** Height of the time axis below a temperature picture, px. */
export const TIME_AXIS = 26;
/** Room right of a plot, px, the same in every lane: half of a label such as `120 min` stands there. */
export const PLOT_RIGHT = 24;

/** Position of a temperature on a scale of a given height, px from the top. */
export function scaleY(at_c: number, height: number): number {
  const share = (Math.min(SCALE_TO_C, Math.max(SCALE_FROM_C, at_c)) - SCALE_FROM_C) / (SCALE_TO_C - SCALE_FROM_C);
  return height * (1 - share);
}

/** A mark on a vehicle's temperature scale. */
export interface ScaleMark {
  readonly at_c: number;
  readonly label: string;
}

/** Least distance between two labels, px. */
export const LABEL_GAP = 15;
/** Room that a label needs above and below its middle, px. */
export const LABEL_HALF = 6;

/** Moves labels apart, from the top down and back up, keeping their order. */
export function spreadLabels(
  marks: readonly ScaleMark[],
  height: number,
): { mark: ScaleMark; y: number; labelY: number }[] {
  const placed = [...marks]
    .sort((a, b) => b.at_c - a.at_c)
    .map((mark) => ({
      mark,
      y: scaleY(mark.at_c, height),
      labelY: Math.max(LABEL_HALF, scaleY(mark.at_c, height)),
    }));
  for (let i = 1; i < placed.length; i++) {
    placed[i]!.labelY = Math.max(placed[i]!.labelY, placed[i - 1]!.labelY + LABEL_GAP);
  }
  for (let i = placed.length - 1; i >= 0; i--) {
    const floor = i === placed.length - 1 ? height - LABEL_HALF : placed[i + 1]!.labelY - LABEL_GAP;
    placed[i]!.labelY = Math.min(placed[i]!.labelY, floor);
  }
  return placed;
}

const STEPS = [1 / 12, 1 / 6, 0.5, 1, 2, 5, 10, 15, 30, 60] as const;

/** Round figures for an axis across from one end to the other: at most nine of them. */
export function timeTicks(from: number, to: number): number[] {
  const step = STEPS.find((s) => (to - from) / s <= 8) ?? 120 * Math.max(1, Math.ceil((to - from) / 960));
  const first = Math.ceil(from / step - 1e-9);
  const count = Math.max(0, Math.floor(to / step + 1e-9) - first + 1);
  return Array.from({ length: count }, (_, i) => (first + i) * step);
}
