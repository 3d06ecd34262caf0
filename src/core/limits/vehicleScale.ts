import type { Vehicle } from '../base';
import { ambientPressure_kpa, boils_c } from '../coolant';
import { MONITOR_DEFAULTS } from '../monitor';
import type { CoolantState } from './boiling';

/** The temperatures that matter on one vehicle, °C. */
export interface VehicleScale {
  /** Reading under which the slow warm-up code sets, and the lowest temperature at which the thermostat opens, °C. */
  readonly threshold_c: number;
  readonly opens_c: number;
  readonly marks: readonly { readonly at_c: number; readonly label: string }[];
  /** Lower ends of the zones: cold, nearing the code threshold, regulated, hot, boiling. */
  readonly zones: readonly {
    readonly from_c: number;
    readonly zone: 'cold' | 'warming' | 'regulated' | 'hot' | 'boiling';
  }[];
}

/** What of the day and the shop bears on a scale. */
export interface ScaleSituation {
  /** What was measured of cap and mix, and how high the drive goes. */
  readonly coolant?: CoolantState;
  /** Distance of the code threshold below the rating, K. */
  readonly belowRating_k?: number;
}

/** Where the coolant boils by what is known, and in which words. */
function boilingMark({ coolant }: Vehicle, state: CoolantState | undefined): { at_c: number; label: string } {
  const { glycol = 'ethylene', glycol_pct = coolant.glycol_pct, altitude_m = 0, releases_kpa = null } = state ?? {};
  const ambient_kpa = ambientPressure_kpa(altitude_m);
  const boils = (cap_kpa: number) => boils_c({ glycol, glycol_pct, cap_kpa, ambient_kpa });
  if (state?.capWeak) return { at_c: boils(0), label: 'boils, weak cap' };
  if (releases_kpa !== null) return { at_c: boils(releases_kpa), label: 'boils, cap measured' };
  return coolant.cap_kpa === null
    ? { at_c: boils(0), label: 'boils, no cap' }
    : { at_c: boils(coolant.cap_kpa), label: 'boils if cap holds' };
}

/** Marks and zones of a vehicle; outside air when it is known. */
export function vehicleScale(vehicle: Vehicle, outside_c: number | null, situation: ScaleSituation = {}): VehicleScale {
  const { thermostat, fan } = vehicle;
  const lowest = thermostat.heated ? (thermostat.heated_rated_c ?? thermostat.rated_c) : thermostat.rated_c;
  const threshold = lowest - (situation.belowRating_k ?? MONITOR_DEFAULTS.belowRating_k);
  const boils = boilingMark(vehicle, situation.coolant);
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
    boils,
  ];
  return {
    threshold_c: threshold,
    opens_c: lowest,
    marks,
    zones: [
      { from_c: -100, zone: 'cold' },
      { from_c: Math.min(30, threshold - 10), zone: 'warming' },
      { from_c: threshold, zone: 'regulated' },
      { from_c: hot, zone: 'hot' },
      { from_c: boils.at_c, zone: 'boiling' },
    ],
  };
}
