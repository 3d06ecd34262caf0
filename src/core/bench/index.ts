export {
  explainSender,
  ERROR_RANGE_C,
  NAMED_FROM,
  type ErrorBand,
  type ExplainedFault,
  type SenderExplanation,
} from './sender/explain';
export type { NextPoint } from './sender/nextPoint';
export { FAULT_UNIT, SENDER_FAULTS, type SenderFault } from './sender/faults';
export {
  apparent,
  checkSenderReadings,
  USUAL_TOLERANCE,
  type ReadingError,
  type SenderReading,
  type SenderValue,
} from './sender/reading';
export { judgeThermostat } from './thermostat/judgeThermostat';
export { VERDICT_RATE } from './thermostat/odds';
export {
  THERMOSTAT_VERDICTS,
  USUAL_THERMOMETER_SD_K,
  type Figure,
  type ThermostatFinding,
  type ThermostatTest,
  type ThermostatVerdict,
} from './thermostat/types';
export {
  placeReadings,
  VALVE_STATES,
  type PlacedReading,
  type ValveState,
  type WaterReading,
} from './thermostat/reading';
export { lifts, waxTemperatures, type Wax } from './thermostat/waxModel';
export type { CircuitFinding, CircuitNote } from './electrical/finding';
export { fanCheck, type FanReadings } from './electrical/fanCheck';
export { clutchNotes, ROAR } from './electrical/clutchCheck';
export { elementCheck, type ElementReadings } from './electrical/elementCheck';
export { badContact, wiggleTest, wiggleVerdict, type Leap, type WiggleFinding } from './electrical/wiggle';
export { holdCheck, overCap, type HoldFinding, type PressureHold } from './pressureHold';
export { needleAt, USUAL_GAUGE, type GaugeScale } from './gauge';
export { consequences, type Consequence } from './sender/consequences';
export {
  benchTestSchema,
  newSenderBench,
  newThermostatBench,
  readingsOf,
  type BenchTest,
  type SenderBench,
  type ThermostatBench,
  type WiggleBench,
  type MixBench,
} from './benchTest';
