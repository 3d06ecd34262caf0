import { normalCdf } from '../../signal';
import { ratioOf, type CircuitFinding, type CircuitNote, type Maybe } from './finding';

/** What was measured at an electric radiator fan while it was commanded to run. */
export interface FanReadings {
  readonly fuse_a?: Maybe;
  readonly running_a?: Maybe;
  /** At the fan's plug, commanded on, V. */
  readonly supply_v?: Maybe;
  /** Between the fan's earth and the battery's, running, V. */
  readonly earthDrop_v?: Maybe;
  /** How often its fuse has blown. */
  readonly blown?: Maybe;
}

/** Standard uncertainties of a clamp and a voltmeter, A and V. */
export interface FanTolerance {
  readonly current_a: number;
  readonly voltage_v: number;
}

/** Supply that turns a 12 V fan, V; well below a charged battery, well above a bad contact. */
const LEAST_SUPPLY_V = 10;
/** Current of a motor that does not turn at all: its supply ends in nothing, A. */
const DEAD_BELOW_A = 0.5;
/** Share of the fuse's rating that a motor may draw for long. Source: fuses are chosen for about 75 % of their rating. */
const FUSE_SHARE = 0.75;
/** Loss in an earth from which it is mended, V. Source: shop practice for motor circuits. */
const EARTH_DROP_V = 0.5;

/** What currents and voltages of a fan mean; nothing where nothing was measured. */
export function fanCheck(
  { fuse_a, running_a, supply_v, earthDrop_v, blown }: FanReadings,
  tolerance: FanTolerance = { current_a: 0.3, voltage_v: 0.1 },
): CircuitFinding {
  const notes: CircuitNote[] = [];
  let sound = 1;
  const supplied = supply_v === undefined ? null : normalCdf((supply_v - LEAST_SUPPLY_V) / (tolerance.voltage_v + 0.3));
  if (supply_v !== undefined) {
    const fault = supplied! < 0.5;
    sound *= supplied!;
    notes.push(
      fault
        ? {
            kind: 'fault',
            says: `Commanded on, only ${supply_v.toFixed(1)} V at the plug: fuse, relay, wire or command, not the motor.`,
          }
        : { kind: 'sound', says: `${supply_v.toFixed(1)} V at the plug: fuse, relay, wire and command do their part.` },
    );
  }
  if (running_a !== undefined) {
    const turns = normalCdf((running_a - DEAD_BELOW_A) / (tolerance.current_a + 0.05));
    // No current without supply says nothing of the motor.
    if (supplied === null || supplied > 0.5) sound *= turns;
    if (turns < 0.5) {
      notes.push(
        supplied !== null && supplied > 0.5
          ? { kind: 'fault', says: `Supply but ${running_a.toFixed(1)} A: the motor or its brushes are open.` }
          : {
              kind: 'look',
              says: `${running_a.toFixed(1)} A: it does not run. Measure the supply at its plug, commanded on.`,
            },
      );
    } else if (fuse_a !== undefined && running_a > FUSE_SHARE * fuse_a) {
      notes.push({
        kind: 'fault',
        says: `It draws ${running_a.toFixed(1)} A, ${Math.round((100 * running_a) / fuse_a)} % of its ${fuse_a} A fuse: stiff bearing, dirt, or a fuse that is too small. It will blow again; do not fit a larger one.`,
      });
    } else if (fuse_a !== undefined) {
      notes.push({
        kind: 'sound',
        says: `It draws ${running_a.toFixed(1)} A, ${Math.round((100 * running_a) / fuse_a)} % of its ${fuse_a} A fuse. If the fuse had blown, the reason is not the running motor: look for a chafed wire, water in the plug, a blade that jammed.`,
      });
    } else notes.push({ kind: 'look', says: `It draws ${running_a.toFixed(1)} A: hold it against the fuse’s rating.` });
  }
  if (blown !== undefined && blown >= 1) {
    notes.push(
      blown >= 2
        ? {
            kind: 'fault',
            says: `Blown ${blown} times: a fuse that blows again has a cause that stays. Motor current, chafed wire, water in a plug, a blade that jams; no further fuse before it is found.`,
          }
        : { kind: 'look', says: 'Blown once: measure the current before the new one is trusted, and note the day.' },
    );
  }
  if (earthDrop_v !== undefined) {
    notes.push(
      earthDrop_v > EARTH_DROP_V
        ? { kind: 'fault', says: `${earthDrop_v.toFixed(2)} V lost in its earth: clean and tighten it.` }
        : { kind: 'sound', says: `Earth loses ${earthDrop_v.toFixed(2)} V: good.` },
    );
  }
  const told = supply_v !== undefined || running_a !== undefined;
  return { notes, faultRatio: told ? ratioOf(1 - sound) : 1 };
}
