import { CAUSES, type Cause, type Trace, type Vehicle } from '../../src/core/base';
import { judgeNow } from '../../src/core/judge';
import type { Grade } from '../../src/core/evidence';

/** What was said of a drive, and what was wrong: all that figures are worked out from. */
export interface OutsideVerdict {
  readonly causes: readonly Cause[];
  readonly hotStart: boolean;
  /** What the drive should be judged by: nothing is asked of short drives and of faults that moved nothing. */
  readonly observable: boolean;
  readonly clear: boolean;
  readonly verdict: Cause;
  readonly probability: number;
  readonly grade: Grade;
  /** Causes, most probable first. */
  readonly order: readonly Cause[];
  readonly also: readonly Cause[];
}

/** A judged drive from outside the home world: a drawn world or a field set. */
export interface OutsideCase extends OutsideVerdict {
  readonly id: string;
  /** World or vehicle by which the report is cut. */
  readonly group: string;
  readonly channels: 'full' | 'basic' | 'temperature-only';
  readonly milliseconds: number;
}

/** Judges a drive and keeps what the report asks. */
export function judgedOutside(
  known: Omit<OutsideCase, 'verdict' | 'probability' | 'grade' | 'order' | 'also' | 'milliseconds'>,
  trace: Trace,
  vehicle: Vehicle,
): OutsideCase {
  const started = performance.now();
  const { verdict, causes, also } = judgeNow(trace, vehicle);
  return {
    ...known,
    verdict: verdict.cause,
    probability: verdict.probability,
    grade: verdict.grade,
    order: causes.map((c) => c.cause).filter((c) => CAUSES.includes(c)),
    also: also ?? [],
    milliseconds: performance.now() - started,
  };
}
