import { Matrix, solve } from 'ml-matrix';
import { celsiusToKelvin, fail, KELVIN_AT_0_C, ok, type Result } from '../base';
import { cubicAt, monotoneCubic, type MonotoneCubic } from '../signal';
import { senderFamily } from './families';
import { ntcCelsius, ntcOhms, type NtcCurve } from './ntc';

/** How a sender's curve is known. */
export type CurveSpec =
  | { readonly kind: 'family'; readonly family: string }
  /** Three points or more, °C and Ω, through which a Steinhart-Hart curve is laid. */
  | { readonly kind: 'points'; readonly points: readonly (readonly [number, number])[] }
  /** A table to be followed exactly, two points or more. */
  | { readonly kind: 'table'; readonly points: readonly (readonly [number, number])[] }
  | { readonly kind: 'beta'; readonly ohm: number; readonly at_c: number; readonly beta_k: number };

/** A curve ready to be read both ways. */
export type SenderCurve =
  | { readonly kind: 'steinhart-hart'; readonly coefficients: NtcCurve }
  /** Both ways as smooth curves of ln Ω over 1/K, with straight ends. */
  | { readonly kind: 'table'; readonly byInverse: MonotoneCubic; readonly byLog: MonotoneCubic };

/** A curve with how far it runs from the points that it was made of. */
export interface BuiltCurve {
  readonly curve: SenderCurve;
  /** Curve minus point, K, one per point. */
  readonly residuals_k: readonly number[];
  readonly generic: boolean;
}

/** What is wrong with a curve, and at which of its fields. */
export interface CurveError {
  readonly message: string;
  readonly path: string;
}

/** Temperatures that a curve may be given at, °C. */
export const CURVE_RANGE_C = [-60, 200] as const;

/** End of a table or its mirror: a straight line goes on with the slope of its end. */
function extended(curve: MonotoneCubic, x: number): number {
  const last = curve.xs.length - 1;
  if (x < curve.xs[0]!) return curve.ys[0]! + curve.slopes[0]! * (x - curve.xs[0]!);
  if (x > curve.xs[last]!) return curve.ys[last]! + curve.slopes[last]! * (x - curve.xs[last]!);
  return cubicAt(curve, x);
}

/** Resistance at a temperature, Ω. */
export function senderOhms(curve: SenderCurve, temp_c: number): number {
  if (curve.kind === 'steinhart-hart') return ntcOhms(temp_c, curve.coefficients);
  return Math.exp(extended(curve.byInverse, 1 / celsiusToKelvin(temp_c)));
}

/** Temperature at a resistance, °C. @throws {RangeError} unless it is above 0 */
export function senderCelsius(curve: SenderCurve, ohm: number): number {
  if (curve.kind === 'steinhart-hart') return ntcCelsius(ohm, curve.coefficients);
  if (!(ohm > 0 && ohm < Infinity)) throw new RangeError(`senderCelsius: ohm must be finite and > 0, got ${ohm}`);
  return 1 / extended(curve.byLog, Math.log(ohm)) - KELVIN_AT_0_C;
}

/** What is wrong with the points of a curve; null when nothing. */
function pointsError(points: readonly (readonly [number, number])[], least: number): CurveError | null {
  if (points.length < least) {
    return { message: `${least} points are needed, got ${points.length}.`, path: 'points' };
  }
  const falling = points[1]![0] < points[0]![0];
  for (const [i, [temp_c, ohm]] of points.entries()) {
    const path = `points[${i}]`;
    if (!Number.isFinite(temp_c) || !Number.isFinite(ohm)) return { message: 'Not a number.', path };
    if (temp_c < CURVE_RANGE_C[0] || temp_c > CURVE_RANGE_C[1]) {
      return { message: `${temp_c} °C: a curve lies between ${CURVE_RANGE_C.join(' and ')} °C.`, path };
    }
    if (!(ohm > 0)) return { message: `${ohm} Ω: a resistance is above 0.`, path };
    if (i === 0) continue;
    const [beforeTemp, beforeOhm] = points[i - 1]!;
    const step = falling ? beforeTemp - temp_c : temp_c - beforeTemp;
    if (!(step > 0)) return { message: `${temp_c} °C after ${beforeTemp} °C: the points are out of order.`, path };
    if (falling ? ohm <= beforeOhm : ohm >= beforeOhm) {
      return {
        message: `${ohm} Ω at ${temp_c} °C after ${beforeOhm} Ω at ${beforeTemp} °C: resistance must fall as it warms.`,
        path,
      };
    }
  }
  return null;
}

const TESTED_C = [-40, -20, 0, 20, 40, 60, 80, 100, 120, 140];

const falls = (curve: NtcCurve): boolean => {
  const ohms = TESTED_C.map((t) => ntcOhms(t, curve));
  return ohms.every((r, i) => Number.isFinite(r) && r > 0 && (i === 0 || r < ohms[i - 1]!));
};

