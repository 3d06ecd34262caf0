/** The two glycols of engine coolants. */
export const GLYCOLS = ['ethylene', 'propylene'] as const;

/** Kind of glycol. */
export type Glycol = (typeof GLYCOLS)[number];

/** Freezing and boiling points of a glycol in water at 101.325 kPa by its share of the volume. */
export interface GlycolTable {
  readonly volume_pct: readonly number[];
  /** First crystals, °C; of propylene glycol past 60 % the temperature at which it is too thick to pump. */
  readonly freezing_c: readonly number[];
  readonly boiling_c: readonly number[];
  /** Share with the lowest freezing point, %. */
  readonly best_pct: number;
  readonly source: string;
}

/** Where the figures come from, as shown beside them. */
const SECONDARY_COOLANTS = 'ASHRAE Handbook, Fundamentals, chapter on physical properties of secondary coolants';

/** Tables by glycol. */
export const GLYCOL_TABLES: Readonly<Record<Glycol, GlycolTable>> = {
  ethylene: {
    // The table has nothing between 57.8 and 78.9 %; the freezing point turns near 68 % and is about -50 °C at 60 %.
    volume_pct: [0, 8.9, 18.1, 22.9, 27.7, 32.6, 37.5, 42.5, 47.6, 52.7, 57.8, 68, 78.9, 84.3, 89.7, 95, 100],
    freezing_c: [
      0, -3.2, -7.8, -10.7, -14.1, -17.9, -22.3, -27.5, -33.8, -41.1, -48.3, -52, -46.8, -36.9, -29.8, -19.4, -13,
    ],
    boiling_c: [
      100, 101.1, 102.2, 103.3, 104.4, 105, 105.6, 106.7, 107.2, 108.3, 110, 114.9, 123.9, 133.9, 140.6, 158.3, 197.3,
    ],
    best_pct: 68,
    source: `${SECONDARY_COOLANTS}; turning point near 68 % and pure glycol from its data sheets`,
  },
  propylene: {
    volume_pct: [0, 4.8, 9.6, 14.5, 19.4, 24.4, 29.4, 34.4, 39.6, 44.7, 49.9, 55, 60, 65, 70, 75, 80, 85, 90, 95, 100],
    // Past 60 % it turns to glass without crystals: the table's lowest figure holds.
    freezing_c: [
      0, -1.6, -3.3, -5.1, -7.1, -9.6, -12.7, -16.4, -21.1, -26.7, -33.5, -41.6, -51.1, -51.1, -51.1, -51.1, -51.1,
      -51.1, -51.1, -51.1, -51.1,
    ],
    boiling_c: [
      100, 100, 100, 100, 100.6, 101.1, 102.2, 102.8, 103.9, 104.4, 105.6, 106.1, 107.2, 108.3, 110, 113.9, 118.3, 125,
      132.2, 154.4, 188.2,
    ],
    best_pct: 60,
    source: `${SECONDARY_COOLANTS}; boiling points at 100.7 kPa; pure glycol from its data sheets`,
  },
};
