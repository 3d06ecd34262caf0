import type { Vehicle } from '../base';
import { volumetricHeat_kj_lk } from '../coolant';
import { seededRandom, type Random } from './random';
import { HOME_WORLD, type World } from './worlds/world';

/**
 * Every physical parameter of a simulated vehicle. Powers kW, heat capacities kJ/K, conductances kW/K, flows kg/s.
 * Medians: heat balance of passenger-car engines (Heywood, Internal Combustion Engine Fundamentals, ch. 12-13) scaled
 * by displacement, and the round figures of the project's notes on warm-up.
 */
export interface PlantBody {
  /** The laws that hold for this car. */
  readonly world: World;
  readonly vehicle: Vehicle;
  readonly head_kj_k: number;
  readonly block_kj_k: number;
  readonly oil_kj_k: number;
  readonly engineCoolant_kj_k: number;
  readonly heaterCoolant_kj_k: number;
  readonly hoseCoolant_kj_k: number;
  readonly radiator_kj_k: number;
  readonly headToCoolant_kw_k: number;
  readonly blockToCoolant_kw_k: number;
  readonly headToBlock_kw_k: number;
  readonly blockToOil_kw_k: number;
  readonly engineToAir0_kw_k: number;
  readonly engineToAirPerMps_kw_k: number;
  readonly sumpToAirPerMps_kw_k: number;
  readonly heatShare: number;
  readonly heatShareLoadSlope: number;
  readonly friction_kpa: number;
  readonly coldFriction: number;
  readonly efficiency: number;
  readonly accessories_kw: number;
  readonly drag_m2: number;
  readonly rolling: number;
  readonly topGearRpmPerKmh: number;
  readonly flowPerRpm_kgps: number;
  readonly radiatorShare: number;
  readonly heaterShare: number;
  readonly airSide_kw_k: number;
  readonly coolantSide_kw_k: number;
  readonly ramAir_kgps_per_mps: number;
  readonly fanAir_kgps: number;
  readonly naturalAir_kgps: number;
  readonly heaterUa_kw_k: number;
  readonly opening_c: number;
  readonly span_k: number;
  readonly hysteresis_k: number;
  readonly waxLag_s: number;
  readonly ventFraction: number;
  readonly waxHeater_k: number;
  readonly senderOffset_k: number;
  readonly senderLag_s: number;
  readonly gaugeOffset_k: number;
  readonly fanOn_c: number;
  readonly fanOff_c: number;
  readonly cp_kj_kgk: number;
  /** Share of the pump's inlet in what an inlet thermostat feels; the rest is coolant from the head. */
  readonly inletMix: number;
  /** Heat through the heater at the lowest blower step, and how it grows with the blower. */
  readonly blowerIdle: number;
  readonly blowerExponent: number;
  /** Air into the heater above outside air, K: bonnet, recirculation. */
  readonly heaterAirRise_k: number;
  /** Lag of the heating element in the wax, s. */
  readonly waxHeaterLag_s: number;
}

/**
 * What the twin has as one figure each, scattered here as cars are built: where the wax sits in the housing, how the
 * blower's steps are laid out, how warm the air at the scuttle is, how deep the element sits. Ranges: working figures,
 * wide on purpose. Drawn from a stream of their own, so that everything drawn after them stays what it was.
 */
function drawDesign(
  random: Random,
  spread: number,
): Pick<PlantBody, 'inletMix' | 'blowerIdle' | 'blowerExponent' | 'heaterAirRise_k' | 'waxHeaterLag_s'> {
  const about = (low: number, high: number): number => {
    const middle = (low + high) / 2;
    return middle + spread * (random.uniform(low, high) - middle);
  };
  return {
    inletMix: about(0.74, 0.96),
    blowerIdle: about(0.03, 0.16),
    blowerExponent: about(0.55, 0.95),
    heaterAirRise_k: about(1, 9),
    waxHeaterLag_s: about(12, 60),
  };
}

/**
 * One example of a vehicle type: parameters scattered around the type's medians.
 *
 * @param spread 1 for the full scatter between vehicles, 0 for the medians
 */
