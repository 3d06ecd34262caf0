import type { Trace } from '@/core/base';
import { layBeside } from '@/core/formats';
import type { CompanionLog } from '@/storage/records';

/** A drive's trace with what its second log adds; the trace alone without one. */
export const laidBeside = (
  alone: Trace,
  companion: Pick<CompanionLog, 'series' | 'alignment' | 'channels'> | null,
): Trace => (companion ? layBeside(alone, companion.series, companion.alignment.offset_s, companion.channels) : alone);
