export {
  COMMON_SENDER,
  fitNtcCurve,
  ntcCelsius,
  ntcOhms,
  readingWithFault,
  type NtcCurve,
  type SenderCircuit,
} from './ntc';
export { checkResistance, curveOf, OFF_CURVE_K, type CurvePoint, type ResistanceResult } from './resistanceCheck';
export {
  buildCurve,
  CURVE_RANGE_C,
  readPoints,
  senderCelsius,
  senderOhms,
  type BuiltCurve,
  type CurveError,
  type CurveSpec,
  type SenderCurve,
} from './curve';
export {
  converterStep_k,
  ohmsAtPin,
  ohmsBehind,
  pinVolts,
  pullUpAt,
  USUAL_CIRCUIT,
  type ReadingCircuit,
} from './circuit';
export { SENDER_FAMILIES, senderFamily, type SenderFamily } from './families';
export { FAMILY_SD_K, OWN_CURVE_SD_K, senderErrorLikelihood } from './senderError';
