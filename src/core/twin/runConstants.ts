import { REFERENCE_RPM } from './heatEstimate';
import type { TwinInputs } from './inputs';
import type { TwinParameters } from './parameters';
import type { TwinFault } from './twinFault';

/** How far below its opening curve a wax thermostat closes, K: middle of the usual 2...5. */
const HYSTERESIS_K = 3;

/**
 * What stays the same during one run of the twin: vehicle and fault put together. Heat capacities kJ/K, conductances
 * kW/K, temperatures °C. All of it is differentiable in the parameters but for the places where one thing takes over
 * from another.
 */
export interface RunConstants {
  readonly heatScale: number;
  readonly heatTilt: number;
  readonly slowCapacity: number;
  readonly metalCapacity: number;
  readonly coolantCapacity: number;
  /** Share of the coolant that is there. */
  readonly liquid: number;
  readonly air: number;
  readonly coupling: number;
  readonly radiator: number;
  readonly heater: number;
  readonly loss: number;
  readonly flow: number;
  readonly pumpScale: number;
  readonly ambient: number;
  readonly startExcess: number;
  readonly leak: number;
  readonly opening: number;
  /** How much lower it opens with the pump at reference speed, K. */
  readonly spring: number;
  readonly perSpan: number;
  readonly hysteresis: number;
  readonly liftLimit: number;
  /** Reading over the element, K: fan and heated thermostat act on the reading. */
  readonly readingOffset: number;
  /** Share of the way that sender and wax go in a step. */
  readonly senderGain: number;
  readonly waxGain: number;
  readonly fanOn: number;
  readonly fanFlow: number;
  readonly heatingThreshold: number;
  readonly heatingEffect: number;
  readonly heatingBase: number;
}

/** Puts vehicle and fault together for a run. @param engineCapacity of the coolant in the engine, kJ/K */
export function runConstants(
  inputs: TwinInputs,
  p: TwinParameters,
  fault: TwinFault,
  engineCapacity: number,
): RunConstants {
  const dt = inputs.step_s;
  const liquid = 1 - 0.45 * fault.air;
  const slowCapacity = p.metal * Math.min(0.88, p.slowShare);
  const senderLag_s = p.senderLag + fault.senderLag_s + 45 * fault.air;
  return {
    heatScale: p.heatScale,
    heatTilt: p.heatTilt,
    slowCapacity,
    metalCapacity: p.metal - slowCapacity,
    coolantCapacity: engineCapacity * liquid,
    liquid,
    air: fault.air,
    coupling: p.coupling,
    radiator: p.radiator * fault.radiatorScale,
    heater: p.heater,
    loss: p.loss,
    flow: p.flow,
    pumpScale: fault.pumpScale,
    ambient: p.ambient,
    startExcess: p.startExcess,
    leak: Math.max(p.vent, fault.leak),
    opening: p.opening + fault.openingShift_k + fault.stick_k,
    spring: (fault.springPerRpm_k * REFERENCE_RPM) / 1000,
    perSpan: 1 / p.span,
    hysteresis: HYSTERESIS_K + 2 * fault.stick_k,
    liftLimit: fault.liftLimit,
    readingOffset: fault.readingOffset_k + p.senderOffset,
    senderGain: dt / (senderLag_s + dt),
    waxGain: dt / (p.waxLag + dt),
    fanOn: p.fanOn,
    fanFlow: p.fanFlow,
    heatingThreshold: p.heatingThreshold,
    heatingEffect: p.heatingEffect,
    heatingBase: p.heatingBase,
  };
}
