import { smoothStep } from '../signal';
import { STEPS_PER_BIN, type TwinInputs } from './inputs';
import { coolantCapacities, type TwinParameters, type TwinPrior } from './parameters';
import type { TwinFault } from './twinFault';
import { ACTIVITY_RANGE, ACTIVITY_STEP } from './unknownDrive';

/** What a run of the twin produced beside the reading. Arrays have one entry per bin. */
export interface TwinTruth {
  readonly lift: Float64Array;
  readonly coolant_c: Float64Array;
  readonly radiator_c: Float64Array;
  readonly rejected_kw: Float64Array;
}

/** Buffers of a run, made once and used for every run of a fit. */
export interface TwinWorkspace {
  /** Temperature of the sender's element per bin, °C. */
  readonly element_c: Float64Array;
  /** Temperature of the coolant that leaves the radiator, at the end of each bin, °C. */
  readonly outlet_c: Float64Array;
  readonly engineCapacity: number;
  readonly radiatorCapacity: number;
}

/** Makes the buffers for one trace. */
export function twinWorkspace(inputs: TwinInputs): TwinWorkspace {
  const { engine, radiator } = coolantCapacities(inputs);
  const bins = () => new Float64Array(inputs.bins);
  return { element_c: bins(), outlet_c: bins(), engineCapacity: engine, radiatorCapacity: radiator };
}

/** Room to record a run's inner state. */
export function twinTruth(inputs: TwinInputs): TwinTruth {
  const bins = () => new Float64Array(inputs.bins);
  return { lift: bins(), coolant_c: bins(), radiator_c: bins(), rejected_kw: bins() };
}

/** Share of the wall heat that enters the cylinder head, and of the metal-to-coolant conductance there. */
const FAST_HEAT = 0.58;
const FAST_COUPLING = 0.62;

/** How far below its opening curve a wax thermostat closes, K: middle of the usual 2...5. */
const HYSTERESIS_K = 3;

/** How far below its rating a heated thermostat opens under full heating where nobody said, K. Working figure. */
export const HEATED_BELOW_K = 17;

/** Share of the coolant flow that passes the cabin heater. */
const HEATER_BRANCH = 0.13;

/**
 * Share of the mixed returns in what an inlet thermostat feels: one figure for all layouts, where the plant draws each
 * car's own. A working figure of the project, like the next ones.
 */
const INLET_MIX = 0.88;

/** Temperature of block and oil from which an engine heats no more than when warm, °C. */
const RUNNING_C = 90;

/** Below this a hybrid runs its engine to warm it; 10 K above it stops it in town, °C. Working figure. */
const HYBRID_COLD_C = 50;

/** Air into the cabin heater above outside air, K. */
const HEATER_AIR_RISE_K = 4;

/** Lag between the heating command of a heated thermostat and the wax, s. */
const HEATING_LAG_S = 30;

/**
 * Runs the reduced warm-up model: head, block with oil, engine coolant, radiator in two cells, wax and sender.
 * Each step solves the coupled balances implicitly (they are linear in the coolant temperature), so any flow and any
 * step are stable; valve and fan follow with one step's delay.
 *
 * @param knots logarithm of the heat multiplier at the prior's knots over the drive
 * @param truth filled with inner states when given
 * @returns `workspace.element_c`, the sender element's temperature averaged per bin, °C; `workspace.outlet_c` is filled
 *   beside it
 */
