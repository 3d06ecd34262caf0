/**
 * NTC coolant-temperature sender: resistance to temperature and back, and what wiring faults do to the reading.
 * Resistance in Ω, temperature in °C; kelvin stays inside this file.
 * Source: Steinhart & Hart, Deep-Sea Research 15 (1968) 497-503, 1/T = a + b·ln R + c·(ln R)³.
 */
import { celsiusToKelvin, KELVIN_AT_0_C } from '../base';

/** Coefficients for T in kelvin and R in Ω. */
export interface NtcCurve {
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

/** A sender with the resistor and supply that read it. */
export interface SenderCircuit {
  readonly curve: NtcCurve;
  /** Pull-up resistor, Ω. */
  readonly pullUp_ohm: number;
}

/** Steinhart-Hart coefficients through three measured points (°C, Ω). @throws {RangeError} if two points coincide */
export function fitNtcCurve(points: readonly (readonly [number, number])[]): NtcCurve {
  const [p1, p2, p3] = points.map(([t, r]) => ({ y: 1 / celsiusToKelvin(t), l: Math.log(r) }));
  if (!p1 || !p2 || !p3) throw new RangeError(`fitNtcCurve: three points needed, got ${points.length}`);
  const g2 = (p2.y - p1.y) / (p2.l - p1.l);
  const g3 = (p3.y - p1.y) / (p3.l - p1.l);
  const c = (g3 - g2) / (p3.l - p2.l) / (p1.l + p2.l + p3.l);
  const b = g2 - c * (p1.l * p1.l + p1.l * p2.l + p2.l * p2.l);
  const a = p1.y - (b + p1.l * p1.l * c) * p1.l;
  if (![a, b, c].every(Number.isFinite)) throw new RangeError('fitNtcCurve: the points must differ');
  return { a, b, c };
}

/** Temperature at a resistance, °C. @throws {RangeError} unless the resistance is finite and above 0 */
export function ntcCelsius(ohms: number, { a, b, c }: NtcCurve): number {
  if (!(ohms > 0 && ohms < Infinity)) throw new RangeError(`ntcCelsius: ohms must be finite and > 0, got ${ohms}`);
  const l = Math.log(ohms);
  return 1 / (a + l * (b + c * l * l)) - KELVIN_AT_0_C;
}

/**
 * Resistance at a temperature, Ω: the real root of the cubic in ln R.
 * Source: closed inverse of the Steinhart-Hart equation (Cardano).
 */
export function ntcOhms(temp_c: number, { a, b, c }: NtcCurve): number {
  const inverse = 1 / celsiusToKelvin(temp_c);
  // Without its cubic term the equation is the beta formula, and the closed form divides by zero.
  if (Math.abs(c) < 1e-12) return Math.exp((inverse - a) / b);
  const y = (a - inverse) / c;
  const x = Math.sqrt((b / (3 * c)) ** 3 + (y / 2) ** 2);
  return Math.exp(Math.cbrt(x - y / 2) - Math.cbrt(x + y / 2));
}

/** Common family: about 2.5 kΩ at 20 °C, 0.32 kΩ at 80 °C, 0.19 kΩ at 100 °C, on a 2 kΩ pull-up. An example, no maker's. */
export const COMMON_SENDER: SenderCircuit = {
  curve: fitNtcCurve([
    [20, 2500],
    [80, 320],
    [100, 186],
  ]),
  pullUp_ohm: 2000,
};

/**
 * What a control unit reads when the plug adds resistance in series and dirt leaks across the sender.
 *
 * @param true_c temperature of the sensing element, °C
 * @param fault series resistance (Ω, corroded plug) and parallel resistance (Ω, leakage; Infinity when clean)
 * @returns the reading, °C: series reads low, more so when hot; parallel reads high, more so when cold
 */
export function readingWithFault(
  true_c: number,
  fault: { readonly series_ohm: number; readonly parallel_ohm: number },
  curve: NtcCurve,
): number {
  const element = ntcOhms(true_c, curve);
  const shunted = Number.isFinite(fault.parallel_ohm)
    ? (element * fault.parallel_ohm) / (element + fault.parallel_ohm)
    : element;
  return ntcCelsius(shunted + fault.series_ohm, curve);
}
