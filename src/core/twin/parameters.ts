import { volumetricHeat_kj_lk } from '../coolant';
import { normalCdf } from '../signal';
import { referenceFuel_kw, type HeatSource } from './heatEstimate';
import type { TwinInputs } from './inputs';

/**
 * The vehicle-side parameters of the twin. Each has a standard normal coordinate z: z = 0 is the prior's median and
 * |z| = 1 one standard deviation, so that every penalty is z² and every fit starts from the same place.
 */
export const VEHICLE_PARAMETERS = [
  { name: 'heatScale', label: 'Heat into the coolant', unit: '×' },
  { name: 'heatTilt', label: 'Heat at high against low load', unit: '' },
  { name: 'metal', label: 'Heat stored in metal and oil', unit: 'kJ/K' },
  { name: 'coupling', label: 'Metal to coolant', unit: 'kW/K' },
  { name: 'slowShare', label: 'Share of block and oil in the metal', unit: '' },
  { name: 'radiator', label: 'Radiator at 100 km/h', unit: 'kW/K' },
  { name: 'heater', label: 'Cabin heater', unit: 'kW/K' },
  { name: 'loss', label: 'Loss of the engine to air', unit: 'kW/K' },
  { name: 'flow', label: 'Coolant flow', unit: 'kW/K' },
  { name: 'ambient', label: 'Outside air', unit: '°C' },
  { name: 'startExcess', label: 'Engine above outside air at start', unit: 'K' },
  { name: 'opening', label: 'Thermostat opening', unit: '°C' },
  { name: 'span', label: 'Opening to fully open', unit: 'K' },
  { name: 'vent', label: 'Flow past the shut valve', unit: '' },
  { name: 'senderOffset', label: 'Sender offset', unit: 'K' },
  { name: 'senderLag', label: 'Lag of the sound sender', unit: 's' },
  { name: 'waxLag', label: 'Lag of the wax', unit: 's' },
  { name: 'fanOn', label: 'Fan switches on', unit: '°C' },
  { name: 'fanFlow', label: 'Fan against ram air', unit: '' },
  { name: 'heatingThreshold', label: 'Load from which the thermostat is heated', unit: '' },
  { name: 'heatingEffect', label: 'What the heating of the thermostat does', unit: '×' },
  { name: 'heatingBase', label: 'Heating of the thermostat at any load', unit: '' },
] as const;

/** Name of a vehicle-side parameter. */
export type VehicleParameterName = (typeof VEHICLE_PARAMETERS)[number]['name'];

/** Count of vehicle-side parameters. */
export const VEHICLE_PARAMETER_COUNT = VEHICLE_PARAMETERS.length;

/** Position of a parameter in a z vector. */
export const parameterIndex = (name: VehicleParameterName): number => AT[name];

/** Position of each parameter. */
const AT = Object.fromEntries(VEHICLE_PARAMETERS.map((p, i) => [p.name, i])) as Readonly<
  Record<VehicleParameterName, number>
>;

/** Physical values of the twin for one vehicle and drive. Heat capacities kJ/K, conductances kW/K. */
export interface TwinParameters {
  heatScale: number;
  heatTilt: number;
  metal: number;
  coupling: number;
  slowShare: number;
  radiator: number;
  heater: number;
  loss: number;
  flow: number;
  ambient: number;
  startExcess: number;
  opening: number;
  span: number;
  vent: number;
  senderOffset: number;
  senderLag: number;
  waxLag: number;
  fanOn: number;
  fanFlow: number;
  heatingThreshold: number;
  heatingEffect: number;
  heatingBase: number;
}

/** Narrowing of a vehicle's priors by its own known-good traces: mean and spread of z per parameter. */
export interface VehicleMemory {
  readonly mean: readonly number[];
  readonly sd: readonly number[];
  /** Channel that the heat figures were found from; null before any trace. */
  readonly heatSource: HeatSource | null;
}

/** Prior medians and spreads for one drive, and the heat knots that let the heat estimate wander. */
export interface TwinPrior {
  readonly toParameters: (z: Float64Array) => TwinParameters;
  /** Values at the knots from their standard normal coordinates. */
  readonly toKnots: (z: Float64Array) => Float64Array;
  /** Share by which a block 100 K under running temperature heats more than a warm one. */
  readonly coldHeat: number;
  readonly knotCount: number;
  /** Position of each step among the knots: whole part the knot before, rest the way to the next. */
  readonly knotAt: Float64Array;
}

