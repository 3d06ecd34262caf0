import { describe, expect, it } from 'vitest';
import { CAUSES, perCause, type Cause } from '../base';
import { acrossDivide, addLogs, BASE_RATES, gradeOf, logPriors, toProbabilities } from '../evidence';
import { visibilityLogs, visibilityWeight } from './fits/visibility';

const total = (p: Readonly<Record<Cause, number>>) => CAUSES.reduce((sum, c) => sum + p[c], 0);

describe('odds', () => {
  it('sum to one and keep a floor for what is not listed', () => {
    const logs = { ...logPriors(), healthy: 200 };
    const p = toProbabilities(logs);
    expect(total(p)).toBeCloseTo(1, 12);
    expect(p.healthy).toBeLessThan(1);
    expect(p['sender-slow']).toBeGreaterThan(0);
  });

  it('an impossible cause gets nothing', () => {
    const p = toProbabilities({ ...logPriors(), 'thermostat-heating-fault': -Infinity });
    expect(p['thermostat-heating-fault']).toBe(0);
    expect(total(p)).toBeCloseTo(1, 12);
  });

  it('base rates are odds over every cause', () => {
    for (const cause of CAUSES) expect(BASE_RATES[cause]).toBeGreaterThan(0);
    expect(
      total(Object.fromEntries(CAUSES.map((c) => [c, Math.exp(logPriors()[c])])) as Record<Cause, number>),
    ).toBeCloseTo(1);
  });

  it('adds evidence cause by cause', () => {
    const priors = logPriors();
    const speaksForLeak = perCause((cause) => (cause === 'thermostat-leaking' ? 2 : 0));
    const sum = addLogs(priors, speaksForLeak);
    for (const cause of CAUSES) {
      expect(sum[cause] - priors[cause]).toBeCloseTo(cause === 'thermostat-leaking' ? 2 : 0, 12);
    }
  });

  it.each([
    [0.97, 'confirmed'],
    [0.95, 'confirmed'],
    [0.85, 'likely'],
    [0.4, 'suspect'],
    [0.39, 'inconclusive'],
  ] as const)('%d is %s', (p, grade) => {
    expect(gradeOf([{ cause: 'sender-reads-low', probability: p }])).toBe(grade);
  });

  it.each([
    [[0.39, 0.25], 'suspect'],
    [[0.39, 0.11], 'suspect'],
    [[0.39, 0.1], 'inconclusive'],
  ] as const)('odds %j of two neighbours name the leader as %s', ([open, leaking], grade) => {
    const causes = [
      { cause: 'thermostat-stuck-open', probability: open },
      { cause: 'healthy', probability: (1 - open - leaking) / 2 },
      { cause: 'thermostat-leaking', probability: leaking },
    ] as const;
    expect(gradeOf(causes)).toBe(grade);
  });

  it.each<[string, readonly (readonly [Cause, number])[], string, Cause | null]>([
    [
      'an even choice between sender and thermostat names neither',
      [
        ['sender-reads-low', 0.55],
        ['thermostat-opens-early', 0.4],
        ['healthy', 0.05],
      ],
      'inconclusive',
      'thermostat-opens-early',
    ],
    [
      'several thermostat faults together leave a sender open',
      [
        ['sender-reads-low', 0.52],
        ['thermostat-opens-early', 0.2],
        ['thermostat-stuck-open', 0.18],
        ['healthy', 0.1],
      ],
      'inconclusive',
      'thermostat-opens-early',
    ],
    [
      'a clear lead stands',
      [
        ['thermostat-opens-early', 0.72],
        ['sender-reads-low', 0.26],
        ['healthy', 0.02],
      ],
      'suspect',
      null,
    ],
    [
      'neighbours do not add up past a sender that holds as much',
      [
        ['thermostat-stuck-open', 0.38],
        ['sender-reads-low', 0.36],
        ['thermostat-leaking', 0.26],
      ],
      'inconclusive',
      'sender-reads-low',
    ],
    [
      'a gauge’s own sender is not the engine’s',
      [
        ['thermostat-stuck-open', 0.55],
        ['gauge-sender-fault', 0.4],
        ['healthy', 0.05],
      ],
      'suspect',
      null,
    ],
    [
      'neither side speaks where the lead is neither',
      [
        ['low-coolant-or-air', 0.51],
        ['sender-reads-low', 0.49],
      ],
      'suspect',
      null,
    ],
  ])('%s', (_, odds, grade, across) => {
    const causes = odds.map(([cause, probability]) => ({ cause, probability }));
    expect(gradeOf(causes)).toBe(grade);
    expect(acrossDivide(causes)?.cause ?? null).toBe(across);
  });

  it('a fault that the drive would not show counts less', () => {
    expect(visibilityWeight(0)).toBeLessThan(0.1);
    expect(visibilityWeight(10)).toBeGreaterThan(0.99);
    const way = (cause: Cause, effect_k: number, support = 0) => ({ cause, share: 0.5, support, effect_k });
    const logs = visibilityLogs([way('fan-not-running', 0.1), way('thermostat-stuck-open', 20)]);
    expect(logs['fan-not-running']).toBeLessThan(logs['thermostat-stuck-open'] - 2);
    expect(logs.healthy).toBe(0);
    // Of two ways, the one that the trace supports decides, not the one that would move most.
    const ways = [way('flow-restricted', 0.5, 9), way('flow-restricted', 15, 0)];
    expect(visibilityLogs(ways)['flow-restricted']).toBeLessThan(-2);
  });
});
