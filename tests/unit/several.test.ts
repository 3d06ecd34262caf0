import { describe, expect, it } from 'vitest';
import { CAUSES, perCause, type Cause } from '@/core/base';
import { drawWorldScenario } from '@/core/plant';
import { calibrationError, choices, severalReport, together } from '../../scripts/exam/severalReport';
import type { DriveWord, SeveralCase } from '../../scripts/exam/severalCase';

const word = (truth: Cause, says: Cause, share: number): DriveWord => ({
  usable: true,
  truth,
  odds: perCause((c) => (c === says ? share : (1 - share) / (CAUSES.length - 1))),
});
const car = (id: string, ...drives: DriveWord[]): SeveralCase => ({
  ...{ id, group: 'g', channels: 'full', observable: true, drives },
});

describe('several drives of one car, as they are examined', () => {
  it('counts every choice of them, once', () => {
    expect(choices([1, 2, 3], 2)).toEqual([
      [1, 2],
      [1, 3],
      [2, 3],
    ]);
    expect(choices([1], 2)).toEqual([]);
  });

  it('knows right from wrong, and either kind of sound as sound', () => {
    const right = word('sender-slow', 'sender-slow', 0.8);
    expect(together([right, right])).toMatchObject({ right: true, rightAlone: true });
    expect(together([right, word('sender-slow', 'sender-stuck', 0.99)])).toMatchObject({ rightAlone: false });
    expect(together([word('healthy', 'insufficient-heat', 0.9)])).toMatchObject({ right: true });
  });

  it('says how far from the truth stated shares are', () => {
    const sure = word('sender-slow', 'sender-slow', 0.99);
    const wrong = word('sender-stuck', 'sender-slow', 0.99);
    expect(calibrationError([together([sure])])).toBeCloseTo(0.01, 9);
    expect(calibrationError([together([wrong])])).toBeCloseTo(0.99, 9);
  });

  it('reports one, two and three drives of the cars whose fault shows', () => {
    const right = word('sender-slow', 'sender-slow', 0.9);
    const report = severalReport([car('a', right, right, right), { ...car('b', right), observable: false }]);
    expect(report).toContain('| 1 cars, 1 causes | one drive | two together | three together |');
    expect(report).toContain('| choices of drives | 3 | 3 | 1 |');
    expect(report).toContain('| all right alone and wrong together | - | 0 | 0 |');
  });
});

describe('another drive of a drawn car', () => {
  it('has its body and fault, and another day', () => {
    const request = { seed: 8, world: 3, causes: ['thermostat-leaking'], channelSet: 'basic', start: 'cold' } as const;
    const first = drawWorldScenario(request);
    const again = drawWorldScenario({ ...request, seed: 9, same: first });
    expect(again.vehicle).toBe(first.vehicle);
    expect([again.body, again.drawn]).toEqual([first.body, first.drawn]);
    expect(again.ambient_c).not.toBe(first.ambient_c);
    expect(again.trace.time_s.length).toBeGreaterThan(20);
  });
});
