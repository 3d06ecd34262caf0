import { median } from 'd3-array';
import { CAUSES, isFault, neighboursOf, type Cause, type ChannelSet } from '../../src/core/base';
import type { ExamCase } from './case';

/** A fault is observable from this effect on the logged reading, and clear from the next, K RMS. */
export const OBSERVABLE_K = 3;
export const CLEAR_K = 6;

const isSender = (cause: Cause): boolean => cause.startsWith('sender-');
const isThermostat = (cause: Cause): boolean => cause.startsWith('thermostat-');

/** True when a verdict names the truth: an inconclusive one names nothing. */
export const named = (c: ExamCase): boolean => c.grade !== 'inconclusive' && c.verdict === c.truth;

function namedInFamily(c: ExamCase): boolean {
  if (c.grade === 'inconclusive') return false;
  return neighboursOf(c.truth).includes(c.verdict);
}

/** Share of cases for which something holds, with the count it rests on. */
export interface Share {
  readonly share: number;
  readonly of: number;
}

function share(cases: readonly ExamCase[], holds: (c: ExamCase) => boolean): Share {
  return { share: cases.length === 0 ? NaN : cases.filter(holds).length / cases.length, of: cases.length };
}

/** One bar of the reliability table. */
export interface ReliabilityBin {
  readonly from: number;
  readonly to: number;
  readonly count: number;
  readonly said: number;
  readonly right: number;
}

/** How often verdicts of a stated probability were right. */
export function reliability(cases: readonly ExamCase[]): { bins: ReliabilityBin[]; error: number } {
  const edges = [0, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 0.95, 1.0001];
  let error = 0;
  const bins = edges.slice(0, -1).map((from, i) => {
    const to = edges[i + 1]!;
    const inside = cases.filter((c) => c.probability >= from && c.probability < to);
    const said = inside.reduce((s, c) => s + c.probability, 0) / Math.max(1, inside.length);
    const right = inside.filter((c) => c.verdict === c.truth).length / Math.max(1, inside.length);
    error += (inside.length / Math.max(1, cases.length)) * Math.abs(said - right);
    return { from, to: Math.min(1, to), count: inside.length, said, right };
  });
  return { bins, error };
}

/** Every figure of an exam. */
export interface ExamFigures {
  readonly clearBySet: Readonly<Record<ChannelSet, Share>>;
  readonly observable: Share;
  readonly observableMerged: Share;
  readonly falseAccusals: Share;
  readonly swaps: Share;
  readonly hopeless: Share;
  readonly calibrationError: number;
  readonly reliability: readonly ReliabilityBin[];
  readonly medianMilliseconds: number;
  readonly byCause: readonly {
    readonly cause: Cause;
    readonly bySet: Readonly<Record<ChannelSet, Share>>;
    readonly clear: Share;
  }[];
  /** Rows: truth; columns: verdict, with a last column for inconclusive. */
  readonly confusion: readonly (readonly number[])[];
}

/** Computes the figures that the exam reports. */
export function examFigures(cases: readonly ExamCase[]): ExamFigures {
  const cold = cases.filter((c) => !c.hotStart);
  const faults = cold.filter((c) => isFault(c.truth));
  const observable = faults.filter((c) => c.effect_k >= OBSERVABLE_K);
  const clear = faults.filter((c) => c.effect_k >= CLEAR_K);
  const sound = cold.filter((c) => !isFault(c.truth));
  const judged = [...observable, ...sound];
  const ofSet = (list: readonly ExamCase[], set: ChannelSet) => list.filter((c) => c.channelSet === set);
  const bySet = (list: readonly ExamCase[]) => ({
    full: share(ofSet(list, 'full'), named),
    basic: share(ofSet(list, 'basic'), named),
    'temperature-only': share(ofSet(list, 'temperature-only'), named),
  });
  const { bins, error } = reliability(judged);
  const columns = [...CAUSES];
  return {
    clearBySet: bySet(clear),
    observable: share(observable, named),
    observableMerged: share(observable, namedInFamily),
    falseAccusals: share(sound, (c) => isFault(c.verdict) && (c.grade === 'confirmed' || c.grade === 'likely')),
    swaps: share(
      judged.filter((c) => isSender(c.truth) || isThermostat(c.truth)),
      (c) =>
        c.grade !== 'inconclusive' &&
        ((isSender(c.truth) && isThermostat(c.verdict)) || (isThermostat(c.truth) && isSender(c.verdict))),
    ),
    hopeless: share(
      cases.filter((c) => c.hotStart),
      (c) => c.grade === 'inconclusive',
    ),
    calibrationError: error,
    reliability: bins,
    medianMilliseconds: median(cases, (c) => c.milliseconds) ?? NaN,
    byCause: columns.map((cause) => {
      const own = (!isFault(cause) ? sound : observable).filter((c) => c.truth === cause);
      return {
        cause,
        bySet: bySet(own),
        clear: share(
          own.filter((c) => c.effect_k >= CLEAR_K),
          named,
        ),
      };
    }),
    confusion: columns.map((truth) => {
      const own = judged.filter((c) => c.truth === truth);
      const row = columns.map((v) => own.filter((c) => c.verdict === v && c.grade !== 'inconclusive').length);
      return [...row, own.filter((c) => c.grade === 'inconclusive').length];
    }),
  };
}
