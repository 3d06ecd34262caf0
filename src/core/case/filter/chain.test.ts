import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DriveWay } from '../../evidence';
import { chained, knownFrom, without } from './chain';

const BASIS = 'general';

/** What a drive found of one figure of the vehicle and of the severity of its fault, in standard deviations. */
const found = (metal: number, leak: number, spread = 0.2): DriveWay => ({
  ...{ cause: 'thermostat-leaking', variant: 'leak', share: 1, within: 0, severities: 1 },
  names: ['metal', 'leak'],
  mean: Float64Array.of(metal, leak),
  covariance: Float64Array.of(spread, 0, 0, spread),
});
const sd = fc.double({ min: -3, max: 3, noNaN: true });

const agreement = (a: DriveWay, b: DriveWay): number => chained(knownFrom(a, BASIS), b, BASIS).log;

describe('two drives under one hypothesis', () => {
  it('that found the same odd car speak for it, and against it where they found two different ones', () => {
    expect(agreement(found(1.5, 1), found(1.5, 1))).toBeGreaterThan(0);
    expect(agreement(found(2.5, 1), found(-2.5, 1))).toBeLessThan(-0.5);
    expect(agreement(found(0, 2), found(0, -2))).toBeLessThan(agreement(found(0, 2), found(0, 1)));
  });

  it('agree as well in either order', () => {
    fc.assert(
      fc.property(sd, sd, sd, sd, (a, b, c, d) => {
        expect(agreement(found(a, b), found(c, d))).toBeCloseTo(agreement(found(c, d), found(a, b)), 6);
      }),
    );
  });

  it('agree less the further apart they lie', () => {
    fc.assert(
      fc.property(sd, fc.double({ min: 0.1, max: 2, noNaN: true }), (at, apart) => {
        const near = agreement(found(at, 0), found(at, 0));
        const away = at < 0 ? at - apart : at + apart;
        // Measured against what each of the two says of itself: an odd find is odder twice.
        const far = agreement(found(at, 0), found(-away, 0));
        expect(far).toBeLessThanOrEqual(near + 1e-9);
      }),
    );
  });

  it('together know the car better than the second alone, and lie between what the two say', () => {
    const { known } = chained(knownFrom(found(1, 1), BASIS), found(2, 1), BASIS);
    const metal = known.names.indexOf('metal');
    expect(known.covariance[metal * known.names.length + metal]).toBeLessThan(0.2);
    expect(known.mean[metal]).toBeGreaterThan(1);
    // The second's find was drawn to the usual car by a fifth: unprompted by any prior it says 2 / (1 - 0.2).
    expect(known.mean[metal]).toBeLessThan(2.5);
  });

  it('read by other channels are not compared: the later stands for itself', () => {
    const { known, log } = chained(knownFrom(found(3, 3), 'air-flow'), found(-3, -3), BASIS);
    expect(log).toBe(0);
    expect([...known.mean]).toEqual([-3, -3]);
    expect(known.basis).toBe(BASIS);
  });

  it('a drive that tells nothing of the car changes nothing', () => {
    fc.assert(
      fc.property(sd, sd, (metal, leak) => {
        const nothing: DriveWay = { ...found(0, 0), covariance: Float64Array.of(1, 0, 0, 1) };
        expect(agreement(found(metal, leak), nothing)).toBeCloseTo(0, 6);
      }),
    );
  });
});

describe('after work', () => {
  it('what was replaced is forgotten, the rest of the car is kept', () => {
    const known = knownFrom(found(1.2, 2), BASIS);
    const left = without(known, (_, isSeverity) => isSeverity);
    expect([left.names, left.severities, [...left.mean]]).toEqual([['metal'], 0, [1.2]]);
    expect([...left.covariance]).toEqual([0.2]);
  });

  it('a name may be forgotten too', () => {
    const left = without(knownFrom(found(1.2, 2), BASIS), (name) => name === 'metal');
    expect([left.names, left.severities, [...left.mean]]).toEqual([['leak'], 1, [2]]);
  });
});
