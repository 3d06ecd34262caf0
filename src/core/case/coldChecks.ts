import { temperatureText, type Vehicle } from '../base';
import { BEST_PROTECTION_PCT, boilingUnderCap_c, freezing_c, glycolForFreezing_pct } from '../coolant';
import type { Entry } from './entry';

/** Hours after which an engine has cooled to its surroundings. Source: a night; eight hours is the usual rule. */
export const SOAKED_H = 8;
/** How far the readings of a soaked engine may lie apart, K: "a few degrees"; half of it for rounding and sun. */
export const SOAK_AGREES_K = 4;
/** Readings past these are the rails of the circuit, °C. */
export const COLD_RAIL_C = -30;
export const HOT_RAIL_C = 125;
/** Cap against its rating: share below which it is called weak. Source: shop practice. */
export const WEAK_CAP = 0.85;
/** A level this far under the mark is low, mm. */
export const LEVEL_LOW_MM = -5;

/** From here more glycol gains next to nothing and carries less heat, %. Source: the table, near its lowest point. */
const AS_STRONG_PCT = 57;

type Values = Readonly<Record<string, number>>;

/** What a soak comparison means, in words; null until coolant and one other thermometer are there. */
export function soakSays({ ect_c, stood_h, iat_c, outside_c, probe_c }: Values): string | null {
  const others = [iat_c, outside_c, probe_c].filter((v) => v !== undefined);
  if (ect_c === undefined || others.length === 0) return null;
  if (stood_h === undefined) return 'Say how long it stood: without a night these readings prove nothing.';
  if (stood_h < SOAKED_H) return `Stood ${stood_h} h: too short to compare. Take it again after a night.`;
  if (Math.max(...others) - Math.min(...others) > 2 * SOAK_AGREES_K) {
    return 'The other thermometers disagree among themselves: sun, a block heater, or one of them is off. Find out before judging the sender.';
  }
  const difference_k = ect_c - others.reduce((a, b) => a + b, 0) / others.length;
  if (difference_k < -SOAK_AGREES_K) return 'The coolant reading is below everything else: suspect the sender.';
  return difference_k > SOAK_AGREES_K
    ? 'The coolant reading is above everything else: sender, block heater, or too short a soak.'
    : 'They agree. A sender with resistance in its plug agrees cold and still reads low when hot.';
}

/** What unplugging and bridging means, in words; null until both readings are there. */
export function railsSay({ unplugged_c, bridged_c }: Values): string | null {
  if (unplugged_c === undefined || bridged_c === undefined) return null;
  return unplugged_c <= COLD_RAIL_C && bridged_c >= HOT_RAIL_C
    ? 'Cold rail unplugged, hot rail bridged: wiring and control unit follow. What is left is the sender itself.'
    : 'The reading does not reach both rails: look at plug, wire and earth before the sender.';
}

/** What a cap means for boiling, °C; null where it is not known. */
export function capCheck(vehicle: Vehicle, { stamped_kpa, releases_kpa }: Values, altitude_m: number) {
  const rated = stamped_kpa ?? vehicle.coolant.cap_kpa;
  const boils_c = (kpa: number) => boilingUnderCap_c(vehicle.coolant.glycol_pct, kpa, altitude_m);
  return {
    boilsRated_c: rated === null ? null : boils_c(rated),
    boilsMeasured_c: releases_kpa === undefined ? null : boils_c(releases_kpa),
    weak: rated !== null && releases_kpa !== undefined && releases_kpa < WEAK_CAP * rated,
  };
}

/**
 * What a freeze point by refractometer means; the scale must be that of the glycol. One freeze point belongs to two
 * strengths: above about 68 % protection gets worse again, and a reading cannot tell the two sides apart.
 */
export function mixSays(freezes_c: number): { readonly glycol_pct: number; readonly says: string } {
  const glycol_pct = glycolForFreezing_pct(freezes_c);
  const strong = glycolForFreezing_pct(freezes_c, 'too-strong');
  const tooStrong =
    strong > BEST_PROTECTION_PCT + 1 && freezes_c < freezing_c(90)
      ? ` The same freeze point belongs to ${Math.round(strong)} %: above about 68 % protection gets worse again. Ask what was filled in, or weigh it.`
      : '';
  const says =
    glycol_pct < 33
      ? 'Too weak: freezes and cracks the block, and too little inhibitor. Correct it when the system is open.'
      : glycol_pct > AS_STRONG_PCT
        ? 'As strong as protects at all: it carries less heat, and past about 68 % it protects less again.'
        : `Good to ${temperatureText(freezing_c(glycol_pct))}.`;
  return { glycol_pct, says: says + tooStrong };
}

/** Things of the cold look that must be put right before a drive says anything, by item and answer. */
const MEND_FIRST: Readonly<Record<string, string>> = {
  'look-level-low:low':
    'The level is low. Find where it went, fill it cold, bleed it, and drive then: air makes sender and heater lie both ways.',
  'look-radiator-face:blocked': 'The radiator face is blocked. Clear it first, or the drive shows the dirt.',
  'look-fan-stiff:stiff': 'The fan does not turn freely. Mend it before any drive with standstill.',
  'look-cap-weak:weak':
    'The cap does not hold its pressure: the coolant boils sooner than the scale shows. Replace it before any drive that gets hot.',
};

/** What to mend before a drive: only what was found since the last work counts. @param entries in order of time */
export function mendFirst(entries: readonly Entry[], vehicle: Vehicle): string[] {
  const live = entries.filter((e) => e.takenBack !== true);
  const since = live.slice(live.findLastIndex((e) => e.kind === 'work') + 1);
  const found = new Map<string, string>();
  for (const entry of since) {
    if (entry.kind === 'check') found.set(entry.item, `${entry.item}:${entry.answer}`);
    if (entry.kind !== 'measurement') continue;
    const { above_mark_mm, at_c } = entry.values;
    if (entry.name === 'level' && above_mark_mm !== undefined && (at_c ?? 0) <= 45) {
      found.set('look-level-low', above_mark_mm <= LEVEL_LOW_MM ? 'look-level-low:low' : '');
    }
    if (entry.name === 'cap' && capCheck(vehicle, entry.values, 0).weak)
      found.set('look-cap-weak', 'look-cap-weak:weak');
  }
  return [...found.values()].flatMap((key) => MEND_FIRST[key] ?? []);
}
