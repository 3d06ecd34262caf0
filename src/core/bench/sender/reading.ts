import { fail, ok, type Result } from '../../base';
import {
  converterStep_k,
  ohmsBehind,
  senderCelsius,
  senderOhms,
  type ReadingCircuit,
  type SenderCurve,
} from '../../sender';

/** What stands on the instrument: an ohmmeter on the sender, a voltmeter at the pin, or the scan tool. */
export type SenderValue = 'ohm' | 'volt' | 'shown_c';

/** One reading of a sender at a known temperature. */
export interface SenderReading {
  readonly true_c: number;
  /** Standard uncertainty of the reference thermometer, K. */
  readonly trueSd_k: number;
  readonly of: SenderValue;
  readonly value: number;
  /** Standard uncertainty of ohmmeter or voltmeter, % of the reading. */
  readonly sd_pct: number;
}

/** Standard uncertainties that readings have when nothing is said: workshop thermometer, K, and multimeter, %. */
export const USUAL_TOLERANCE = { trueSd_k: 1, sd_pct: 1 } as const;

/** Most readings of one test. */
const MOST_READINGS = 500;
/** True temperatures that a sender on a bench or in a car can have, °C. */
const TRUE_RANGE_C = [-50, 160] as const;
/** What a scan tool can show: 40 below to a byte above. */
const SHOWN_RANGE_C = [-60, 220] as const;
/** Readings are shown in whole degrees: standard uncertainty of a uniform step, K. */
const ROUNDED_SD_K = 1 / Math.sqrt(12);
/** Beyond these the curve is not trusted: a broken wire, or none at all, °C. */
export const RAILS_C = [-50, 170] as const;

/** What is wrong with a reading, and at which field. */
export interface ReadingError {
  readonly message: string;
  readonly path: string;
}

const wrong = (message: string, path: string): Result<never, ReadingError> => fail({ message, path });

/** What is wrong with readings of a sender; ok when nothing. */
export function checkSenderReadings(
  readings: readonly SenderReading[],
  circuit: ReadingCircuit | null,
): Result<null, ReadingError> {
  if (readings.length > MOST_READINGS)
    return wrong(`${readings.length} readings: at most ${MOST_READINGS}.`, 'readings');
  for (const [i, { true_c, trueSd_k, of, value, sd_pct }] of readings.entries()) {
    const at = `readings[${i}]`;
    if (!(true_c >= TRUE_RANGE_C[0] && true_c <= TRUE_RANGE_C[1])) {
      return wrong(`${true_c} °C: a sender is measured between ${TRUE_RANGE_C.join(' and ')} °C.`, `${at}.true_c`);
    }
    if (!(trueSd_k > 0 && trueSd_k <= 20))
      return wrong('A thermometer’s tolerance is above 0 K, at most 20 K.', `${at}.true_sd_k`);
    if (!(sd_pct > 0 && sd_pct <= 50))
      return wrong('An instrument’s tolerance is above 0 %, at most 50 %.', `${at}.sd_pct`);
    if (!Number.isFinite(value)) return wrong('Not a number.', `${at}.${of}`);
    if (of === 'ohm' && value < 0)
      return wrong(`${value} Ω: a resistance is not below 0. Swap the probes or key off.`, `${at}.ohm`);
    if (of === 'volt' && !circuit) return wrong('Volts need the circuit: reference voltage and pull-up.', `${at}.volt`);
    if (of === 'volt' && (value < 0 || value > 1.02 * circuit!.reference_v)) {
      return wrong(
        `${value} V: at the pin it lies between 0 and the reference of ${circuit!.reference_v} V.`,
        `${at}.volt`,
      );
    }
    if (of === 'shown_c' && !(value >= SHOWN_RANGE_C[0] && value <= SHOWN_RANGE_C[1])) {
      return wrong(`${value} °C: no scan tool shows this for coolant.`, `${at}.shown_c`);
    }
  }
  return ok(null);
}

/** A reading as a temperature: what the resistance stands for on the sender's own curve. */
export interface ApparentReading {
  readonly true_c: number;
  readonly error_k: number;
  /** Standard uncertainty of the error, K. */
  readonly sd_k: number;
  /** What of it every reading with these instruments has alike, and what is new in each, K. */
  readonly bias_k: number;
  readonly noise_k: number;
  /** The circuit took part: a wrong pull-up shows. */
  readonly electric: boolean;
  /** At the end of what can be read. */
  readonly rail: 'cold' | 'hot' | null;
}

/** Standard uncertainty near a rail, where the curve says nothing, K. */
const RAIL_SD_K = 8;

/**
 * An instrument's tolerance, as a variance: what of it stands in all readings alike, so that asking it again teaches
 * little, and what is new in each. Which of the two a tolerance is meant for is never said, so that together they are
 * more than it. Working figures, set on made-up tests of either kind (`npm run parts`).
 */
const SHARES = { bias: 0.6, noise: 1 } as const;

/** Turns a reading into an error with its uncertainty. */
export function apparent(
  reading: SenderReading,
  { curve, circuit }: { readonly curve: SenderCurve; readonly circuit: ReadingCircuit | null },
): ApparentReading {
  const { true_c, trueSd_k, of, value, sd_pct } = reading;
  const clipped = (c: number) => Math.min(RAILS_C[1], Math.max(RAILS_C[0], c));
  const celsius = (read: number): number => {
    if (of === 'shown_c') return read;
    const ohm = of === 'ohm' ? read : ohmsBehind(read, circuit!, { curve, near_c: true_c });
    if (ohm <= 0) return RAILS_C[1];
    return Number.isFinite(ohm) ? clipped(senderCelsius(curve, ohm)) : RAILS_C[0];
  };
  const read_c = celsius(value);
  const electric = of !== 'ohm';
  const cold = of === 'shown_c' ? read_c <= -38 && true_c > -25 : read_c <= RAILS_C[0];
  const hot = of === 'shown_c' ? read_c >= 135 && true_c < 115 : read_c >= RAILS_C[1];
  const rail = cold ? 'cold' : hot ? 'hot' : null;
  const share = sd_pct / 100;
  const meter_k =
    of === 'shown_c' ? ROUNDED_SD_K : Math.abs(celsius(value * (1 + share)) - celsius(value * (1 - share))) / 2;
  const step_k = electric && circuit ? Math.min(5, converterStep_k(circuit, curve, read_c)) / Math.sqrt(12) : 0;
  const instrument_k = Math.hypot(trueSd_k, of === 'shown_c' ? 0 : meter_k);
  const rounded_k = Math.hypot(of === 'shown_c' ? meter_k : 0, step_k, rail ? RAIL_SD_K : 0);
  const bias_k = Math.sqrt(SHARES.bias) * instrument_k;
  const noise_k = Math.hypot(Math.sqrt(SHARES.noise) * instrument_k, rounded_k);
  const sd_k = Math.hypot(instrument_k, rounded_k);
  return { true_c, error_k: read_c - true_c, sd_k, bias_k, noise_k, electric, rail };
}

/** The curve's resistance at a temperature: what a reading is compared with, Ω. */
export const expectedOhms = (curve: SenderCurve, true_c: number): number => senderOhms(curve, true_c);
