import { quantileSorted } from 'd3-array';
import { referenceFuel_kw } from '../../twin';
import { CELL_S, type DriveGrid } from './driveGrid';
import { meanWhere, rangeWhere, sdWhere, slopeWhere, type Figures } from './figure';

/** Levels between which the pace of the climb is taken, °C. */
const CLIMBS = [
  [-15, 10],
  [10, 30],
  [30, 50],
  [50, 70],
  [70, 85],
] as const;

/** First cell at or after `from` whose reading is at least `level`; -1 for none. */
const reaches = (ect_c: Float64Array, level: number, from = 0): number =>
  ect_c.findIndex((v, k) => k >= from && v >= level);

/** Fuel burnt up to each cell, kJ per K of nominal heat capacity: how far it would have warmed the engine at the most. */
function burnt_k(grid: DriveGrid): Float64Array {
  const { engine, coolant } = grid.vehicle;
  // Iron and aluminium by displacement, coolant by volume: round figures, only to make vehicles comparable.
  const capacity_kj_k = 45 * engine.displacement_l + 3.6 * coolant.volume_l + 20;
  const per = (referenceFuel_kw(grid.vehicle) * CELL_S) / capacity_kj_k;
  const out = new Float64Array(grid.cells);
  let sum = 0;
  for (let k = 0; k < grid.cells; k++) out[k] = sum += grid.fuel[k]! * per;
  return out;
}

function climbFigures(grid: DriveGrid): Figures {
  const { ect_c } = grid;
  const burnt = burnt_k(grid);
  const figures: Record<string, number> = {};
  const start = ect_c.find(Number.isFinite) ?? NaN;
  for (const [low, high] of CLIMBS) {
    const from = reaches(ect_c, low);
    const to = reaches(ect_c, high, Math.max(0, from));
    const whole = start < low + 4 && from >= 0 && to > from;
    figures[`climb ${low} ${high}`] = whole ? Math.log(((to - from) * CELL_S) / (high - low)) : NaN;
    figures[`burnt ${low} ${high}`] = whole ? Math.log((burnt[to]! - burnt[from]!) / (high - low)) : NaN;
  }
  for (const rise of [3, 8]) {
    const at = reaches(ect_c, start + rise);
    figures[`first ${rise} K after s`] = at < 0 ? NaN : Math.log(10 + at * CELL_S);
    figures[`first ${rise} K burnt`] = at < 0 ? NaN : Math.log(0.2 + burnt[at]!);
  }
  figures['burnt at end'] = Math.log(1 + burnt[grid.cells - 1]!);
  const near = reaches(ect_c, grid.lowest_c - 8);
  figures['burnt until warm'] = near < 0 ? NaN : Math.log(1 + burnt[near]!);
  figures['warm after min'] = near < 0 ? NaN : (near * CELL_S) / 60;
  return figures;
}

function levelFigures(grid: DriveGrid): Figures {
  const { ect_c, cells, late, lowest_c } = grid;
  const { rated_c } = grid.vehicle.thermostat;
  const half = (k: number) => k >= cells / 2;
  const last = (k: number) => k >= 0.8 * cells;
  const whole = rangeWhere(ect_c, () => true);
  const second = rangeWhere(ect_c, half);
  const sorted = Array.from(ect_c)
    .filter((v, k) => Number.isFinite(v) && late(k))
    .sort((a, b) => a - b);
  const q = (p: number) => (sorted.length > 3 ? quantileSorted(sorted, p)! : NaN);
  const start = ect_c.find(Number.isFinite) ?? NaN;
  const cell = Float64Array.from(ect_c, (_, k) => (k * CELL_S) / 60);
  const share = (from: number, to: number) => {
    let n = 0;
    for (const v of sorted) if (v - lowest_c >= from && v - lowest_c < to) n++;
    return sorted.length > 0 ? n / sorted.length : NaN;
  };
  return {
    start,
    highest: whole.high - rated_c,
    'highest above low': whole.high - lowest_c,
    'late q10': q(0.1) - lowest_c,
    'late q25': q(0.25) - lowest_c,
    'late q50': q(0.5) - lowest_c,
    'late q75': q(0.75) - lowest_c,
    'late q90': q(0.9) - lowest_c,
    'late spread': q(0.9) - q(0.1),
    'middle against rating': q(0.5) - rated_c,
    'second half low': second.low - lowest_c,
    'second half sd': sdWhere(ect_c, half),
    'last mean': meanWhere(ect_c, last) - lowest_c,
    'last against highest': meanWhere(ect_c, last) - whole.high,
    'last sd': sdWhere(ect_c, last),
    'last slope': slopeWhere(ect_c, cell, last, 0.1),
    'share far under': share(-Infinity, -14),
    'share under': share(-14, -5),
    'share at': share(-5, 5),
    'share over': share(5, 13),
    'share far over': share(13, Infinity),
    minutes: (cells * CELL_S) / 60,
  };
}