/** Least squares of 1/T in the given powers of ln R. */
function leastSquares(points: readonly (readonly [number, number])[], cubic: boolean): NtcCurve {
  const rows = points.map(([, ohm]) => {
    const l = Math.log(ohm);
    return cubic ? [1, l, l ** 3] : [1, l];
  });
  const inverse = Matrix.columnVector(points.map(([t]) => 1 / celsiusToKelvin(t)));
  const [a, b, c = 0] = solve(new Matrix(rows), inverse, true).to1DArray();
  return { a: a!, b: b!, c };
}

/**
 * Steinhart-Hart through points: exact through three, least squares through more. Where the cubic term would make the
 * curve turn back, the beta formula.
 */
function fitted(points: readonly (readonly [number, number])[]): SenderCurve {
  const cubic = leastSquares(points, true);
  return { kind: 'steinhart-hart', coefficients: falls(cubic) ? cubic : leastSquares(points, false) };
}

function tabled(points: readonly (readonly [number, number])[]): SenderCurve {
  // Rising in 1/T is rising in ln Ω too: one order serves both directions.
  const sorted = [...points].sort((p, q) => q[0] - p[0]);
  const inverse = sorted.map(([t]) => 1 / celsiusToKelvin(t));
  const logs = sorted.map(([, r]) => Math.log(r));
  return { kind: 'table', byInverse: monotoneCubic(inverse, logs), byLog: monotoneCubic(logs, inverse) };
}

/** Makes a curve of what is known of it, or says what is wrong and where. */
export function buildCurve(spec: CurveSpec): Result<BuiltCurve, CurveError> {
  if (spec.kind === 'family') {
    const family = senderFamily(spec.family);
    if (!family) return fail({ message: `There is no family “${spec.family}”.`, path: 'family' });
    const curve = fitted(family.points);
    return ok({ curve, residuals_k: residualsOf(curve, family.points), generic: true });
  }
  if (spec.kind === 'beta') {
    const { ohm, at_c, beta_k } = spec;
    if (!(ohm > 0)) return fail({ message: `${ohm} Ω: a resistance is above 0.`, path: 'ohm' });
    if (!(at_c >= CURVE_RANGE_C[0] && at_c <= CURVE_RANGE_C[1])) {
      return fail({ message: `${at_c} °C: a curve lies between ${CURVE_RANGE_C.join(' and ')} °C.`, path: 'at_c' });
    }
    if (!(beta_k >= 1000 && beta_k <= 8000)) {
      return fail({ message: `Beta of ${beta_k} K: senders have 1000 to 8000 K.`, path: 'beta_k' });
    }
    const coefficients = { a: 1 / celsiusToKelvin(at_c) - Math.log(ohm) / beta_k, b: 1 / beta_k, c: 0 };
    return ok({ curve: { kind: 'steinhart-hart', coefficients }, residuals_k: [0], generic: false });
  }
  const wrong = pointsError(spec.points, spec.kind === 'points' ? 3 : 2);
  if (wrong) return fail(wrong);
  const curve = spec.kind === 'points' ? fitted(spec.points) : tabled(spec.points);
  return ok({ curve, residuals_k: residualsOf(curve, spec.points), generic: false });
}

const residualsOf = (curve: SenderCurve, points: readonly (readonly [number, number])[]): number[] =>
  points.map(([temp_c, ohm]) => senderCelsius(curve, ohm) - temp_c);

/** A number in pasted text: a decimal comma is one only where it cannot be a separator. */
const numberIn = (text: string): number => Number(text.trim().replace(',', '.'));

/**
 * Reads points pasted from a data sheet: one pair per line, temperature then resistance, set apart by tab, semicolon,
 * spaces, or a comma where the numbers have none. `k` after a resistance means thousands; lines without figures are
 * headings.
 *
 * @example readPoints('20; 2,5k\n80; 320') // => { ok: true, value: [[20, 2500], [80, 320]] }
 */
export function readPoints(text: string): Result<[number, number][], CurveError> {
  const points: [number, number][] = [];
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    if (!/\d/.test(line)) continue;
    const cells = splitPair(line);
    const [temp, ohm] = cells ?? [];
    const thousands = /k/i.test(ohm ?? '') ? 1000 : 1;
    const pair: [number, number] = [
      numberIn((temp ?? '').replace(/°?\s*C$/i, '')),
      thousands * numberIn((ohm ?? '').replace(/\s*(k|Ω|ohms?|kΩ|kohms?)\s*$/i, '')),
    ];
    if (!cells || !pair.every(Number.isFinite)) {
      return fail({
        message: `Line ${i + 1}: “${line.trim()}” is not a temperature and a resistance.`,
        path: `line ${i + 1}`,
      });
    }
    points.push(pair);
  }
  return ok(points);
}

function splitPair(line: string): [string, string] | null {
  for (const separator of [/\t+/, /;/, /,\s+/, /\s+/, /,/]) {
    const cells = line
      .trim()
      .split(separator)
      .filter((c) => c.trim() !== '');
    if (cells.length === 2) return [cells[0]!, cells[1]!];
  }
  return null;
}
