/**
 * Ethylene glycol in water: freezing and boiling point at 101.325 kPa by volume share.
 * Source: ASHRAE Handbook, Fundamentals, chapter on physical properties of secondary coolants.
 */
export const GLYCOL_VOLUME_PCT = [
  0, 8.9, 18.1, 22.9, 27.7, 32.6, 37.5, 42.5, 47.6, 52.7, 57.8, 78.9, 84.3, 89.7, 95,
] as const;

/** Freezing point, °C, one per entry of {@link GLYCOL_VOLUME_PCT}. */
export const FREEZING_C = [
  0, -3.2, -7.8, -10.7, -14.1, -17.9, -22.3, -27.5, -33.8, -41.1, -48.3, -46.8, -36.9, -29.8, -19.4,
] as const;

/** Boiling point at 101.325 kPa, °C, one per entry of {@link GLYCOL_VOLUME_PCT}. */
export const BOILING_C = [
  100, 101.1, 102.2, 103.3, 104.4, 105.0, 105.6, 106.7, 107.2, 108.3, 110.0, 123.9, 133.9, 140.6, 158.3,
] as const;
