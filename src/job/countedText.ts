import type { Counted } from '@/core/history';
import { percent } from './jobWords';

/** A count in words: share with its range, or that there are too few. */
export function countedText({ n, hits, share, low, high, few }: Counted): string {
  if (n === 0 || share === null) return 'none yet';
  const of = `${hits} of ${n}`;
  return few ? `${of}: too few to say` : `${percent(share)}, ${of}; true share ${percent(low)} to ${percent(high)}`;
}
