import { describe, expect, it } from 'vitest';
import type { Cause } from '@/core/base';
import type { ExamCase } from '../../scripts/exam/case';
import { examFigures, named, reliability } from '../../scripts/exam/metrics';

const base: ExamCase = {
  seed: 1,
  truth: 'thermostat-stuck-open',
  channelSet: 'full',
  hotStart: false,
  effect_k: 10,
  ambient_c: 0,
  verdict: 'thermostat-stuck-open',
  probability: 0.9,
  grade: 'likely',
  usable: true,
  bins: 100,
  milliseconds: 1,
  hypotheses: [],
  evidence: {},
  odds: {},
};
const of = (truth: Cause, verdict: Cause, change: Partial<ExamCase> = {}): ExamCase => ({
  ...base,
  truth,
  verdict,
  ...change,
});

describe('exam metrics', () => {
  it('an inconclusive verdict names nothing', () => {
    expect(named(base)).toBe(true);
    expect(named({ ...base, grade: 'inconclusive' })).toBe(false);
  });

  it('neighbours count only where they are merged', () => {
    const figures = examFigures([base, of('thermostat-stuck-open', 'thermostat-leaking')]);
    expect(figures.observable).toEqual({ share: 0.5, of: 2 });
    expect(figures.observableMerged.share).toBe(1);
  });

  it('leaves out faults that moved nothing, and hot starts', () => {
    const figures = examFigures([
      base,
      of('sender-slow', 'healthy', { effect_k: 1 }),
      of('healthy', 'healthy', { hotStart: true, grade: 'inconclusive' }),
    ]);
    expect(figures.observable.of).toBe(1);
    expect(figures.hopeless).toEqual({ share: 1, of: 1 });
  });

  it('counts an accused sound vehicle and a sender called thermostat', () => {
    const figures = examFigures([
      of('healthy', 'thermostat-leaking'),
      of('insufficient-heat', 'thermostat-leaking', { grade: 'suspect', probability: 0.6 }),
      of('sender-reads-low', 'thermostat-stuck-open'),
      of('thermostat-opens-early', 'thermostat-stuck-open'),
    ]);
    expect(figures.falseAccusals).toEqual({ share: 0.5, of: 2 });
    expect(figures.swaps).toEqual({ share: 0.5, of: 2 });
  });

  it('reliability compares what was said with what was right', () => {
    const cases = [base, of('healthy', 'thermostat-stuck-open'), { ...base, probability: 0.55 }];
    const { bins, error } = reliability(cases);
    expect(bins.reduce((s, b) => s + b.count, 0)).toBe(3);
    expect(error).toBeCloseTo((2 / 3) * 0.4 + (1 / 3) * 0.45, 9);
  });
});
