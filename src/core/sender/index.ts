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
