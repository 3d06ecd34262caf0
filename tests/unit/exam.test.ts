import { describe, expect, it } from 'vitest';
import { CAUSES } from '@/core/base';
import { runCase } from '../../scripts/exam/case';
import { examFigures } from '../../scripts/exam/metrics';
import { examReport } from '../../scripts/exam/report';

/** A small fixed exam: 12 rounds over causes and channel sets, from seeds that nothing was tuned on. */
const COUNT = 108;
const SEED = 700_000;

describe('exam', () => {
  const cases = Array.from({ length: COUNT }, (_, i) => runCase(i, { seed: SEED, only: null }));
  const figures = examFigures(cases);

  it('names clear faults, with a margin below what docs/accuracy.md reports', () => {
    expect(figures.clearBySet.full.share).toBeGreaterThanOrEqual(0.75);
    expect(figures.clearBySet.basic.share).toBeGreaterThanOrEqual(0.65);
    expect(figures.clearBySet['temperature-only'].share).toBeGreaterThanOrEqual(0.4);
    expect(figures.observable.share).toBeGreaterThanOrEqual(0.6);
  });

  it('seldom accuses a sound vehicle and does not mix up sender and thermostat', () => {
    expect(figures.falseAccusals.share).toBeLessThanOrEqual(0.1);
    expect(figures.swaps.share).toBeLessThanOrEqual(0.08);
  });

  it('says cannot tell on hot starts, and means its odds', () => {
    expect(figures.hopeless.share).toBe(1);
    expect(figures.calibrationError).toBeLessThan(0.16);
  });

  it('gives every leader at least an even share of the causes, and a full report', () => {
    for (const c of cases) expect(c.probability).toBeGreaterThanOrEqual(1 / CAUSES.length);
    expect(new Set(cases.map((c) => c.truth)).size).toBe(CAUSES.length);
    expect(examReport(figures)).toMatch(/sender called thermostat or the reverse \| \d+ % \(\d+\)/);
  });
});
