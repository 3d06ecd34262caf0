import { describe, expect, it } from 'vitest';
import type { Cause } from '@/core/base';
import type { OutsideCase } from '../../scripts/exam/outsideCase';
import { barsOf, outsideFigures, outsideReport } from '../../scripts/exam/outsideReport';
import { EXAM_WORLDS } from '../../scripts/exam/worldCase';
import { worldRequest } from '../../scripts/exam/worldRequest';
import { LEARN } from '../../scripts/learn/learnCase';

const judged = (causes: readonly Cause[], verdict: Cause, more: Partial<OutsideCase> = {}): OutsideCase => ({
  ...{ id: 'a', group: 'one', causes, verdict, probability: 0.9, grade: 'likely', hotStart: false },
  ...{ observable: true, clear: true, channels: 'full', order: [verdict, ...causes], also: [], milliseconds: 5 },
  ...more,
});

describe('figures of an exam outside the home world', () => {
  it('count what was named, and only where something was to be seen', () => {
    const f = outsideFigures([
      judged(['sender-slow'], 'sender-slow'),
      judged(['sender-slow'], 'healthy'),
      judged(['sender-slow'], 'healthy', { observable: false }),
      judged(['thermostat-leaking'], 'thermostat-stuck-open'),
      judged(['thermostat-opens-early'], 'sender-reads-low'),
    ]);
    expect(f.clear).toBe(0.25);
    expect(f.merged).toBe(0.5);
    expect(f.swapped).toBe(0.25);
  });

  it('an inconclusive verdict names nothing, and accuses nobody', () => {
    const f = outsideFigures([
      judged(['healthy'], 'sender-slow', { grade: 'inconclusive' }),
      judged(['healthy'], 'sender-slow', { grade: 'suspect' }),
      judged(['insufficient-heat'], 'thermostat-stuck-open', { grade: 'confirmed', probability: 0.97 }),
      judged(['healthy'], 'healthy'),
    ]);
    expect([f.sound, f.cold]).toEqual([1 / 3, 0]);
    expect([f.accused, f.accusedAtAll]).toEqual([0.25, 0.5]);
    expect(f.confirmedRight).toBe(0);
  });

  it('two faults and hot starts have rows of their own', () => {
    const pair: readonly Cause[] = ['thermostat-leaking', 'sender-slow'];
    const f = outsideFigures([
      judged(pair, 'sender-slow', { also: ['thermostat-leaking'] }),
      judged(pair, 'healthy', { order: ['healthy', 'sender-slow', 'fan-not-running', 'thermostat-leaking'] }),
      judged(['healthy'], 'healthy', { hotStart: true, observable: false, grade: 'inconclusive' }),
    ]);
    expect([f.oneOfTwo, f.bothOfTwo, f.alsoRight, f.hotDeclined]).toEqual([0.5, 0.5, 1, 1]);
    expect(f.clear).toBeNaN();
  });

  it('calibration is what was said against what was right', () => {
    const cases = [0.9, 0.9, 0.9, 0.9].map((probability, i) =>
      judged(['healthy'], i === 0 ? 'sender-slow' : 'healthy', { probability }),
    );
    expect(barsOf(cases).filter((b) => b.count > 0)).toEqual([{ said: 0.9, right: 0.75, count: 4 }]);
    expect(outsideFigures(cases).calibrationError).toBeCloseTo(0.15, 9);
  });

  it('the report has a row per group and the worst of each', () => {
    const report = outsideReport([
      judged(['sender-slow'], 'sender-slow'),
      judged(['sender-slow'], 'healthy', { group: 'two' }),
    ]);
    expect(report).toMatch(/\| one \| 1 \| 100 \|/);
    expect(report).toMatch(/\| two \| 1 \| 0 \|/);
    expect(report).toMatch(/\| worst of each \| \| 0 \|/);
  });
});

describe('drives of an exam over worlds', () => {
  const requests = Array.from({ length: 400 }, (_, i) => worldRequest(i, 9_000_001, 24, EXAM_WORLDS.first));

  it('ask for every cause, both ways of starting, pairs and each channel set', () => {
    expect(new Set(requests.flatMap((r) => r.causes)).size).toBe(18);
    expect(new Set(requests.map((r) => r.start)).size).toBe(3);
    expect(new Set(requests.map((r) => r.channelSet)).size).toBe(3);
    expect(requests.some((r) => r.causes.length === 2)).toBe(true);
    expect(new Set(requests.map((r) => r.world)).size).toBe(24);
  });

  it('are in worlds and on seeds that the learned layer never met', () => {
    for (const r of requests) {
      expect(r.world).toBeGreaterThanOrEqual(LEARN.firstWorld + LEARN.worlds);
      expect(r.seed).toBeGreaterThan(LEARN.seed + 1_000_000);
    }
  });

  it('log the gauge where the gauge is what is wrong', () => {
    const gauge = requests.filter((r) => r.causes.includes('gauge-sender-fault'));
    expect(gauge.length).toBeGreaterThan(5);
    expect(gauge.every((r) => r.channelSet !== 'temperature-only')).toBe(true);
  });
});