/**
 * Engine above outside air at key-on: nearly nothing after a night, anything after a stop. One standard deviation
 * each way is a soaked car, the upper tail a part-cooled one.
 */
export function startExcess_k(z: number): number {
  return z + 11 * Math.max(0, z - 0.6) ** 2;
}

/**
 * Relative spread (sd of the logarithm) of the heat estimate, its wander over the drive, knot spacing, and by how much
 * a block at -10 °C heats more than a warm one. Cold walls take more heat from the gas and thick oil turns more of the
 * fuel into friction (Heywood ch. 12-13: friction roughly doubles from warm to freezing); air flow and load already
 * hold the fuel for that friction, road load and engine speed do not.
 */
const HEAT_PRIOR = {
  'air-flow': { scale: 0.18, wander: 0.1, spacing_s: 300, cold: 0.12 },
  load: { scale: 0.22, wander: 0.14, spacing_s: 300, cold: 0.12 },
  'road-load': { scale: 0.22, wander: 0.18, spacing_s: 240, cold: 0.4 },
  'engine-speed': { scale: 0.28, wander: 0.3, spacing_s: 200, cold: 0.4 },
  unknown: { scale: 0.22, wander: 0.9, spacing_s: 110, cold: 0.4 },
} as const;

const MOST_KNOTS = 9;
/** Where only the temperature was logged the heat itself must be found: more knots, closer at the start. */
const MOST_KNOTS_UNKNOWN = 15;
const EARLY_KNOTS = 1.5;
/** How much whole drives differ in activity, beside the wander within one (see `UnknownDrive`). */
const WHOLE_DRIVE_SD = 0.6;
/** Every drive begins standing: activity at key-on, and the time in which a car is on its way, s. */
const AT_REST = -1.2;
const PULLING_AWAY_S = 60;

/**
 * Priors for one vehicle on one drive. Medians: heat balance of passenger-car engines (Heywood, Internal Combustion
 * Engine Fundamentals, ch. 12) scaled by displacement; spreads cover vehicles of one kind and the reduction of the
 * model. Metal, share of the block, heater, loss, flow and heat lie half way between these and what 123 sound drives of
 * ten field vehicles needed, and are spread so that both are usual (decision 21).
 */
