import { smoothStep } from '../signal';
import type { PlantBody } from './body';
import type { PlantFault } from './fault';
import type { World } from './worlds/world';

/** Temperatures, °C, and switch positions of a simulated cooling system. */
export interface LoopState {
  head_c: number;
  block_c: number;
  oil_c: number;
  blockCoolant_c: number;
  headCoolant_c: number;
  heaterCore_c: number;
  readonly upperHose_c: Float64Array;
  readonly radiator_c: Float64Array;
  readonly lowerHose_c: Float64Array;
  wax_c: number;
  /** Wax temperature after the mechanical play that makes opening and closing curves differ. */
  waxPlay_c: number;
  waxHeater: number;
  fan: number;
  lift: number;
  bonnetAir_c: number;
  /** Mix of the returns before the pump. */
  pumpInlet_c: number;
  /** Coolant in the outlet pipe behind the head. */
  outlet_c: number;
}

/** What drives the loop during one step. */
export interface LoopInput {
  readonly rpm: number;
  readonly speed_mps: number;
  readonly wallHeat_kw: number;
  readonly friction_kw: number;
  readonly ambient_c: number;
  readonly heater_pct: number;
  /** What the control unit believes the coolant temperature to be. */
  readonly reading_c: number;
  /** Heating command of a heated thermostat, 0...1. */
  readonly thermostatHeater: number;
  /** Slow random unevenness of the flow when there is air in the system, around 1. */
  readonly gurgle: number;
  /** Fan command of the control unit, 0...1. */
  readonly fanCommand: number;
  readonly coverFraction: number;
  /** Electric heat into the coolant, kW. */
  readonly coolantHeater_kw: number;
}

const RADIATOR_CELLS = 6;
const HOSE_CELLS = 3;
const AIR_CP_KJ_KGK = 1.006;
/** Heat of the outlet pipe to the air around it, kW/K: a hand's breadth of warm pipe. */
const OUTLET_LOSS_KW_K = 0.0006;

/** A loop at rest: engine at `engine_c`, radiator part of the way to outside air. */
export function soakedLoop(engine_c: number, ambient_c: number): LoopState {
  const radiator = ambient_c + 0.5 * (engine_c - ambient_c);
  return {
    head_c: engine_c,
    block_c: engine_c,
    oil_c: engine_c,
    blockCoolant_c: engine_c,
    headCoolant_c: engine_c,
    heaterCore_c: ambient_c + 0.6 * (engine_c - ambient_c),
    upperHose_c: new Float64Array(HOSE_CELLS).fill(radiator),
    radiator_c: new Float64Array(RADIATOR_CELLS).fill(radiator),
    lowerHose_c: new Float64Array(HOSE_CELLS).fill(radiator),
    wax_c: engine_c,
    waxPlay_c: engine_c,
    waxHeater: 0,
    fan: 0,
    lift: 0,
    bonnetAir_c: ambient_c + 0.2 * (engine_c - ambient_c),
    pumpInlet_c: engine_c,
    outlet_c: engine_c,
  };
}

/** Air through the radiator, kg/s: ram, fan and natural draught, which do not simply add. */
function radiatorAir_kgps(body: PlantBody, state: LoopState, input: LoopInput): number {
  const ram = body.ramAir_kgps_per_mps * input.speed_mps * (1 - 0.85 * input.coverFraction);
  const fan = body.fanAir_kgps * state.fan * (1 - 0.6 * input.coverFraction);
  return body.naturalAir_kgps + (ram ** 1.5 + fan ** 1.5) ** (1 / 1.5);
}

/** Speed at which the pump turns, as engine speed. An electric one runs by the reading. */
function pumpSpeed_rpm({ world }: PlantBody, input: LoopInput): number {
  if (world.electricPump) return 600 + 2600 * smoothStep((input.reading_c - 55) / 50);
  return world.pumpExponent === 1 ? input.rpm : 2500 * (input.rpm / 2500) ** world.pumpExponent;
}

function updateFan(body: PlantBody, fault: PlantFault, state: LoopState, input: LoopInput, dt: number): void {
  const kind = body.vehicle.fan.kind;
  if (fault.fan === 'dead') state.fan = 0;
  else if (fault.fan === 'always-on') state.fan = kind === 'electric' ? 1 : Math.min(1.3, input.rpm / 2500);
  else if (kind === 'electric') state.fan += ((input.fanCommand - state.fan) * dt) / 2;
  else if (kind === 'engine-driven') state.fan = Math.min(1.3, input.rpm / 2500);
  else {
    // A viscous clutch feels the air behind the radiator and needs a while to engage.
    const felt = 0.7 * state.radiator_c[1]! + 0.3 * state.bonnetAir_c;
    const grip = 0.15 + 0.85 * smoothStep((felt - (body.fanOn_c - 16)) / 10);
    state.fan += ((grip * Math.min(1.3, input.rpm / 2200) - state.fan) * dt) / 25;
  }
}

