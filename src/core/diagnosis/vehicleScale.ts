import type { Vehicle } from '../base';
import { boilingUnderCap_c } from '../coolant';
import { MONITOR_DEFAULTS } from '../monitor';

/** The temperatures that matter on one vehicle, °C. */
export interface VehicleScale {
  readonly marks: readonly { readonly at_c: number; readonly label: string }[];
  /** Lower ends of the zones: cold, nearing the code threshold, regulated, hot, boiling. */
  readonly zones: readonly {
    readonly from_c: number;
    readonly zone: 'cold' | 'warming' | 'regulated' | 'hot' | 'boiling';
  }[];
}

/** Marks and zones of a vehicle; outside air when it is known. */
export function vehicleScale(vehicle: Vehicle, outside_c: number | null): VehicleScale {
  const { thermostat, fan, coolant } = vehicle;
  const lowest = thermostat.heated ? (thermostat.heated_rated_c ?? thermostat.rated_c) : thermostat.rated_c;
  const threshold = lowest - MONITOR_DEFAULTS.belowRating_k;
  const boils = boilingUnderCap_c(coolant.glycol_pct, coolant.cap_kpa ?? 0);
  const hot = fan.on_c ?? (thermostat.full_open_c ?? thermostat.rated_c + 13) + 4;
  const marks = [
    ...(outside_c === null ? [] : [{ at_c: outside_c, label: 'outside air' }]),
    { at_c: threshold, label: 'code threshold' },
    ...(thermostat.heated && thermostat.heated_rated_c !== null
      ? [{ at_c: thermostat.heated_rated_c, label: 'opens heated' }]
      : []),
    { at_c: thermostat.rated_c, label: thermostat.heated ? 'opens unheated' : 'opens' },
    ...(thermostat.full_open_c === null ? [] : [{ at_c: thermostat.full_open_c, label: 'fully open' }]),
    ...(fan.off_c === null ? [] : [{ at_c: fan.off_c, label: 'fan off' }]),
    ...(fan.on_c === null ? [] : [{ at_c: fan.on_c, label: 'fan on' }]),
    { at_c: boils, label: coolant.cap_kpa === null ? 'boils, no cap' : 'boils under cap' },
  ];
  return {
    marks,
    zones: [
      { from_c: -100, zone: 'cold' },
      { from_c: Math.min(30, threshold - 10), zone: 'warming' },
      { from_c: threshold, zone: 'regulated' },
      { from_c: hot, zone: 'hot' },
      { from_c: boils, zone: 'boiling' },
    ],
  };
}