export function twinPrior(inputs: TwinInputs, memory: VehicleMemory | null = null): TwinPrior {
  const { engine, thermostat, fan } = inputs.vehicle;
  const diesel = engine.fuel === 'diesel';
  const size = engine.displacement_l / 1.6;
  const heat = HEAT_PRIOR[inputs.heatSource];
  // Where memory centres and narrows each coordinate; what was kept before a parameter existed says nothing of it, and
  // figures of heat hold for the channel alone that they were found from.
  const told = VEHICLE_PARAMETERS.map(
    ({ name }) => (name !== 'heatScale' && name !== 'heatTilt') || memory?.heatSource === inputs.heatSource,
  );
  const centres = Float64Array.from(told, (holds, i) => (holds ? (memory?.mean[i] ?? 0) : 0));
  const widths = Float64Array.from(told, (holds, i) => (holds ? (memory?.sd[i] ?? 1) : 1));
  const zOf = (z: Float64Array, i: number): number => centres[i]! + widths[i]! * z[i]!;
  const massScale = (0.35 + 0.65 * size) * (diesel ? 1.12 : 1);
  const fanOn = fan.on_c ?? Math.max(thermostat.rated_c + 9, 94);
  const span = thermostat.full_open_c === null ? 12.5 : Math.max(5, thermostat.full_open_c - thermostat.rated_c);
  const fanOnSd = fan.on_c === null ? 4 : 1.5;
  const reference_kw = referenceFuel_kw(inputs.vehicle);
  // People heat the cabin when it is cold outside.
  const heaterUse = (ambient_c: number): number =>
    inputs.heaterLogged ? 1 : 0.17 + 0.65 * Math.min(1, Math.max(0, (20 - ambient_c) / 25));
  const heaterSd = inputs.heaterLogged ? 0.4 : 0.75;
  // Share of fuel energy that reaches coolant and oil at 15 kW per litre, friction included.
  const heatShare = diesel ? 0.39 : 0.48;
  // Medians are worked out once: a judgement asks for parameters some ten thousand times.
  const heatAtMedian_kw = heatShare * reference_kw;
  const metalAtMedian = 60 * massScale;
  const couplingAtMedian = 1.9 * size ** 0.7;
  const radiatorAtMedian = 0.36 * (0.45 + 0.55 * size);
  const heaterAtMedian = 0.125 * (0.7 + 0.3 * size);
  const lossAtMedian = 0.019 * size ** 0.67;
  const flowAtMedian = 3.3 * size ** 0.7;
  const ambientOf = (z: Float64Array): number => inputs.ambientGuess_c + inputs.ambientSd_k * zOf(z, AT.ambient);
  const toParameters = (z: Float64Array): TwinParameters => ({
    heatScale: heatAtMedian_kw * Math.exp(heat.scale * zOf(z, AT.heatScale)),
    heatTilt: 0.74 + 0.07 * zOf(z, AT.heatTilt),
    metal: metalAtMedian * Math.exp(0.25 * zOf(z, AT.metal)),
    coupling: couplingAtMedian * Math.exp(0.3 * zOf(z, AT.coupling)),
    slowShare: 0.72 * Math.exp(0.1 * zOf(z, AT.slowShare)),
    radiator: radiatorAtMedian * Math.exp(0.4 * zOf(z, AT.radiator)),
    heater: heaterAtMedian * heaterUse(ambientOf(z)) * Math.exp(heaterSd * zOf(z, AT.heater)),
    loss: lossAtMedian * Math.exp(0.45 * zOf(z, AT.loss)),
    flow: flowAtMedian * Math.exp(0.35 * zOf(z, AT.flow)),
    ambient: ambientOf(z),
    startExcess: startExcess_k(z[AT.startExcess]!),
    opening: thermostat.rated_c + 1.7 * zOf(z, AT.opening),
    span: span * Math.exp(0.18 * zOf(z, AT.span)),
    vent: 0.007 * Math.exp(0.5 * zOf(z, AT.vent)),
    senderOffset: 1.1 * zOf(z, AT.senderOffset),
    // Usual ranges: sender 2...10 s in moving coolant, with hose and housing on the way; wax 8...25 s.
    senderLag: 7 * Math.exp(0.5 * zOf(z, AT.senderLag)),
    waxLag: 14 * Math.exp(0.35 * zOf(z, AT.waxLag)),
    fanOn: fanOn + fanOnSd * zOf(z, AT.fanOn),
    fanFlow: 0.85 * Math.exp(0.3 * zOf(z, AT.fanFlow)),
    // Nobody outside knows the map by which a control unit heats its thermostat: any load may begin it (a factor of 2.2
    // either way), and some may always be on: usually 2 %, with two standard deviations upward 60 %. Working figures, wide
    // on purpose: maps of drawn worlds go by other things than load too (decision 22), and no verdict may rest on one.
    heatingThreshold: 1.9 * Math.exp(0.8 * zOf(z, AT.heatingThreshold)),
    heatingEffect: Math.exp(0.35 * zOf(z, AT.heatingEffect)),
    heatingBase: 0.9 * normalCdf(1.2 * zOf(z, AT.heatingBase) - 2),
  });
  const total_s = inputs.steps * inputs.step_s;
  const unknown = inputs.heatSource === 'unknown';
  const most = unknown ? MOST_KNOTS_UNKNOWN : MOST_KNOTS;
  const knots = Math.min(most, Math.max(2, Math.round(total_s / heat.spacing_s) + 1));
  const knotAt = Float64Array.from({ length: inputs.steps }, (_, k) => {
    const share = (k + 0.5) / inputs.steps;
    return (knots - 1) * (unknown ? share ** (1 / EARLY_KNOTS) : share);
  });
  const rest = Float64Array.from({ length: knots }, (_, i) => {
    const at_s = total_s * (i / (knots - 1)) ** EARLY_KNOTS;
    return unknown ? AT_REST * Math.exp(-at_s / PULLING_AWAY_S) : 0;
  });
  const toKnots = (coordinates: Float64Array): Float64Array => {
    const common = unknown ? WHOLE_DRIVE_SD * coordinates[knots]! : 0;
    return rest.map((at, i) => at + common + heat.wander * coordinates[i]!);
  };
  return { toParameters, toKnots, coldHeat: heat.cold, knotCount: unknown ? knots + 1 : knots, knotAt };
}

/** Heat capacity of the coolant in engine and heater, and of the radiator with its share, kJ/K. */
export function coolantCapacities(inputs: TwinInputs): { engine: number; radiator: number } {
  const { coolant, engine } = inputs.vehicle;
  const perLitre = volumetricHeat_kj_lk(coolant.glycol_pct);
  return {
    engine: coolant.volume_l * 0.58 * perLitre + 1,
    radiator: coolant.volume_l * 0.4 * perLitre + 3.2 * (engine.displacement_l / 1.6),
  };
}
