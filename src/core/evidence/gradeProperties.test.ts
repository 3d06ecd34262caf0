import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CAUSES, type Cause } from '../base';
import { acrossDivide, gradeOf } from './grade';
import { neighboursOf } from '../base';
import { addLogs, toProbabilities } from './posterior';
import { logPriors } from './priors';

type Odds = readonly { readonly cause: Cause; readonly probability: number }[];

/** Any odds over all causes, most probable first: from nearly even to nearly certain. */
const anyOdds: fc.Arbitrary<Odds> = fc
  .array(fc.double({ min: -12, max: 3, noNaN: true }), { minLength: CAUSES.length, maxLength: CAUSES.length })
  .map((logs) => {
    const weights = logs.map(Math.exp);
    const total = weights.reduce((a, b) => a + b, 0);
    return CAUSES.map((cause, i) => ({ cause, probability: weights[i]! / total })).sort(
      (a, b) => b.probability - a.probability,
    );
  });

const anyLogs: fc.Arbitrary<Record<Cause, number>> = fc
  .array(fc.double({ min: -400, max: 400, noNaN: true }), { minLength: CAUSES.length, maxLength: CAUSES.length })
  .map((logs) => Object.fromEntries(CAUSES.map((c, i) => [c, logs[i]!])) as Record<Cause, number>);

const RANK = ['inconclusive', 'suspect', 'likely', 'confirmed'];

describe('any odds', () => {
  it('suspect nothing that does not hold two fifths, or a half with its neighbours', () => {
    fc.assert(
      fc.property(anyOdds, (odds) => {
        if (gradeOf(odds) !== 'suspect') return;
        const family = neighboursOf(odds[0]!.cause);
        if (odds[0]!.probability >= 0.4) return;
        const own = odds.filter((o) => o === odds[0] || family.includes(o.cause));
        expect(own.reduce((sum, o) => sum + o.probability, 0)).toBeGreaterThanOrEqual(0.5 - 1e-12);
      }),
    );
  });

  it('divided between sender and thermostat name neither, and the rival is of the other side', () => {
    fc.assert(
      fc.property(anyOdds, (odds) => {
        const rival = acrossDivide(odds);
        if (!rival) return;
        expect(gradeOf(odds)).toBe('inconclusive');
        const sides = [odds[0]!.cause, rival.cause].map((c) => c.split('-')[0]).sort();
        expect(sides).toEqual(['sender', 'thermostat']);
        const better = odds.filter((o) => o.cause.startsWith(rival.cause.split('-')[0]!));
        expect(better[0]!.cause).toBe(rival.cause);
      }),
    );
  });

  it('are graded no lower where everything but the leader is less likely', () => {
    fc.assert(
      fc.property(anyOdds, fc.double({ min: 0.1, max: 0.95, noNaN: true }), (odds, less) => {
        const rest = odds.slice(1).map((o) => ({ ...o, probability: less * o.probability }));
        const freed = (1 - less) * (1 - odds[0]!.probability);
        const surer = [{ ...odds[0]!, probability: odds[0]!.probability + freed }, ...rest];
        expect(RANK.indexOf(gradeOf(surer))).toBeGreaterThanOrEqual(RANK.indexOf(gradeOf(odds)));
      }),
    );
  });
});

describe('any evidence', () => {
  it('gives odds that sum to one, none below its share of the floor', () => {
    fc.assert(
      fc.property(anyLogs, (logs) => {
        const odds = toProbabilities(addLogs(logPriors(), logs));
        expect(CAUSES.reduce((sum, c) => sum + odds[c], 0)).toBeCloseTo(1, 9);
        for (const c of CAUSES) expect(odds[c]).toBeGreaterThan(0.0005);
      }),
    );
  });

  it('counts only by its differences, and its order does not matter', () => {
    fc.assert(
      fc.property(anyLogs, anyLogs, fc.double({ min: -50, max: 50, noNaN: true }), (a, b, shift) => {
        const moved = Object.fromEntries(CAUSES.map((c) => [c, a[c] + shift])) as Record<Cause, number>;
        const one = toProbabilities(addLogs(a, b));
        const other = toProbabilities(addLogs(b, moved));
        for (const c of CAUSES) expect(other[c]).toBeCloseTo(one[c], 9);
      }),
    );
  });
});