/** How sharply the curve turns where it leaves the climb, and how it moves from cell to cell. */
function shapeFigures(grid: DriveGrid): Figures {
  const { ect_c, cells, late } = grid;
  const over = (span: number, pick: (a: number, b: number) => number, start: number, when: (k: number) => boolean) => {
    let found = start;
    for (let k = span; k < cells; k++) {
      const d = ect_c[k]! - ect_c[k - span]!;
      if (Number.isFinite(d) && when(k)) found = pick(found, d);
    }
    return found;
  };
  const always = () => true;
  let bendAt = -1;
  let bend = 0;
  const W = 9;
  for (let k = W; k + W < cells; k++) {
    const turn = ect_c[k]! - ect_c[k - W]! - (ect_c[k + W]! - ect_c[k]!);
    if (turn > bend) {
      bend = turn;
      bendAt = k;
    }
  }
  let rough = 0;
  let n = 0;
  let roughLate = 0;
  let nLate = 0;
  let fixed = 0;
  let longest = 0;
  for (let k = 1; k + 1 < cells; k++) {
    const second = ect_c[k + 1]! - 2 * ect_c[k]! + ect_c[k - 1]!;
    if (!Number.isFinite(second)) continue;
    rough += Math.abs(second);
    n++;
    if (late(k)) {
      roughLate += Math.abs(second);
      nLate++;
    }
  }
  for (let k = 1; k < cells; k++) {
    fixed = Math.abs(ect_c[k]! - ect_c[k - 1]!) < 0.05 ? fixed + 1 : 0;
    longest = Math.max(longest, fixed);
  }
  return {
    'steepest rise 20 s': over(2, Math.max, 0, always),
    'steepest rise 60 s': over(6, Math.max, 0, always),
    'steepest fall 20 s': over(2, Math.min, 0, always),
    'steepest fall 60 s': over(6, Math.min, 0, always),
    'late rise 60 s': over(6, Math.max, 0, late),
    'late rise 180 s': over(18, Math.max, 0, late),
    'late fall 180 s': over(18, Math.min, 0, late),
    'bend K': bend,
    'bend at': bendAt < 0 ? NaN : ect_c[bendAt]! - grid.lowest_c,
    'bend over low level': bendAt < 0 ? NaN : ect_c[bendAt]! - rangeWhere(ect_c, (k) => k > bendAt).low,
    roughness: n > 0 ? Math.log(0.02 + rough / n) : NaN,
    'late roughness': nLate > 0 ? Math.log(0.02 + roughLate / nLate) : NaN,
    'longest still min': (longest * CELL_S) / 60,
  };
}

/** Figures of the reading's own course: pace of the climb, levels, shape. */
export const courseFigures = (grid: DriveGrid): Figures => ({
  ...climbFigures(grid),
  ...levelFigures(grid),
  ...shapeFigures(grid),
});