export function drawBody(vehicle: Vehicle, random: Random, spread = 1, world: World = HOME_WORLD): PlantBody {
  const v = vehicle.engine.displacement_l;
  const diesel = vehicle.engine.fuel === 'diesel';
  const size = v / 1.6;
  const draw = (median: number, relative_sd: number) => random.spread(median, relative_sd * spread);
  const shift = (mean: number, sd: number) => random.normal(mean, sd * spread);
  const heat = volumetricHeat_kj_lk(vehicle.coolant.glycol_pct);
  const volume = vehicle.coolant.volume_l;
  const massScale = (0.35 + 0.65 * size) * (diesel ? 1.15 : 1);
  const radiatorSize = (0.45 + 0.55 * size) * (vehicle.engine.kerb_mass_kg / 1400) ** 0.3;
  const rated = vehicle.thermostat.rated_c;
  const fanOn = vehicle.fan.on_c ?? Math.max(rated + 8, 95);
  const heated = vehicle.thermostat.heated;
  const body = {
    world,
    vehicle,
    head_kj_k: draw(20 * massScale, 0.15),
    block_kj_k: draw(44 * massScale, 0.15),
    oil_kj_k: draw(7.5 * (0.5 + 0.5 * size), 0.15),
    engineCoolant_kj_k: draw(volume * 0.45 * heat, 0.12),
    heaterCoolant_kj_k: draw(volume * 0.12 * heat + 1, 0.15),
    hoseCoolant_kj_k: draw(volume * 0.13 * heat, 0.15),
    radiator_kj_k: draw(volume * 0.3 * heat + 3.5 * size, 0.15),
    headToCoolant_kw_k: draw(1.3 * size ** 0.7, 0.2),
    blockToCoolant_kw_k: draw(0.75 * size ** 0.7, 0.2),
    headToBlock_kw_k: draw(0.25 * size ** 0.5, 0.25),
    blockToOil_kw_k: draw(0.16 * size ** 0.6, 0.3),
    engineToAir0_kw_k: draw(0.007 * size ** 0.67, 0.3),
    engineToAirPerMps_kw_k: draw(0.0008 * size ** 0.67, 0.3),
    sumpToAirPerMps_kw_k: draw(0.0005 * size ** 0.67, 0.3),
    heatShare: draw(diesel ? 0.235 : 0.295, 0.1),
    heatShareLoadSlope: shift(-0.13, 0.05),
    friction_kpa: draw(diesel ? 165 : 205, 0.1),
    coldFriction: draw(1.1, 0.2),
    efficiency: draw(diesel ? 0.425 : 0.375, 0.04),
    accessories_kw: draw(0.7, 0.2),
    drag_m2: draw(0.68 * (vehicle.engine.kerb_mass_kg / 1400) ** 0.5, 0.1),
    rolling: draw(0.012, 0.1),
    topGearRpmPerKmh: draw(diesel ? 20.5 : 25, 0.1),
    flowPerRpm_kgps: draw(0.00034 * size ** 0.7, 0.2),
    radiatorShare: draw(0.72, 0.1),
    heaterShare: draw(0.13, 0.2),
    airSide_kw_k: draw(1.15 * radiatorSize, 0.18),
    coolantSide_kw_k: draw(2.6 * radiatorSize, 0.2),
    ramAir_kgps_per_mps: draw(0.0195 * radiatorSize, 0.22),
    fanAir_kgps: draw(0.5 * radiatorSize, 0.18),
    naturalAir_kgps: draw(0.035, 0.3),
    heaterUa_kw_k: draw(0.1 * (0.7 + 0.3 * size), 0.2),
    opening_c: rated + shift(0, 1.3),
    span_k: Math.max(6, (vehicle.thermostat.full_open_c ?? rated + 12.5) - rated + shift(0, 1.2)),
    hysteresis_k: Math.abs(shift(3, 0.8)),
    waxLag_s: draw(14, 0.3),
    ventFraction: draw(0.007, 0.45),
    waxHeater_k: heated ? Math.max(5, rated - (vehicle.thermostat.heated_rated_c ?? rated - 18)) : 0,
    senderOffset_k: shift(0, 0.8),
    senderLag_s: draw(4.5, 0.4),
    gaugeOffset_k: shift(0, 1.5),
    fanOn_c: fanOn + shift(0, 1),
    fanOff_c: Math.min(fanOn - 3, vehicle.fan.off_c ?? fanOn - 5) + shift(0, 0.7),
    cp_kj_kgk: heat / (1 + 0.0006 * vehicle.coolant.glycol_pct),
  };
  const own = seededRandom(Math.round(1e7 * body.heatShare));
  return { ...body, ...drawDesign(own, spread) };
}
