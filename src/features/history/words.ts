import { MEASUREMENTS, isMeasurement } from '@/core/case';
import { findItem } from '@/core/evidence';
import type { Counted } from '@/core/history';
import { percent } from '@/job/jobWords';

const BENCH: Readonly<Record<string, string>> = {
  'bench-sender': 'Sender on the bench',
  'bench-thermostat': 'Thermostat in hot water',
  'bench-wiggle': 'Wiggled wire, logged',
  'bench-mix': 'Refractometer',
};

/** A test by its key in words. */
export function testName(key: string): string {
  if (key === 'drive') return 'Logged warm-up drive';
  if (BENCH[key] !== undefined) return BENCH[key];
  if (isMeasurement(key)) return MEASUREMENTS[key].title;
  return findItem(key)?.ask ?? key;
}

/** A count in words: share with its range, or that there are too few. */
export function countedText({ n, hits, share, low, high, few }: Counted): string {
  if (n === 0 || share === null) return 'none yet';
  const of = `${hits} of ${n}`;
  return few ? `${of}: too few to say` : `${percent(share)}, ${of}; true share ${percent(low)} to ${percent(high)}`;
}
