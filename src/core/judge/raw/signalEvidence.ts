import type { SecondSensorPlace, Trace } from '../../base';
import { flatLogs, type CauseLogs } from '../../evidence';
import type { SignalFindings } from './detectors';
import type { SenderShifts } from '../fits/senderShift';

/** Student-t log density with 8 degrees of freedom, mean 0. */
const heavyTail = (x: number, scale: number): number =>
  Math.log(0.386699 / scale) - 4.5 * Math.log1p((x / scale) ** 2 / 8);

/** Evidence from spikes and rails: how many drop-outs per cause. */
export function dropoutEvidence(findings: SignalFindings): CauseLogs {
  const n = findings.dropouts_s.length;
  const logs = flatLogs();
  // A sound wire drops out about once in twenty drives (a logger's slip); a broken one several times a drive.
  if (n === 0) logs['sender-intermittent'] = -4;
  else logs['sender-intermittent'] = Math.min(30, n === 1 ? (findings.railHits > 0 ? 3 : 2) : 3.5 * n);
  return logs;
}

/**
 * Evidence from sudden lasting rises. Coolant full of air leaves the sender dry and then wets it; a sound system does
 * this about once in seventy drives, an engine that stops and starts somewhat more often (hot coolant moves on again).
 */
export function leapEvidence(findings: SignalFindings, hybrid: boolean): CauseLogs {
  const leapt = findings.leaps_s.length > 0;
  const chance = (p: number) => Math.log(leapt ? p : 1 - p);
  const logs = flatLogs(chance(hybrid ? 0.05 : 0.015));
  logs['low-coolant-or-air'] = chance(0.65);
  logs['sender-intermittent'] = chance(0.15);
  return logs;
}

/**
 * Evidence from a level that swings again and again. A sender that is now in coolant, now in air does so on about one
 * drive in three; an inlet thermostat hunts by design more often than one at the outlet. Kept weaker than counted on
 * simulated vehicles (a third, a fortieth): the fit of the shape sees some of it too.
 */
export function sawToothEvidence(findings: SignalFindings, inlet: boolean): CauseLogs {
  const chance = (p: number) => Math.log(findings.sawTooth ? p : 1 - p);
  const logs = flatLogs(chance(inlet ? 0.06 : 0.04));
  logs['low-coolant-or-air'] = chance(0.25);
  return logs;
}

/**
 * Evidence from a fan that is not called for though the reading is high. A control that works does so on about one drive
 * in a thousand (its switch point is not the one in the papers), one of three ways in which a fan does not run shows so.
 */
export function fanCommandEvidence(findings: SignalFindings): CauseLogs {
  const logs = flatLogs();
  if (findings.fanNotCalled) logs['fan-not-running'] = 6;
  return logs;
}

/**
 * Evidence from a fan that is called for in full on a cold engine in cool air. Beside a control that always calls, a
 * logger's slip or a test by the workshop tool does so (working figure).
 */
export function fanCalledEvidence(findings: SignalFindings): CauseLogs {
  const logs = flatLogs();
  if (findings.fanCalledCold) logs['fan-always-on'] = 5;
  return logs;
}

/**
 * What a reading that stood at its end says of a frozen sender, by the time that it stood, s: of the same figure, and of
 * one or the next. Counted on field and drawn drives that {@link findFrozen} is not sure of (decision 36): two of 60
 * frozen senders and three of 1450 others stood for a quarter of an hour; a thermostat holds its level for minutes.
 */
const STOOD = {
  same: [
    [900, 3],
    [480, 1],
    [240, -1],
  ],
  flickers: [[1500, 1]],
} as const;
const MOVES = -9;

/** Evidence from a reading that stands still. */
export function frozenEvidence({ frozenFrom_s, nearlyFrozen, still }: SignalFindings): CauseLogs {
  const logs = flatLogs();
  const stood = (steps: readonly (readonly [number, number])[], held_s: number): number =>
    steps.find(([from_s]) => held_s >= from_s)?.[1] ?? MOVES;
  const unsure = Math.max(stood(STOOD.same, still.same_s), stood(STOOD.flickers, still.flickers_s));
  logs['sender-stuck'] = frozenFrom_s !== null ? 25 : nearlyFrozen ? 8 : unsure;
  return logs;
}

