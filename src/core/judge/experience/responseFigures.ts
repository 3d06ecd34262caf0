import { CELL_S, type DriveGrid } from './driveGrid';
import { meanWhere, sdWhere, slopeWhere, type Figures } from './figure';

/** Running mean over `n` cells up to each cell. */
function trailing(values: Float64Array, n: number): Float64Array {
  const out = new Float64Array(values.length);
  for (let k = 0; k < values.length; k++) {
    let sum = 0;
    let count = 0;
    for (let j = Math.max(0, k - n + 1); j <= k; j++) {
      if (!Number.isFinite(values[j]!)) continue;
      sum += values[j]!;
      count++;
    }
    out[k] = count > 0 ? sum / count : NaN;
  }
  return out;
}

/** What the reading does when road speed, load, engine speed, fan, or heating of the thermostat change. */
export function responseFigures(grid: DriveGrid): Figures {
  const { ect_c, late, lowest_c, cells } = grid;
  const speed = grid.channel('speed_kmh');
  const rpm = grid.channel('rpm');
  const fan = grid.channel('fan_pct');
  const heating = grid.channel('thermostat_heater_pct');
  const fuel = trailing(grid.fuel, 6);
  const rate = Float64Array.from(ect_c, (v, k) => (k > 0 ? ((v - ect_c[k - 1]!) * 60) / CELL_S : NaN));
  const idle = grid.vehicle.engine.idle_rpm;
  const warm = (k: number) => late(k) && ect_c[k]! > lowest_c - 12;
  const standing = (k: number) => speed !== null && speed[k]! < 4 && (k === 0 || speed[k - 1]! < 4);
  const fast = (k: number) => speed !== null && speed[k]! > 75;
  const slowSpeed = speed && trailing(speed, 9);
  const figures: Record<string, number> = {
    'level on speed': slowSpeed ? 50 * slopeWhere(ect_c, slowSpeed, late, 8) : NaN,
    'level on fuel': slopeWhere(ect_c, fuel, late, 0.15),
    'rate on speed': speed ? 50 * slopeWhere(rate, speed, late, 8) : NaN,
    'rate on fuel': slopeWhere(rate, grid.fuel, late, 0.15),
    'rate standing': meanWhere(rate, (k) => late(k) && standing(k)),
    'rate standing warm': meanWhere(rate, (k) => warm(k) && standing(k)),
    'rate fast': meanWhere(rate, (k) => late(k) && fast(k)),
    'level standing': meanWhere(ect_c, (k) => late(k) && standing(k)) - lowest_c,
    'level fast': meanWhere(ect_c, (k) => late(k) && fast(k)) - lowest_c,
    'level sd fast': sdWhere(ect_c, (k) => late(k) && fast(k)),
    'early rate standing': meanWhere(rate, (k) => !late(k) && standing(k)),
    'early rate fast': meanWhere(rate, (k) => !late(k) && fast(k)),
    'mean speed': speed ? meanWhere(speed, () => true) / 50 : NaN,
    'share standing': speed ? Array.from(speed).filter((v) => v < 4).length / cells : NaN,
    'share fast': speed ? Array.from(speed).filter((v) => v > 75).length / cells : NaN,
    'mean fuel': Math.log(0.05 + meanWhere(grid.fuel, () => true)),
    'late fuel': Math.log(0.05 + meanWhere(grid.fuel, late)),
    'idle speed cold': rpm ? meanWhere(rpm, (k) => k < 18 && standing(k) && rpm[k]! > 300) / idle : NaN,
    'idle speed warm': rpm ? meanWhere(rpm, (k) => k > cells / 2 && standing(k) && rpm[k]! > 300) / idle : NaN,
    'rate revved standing': rpm ? meanWhere(rate, (k) => warm(k) && standing(k) && rpm[k]! > 1.6 * idle) : NaN,
    'rate idling standing': rpm ? meanWhere(rate, (k) => warm(k) && standing(k) && rpm[k]! < 1.3 * idle) : NaN,
    'engine off share': rpm ? Array.from(rpm).filter((v) => v < 200).length / cells : NaN,
  };
  figures['fan share'] = fan ? meanWhere(fan, () => true) / 100 : NaN;
  figures['fan level'] = fan ? meanWhere(ect_c, (k) => fan[k]! > 40) - lowest_c : NaN;
  figures['fan rate'] = fan ? meanWhere(rate, (k) => fan[k]! > 40) : NaN;
  figures['fan rate standing'] = fan ? meanWhere(rate, (k) => fan[k]! > 40 && standing(k)) : NaN;
  figures['no fan rate standing'] = fan ? meanWhere(rate, (k) => warm(k) && fan[k]! < 10 && standing(k)) : NaN;
  figures['fan while cold'] = fan ? meanWhere(fan, (k) => ect_c[k]! < lowest_c - 10) / 100 : NaN;
  const duty = heating && trailing(heating, 6);
  figures['heating share'] = heating ? meanWhere(heating, late) / 100 : NaN;
  figures['heated level'] = duty ? meanWhere(ect_c, (k) => late(k) && duty[k]! > 60) - lowest_c : NaN;
  figures['unheated level'] = duty ? meanWhere(ect_c, (k) => late(k) && duty[k]! < 10) - lowest_c : NaN;
  figures['level on heating'] = duty ? 50 * slopeWhere(ect_c, duty, late, 10) : NaN;
  figures['rate on heating'] = duty ? 50 * slopeWhere(rate, duty, late, 10) : NaN;
  return figures;
}
