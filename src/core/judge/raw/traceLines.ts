import { CAUSES, differenceText, temperatureText, type Cause, type Trace, type Vehicle } from '../../base';
import { causeName, START_LINE, VISIBILITY_LINE, type EvidenceLine } from '../../evidence';
import type { SignalFindings } from './detectors';
import {
  dropoutEvidence,
  fanCalledEvidence,
  fanCommandEvidence,
  frozenEvidence,
  gaugeEvidence,
  leapEvidence,
  sawToothEvidence,
  secondSensorEvidence,
  testifies,
} from './signalEvidence';
import { againstStart, startEvidence, startWitnesses } from './startEvidence';
import type { SenderShifts } from '../fits/senderShift';
import { HIDDEN_BELOW_K, visibilityLogs, type Way } from '../fits/visibility';

/** From when on stillness is told, s: where it counts, see {@link frozenEvidence}. */
const TOLD_FROM_S = 240;
const FLICKER_TOLD_FROM_S = 1500;

const side = (difference_k: number): string => (difference_k < 0 ? 'below' : 'above');

/** How still the reading stands, in words. */
function stillText({ frozenFrom_s, frozenAt_c, nearlyFrozen, still }: SignalFindings): string {
  if (frozenFrom_s !== null) {
    return `The reading stands at ${temperatureText(frozenAt_c)} from minute ${(frozenFrom_s / 60).toFixed(1)}`;
  }
  if (nearlyFrozen) return 'The reading hardly moves while the engine warms up';
  const minutes = (s: number) => `for the last ${Math.round(s / 60)} min`;
  if (still.same_s >= TOLD_FROM_S) return `The reading shows ${temperatureText(still.at_c)} ${minutes(still.same_s)}`;
  if (still.flickers_s >= FLICKER_TOLD_FROM_S) {
    return `The reading stays within one digit of ${temperatureText(still.at_c)} ${minutes(still.flickers_s)}`;
  }
  return 'The reading moves';
}

/** What the raw signal of a trace says, line by line. */
export function signalLines(
  findings: SignalFindings,
  trace: Trace,
  vehicle: Vehicle,
  shifts: SenderShifts,
): EvidenceLine[] {
  const lines: EvidenceLine[] = [
    {
      id: 'signal-dropouts',
      kind: 'raw',
      reason: 'Coolant cannot jump: a wire, its earth or the logger can.',
      seen:
        findings.dropouts_s.length === 0
          ? 'No spikes or drop-outs'
          : `${findings.dropouts_s.length} spikes or drop-outs`,
      logLikelihood: dropoutEvidence(findings),
      source: 'raw signal',
    },
    {
      id: 'signal-leaps',
      kind: 'raw',
      reason: 'Coolant full of air leaves the sender dry, then wets it at once.',
      seen:
        findings.leaps_s.length === 0
          ? 'No sudden lasting rise'
          : `${findings.leaps_s.length} sudden lasting rises, the first at minute ${((findings.leaps_s[0]! - trace.time_s[0]!) / 60).toFixed(1)}`,
      logLikelihood: leapEvidence(findings, vehicle.engine.hybrid),
      source: 'raw signal',
    },
    {
      id: 'signal-saw-tooth',
      kind: 'raw',
      reason: 'A sender that is now in coolant, now in air; an inlet thermostat hunts a little by design.',
      seen: findings.sawTooth
        ? `The level swings by ${differenceText(findings.sawTooth.height_k)} every ${Math.round(findings.sawTooth.period_s)} s, ${findings.sawTooth.swings} times`
        : 'The level does not swing again and again',
      logLikelihood: sawToothEvidence(findings, vehicle.thermostat.location === 'inlet'),
      source: 'raw signal',
    },
    {
      id: 'signal-frozen',
      kind: 'raw',
      reason: 'No coolant stands still to the degree while an engine runs.',
      seen: stillText(findings),
      logLikelihood: frozenEvidence(findings),
      source: 'raw signal',
    },
    {
      id: 'signal-gauge',
      kind: 'raw',
      reason: 'Gauge and control unit have senders of their own in the same coolant.',
      seen:
        findings.gaugeMinusEct_k === null
          ? 'No gauge channel'
          : `Gauge stands ${differenceText(findings.gaugeMinusEct_k)} ${side(findings.gaugeMinusEct_k)} the engine reading`,
      logLikelihood: gaugeEvidence(findings, shifts),
      source: 'raw signal',
    },
  ];
  const atStart = startWitnesses(findings.atStart, testifies(findings, vehicle.sensors?.second ?? 'unknown'));
  const against = againstStart(atStart);
  if (against !== null) {
    lines.push({
      id: START_LINE,
      kind: 'raw',
      reason:
        'Before the engine has run, all that shares its coolant reads the same, and is hardly colder than the air.',
      seen: against,
      logLikelihood: startEvidence(atStart),
      source: 'raw signal',
    });
  }
  if (findings.fanNotCalled) {
    const { reading_c, lasts_s } = findings.fanNotCalled;
    lines.push({
      id: 'signal-fan',
      kind: 'raw',
      reason: 'Its control acts on this very reading: where it does not call, it is at fault or told not to.',
      seen: `The fan is not called for over ${(lasts_s / 60).toFixed(1)} min with the reading up to ${temperatureText(reading_c)}`,
      logLikelihood: fanCommandEvidence(findings),
      source: 'raw signal',
    });
  }
  if (findings.fanCalledCold) {
    const { reading_c, lasts_s } = findings.fanCalledCold;
    lines.push({
      id: 'signal-fan-cold',
      kind: 'raw',
      reason: 'Neither a cold engine nor cool air asks for the fan: its control does so by itself.',
      seen: `The fan is called for in full over ${(lasts_s / 60).toFixed(1)} min with the reading at ${temperatureText(reading_c)} at most`,
      logLikelihood: fanCalledEvidence(findings),
      source: 'raw signal',
    });
  }
  if (findings.secondMinusEct_k !== null) {
    lines.push({
      id: 'signal-second',
      kind: 'raw',
      reason: 'A second sensor shares the coolant but not the fault.',
      seen: `Second engine sensor stands ${differenceText(findings.secondMinusEct_k)} ${side(findings.secondMinusEct_k)} the first`,
      logLikelihood: secondSensorEvidence(findings, trace, vehicle.sensors?.second ?? 'unknown', shifts),
      source: 'raw signal',
    });
  }
  return lines;
}

/** Which faults this drive could hardly have shown. `ways` leaves the sound vehicle out. */
export function visibilityLine(ways: readonly Way[]): EvidenceLine {
  const effectOf = (cause: Cause) => Math.max(...ways.filter((w) => w.cause === cause).map((w) => w.effect_k));
  const hidden = CAUSES.filter((c) => ways.some((w) => w.cause === c) && effectOf(c) < HIDDEN_BELOW_K);
  return {
    id: VISIBILITY_LINE,
    kind: 'visibility',
    reason: 'A fault that would hardly have moved this drive is less likely to be what was complained about.',
    seen:
      hidden.length === 0
        ? 'Every fault considered would have moved the reading on this drive'
        : `This drive would hardly show: ${hidden.map((c) => causeName(c).toLowerCase()).join(', ')}`,
    logLikelihood: visibilityLogs(ways),
    source: 'trace',
  };
}
