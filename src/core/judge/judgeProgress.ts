import type { Cause } from '../base';

/** Where a judgement stands. */
export interface JudgeProgress {
  readonly done: number;
  readonly of: number;
  readonly doing: Cause;
}
