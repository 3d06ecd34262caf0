import type { CauseLogs, EvidenceLine } from './evidenceLine';
import { addLogs } from './posterior';

/** What a judged drive brings to a case. */
export interface DriveEvidence {
  /** Whether it can carry evidence at all, and why not. */
  readonly quality: { readonly usable: boolean; readonly problems: readonly string[] };
  readonly evidence: readonly EvidenceLine[];
  /** The reading over the drive, s from its start and °C, NaN where it was not there: what marks set by hand lie beside. */
  readonly curves?: { readonly time_s: ArrayLike<number>; readonly measured_c?: ArrayLike<number> };
  /** Print of the log that it was made from, see `logPrint`; null where it is not known. */
  readonly log: string | null;
}

/** Id of the line that holds how well each cause fits the course of a drive. */
export const COURSE_LINE = 'trace-fit';
/** Id of the line that weighs faults by how much this drive could have shown of them. */
export const VISIBILITY_LINE = 'drive-visibility';
/** The line of a drive that holds its first readings against each other: what a cold look after a night asks too. */
export const START_LINE = 'signal-start';
/** The line that corrects fit and signs of one drive by drives with a known outcome: of no use without them. */
export const EXPERIENCE_LINE = 'experience';

/**
 * The one word with which a drive enters a case: all its lines together, as a log likelihood per cause. With the usual
 * base rates it gives the odds that the drive has alone, which are the calibrated ones; no part of it is.
 */
export const driveWord = ({ evidence }: Pick<DriveEvidence, 'evidence'>): CauseLogs =>
  addLogs(...evidence.map((line) => line.logLikelihood));
