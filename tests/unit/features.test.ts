import { describe, expect, it } from 'vitest';
import { featureExam, withinTolerance } from '../../scripts/exam/featureExam';

/**
 * Figures of the desk against the simulator's hidden truth, on drives that nothing was chosen by. Few of them: the
 * claims stand in docs/accuracy.md with the command that makes them from hundreds.
 */
describe('figures of simulated drives', () => {
  const exam = featureExam(Array.from({ length: 36 }, (_, i) => 790_000 + i));

  it('level and warm-up times are right, and their uncertainty covers what they miss', () => {
    for (const [name, tolerance] of [
      ['plateau', 1],
      ['minutes-to-60', 15],
    ] as const) {
      const { count, within, covered } = withinTolerance(exam.errors, name, tolerance);
      expect(count, name).toBeGreaterThan(20);
      expect(within, name).toBeGreaterThanOrEqual(0.9);
      expect(covered, name).toBeGreaterThanOrEqual(0.9);
    }
  });

  it('a bend is told on a good part of the drives that have one, near where the valve opened', () => {
    expect(exam.promptOpenings).toBeGreaterThan(5);
    expect(exam.bendsTold).toBeGreaterThanOrEqual(0.3 * exam.promptOpenings);
    expect(withinTolerance(exam.errors, 'opening-time', 25).within).toBeGreaterThanOrEqual(0.75);
    expect(withinTolerance(exam.errors, 'bend', 3).within).toBeGreaterThanOrEqual(0.75);
  });
});
