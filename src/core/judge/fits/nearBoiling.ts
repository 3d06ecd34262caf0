import type { Vehicle } from '../../base';
import { boilingUnderCap_c } from '../../coolant';

/** More than this is not counted on, kPa: caps for 75 to 140 are fitted, and a worn one holds less (working figure). */
const CAP_HOLDS_KPA = 100;
/** Steam forms at the hottest metal so far below the boiling point of the bulk, K (working figure). */
const STEAM_BELOW_K = 8;
/** A reading that stays so high for longer than this is no engine that boils: nobody drives on, s (working figure). */
const DRIVEN_ON_S = 240;

/**
 * Where a drive comes to its end by boiling: from here on steam, the cap and a driver who goes easy bend the curve, and
 * no hypothesis knows of them. A valve that opens at 120 °C would pass for the one that fits best.
 *
 * @param reading_c mean reading per bin, °C; NaN where there is none
 * @param bin_s width of a bin, s
 * @returns the first bin that is left out; the count of bins where the drive does not end so
 */
export function boilsFromBin(reading_c: Float64Array, bin_s: number, { coolant }: Vehicle): number {
  const steams_c =
    boilingUnderCap_c(coolant.glycol_pct, Math.min(CAP_HOLDS_KPA, coolant.cap_kpa ?? Infinity)) - STEAM_BELOW_K;
  const first = reading_c.findIndex((v) => v >= steams_c);
  return first < 0 || (reading_c.length - first) * bin_s > DRIVEN_ON_S ? reading_c.length : first;
}
