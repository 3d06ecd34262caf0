import fc from 'fast-check';
import { determinant, inverse, Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { blurredUniform } from './normal';
import { sharedGaussian } from './sharedGaussian';

const value = fc.double({ min: -4, max: 4, noNaN: true });
const sd = fc.double({ min: 0.2, max: 3, noNaN: true });

describe('errors that share a part', () => {
  it('have the density of their covariance', () => {
    const one = fc.tuple(value, sd, value, value);
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 5 }), (rows) => {
        const [r, s, u, v] = [0, 1, 2, 3].map((k) => rows.map((row) => row[k]!)) as [
          number[],
          number[],
          number[],
          number[],
        ];
        const covariance = Matrix.diag(s.map((x) => x * x))
          .add(Matrix.columnVector(u).mmul(Matrix.rowVector(u)))
          .add(Matrix.columnVector(v).mmul(Matrix.rowVector(v)));
        const square = Matrix.rowVector(r).mmul(inverse(covariance)).mmul(Matrix.columnVector(r)).get(0, 0);
        const wanted = -0.5 * (square + Math.log(determinant(covariance)) + r.length * Math.log(2 * Math.PI));
        expect(sharedGaussian(s, [u, v])(r)).toBeCloseTo(wanted, 5);
      }),
    );
  });

  it('asked twenty times are known no better than the shared part', () => {
    const speaks = (n: number) => {
      const ones = Array.from({ length: n }, () => 1);
      const joint = sharedGaussian(
        ones.map(() => 0.5),
        [ones.map(() => 2)],
      );
      return joint(ones.map(() => 3)) - joint(ones.map(() => 0));
    };
    expect(speaks(200)).toBeGreaterThan(-0.5 * (3 / 2) ** 2 - 1e-6);
    expect(speaks(200)).toBeLessThan(speaks(1));
  });
});

describe('anywhere within a range, read with an error', () => {
  it('is flat inside for a sharp instrument and the instrument’s own density for a blunt one', () => {
    expect(blurredUniform(10, 0, 60, 0.01)).toBeCloseTo(1 / 60, 9);
    expect(blurredUniform(-10, 0, 60, 0.01)).toBeLessThan(1e-12);
    expect(blurredUniform(0, -30, 30, 500)).toBeCloseTo(1 / (500 * Math.sqrt(2 * Math.PI)), 5);
  });
});
