import type { Cause } from '../base';
import type { EvidenceLine } from './evidenceLine';

/**
 * One way a cause can come about, as one drive saw it: what it found of vehicle and severity, as a normal distribution
 * over named coordinates, each of which is standard normal before any drive.
 */
export interface DriveWay {
  readonly cause: Cause;
  readonly variant: string;
  /** Share of this way among the ways of its cause before any drive. */
  readonly share: number;
  /** Logarithm of its share among them after this drive. */
  readonly within: number;
  /** Coordinates: the vehicle's first, then the severities. Equal names mean the same thing on another drive. */
  readonly names: readonly string[];
  readonly severities: number;
  readonly mean: Float64Array;
  /** Row by row. */
  readonly covariance: Float64Array;
}

/** What a judged drive brings to a case. */
export interface DriveEvidence {
  /** Whether it can carry evidence at all, and why not. */
  readonly quality: { readonly usable: boolean; readonly problems: readonly string[] };
  readonly evidence: readonly EvidenceLine[];
  readonly ways: readonly DriveWay[];
  /** Print of the log that it was made from, see `logPrint`; null where it is not known. */
  readonly log: string | null;
  /** What the coordinates of the vehicle are counted from: only drives with the same basis say the same by them. */
  readonly basis: string;
}

/** Id of the line that holds how well each cause fits the course of a drive. */
export const COURSE_LINE = 'trace-fit';
/** Id of the line that weighs faults by how much this drive could have shown of them. */
export const VISIBILITY_LINE = 'drive-visibility';
/** The line of a drive that holds its first readings against each other: what a cold look after a night asks too. */
export const START_LINE = 'signal-start';