/** Lift of a valve whose wax is a share of its span past opening. */
function lifted(shape: World['valveShape'], travel: number): number {
  if (shape === 'smooth') return smoothStep(travel);
  const x = Math.min(1, Math.max(0, travel));
  return shape === 'straight' ? x : shape === 'eager' ? x ** 0.6 : x ** 1.8;
}

function updateThermostat(
  body: PlantBody,
  fault: PlantFault,
  state: LoopState,
  sensed_c: number,
  command: number,
  rpm: number,
  dt: number,
): void {
  const duty = fault.heatingElement === 'works' ? command : fault.heatingElement === 'dead' ? 0 : 1;
  state.waxHeater += ((duty - state.waxHeater) * dt) / body.waxHeaterLag_s;
  const { world } = body;
  const waxLag_s = body.waxLag_s * (1 + world.stagnantWax * (1 - Math.min(1, 4 * state.lift)));
  state.wax_c += ((sensed_c - state.wax_c) * dt) / waxLag_s;
  const felt = state.wax_c + body.waxHeater_k * state.waxHeater;
  const half = body.hysteresis_k / 2 + fault.stick_k;
  state.waxPlay_c = Math.min(felt + half, Math.max(felt - half, state.waxPlay_c));
  const opening = body.opening_c + fault.openingShift_k - (fault.springPerRpm_k * rpm) / 1000;
  const travel = (state.waxPlay_c + half - fault.stick_k - opening) / (body.span_k * fault.spanScale);
  state.lift = Math.min(fault.liftLimit, lifted(world.valveShape, travel));
}

/**
 * Advances the loop by one step. Cells along the flow are stepped implicitly (upwind), so that any flow is stable.
 *
 * @param dt step, s, at most 0.5
 */
