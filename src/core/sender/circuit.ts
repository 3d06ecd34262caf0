import { senderCelsius, senderOhms, type SenderCurve } from './curve';

/** The circuit in which a control unit reads its sender. */
export interface ReadingCircuit {
  /** Supply of the pull-up, V. */
  readonly reference_v: number;
  readonly pullUp_ohm: number;
  /** A second pull-up that is switched in when it is warm, for finer steps; null where there is none. */
  readonly second: { readonly pullUp_ohm: number; readonly from_c: number } | null;
  /** Bits of the converter; null: finer than it matters. */
  readonly bits: number | null;
}

/** A usual circuit. An example, no maker's. */
export const USUAL_CIRCUIT: ReadingCircuit = { reference_v: 5, pullUp_ohm: 2000, second: null, bits: 10 };

/** Voltage at the sender's pin. */
export const pinVolts = (ohm: number, { reference_v }: ReadingCircuit, pullUp_ohm: number): number =>
  Number.isFinite(ohm) ? (reference_v * ohm) / (ohm + pullUp_ohm) : reference_v;

/** Resistance behind a voltage at the pin, Ω; 0 at the hot rail, Infinity at the cold one. */
export function ohmsAtPin(volt: number, { reference_v }: ReadingCircuit, pullUp_ohm: number): number {
  if (volt >= reference_v) return Infinity;
  return volt <= 0 ? 0 : (pullUp_ohm * volt) / (reference_v - volt);
}

/** Pull-up that is at work while the sender is at a temperature, Ω. */
export const pullUpAt = ({ pullUp_ohm, second }: ReadingCircuit, temp_c: number): number =>
  second !== null && temp_c >= second.from_c ? second.pullUp_ohm : pullUp_ohm;

/**
 * Resistance behind a voltage where a second pull-up may be switched in: of the readings that fit their own pull-up, the
 * one nearer to the temperature that is known.
 */
export function ohmsBehind(
  volt: number,
  circuit: ReadingCircuit,
  { curve, near_c }: { readonly curve: SenderCurve; readonly near_c: number },
): number {
  const first = ohmsAtPin(volt, circuit, circuit.pullUp_ohm);
  if (!circuit.second) return first;
  const second = ohmsAtPin(volt, circuit, circuit.second.pullUp_ohm);
  const off = (ohm: number) => (ohm > 0 && ohm < Infinity ? Math.abs(senderCelsius(curve, ohm) - near_c) : 1000);
  return off(second) < off(first) ? second : first;
}

/** Step of the reading between two counts of the converter, K; 0 without bits. */
export function converterStep_k(circuit: ReadingCircuit, curve: SenderCurve, temp_c: number): number {
  if (circuit.bits === null) return 0;
  const pullUp = pullUpAt(circuit, temp_c);
  const volts = (t: number) => pinVolts(senderOhms(curve, t), circuit, pullUp);
  const perKelvin = Math.abs(volts(temp_c + 0.5) - volts(temp_c - 0.5));
  return circuit.reference_v / 2 ** circuit.bits / perKelvin;
}