/** How well the shift of a wrong sender's fit is known, K: the shape of a warm-up pins it to a few degrees. */
const SHIFT_SD_K = 4;
/** Density of the difference where no fit says how large it should be, per K. */
const ANY_SHIFT = 1 / 30;

/** Log density of another sensor standing `d` off a reading that a wrong sender has shifted. */
const shifted = (d: number, shift_k: number | undefined): number =>
  shift_k === undefined ? Math.log(ANY_SHIFT) : heavyTail(d + shift_k, SHIFT_SD_K);

/** How another sensor on the same coolant is read. */
interface OtherSensor {
  /** Scatter of a sound pair, K. */
  readonly scatter_k: number;
  /** Difference from which one of the two is wrong for good, K. */
  readonly wrongFrom_k: number;
  /** How much a wrong engine sender loses where the two agree. */
  readonly agreeing: number;
}

/** Log likelihood of a lasting difference to another sensor, for causes that leave the other sensor sound. */
function otherSensorEvidence(d: number, shifts: SenderShifts, sensor: OtherSensor): CauseLogs {
  const sound = heavyTail(d, sensor.scatter_k);
  const logs = flatLogs(sound);
  const sides = [
    ['sender-reads-low', d > sensor.wrongFrom_k],
    ['sender-reads-high', d < -sensor.wrongFrom_k],
  ] as const;
  for (const [cause, wrong] of sides) logs[cause] = wrong ? shifted(d, shifts[cause]) : sound - sensor.agreeing;
  // A lagging or drop-out-ridden engine reading also differs from the other, but not for good.
  for (const cause of ['sender-slow', 'sender-intermittent', 'low-coolant-or-air'] as const) {
    logs[cause] = Math.max(sound, heavyTail(d, 5));
  }
  logs['sender-stuck'] = Math.max(sound, Math.log(1 / 60));
  return logs;
}

/**
 * Evidence from the gauge's own sender: a lasting difference means that one of the two is wrong, and if it is the
 * engine's, its fit must need as much. Without a gauge channel nothing is known of it and the base rate stays.
 */
export function gaugeEvidence(findings: SignalFindings, shifts: SenderShifts = {}): CauseLogs {
  const d = findings.gaugeMinusEct_k;
  if (d === null) return { ...flatLogs(), 'gauge-sender-fault': -1.5 };
  const wide = Math.log(1 / 60) - Math.max(0, 4 - Math.abs(d));
  const logs = otherSensorEvidence(d, shifts, { scatter_k: 2, wrongFrom_k: 3, agreeing: 3 });
  return { ...logs, 'gauge-sender-fault': wide };
}

/** How far under the reading a sensor at the engine may fall while the engine warms up, K. */
const GOES_ALONG_K = 12;

/**
 * True where the second sensor sits in the coolant that the engine's sender reads: by the vehicle's file, else by its
 * course. One at the pump inlet or the radiator stays cold until the thermostat opens, whatever the sender does.
 */
export function testifies(findings: SignalFindings, place: SecondSensorPlace): boolean {
  if (place !== 'unknown') return place === 'engine';
  return findings.secondLag_k !== null && findings.secondLag_k < GOES_ALONG_K;
}

/** Evidence from a second engine sensor: it shares the coolant but not the fault. */
export function secondSensorEvidence(
  findings: SignalFindings,
  trace: Trace,
  place: SecondSensorPlace,
  shifts: SenderShifts = {},
): CauseLogs {
  const d = findings.secondMinusEct_k;
  if (d === null || trace.time_s.length < 5 || !testifies(findings, place)) return flatLogs();
  return otherSensorEvidence(d, shifts, { scatter_k: 1.6, wrongFrom_k: 2.5, agreeing: 4 });
}
