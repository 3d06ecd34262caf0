import { resample } from '../../signal';
import type { HealthyBand } from '../fits/healthyBand';
import { CELL_S, type DriveGrid } from './driveGrid';
import { meanWhere, rangeWhere, type Figures } from './figure';

/** From the 10th to the 90th percentile a normal band is so many standard deviations wide. */
const BAND_SDS = 2.56;
/** Least spread that a band is given, K: sensor and rounding. */
const LEAST_SD_K = 1;
/** Furthest that a departure counts, in spreads. */
const FURTHEST = 8;

/**
 * Where the reading lies against what sound vehicles of the type would have shown on this very drive, in their spreads.
 *
 * @param bin_s width of the band's bins
 */
export function bandFigures(grid: DriveGrid, band: HealthyBand, bin_s: number): Figures {
  const { ect_c, cells, late, lowest_c } = grid;
  const bins = Float64Array.from(band.mid_c, (_, k) => (k + 0.5) * bin_s);
  const at = Float64Array.from({ length: cells }, (_, k) => (k + 0.5) * CELL_S);
  const mid = resample(bins, band.mid_c, at);
  const low = resample(bins, band.low_c, at);
  const high = resample(bins, band.high_c, at);
  const speed = grid.channel('speed_kmh');
  const off = ect_c.map((v, k) => {
    const d = (v - mid[k]!) / Math.max(LEAST_SD_K, (high[k]! - low[k]!) / BAND_SDS);
    return Math.max(-FURTHEST, Math.min(FURTHEST, d));
  });
  const climbing = (k: number) => mid[k]! < lowest_c - 8;
  const warm = (k: number) => mid[k]! >= lowest_c - 8;
  const overWarm = (k: number) => mid[k]! > lowest_c + 8;
  const { low: lowest, high: highest } = rangeWhere(off, (k) => k > 3);
  const expected = rangeWhere(mid, () => true);
  return {
    'off climbing': meanWhere(off, climbing),
    'off warm': meanWhere(off, warm),
    'off late': meanWhere(off, late),
    'off last': meanWhere(off, (k) => k >= 0.8 * cells),
    'off hot': meanWhere(off, overWarm),
    'off standing': meanWhere(off, (k) => warm(k) && speed !== null && speed[k]! < 4),
    'off fast': meanWhere(off, (k) => warm(k) && speed !== null && speed[k]! > 75),
    'off lowest': lowest,
    'off highest': highest,
    'off first minutes': meanWhere(off, (k) => k >= 3 && k < 24),
    'expected highest': expected.high - lowest_c,
    'expected last': meanWhere(mid, (k) => k >= 0.8 * cells) - lowest_c,
    'expected warm share': Array.from(mid).filter((v) => v >= lowest_c - 8).length / cells,
    'expected hot share': Array.from(mid).filter((v) => v > lowest_c + 8).length / cells,
    'band K': meanWhere(
      high.map((v, k) => v - low[k]!),
      late,
    ),
    'late K off': meanWhere(
      ect_c.map((v, k) => v - mid[k]!),
      late,
    ),
    'climb K off': meanWhere(
      ect_c.map((v, k) => v - mid[k]!),
      climbing,
    ),
  };
}