export function simulateTwin(
  inputs: TwinInputs,
  prior: TwinPrior,
  p: TwinParameters,
  knots: Float64Array,
  fault: TwinFault,
  workspace: TwinWorkspace,
  truth: TwinTruth | null = null,
): Float64Array {
  const { step_s: dt, steps, specificFuel, logFuel, speedRel, ramAir, pumpRel, blower } = inputs;
  const out = workspace.element_c;
  const { thermostat, fan: fanSpec, engine } = inputs.vehicle;
  const inlet = thermostat.location === 'inlet';
  const heatedBy_k = thermostat.heated
    ? Math.max(4, thermostat.rated_c - (thermostat.heated_rated_c ?? thermostat.rated_c - HEATED_BELOW_K))
    : 0;
  const drive = inputs.unknownDrive;
  const lastRow = drive ? drive.speedRel.length - 1.001 : 0;
  const engineOn = engine.hybrid ? 0.08 : 0.01;
  const viscous = fanSpec.kind === 'viscous';
  const belted = fanSpec.kind === 'engine-driven';
  const fanWidth_k = Math.max(3, fanSpec.on_c !== null && fanSpec.off_c !== null ? fanSpec.on_c - fanSpec.off_c : 5);

  const liquid = 1 - 0.45 * fault.air;
  const cSlow = p.metal * Math.min(0.88, p.slowShare);
  const cMetal = p.metal - cSlow;
  const cCoolant = workspace.engineCapacity * liquid;
  const cCell = workspace.radiatorCapacity / 2;
  const leak = Math.max(p.vent, fault.leak);
  const opening = p.opening + fault.openingShift_k;
  const radiator = p.radiator * fault.radiatorScale;
  const senderLag = p.senderLag + fault.senderLag_s + 45 * fault.air;
  const senderGain = dt / (senderLag + dt);
  const waxGain = dt / (p.waxLag + dt);
  const heatingGain = dt / (HEATING_LAG_S + dt);

  // Divisions that are the same at every step are done once: they are the dearest part of a step.
  const perFlow = 1 / p.flow;
  const perSpan = 1 / p.span;
  const perFanWidth = 1 / fanWidth_k;

  const ambient = p.ambient;
  const start = ambient + p.startExcess;
  let slow = start;
  let metal = start;
  let coolant = start;
  let cell1 = ambient + 0.5 * p.startExcess;
  let cell2 = cell1;
  let wax = start;
  let played = start;
  let element = start;
  let lift = 0;
  let fan = 0;
  let heating = 0;
  let bin = 0;
  let inBin = 0;
  let sum = 0;
  const { knotAt, coldHeat } = prior;

  for (let k = 0; k < steps; k++) {
    const at = knotAt[k]!;
    const i = Math.min(knots.length - 2, at | 0);
    const activity = knots[i]! + (knots[i + 1]! - knots[i]!) * (at - i);
    let speed = speedRel[k]!;
    let ram = ramAir[k]!;
    let pump = pumpRel[k]!;
    let specific = specificFuel[k]!;
    let q: number;
    if (drive) {
      // With nothing else logged the knots are the driver's foot: speed, pump and heat follow from it.
      const found = Math.min(lastRow, Math.max(0, (activity + ACTIVITY_RANGE) / ACTIVITY_STEP));
      const row = found | 0;
      const part = found - row;
      speed = drive.speedRel[row]! + (drive.speedRel[row + 1]! - drive.speedRel[row]!) * part;
      ram = drive.ramAir[row]! + (drive.ramAir[row + 1]! - drive.ramAir[row]!) * part;
      pump = drive.pumpRel[row]! + (drive.pumpRel[row + 1]! - drive.pumpRel[row]!) * part;
      const log = drive.logFuel[row]! + (drive.logFuel[row + 1]! - drive.logFuel[row]!) * part;
      if (heatedBy_k > 0) specific = Math.exp(log);
      q = p.heatScale * Math.exp(p.heatTilt * log);
      if (engine.hybrid) {
        const running = 1 - (1 - drive.warmShare[row]!) * smoothStep((coolant - HYBRID_COLD_C) / 10);
        q *= running;
        pump *= running;
      }
    } else q = specific === 0 ? 0 : p.heatScale * Math.exp(activity + p.heatTilt * logFuel[k]!);
    q *= 1 + (coldHeat * Math.max(0, RUNNING_C - slow)) / 100;

    const wFull = p.flow * Math.max(engineOn, pump) * fault.pumpScale * (1 - 0.4 * fault.air);
    const share = leak + (1 - leak) * lift;
    const w = 0.72 * wFull * share;
    const stirred = (0.5 + 0.5 * Math.min(1.5, Math.max(engineOn, pump) * fault.pumpScale)) * liquid;
    const ua = FAST_COUPLING * p.coupling * stirred;
    const uaSlow = (1 - FAST_COUPLING) * p.coupling * stirred;
    const loss = p.loss * (0.4 + 1.1 * speed);
    // The heater gives off what its air side takes and what its branch of the flow brings, in series.
    const heaterAir = p.heater * blower[k]! * (1 - 0.6 * fault.air);
    const heaterFlow = HEATER_BRANCH * wFull;
    const heaterUa = (heaterAir * heaterFlow) / (heaterAir + heaterFlow);
    const air = ram + fan * p.fanFlow;
    const airUa = radiator * air;
    const coolantUa = radiator * 3 * Math.sqrt(Math.max(0.01, w * perFlow));
    const cellUa = (0.5 * 1.3 * airUa * coolantUa) / (airUa + coolantUa);

    // Eliminate both metals and the radiator cells: each is a + b × coolant.
    const perMetal = 1 / (cMetal + dt * ua);
    const mA = (cMetal * metal + dt * FAST_HEAT * q) * perMetal;
    const mB = dt * ua * perMetal;
    const perSlow = 1 / (cSlow + dt * (uaSlow + loss));
    const sA = (cSlow * slow + dt * ((1 - FAST_HEAT) * q + loss * ambient)) * perSlow;
    const sB = dt * uaSlow * perSlow;
    const perCell = 1 / (cCell + dt * (w + cellUa));
    const r1A = (cCell * cell1 + dt * cellUa * ambient) * perCell;
    const r1B = dt * w * perCell;
    const r2A = (cCell * cell2 + dt * (cellUa * ambient + w * r1A)) * perCell;
    const r2B = r1B * r1B;
    coolant =
      (cCoolant * coolant + dt * (ua * mA + uaSlow * sA + w * r2A + heaterUa * (ambient + HEATER_AIR_RISE_K))) /
      (cCoolant + dt * (ua * (1 - mB) + uaSlow * (1 - sB) + w * (1 - r2B) + heaterUa));
    metal = mA + mB * coolant;
    slow = sA + sB * coolant;
    cell1 = r1A + r1B * coolant;
    cell2 = r2A + r2B * coolant;

    // At the pump inlet the returns of radiator and heater mix with the bypass; a little of the head is felt directly.
    const returned_kw = w * (coolant - cell2) + heaterUa * (coolant - ambient - 4);
    const sensed = inlet ? coolant - (INLET_MIX * returned_kw) / Math.max(wFull, 0.2) : coolant;
    wax += waxGain * (sensed - wax);
    const reading = element + fault.readingOffset_k + p.senderOffset;
    let felt = wax;
    if (heatedBy_k > 0) {
      let duty: number;
      if (fault.heatingElement === 'dead') duty = 0;
      else if (fault.heatingElement === 'always-on') duty = 1;
      else if (inputs.thermostatHeater) duty = inputs.thermostatHeater[k]!;
      else
        duty = Math.max(
          smoothStep((specific / p.heatingThreshold - 0.7) / 0.6),
          smoothStep((reading - thermostat.rated_c - 2) / 4),
        );
      heating += heatingGain * (duty - heating);
      felt += heatedBy_k * heating;
    }
    // Rising, the valve follows the opening curve; falling, it waits until the wax is a play below.
    played = felt > played ? felt : felt < played - HYSTERESIS_K ? felt + HYSTERESIS_K : played;
    lift = Math.min(fault.liftLimit, smoothStep((played - opening) * perSpan));
    if (fault.fan === 'dead') fan = 0;
    else if (fault.fan === 'always-on') fan = 1;
    else if (belted) fan = Math.min(1.3, pump);
    else if (viscous) fan = (0.15 + 0.85 * smoothStep((cell1 - p.fanOn + 14) / 10)) * Math.min(1.3, pump);
    else if (inputs.fan) fan = inputs.fan[k]!;
    else fan = smoothStep((reading - p.fanOn + fanWidth_k) * perFanWidth);

    const wetted = coolant - 0.2 * fault.air * (coolant - ambient);
    element += senderGain * (wetted - element);
    sum += element;
    if (++inBin === STEPS_PER_BIN) {
      out[bin] = sum / STEPS_PER_BIN;
      workspace.outlet_c[bin] = cell2;
      if (truth) {
        truth.lift[bin] = lift;
        truth.coolant_c[bin] = coolant;
        truth.radiator_c[bin] = cell2;
        truth.rejected_kw[bin] = w * (coolant - cell2);
      }
      bin++;
      inBin = 0;
      sum = 0;
    }
  }
  return out;
}
