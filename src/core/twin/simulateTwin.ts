import { smoothStep } from '../signal';
import * as FIGURES from './figures';
import { STEPS_PER_BIN, type TwinInputs } from './inputs';
import { coolantCapacities, type TwinParameters, type TwinPrior } from './parameters';
import { runConstants } from './runConstants';
import { runSettings } from './runSettings';
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
  // Read once: where modules are bound late (tests, bundles) an import costs a call each time, here at every step.
  const {
    FAST_HEAT,
    FAST_COUPLING,
    HEATER_BRANCH,
    INLET_MIX,
    RUNNING_C,
    HYBRID_COLD_C,
    HEATER_AIR_RISE_K,
    HEATING_LAG_S,
  } = FIGURES;
  const smooth = smoothStep;
  const perBin = STEPS_PER_BIN;
  const { step_s: dt, steps, specificFuel, logFuel, speedRel, ramAir, pumpRel, blower } = inputs;
  const out = workspace.element_c;
  const { thermostat, engine } = inputs.vehicle;
  const { inlet, heatedBy_k, engineOn, viscous, belted, fanWidth_k } = runSettings(inputs.vehicle);
  const drive = inputs.unknownDrive;
  const lastRow = drive ? drive.speedRel.length - 1.001 : 0;

  const c = runConstants(inputs, p, fault, workspace.engineCapacity);
  const { leak, spring, perSpan, hysteresis, liftLimit, ambient, air: missing, senderGain, waxGain } = c;
  const heatingGain = dt / (HEATING_LAG_S + dt);

  // Divisions that are the same at every step are done once: they are the dearest part of a step.
  const perFlow = 1 / c.flow;
  const perFanWidth = 1 / fanWidth_k;

  const cCell = workspace.radiatorCapacity / 2;
  const start = ambient + c.startExcess;
  let slow = start;
  let metal = start;
  let coolant = start;
  let cell1 = ambient + 0.5 * c.startExcess;
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
      q = c.heatScale * Math.exp(c.heatTilt * log);
      if (engine.hybrid) {
        const running = 1 - (1 - drive.warmShare[row]!) * smooth((coolant - HYBRID_COLD_C) / 10);
        q *= running;
        pump *= running;
      }
    } else {
      const log = logFuel[k]!;
      q = specific === 0 ? 0 : c.heatScale * Math.exp(activity + c.heatTilt * log);
    }
    q *= 1 + (coldHeat * Math.max(0, RUNNING_C - slow)) / 100;

    const wFull = c.flow * Math.max(engineOn, pump) * c.pumpScale * (1 - 0.4 * missing);
    const share = leak + (1 - leak) * lift;
    const w = 0.72 * wFull * share;
    const stirred = (0.5 + 0.5 * Math.min(1.5, Math.max(engineOn, pump) * c.pumpScale)) * c.liquid;
    const ua = FAST_COUPLING * c.coupling * stirred;
    const uaSlow = (1 - FAST_COUPLING) * c.coupling * stirred;
    const loss = c.loss * (0.4 + 1.1 * speed);
    // The heater gives off what its air side takes and what its branch of the flow brings, in series.
    const heaterAir = c.heater * blower[k]! * (1 - 0.6 * missing);
    const heaterFlow = HEATER_BRANCH * wFull;
    const heaterUa = (heaterAir * heaterFlow) / (heaterAir + heaterFlow);
    const air = ram + fan * c.fanFlow;
    const airUa = c.radiator * air;
    const coolantUa = c.radiator * 3 * Math.sqrt(Math.max(0.01, w * perFlow));
    const cellUa = (0.5 * 1.3 * airUa * coolantUa) / (airUa + coolantUa);

    // Eliminate both metals and the radiator cells: each is a + b × coolant.
    const perMetal = 1 / (c.metalCapacity + dt * ua);
    const mA = (c.metalCapacity * metal + dt * FAST_HEAT * q) * perMetal;
    const mB = dt * ua * perMetal;
    const perSlow = 1 / (c.slowCapacity + dt * (uaSlow + loss));
    const sA = (c.slowCapacity * slow + dt * ((1 - FAST_HEAT) * q + loss * ambient)) * perSlow;
    const sB = dt * uaSlow * perSlow;
    const perCell = 1 / (cCell + dt * (w + cellUa));
    const r1A = (cCell * cell1 + dt * cellUa * ambient) * perCell;
    const r1B = dt * w * perCell;
    const r2A = (cCell * cell2 + dt * (cellUa * ambient + w * r1A)) * perCell;
    const r2B = r1B * r1B;
    const perCoolant = 1 / (c.coolantCapacity + dt * (ua * (1 - mB) + uaSlow * (1 - sB) + w * (1 - r2B) + heaterUa));
    coolant =
      perCoolant *
      (c.coolantCapacity * coolant + dt * (ua * mA + uaSlow * sA + w * r2A + heaterUa * (ambient + HEATER_AIR_RISE_K)));
    metal = mA + mB * coolant;
    slow = sA + sB * coolant;
    cell1 = r1A + r1B * coolant;
    cell2 = r2A + r2B * coolant;

    // At the pump inlet the returns of radiator and heater mix with the bypass; a little of the head is felt directly.
    const returned_kw = w * (coolant - cell2) + heaterUa * (coolant - ambient - HEATER_AIR_RISE_K);
    const sensed = inlet ? coolant - (INLET_MIX * returned_kw) / Math.max(wFull, 0.2) : coolant;
    // The valve acts on what it feels within the step: without the slope of that in the step, a valve at the inlet chases
    // its own delay and hunts (Rosenbrock's step; Hairer & Wanner, Solving Ordinary Differential Equations II, IV.7).
    const opening = c.opening - spring * pump;
    const travelBefore = (played - opening) * perSpan;
    const slope =
      travelBefore > 0 && travelBefore < 1 && lift < liftLimit ? 6 * travelBefore * (1 - travelBefore) * perSpan : 0;
    const cools_k = slope * 0.72 * (1 - leak) * (coolant - cell2);
    const answer = inlet
      ? (cools_k * INLET_MIX * wFull) / Math.max(wFull, 0.2)
      : (cools_k * dt * wFull) / (c.coolantCapacity + dt * (w + ua + heaterUa));
    wax += (waxGain * (sensed - wax)) / (1 + waxGain * Math.max(0, answer));
    const reading = element + c.readingOffset;
    let felt = wax;
    if (heatedBy_k > 0) {
      let duty: number;
      if (fault.heatingElement === 'dead') duty = 0;
      else if (fault.heatingElement === 'always-on') duty = 1;
      else if (inputs.thermostatHeater) duty = inputs.thermostatHeater[k]!;
      else {
        const byLoad = smooth((specific / c.heatingThreshold - 0.7) / 0.6);
        const byReading = smooth((reading - thermostat.rated_c - 2) / 4);
        duty = Math.max(byLoad, byReading, c.heatingBase);
      }
      heating += heatingGain * (duty - heating);
      felt += heatedBy_k * c.heatingEffect * heating;
    }
    // Rising, the valve follows the opening curve; falling, it waits until the wax is a play below.
    const moves = felt > played ? 1 : felt < played - hysteresis ? -1 : 0;
    if (moves !== 0) played = moves > 0 ? felt : felt + hysteresis;
    const travel = (played - opening) * perSpan;
    lift = Math.min(liftLimit, smooth(travel));
    if (fault.fan === 'dead') fan = 0;
    else if (fault.fan === 'always-on') fan = 1;
    else if (belted) fan = Math.min(1.3, pump);
    else if (viscous) fan = (0.15 + 0.85 * smooth((cell1 - c.fanOn + 14) / 10)) * Math.min(1.3, pump);
    else if (inputs.fan) fan = inputs.fan[k]!;
    else fan = smooth((reading - c.fanOn + fanWidth_k) * perFanWidth);

    const wetted = coolant - 0.2 * missing * (coolant - ambient);
    element += senderGain * (wetted - element);
    sum += element;
    if (++inBin === perBin) {
      out[bin] = sum / perBin;
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
