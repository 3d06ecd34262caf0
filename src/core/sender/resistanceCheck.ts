import { COMMON_SENDER, fitNtcCurve, ntcCelsius, ntcOhms, type NtcCurve } from './ntc';

/** A point of a sender's curve as its data sheet gives it. */
export interface CurvePoint {
  readonly temp_c: number;
  readonly ohm: number;
}

/** Error in temperature from which a measured resistance is called off its curve, K. */
export const OFF_CURVE_K = 4;

/** Curve through three known points; the common family when fewer are known. */
export function curveOf(points: readonly CurvePoint[]): { readonly curve: NtcCurve; readonly own: boolean } {
  if (points.length < 3) return { curve: COMMON_SENDER.curve, own: false };
  return { curve: fitNtcCurve(points.slice(0, 3).map((p) => [p.temp_c, p.ohm] as const)), own: true };
}

/** What a resistance measured at a known temperature says about the sender. */
export interface ResistanceResult {
  readonly expected_ohm: number;
  /** Temperature that the resistance stands for minus the true one, K. */
  readonly error_k: number;
  readonly off: boolean;
}

/**
 * Compares a measured resistance with the sender's curve.
 *
 * @param temp_c true temperature of the sender, °C
 * @param ohm measured resistance, Ω, above 0
 */
export function checkResistance(points: readonly CurvePoint[], temp_c: number, ohm: number): ResistanceResult {
  const { curve } = curveOf(points);
  const error_k = ntcCelsius(ohm, curve) - temp_c;
  return { expected_ohm: ntcOhms(temp_c, curve), error_k, off: Math.abs(error_k) > OFF_CURVE_K };
}
