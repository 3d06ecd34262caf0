/** How a gauge shows temperature: where its needle leaves the cold mark, rests in the middle, and reaches the red. */
export interface GaugeScale {
  readonly cold_c: number;
  /** The dead band: between these the needle stands in the middle. */
  readonly from_c: number;
  readonly to_c: number;
  readonly red_c: number;
}

/** A gauge with a wide dead band, as many have. An example, no maker's. */
export const USUAL_GAUGE: GaugeScale = { cold_c: 50, from_c: 75, to_c: 108, red_c: 120 };

/** Share of the scale at the middle and at the red. */
const MIDDLE = 0.5;

/** Where the needle stands, as a share of its scale: 0 cold, 0.5 middle, 1 red. @param feels_c what its sender feels */
export function needleAt({ cold_c, from_c, to_c, red_c }: GaugeScale, feels_c: number): number {
  if (feels_c <= cold_c) return 0;
  if (feels_c < from_c) return (MIDDLE * (feels_c - cold_c)) / (from_c - cold_c);
  if (feels_c <= to_c) return MIDDLE;
  return Math.min(1, MIDDLE + ((1 - MIDDLE) * (feels_c - to_c)) / (red_c - to_c));
}
