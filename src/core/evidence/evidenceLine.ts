import { perCause, type Cause, type PerCause } from '../base';

/** Log likelihood per cause of something seen, up to a constant. */
export type CauseLogs = Record<Cause, number>;

/** The same number for every cause. */
export const flatLogs = (value = 0): CauseLogs => perCause(() => value);

/** Logarithms of likelihoods. */
export const logsOf = (likelihood: PerCause<number>): CauseLogs => perCause((c) => Math.log(likelihood[c]));

/** Kinds of evidence: `raw` and `visibility` of a trace stand in its details, the rest may stand as the latest news. */
export type EvidenceKind = 'said' | 'code' | 'seen' | 'measured' | 'bench' | 'course' | 'raw' | 'visibility';

/** One piece of evidence: what was seen and how many times more likely it makes which cause. The one currency. */
export interface EvidenceLine {
  readonly id: string;
  readonly kind: EvidenceKind;
  readonly seen: string;
  /** Why it bears on the causes. */
  readonly reason: string;
  /** Where it comes from, in the words of the work. */
  readonly source: string;
  readonly logLikelihood: Readonly<CauseLogs>;
}
