import { boilingUnderCap_c, freezing_c, glycolForFreezing_pct } from '../coolant';
import { temperatureText, type Vehicle } from '../base';
import type { Answer } from './caseOdds';

/** Readings of the cold look that the checks need, SI; null: not taken. */
export interface SoakReadings {
  readonly soak_h: number | null;
  readonly soakEct_c: number | null;
  readonly soakIat_c: number | null;
  readonly soakOutside_c: number | null;
  readonly soakProbe_c: number | null;
  readonly unplugged_c: number | null;
  readonly bridged_c: number | null;
}

/** Hours after which an engine has cooled to its surroundings. Source: a night; eight hours is the usual rule. */
export const SOAKED_H = 8;
/** How far the readings of a soaked engine may lie apart, K: "a few degrees"; half of it for rounding and sun. */
export const SOAK_AGREES_K = 4;
/** Readings past these are the rails of the circuit, °C. */
const COLD_RAIL_C = -30;
const HOT_RAIL_C = 125;

/** What a soak comparison says. */
export interface SoakResult {
  /** Coolant reading minus the mean of the other thermometers, K. */
  readonly difference_k: number;
  /** Largest distance between any two, K. */
  readonly spread_k: number;
  readonly answers: readonly Answer[];
  readonly says: string;
}

/** Compares the temperatures of a soaked engine (key on, engine off); null until coolant and one other are there. */
export function compareSoak(readings: SoakReadings): SoakResult | null {
  const { soakEct_c: ect, soak_h } = readings;
  const others = [readings.soakIat_c, readings.soakOutside_c, readings.soakProbe_c].filter((v) => v !== null);
  if (ect === null || others.length === 0) return null;
  const mean = others.reduce((a, b) => a + b, 0) / others.length;
  const all = [ect, ...others];
  const difference_k = ect - mean;
  const spread_k = Math.max(...all) - Math.min(...all);
  if (soak_h !== null && soak_h < SOAKED_H) {
    return {
      difference_k,
      spread_k,
      answers: [],
      says: `Stood ${soak_h} h: too short to compare. Take it again after a night.`,
    };
  }
  const othersSpread = Math.max(...others) - Math.min(...others);
  if (othersSpread > 2 * SOAK_AGREES_K) {
    return {
      difference_k,
      spread_k,
      answers: [],
      says: 'The other thermometers disagree among themselves: sun, a block heater, or one of them is off. Find out before judging the sender.',
    };
  }
  const low = difference_k < -SOAK_AGREES_K;
  const high = difference_k > SOAK_AGREES_K;
  return {
    difference_k,
    spread_k,
    answers: [{ itemId: 'soak-agreement', answer: low ? 0 : high ? 2 : 1 }],
    says: low
      ? 'The coolant reading is below everything else: suspect the sender.'
      : high
        ? 'The coolant reading is above everything else: sender, block heater, or too short a soak.'
        : 'They agree. A sender with resistance in its plug agrees cold and still reads low when hot.',
  };
}

/** What unplugging and bridging showed; null until both readings are there. */
export function checkRails(readings: SoakReadings): { answers: readonly Answer[]; says: string } | null {
  const { unplugged_c, bridged_c } = readings;
  if (unplugged_c === null || bridged_c === null) return null;
  const good = unplugged_c <= COLD_RAIL_C && bridged_c >= HOT_RAIL_C;
  return {
    answers: [{ itemId: 'unplug-rails', answer: good ? 1 : 0 }],
    says: good
      ? 'Cold rail unplugged, hot rail bridged: wiring and control unit follow. What is left is the sender itself.'
      : 'The reading does not reach both rails: look at plug, wire and earth before the sender.',
  };
}

/** Cap against its rating: share of rating below which a cap is called weak. Source: shop practice, editable. */
const WEAK_CAP = 0.85;

/** What a measured cap means. */
export function checkCap(vehicle: Vehicle, rated_kpa: number | null, measured_kpa: number | null) {
  const rated = rated_kpa ?? vehicle.coolant.cap_kpa;
  const boils_c = (kpa: number) => boilingUnderCap_c(vehicle.coolant.glycol_pct, kpa);
  return {
    boilsRated_c: rated === null ? null : boils_c(rated),
    boilsMeasured_c: measured_kpa === null ? null : boils_c(measured_kpa),
    weak: rated !== null && measured_kpa !== null && measured_kpa < WEAK_CAP * rated,
  };
}

/** What a freeze point by refractometer means; the scale must be that of the glycol. */
export function checkMix(freeze_c: number): { readonly glycol_pct: number; readonly says: string } {
  const glycol_pct = glycolForFreezing_pct(freeze_c);
  const says =
    glycol_pct < 33
      ? 'Too weak: freezes and cracks the block, and too little inhibitor. Correct it when the system is open.'
      : glycol_pct > 60
        ? 'Very strong: carries less heat, and past about 68 % protects less again.'
        : `Good to ${temperatureText(freezing_c(glycol_pct))}.`;
  return { glycol_pct, says };
}

/** Things of the cold look that must be put right before a drive says anything. */
const MEND_FIRST: Readonly<Record<string, string>> = {
  'look-level-low':
    'The level is low. Find where it went, fill it cold, bleed it, and drive then: air makes sender and heater lie both ways.',
  'look-radiator-face': 'The radiator face is blocked. Clear it first, or the drive shows the dirt.',
  'look-fan-stiff': 'The fan does not turn freely. Mend it before any drive with standstill.',
};

/** What to mend before a drive, from the answers given. */
export function mendFirst(answers: readonly Answer[]): string[] {
  return answers.filter((a) => a.answer === 0).flatMap((a) => MEND_FIRST[a.itemId] ?? []);
}

/** Readings under which a system is called cool enough to open, °C of coolant, and least minutes since the engine stopped. */
export const OPEN_BELOW_C = 45;
export const OPEN_AFTER_MIN = 30;

/**
 * Whether a cooling system may be opened.
 *
 * @param reading_c scan reading, null when not known: then only a night's stand is enough
 * @param since_min minutes since the engine stopped
 * @param softHose the upper hose gives way when squeezed
 */
export function coolEnough(
  reading_c: number | null,
  since_min: number | null,
  softHose: boolean,
): { readonly open: boolean; readonly says: string } {
  if (!softHose) return { open: false, says: 'The hose is firm: there is pressure. Wait.' };
  if (reading_c === null)
    return {
      open: false,
      says: 'Read the coolant temperature with a scan tool first; touch says nothing of pressure.',
    };
  if (reading_c > OPEN_BELOW_C) return { open: false, says: 'Still hot. Wait.' };
  if (since_min === null || since_min < OPEN_AFTER_MIN) {
    return {
      open: false,
      says: `Give it ${OPEN_AFTER_MIN} minutes after the engine stopped: metal heats the coolant on.`,
    };
  }
  return { open: true, says: 'Cool enough. Cover the cap, open to the first stop, let pressure go.' };
}