export function stepLoop(body: PlantBody, fault: PlantFault, state: LoopState, input: LoopInput, dt: number): void {
  const liquid = 1 - 0.5 * fault.airFraction;
  const hybridPump = body.vehicle.engine.hybrid ? 0.1 : 0.004;
  const { world } = body;
  const turned = pumpSpeed_rpm(body, input);
  const flow_kgps = Math.max(hybridPump, body.flowPerRpm_kgps * turned * fault.pumpScale * liquid * input.gurgle);
  const w = flow_kgps * body.cp_kj_kgk;
  const pressed = 1 + fault.leakPerRpm * (input.rpm / 1000 - 1.5);
  const leak = Math.min(1, Math.max(body.ventFraction, fault.leakFraction * pressed));
  const shut = world.bypassShuts * state.lift * (1 - body.radiatorShare - body.heaterShare);
  const toRadiator = (body.radiatorShare + shut) * (leak + (1 - leak) * state.lift) * fault.coreFlowScale;
  const toHeater = body.heaterShare * (1 - 0.8 * fault.airFraction);
  const wr = w * toRadiator;
  const wh = w * toHeater;
  const turbulence = 0.45 + 0.55 * Math.min(1.6, flow_kgps / (body.flowPerRpm_kgps * 2500)) ** world.filmExponent;

  const radiatorReturn = state.lowerHose_c[HOSE_CELLS - 1]!;
  const pumpInlet =
    toRadiator * radiatorReturn + toHeater * state.heaterCore_c + (1 - toRadiator - toHeater) * state.headCoolant_c;

  state.pumpInlet_c = pumpInlet;

  // Engine metal, oil and coolant.
  const half = (body.engineCoolant_kj_k * liquid) / 2;
  const hb = body.blockToCoolant_kw_k * turbulence * liquid;
  const hh = body.headToCoolant_kw_k * turbulence * liquid;
  const outside =
    (body.engineToAir0_kw_k + body.engineToAirPerMps_kw_k * input.speed_mps) * (1 - 0.3 * input.coverFraction);
  const wallHeat_kw = input.wallHeat_kw * (1 - world.gasToWall * ((state.head_c - 90) / 100));
  const cooler_kw = world.oilCooler_kw_k * (state.oil_c - state.blockCoolant_c);
  const headToBlock = body.headToBlock_kw_k * (state.head_c - state.block_c);
  const blockToOil = body.blockToOil_kw_k * (state.block_c - state.oil_c);
  state.head_c +=
    (dt * (world.headHeat * wallHeat_kw - hh * (state.head_c - state.headCoolant_c) - headToBlock)) / body.head_kj_k;
  state.block_c +=
    (dt *
      ((1 - world.headHeat) * wallHeat_kw +
        0.45 * input.friction_kw +
        headToBlock -
        blockToOil -
        hb * (state.block_c - state.blockCoolant_c) -
        outside * (state.block_c - state.bonnetAir_c))) /
    body.block_kj_k;
  state.oil_c +=
    (dt *
      (0.5 * input.friction_kw +
        blockToOil -
        cooler_kw -
        body.sumpToAirPerMps_kw_k * (3 + input.speed_mps) * (state.oil_c - input.ambient_c))) /
    body.oil_kj_k;
  state.blockCoolant_c =
    (half * state.blockCoolant_c + dt * (w * pumpInlet + hb * state.block_c + cooler_kw + input.coolantHeater_kw)) /
    (half + dt * (w + hb));
  state.headCoolant_c =
    (half * state.headCoolant_c + dt * (w * state.blockCoolant_c + hh * state.head_c)) / (half + dt * (w + hh));

  // Cabin heater: fresh air with a little recirculation; ram air leaks through with the blower off.
  const blower = body.blowerIdle + (1 - body.blowerIdle) * Math.max(0, input.heater_pct / 100) ** body.blowerExponent;
  const heaterUa = input.heater_pct <= 0 ? 0.004 : body.heaterUa_kw_k * blower * (1 - 0.7 * fault.airFraction);
  const heaterAir_c = input.ambient_c + body.heaterAirRise_k;
  state.heaterCore_c =
    (body.heaterCoolant_kj_k * state.heaterCore_c + dt * (wh * state.headCoolant_c + heaterUa * heaterAir_c)) /
    (body.heaterCoolant_kj_k + dt * (wh + heaterUa));

  // Hoses and radiator along the flow.
  const hoseCell = body.hoseCoolant_kj_k / (2 * HOSE_CELLS);
  let upstream = state.headCoolant_c;
  for (let i = 0; i < HOSE_CELLS; i++) {
    state.upperHose_c[i] = (hoseCell * state.upperHose_c[i]! + dt * wr * upstream) / (hoseCell + dt * wr);
    upstream = state.upperHose_c[i]!;
  }
  const air_kgps = radiatorAir_kgps(body, state, input);
  const airUa = body.airSide_kw_k * fault.radiatorScale * fault.airSideScale * air_kgps ** world.airExponent;
  const coolantUa =
    body.coolantSide_kw_k * fault.radiatorScale * Math.max(0.02, flow_kgps * toRadiator) ** world.coolantExponent;
  const ua = 1 / (1 / airUa + 1 / coolantUa);
  const airHeat = (air_kgps * AIR_CP_KJ_KGK) / RADIATOR_CELLS;
  const cellUa = airHeat * (1 - Math.exp(-ua / RADIATOR_CELLS / airHeat));
  const facing_c =
    input.ambient_c + 0.12 * Math.max(0, 1 - input.speed_mps / 8) * (state.bonnetAir_c - input.ambient_c);
  const cell = body.radiator_kj_k / RADIATOR_CELLS;
  for (let i = 0; i < RADIATOR_CELLS; i++) {
    state.radiator_c[i] =
      (cell * state.radiator_c[i]! + dt * (wr * upstream + cellUa * facing_c)) / (cell + dt * (wr + cellUa));
    upstream = state.radiator_c[i]!;
  }
  for (let i = 0; i < HOSE_CELLS; i++) {
    state.lowerHose_c[i] = (hoseCell * state.lowerHose_c[i]! + dt * wr * upstream) / (hoseCell + dt * wr);
    upstream = state.lowerHose_c[i]!;
  }

  const pipe = 0.12 * body.hoseCoolant_kj_k;
  const through = w * (toRadiator + toHeater);
  state.outlet_c =
    (pipe * state.outlet_c + dt * (through * state.headCoolant_c + OUTLET_LOSS_KW_K * state.bonnetAir_c)) /
    (pipe + dt * (through + OUTLET_LOSS_KW_K));

  const bonnetTarget = input.ambient_c + (0.35 * (state.block_c - input.ambient_c)) / (1 + input.speed_mps / 4);
  state.bonnetAir_c += ((bonnetTarget - state.bonnetAir_c) * dt) / 60;
  const sensed =
    body.vehicle.thermostat.location === 'inlet'
      ? body.inletMix * pumpInlet + (1 - body.inletMix) * state.headCoolant_c
      : state.headCoolant_c;
  updateThermostat(body, fault, state, sensed, input.thermostatHeater, input.rpm, dt);
  updateFan(body, fault, state, input, dt);
}
