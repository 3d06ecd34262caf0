import { normalCdf } from '../../signal';
import { ratioOf, type CircuitFinding, type CircuitNote, type Maybe } from './finding';

/** What was measured at the circuit of a heated thermostat. */
export interface ElementReadings {
  /** At the part's own pins, unplugged, cold, Ω. */
  readonly part_ohm?: Maybe;
  /** At the plug's supply pin, key on, V. */
  readonly supply_v?: Maybe;
  /** Between the control line and earth while the unit commands heating, element plugged in, V. */
  readonly control_v?: Maybe;
  /** Most that the resistance at the plug changed while plug and wire were moved, Ω. */
  readonly wiggle_ohm?: Maybe;
}

/**
 * Resistance of a sound element, cold, Ω, and how sharply it ends, as a factor: a heater of 10 to 40 W at 12 V. A generic
 * range, never a part's: the maker's figure goes before it.
 */
const SOUND_OHM = { from: 3.5, to: 45, factor: 1.35 } as const;
const SUPPLY_V = 10;
/** Pulled to earth by the unit, V: a switched-on transistor keeps less than 1 V. */
const PULLED_V = 2;
const WIGGLE_OHM = 2;
/** Resistance from which a circuit is called open, Ω. */
const OPEN_OHM = 1000;

/** Probability that an element of this resistance is a faulty one. */
function faultyElement(ohm: number): number {
  const log = Math.log(Math.max(1e-3, ohm));
  const width = Math.log(SOUND_OHM.factor);
  return 1 - normalCdf((log - Math.log(SOUND_OHM.from)) / width) * normalCdf((Math.log(SOUND_OHM.to) - log) / width);
}

function partNote(ohm: number): CircuitNote {
  if (ohm >= OPEN_OHM)
    return { kind: 'fault', says: `${Math.round(ohm)} Ω at the part: its element is open. P0597 follows from it.` };
  if (ohm < SOUND_OHM.from / SOUND_OHM.factor) {
    return {
      kind: 'fault',
      says: `${ohm.toFixed(1)} Ω at the part: shorted, less what the leads of the meter have. P0598 or a blown fuse follows from it.`,
    };
  }
  return faultyElement(ohm) < 0.5
    ? {
        kind: 'sound',
        says: `${ohm.toFixed(1)} Ω at the part: an element as they are (generic ${SOUND_OHM.from} to ${SOUND_OHM.to} Ω; the maker’s figure goes first).`,
      }
    : {
        kind: 'look',
        says: `${ohm.toFixed(1)} Ω at the part lies outside what elements usually have: hold it against the maker’s figure.`,
      };
}

/** What resistance, supply and control line of a thermostat's heater mean: before a part is ordered. */
export function elementCheck({ part_ohm, supply_v, control_v, wiggle_ohm }: ElementReadings): CircuitFinding {
  const notes: CircuitNote[] = [];
  // One broken link is enough: the circuit is as sound as all of them together.
  let sound = 1;
  if (part_ohm !== undefined) {
    sound *= 1 - faultyElement(part_ohm);
    notes.push(partNote(part_ohm));
  }
  if (supply_v !== undefined) {
    const without = 1 - normalCdf((supply_v - SUPPLY_V) / 0.5);
    sound *= 1 - without;
    notes.push(
      without > 0.5
        ? {
            kind: 'fault',
            says: `${supply_v.toFixed(1)} V on the supply pin: fuse, relay or wire. No new part mends that.`,
          }
        : { kind: 'sound', says: `${supply_v.toFixed(1)} V on the supply pin.` },
    );
  }
  if (control_v !== undefined && (supply_v ?? SUPPLY_V) >= SUPPLY_V) {
    const floating = normalCdf((control_v - PULLED_V) / 0.4);
    sound *= 1 - floating;
    notes.push(
      floating > 0.5
        ? {
            kind: 'fault',
            says: `${control_v.toFixed(1)} V on the control line while heating is commanded: the unit does not pull it down, or the wire between is broken. P0597 or P0599 by wire alone.`,
          }
        : { kind: 'sound', says: `The unit pulls the control line to ${control_v.toFixed(1)} V.` },
    );
  }
  if (wiggle_ohm !== undefined) {
    const loose = normalCdf((wiggle_ohm - WIGGLE_OHM) / 0.7);
    sound *= 1 - loose;
    notes.push(
      loose > 0.5
        ? { kind: 'fault', says: `Moved by ${wiggle_ohm.toFixed(1)} Ω while it was wiggled: plug or wire.` }
        : { kind: 'sound', says: 'Steady while it was wiggled.' },
    );
  }
  return { notes, faultRatio: notes.length === 0 ? 1 : ratioOf(1 - sound) };
}
