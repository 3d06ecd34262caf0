import type { Trace } from '@/core/base';

/** A practice case: as far as it has come, and the logs of its drives by step. */
export interface PracticeRecord {
  readonly id: string;
  readonly startedAt: number;
  readonly updatedAt: number;
  readonly sheet: unknown;
  readonly traces: Readonly<Record<string, Trace>>;
}
