export { fuelPower_kw, referenceFuel_kw, roadLoadFuel_kw, type HeatSource } from './heatEstimate';
export { HEATED_BELOW_K } from './figures';
export { twinKernel, type Kernel } from './kernel/kernel';
export { constantList } from './kernel/constantList';
export { runFour, SIDE_BY_SIDE } from './kernel/runFour';
export { rowOf, runTangents } from './kernel/runTangents';
export { runConstants, type RunConstants } from './runConstants';
export { prepareInputs, STEPS_PER_BIN, type TwinInputs } from './inputs';
export {
  parameterIndex,
  startExcess_k,
  twinPrior,
  VEHICLE_PARAMETER_COUNT,
  VEHICLE_PARAMETERS,
  type TwinParameters,
  type TwinPrior,
  type VehicleMemory,
  type VehicleParameterName,
} from './parameters';
export { simulateTwin, twinTruth, twinWorkspace, type TwinTruth, type TwinWorkspace } from './simulateTwin';
export { NO_TWIN_FAULT, type TwinFault } from './twinFault';
export { SOUND_WIRING, type SenderWiring } from './wiring';
