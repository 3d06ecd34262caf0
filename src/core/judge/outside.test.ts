import { describe, expect, it } from 'vitest';
import type { Trace } from '../base';
import { startingVehicle } from '../planning';
import { drawWorldScenario } from '../plant';
import { judgeFiguresNow, judgeNow } from './judge';
import { resultLine } from './resultLine';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const trace = (f: (t: number) => number, minutes = 25): Trace => ({
  time_s: Float64Array.from({ length: 60 * minutes }, (_, t) => t),
  channels: { ect_c: Float64Array.from({ length: 60 * minutes }, (_, t) => Math.round(f(t))) },
});

describe('a car that no model knows', () => {
  it('is told as such, and nothing is named', () => {
    // From frost to boiling and back every few minutes: no engine does this, however a fit bends it.
    for (const period_s of [300, 900]) {
      const strange = judgeNow(
        trace((t) => 50 - 60 * Math.cos((2 * Math.PI * t) / period_s)),
        vehicle,
      );
      expect(strange.verdict.grade).toBe('inconclusive');
      expect(strange.quality.usable).toBe(false);
      expect(strange.quality.problems.join(' ')).toContain('does not behave like any that the model knows');
    }
  });

  it('is no car that warms up, whatever it has', () => {
    const usual = judgeNow(
      trace((t) => Math.min(88, 10 + t / 8)),
      vehicle,
    );
    expect(usual.quality.problems.join(' ')).not.toContain('does not behave');
  });
});

describe('two faults in one car', () => {
  const s = drawWorldScenario({
    ...{ seed: 9_500_003, world: 1005, channelSet: 'full', start: 'cold' },
    causes: ['thermostat-stuck-open', 'gauge-sender-fault'],
  });
  const { finding, figures } = judgeFiguresNow(s.trace, s.vehicle);

  it('are ranked before everything else', () => {
    const first = finding.causes.slice(0, 3).map((c) => c.cause);
    expect(first).toContain('gauge-sender-fault');
    for (const cause of finding.also ?? []) {
      expect(cause).not.toBe(finding.verdict.cause);
      expect(['healthy', 'insufficient-heat']).not.toContain(cause);
    }
  });

  it('stand in the line of the result, with what it leans on, where they are likelier than not', () => {
    const line = resultLine('a.csv', { ...finding, also: ['gauge-sender-fault'], leansOn: 'the size of its radiator' });
    expect(line['also']).toEqual(['gauge-sender-fault']);
    expect(line['leans_on']).toBe('the size of its radiator');
    const plain = resultLine('a.csv', { ...finding, also: [], leansOn: null });
    expect('also' in plain || 'leans_on' in plain).toBe(false);
    // Findings kept before these were looked for have neither.
    const old = { ...finding };
    delete (old as { also?: unknown }).also;
    delete (old as { leansOn?: unknown }).leansOn;
    expect('also' in resultLine('a.csv', old)).toBe(false);
  });

  it('bring figures of every kind, one number or none each', () => {
    expect(Object.keys(figures).length).toBeGreaterThan(200);
    expect(figures['gauge_c late']!).not.toBeNaN();
    expect(figures['logged gauge_c']!).toBe(1);
    for (const v of Object.values(figures)) expect(typeof v).toBe('number');
  });
});
