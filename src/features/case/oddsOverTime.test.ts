import { describe, expect, it } from 'vitest';
import { perCause, type Cause } from '@/core/base';
import type { CaseStep } from '@/core/case';
import { oddsPicture } from './oddsOverTime';

/** A step at which some causes hold a share and all others nothing. */
const step = (shares: Partial<Record<Cause, number>>): CaseStep => {
  const now = perCause((c) => shares[c] ?? 0);
  return { entryId: 'e', at: 0, kind: 'check', says: '', now, atArrival: now };
};

describe('the picture of the odds over time', () => {
  const steps = [
    step({ healthy: 0.6, 'sender-slow': 0.35, 'fan-always-on': 0.05 }),
    step({ healthy: 0.2, 'sender-slow': 0.78, 'fan-always-on': 0.02 }),
  ];

  it('shows what ever held something, largest at the end first, and the rest together', () => {
    const { causes, points } = oddsPicture(steps);
    expect(causes).toEqual(['sender-slow', 'healthy']);
    expect(points[0]!.rest).toBeCloseTo(0.05);
    for (const p of points) expect(p['sender-slow']! + p.healthy! + p.rest).toBeCloseTo(1);
  });

  it('draws what stands now one step wide', () => {
    const { points } = oddsPicture(steps);
    expect(points.map((p) => p.step)).toEqual([0, 1, 2]);
    expect(points[2]!.healthy).toBe(points[1]!.healthy);
  });

  it('is empty before the first entry', () => expect(oddsPicture([])).toEqual({ causes: [], points: [] }));
});
