import type { ChannelName } from '../../base';
import type { DriveGrid } from './driveGrid';
import { meanWhere, rangeWhere, sdWhere, slopeWhere, type Figures } from './figure';

/** How another temperature goes along with the reading. */
function against(grid: DriveGrid, name: ChannelName): Figures {
  const other = grid.channel(name);
  const { ect_c, cells, late } = grid;
  const none = { start: NaN, late: NaN, sd: NaN, low: NaN, high: NaN, slope: NaN, last: NaN, climb: NaN };
  const of = (f: typeof none): Figures => Object.fromEntries(Object.entries(f).map(([k, v]) => [`${name} ${k}`, v]));
  if (!other) return of(none);
  const d = other.map((v, k) => v - ect_c[k]!);
  const { low, high } = rangeWhere(d, (k) => k > 3);
  const own = rangeWhere(other, () => true);
  const reading = rangeWhere(ect_c, () => true);
  return of({
    start: meanWhere(d, (k) => k < 6),
    late: meanWhere(d, late),
    sd: sdWhere(d, late),
    low,
    high,
    slope: slopeWhere(other, ect_c, () => true, 4),
    last: meanWhere(d, (k) => k >= 0.8 * cells),
    climb: (own.high - own.low) / Math.max(3, reading.high - reading.low),
  });
}

/** Outside and intake air at the start against the first reading, and the radiator's outlet while the engine is cold. */
function soakFigures(grid: DriveGrid): Figures {
  const { ect_c, lowest_c } = grid;
  const early = (values: Float64Array | null) => (values ? meanWhere(values, (k) => k < 3) : NaN);
  const start = early(ect_c);
  const intake = grid.channel('iat_c');
  const outside = grid.channel('ambient_c');
  const outlet = grid.channel('rad_out_c');
  const heater = grid.channel('heater_pct');
  const air = outside ? rangeWhere(outside, () => true).low : intake ? rangeWhere(intake, () => true).low : NaN;
  const cold = (k: number) => ect_c[k]! < lowest_c - 10 && ect_c[k]! > 45;
  return {
    'start over intake': start - early(intake),
    'start over outside': start - early(outside),
    'outside air': air,
    'start over air': start - air,
    'outlet while cold': outlet ? meanWhere(outlet, cold) - air : NaN,
    'outlet at end': outlet
      ? meanWhere(outlet, (k) => k >= 0.8 * grid.cells) - meanWhere(ect_c, (k) => k >= 0.8 * grid.cells)
      : NaN,
    'heater share': heater ? meanWhere(heater, () => true) / 100 : NaN,
  };
}

/** Figures of the other temperatures. */
export const otherSensorFigures = (grid: DriveGrid): Figures => ({
  ...against(grid, 'gauge_c'),
  ...against(grid, 'ect2_c'),
  ...against(grid, 'oil_c'),
  ...soakFigures(grid),
});
