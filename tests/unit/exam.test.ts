import { describe, expect, it } from 'vitest';
import { CAUSES } from '@/core/base';
import { runCase } from '../../scripts/exam/case';
import { examFigures } from '../../scripts/exam/metrics';
import { outsideFigures, outsideReport } from '../../scripts/exam/outsideReport';
import { examReport } from '../../scripts/exam/report';
import { runWorldCase } from '../../scripts/exam/worldCase';

/** A small fixed exam in the home world: rounds over causes and channel sets, from seeds that nothing was tuned on. */
const COUNT = 72;
const SEED = 700_000;
/** The same in worlds that the judge never met. */
const OUTSIDE = 30;
const OUTSIDE_SEED = 9_700_000;

describe('exam in the home world', () => {
  const cases = Array.from({ length: COUNT }, (_, i) => runCase(i, { seed: SEED, only: null }));
  const figures = examFigures(cases);

  it('names clear faults, with a margin below what docs/accuracy.md reports', () => {
    expect(figures.clearBySet.full.share).toBeGreaterThanOrEqual(0.6);
    expect(figures.clearBySet.basic.share).toBeGreaterThanOrEqual(0.5);
    expect(figures.clearBySet['temperature-only'].share).toBeGreaterThanOrEqual(0.25);
    expect(figures.observable.share).toBeGreaterThanOrEqual(0.5);
  });

  it('seldom accuses a sound vehicle and does not mix up sender and thermostat', () => {
    expect(figures.falseAccusals.share).toBeLessThanOrEqual(0.1);
    expect(figures.swaps.share).toBeLessThanOrEqual(0.1);
  });

  it('says cannot tell on hot starts, and means its odds', () => {
    expect(figures.hopeless.share).toBe(1);
    expect(figures.calibrationError).toBeLessThan(0.2);
  });

  it('gives every leader at least an even share of the causes, and a full report', () => {
    for (const c of cases) expect(c.probability).toBeGreaterThanOrEqual(1 / CAUSES.length);
    expect(new Set(cases.map((c) => c.truth)).size).toBe(CAUSES.length);
    expect(examReport(figures)).toMatch(/sender called thermostat or the reverse \| \d+ % \(\d+\)/);
  });
});

describe('exam in worlds that the judge never met', () => {
  const cases = Array.from({ length: OUTSIDE }, (_, i) => runWorldCase(i, { seed: OUTSIDE_SEED }));
  const figures = outsideFigures(cases);

  it('names a good part of what can be seen, and knows the sound from the cold', () => {
    expect(figures.observable).toBeGreaterThanOrEqual(0.4);
    expect(figures.sound).toBeGreaterThanOrEqual(0.6);
    expect(figures.cold).toBeGreaterThanOrEqual(0.5);
  });

  it('accuses hardly anybody, and is right where it is sure', () => {
    expect(figures.accused).toBeLessThanOrEqual(0.1);
    expect(figures.accusedAtAll).toBeLessThanOrEqual(0.25);
    const sure = cases.filter((c) => c.observable && c.grade === 'confirmed');
    expect(sure.filter((c) => !c.causes.includes(c.verdict)).length).toBeLessThanOrEqual(1);
  });

  it('means its odds, and reports every world', () => {
    expect(figures.calibrationError).toBeLessThan(0.25);
    const report = outsideReport(cases);
    for (const group of new Set(cases.map((c) => c.group))) expect(report).toContain(`| ${group} |`);
  });
});
