import { describe, expect, it } from 'vitest';
import { makeWhitener, MAP_DEFAULTS, mapFit } from './index';

/** y = p0 + p1·x with unit noise, as whitened residuals. */
function line(xs: readonly number[], ys: readonly number[]) {
  return {
    size: 2,
    residualCount: xs.length,
    residuals: (z: Float64Array, out: Float64Array) => {
      xs.forEach((x, k) => {
        out[k] = ys[k]! - z[0]! - z[1]! * x;
      });
    },
  };
}

const GAUSS = { ...MAP_DEFAULTS, degreesOfFreedom: 1e9, tolerance: 1e-9, maxIterations: 40 };

describe('mapFit', () => {
  const xs = [-2, -1, 0, 1, 2];
  const ys = [-3, -1, 1, 3, 5];

  it('finds the shrunken line of the closed form', () => {
    // With standard normal priors and unit noise: p = (XᵀX + I)⁻¹ Xᵀy.
    const fit = mapFit(line(xs, ys), new Float64Array(2), GAUSS);
    expect(fit.z[0]).toBeCloseTo(5 / 6, 5);
    expect(fit.z[1]).toBeCloseTo(20 / 11, 5);
    expect(fit.stopped).toBe('converged');
    expect(fit.covariance()[0]).toBeCloseTo(1 / 6, 5);
    expect(fit.covariance()[3]).toBeCloseTo(1 / 11, 5);
  });

  it('its evidence is the marginal likelihood of a linear model', () => {
    // y ~ N(0, I + XXᵀ): -½ yᵀ(I + XXᵀ)⁻¹y - ½ log|I + XXᵀ|, here by the matrix inversion lemma.
    const fit = mapFit(line(xs, ys), new Float64Array(2), GAUSS);
    const yy = ys.reduce((s, y) => s + y * y, 0);
    const exact = -0.5 * (yy - 25 / 6 - 400 / 11) - 0.5 * Math.log(6 * 11);
    expect(fit.logEvidence).toBeCloseTo(exact, 5);
  });

  it('one wild sample does not decide', () => {
    const wild = [...ys];
    wild[2] = 60;
    const robust = mapFit(line(xs, wild), new Float64Array(2), { ...GAUSS, degreesOfFreedom: 4 });
    const plain = mapFit(line(xs, wild), new Float64Array(2), GAUSS);
    expect(Math.abs(robust.z[0]! - 5 / 6)).toBeLessThan(1);
    expect(plain.z[0]).toBeGreaterThan(5);
  });

  it('leaves a parameter without effect at its prior', () => {
    const problem = { ...line(xs, ys), size: 3 };
    const fit = mapFit(problem, new Float64Array(3), GAUSS);
    expect(fit.z[2]).toBe(0);
    expect(fit.covariance()[8]).toBe(1);
  });

  it('says when nothing finite comes out', () => {
    const broken = { size: 1, residualCount: 1, residuals: (_: Float64Array, out: Float64Array) => void out.fill(NaN) };
    const fit = mapFit(broken, new Float64Array(1));
    expect(fit.stopped).toBe('nonFinite');
    expect(fit.logEvidence).toBe(-Infinity);
  });

  it('refuses a start of the wrong length', () => {
    expect(() => mapFit(line(xs, ys), new Float64Array(3))).toThrow(/2 entries, got 3/);
  });

  it('takes derivatives that are given, and differences where they are none', () => {
    const plain = mapFit(line(xs, ys), new Float64Array(2), GAUSS);
    const given = { ...line(xs, ys), asked: 0 };
    const derivatives = (_: Float64Array, along: readonly number[], columns: readonly Float64Array[]) => {
      given.asked++;
      along.forEach((i, c) => columns[c]!.set(xs.map((x) => (i === 0 ? -1 : -x))));
    };
    const fit = mapFit({ ...given, derivatives }, new Float64Array(2), GAUSS);
    expect(given.asked).toBeGreaterThan(0);
    expect(fit.evaluations).toBeLessThan(plain.evaluations);
    fit.z.forEach((v, i) => expect(v).toBeCloseTo(plain.z[i]!, 6));
    const wild = mapFit(
      {
        ...line(xs, ys),
        derivatives: (z, along, columns) => {
          derivatives(z, along, columns);
          columns[0]!.fill(NaN);
          columns.at(-1)!.fill(1e5);
        },
      },
      new Float64Array(2),
      GAUSS,
    );
    wild.z.forEach((v, i) => expect(v).toBeCloseTo(plain.z[i]!, 6));
  });

  it('keeps its work bounded', () => {
    expect(mapFit(line(xs, ys), new Float64Array(2)).evaluations).toBeLessThan(20);
  });
});

describe('makeWhitener', () => {
  const noise = { discrepancySd_k: 2, correlation_s: 60, startSd_k: 2, whiteSd_k: 0.5 };

  it('makes a wandering discrepancy white', () => {
    // A long Ornstein-Uhlenbeck path from a fixed linear congruential generator.
    let seed = 12345;
    const uniform = () => (seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648;
    const normal = () => Math.sqrt(-2 * Math.log(uniform() + 1e-12)) * Math.cos(2 * Math.PI * uniform());
    const n = 6000;
    const phi = Math.exp(-10 / 60);
    const path = new Float64Array(n);
    let level = 2 * normal();
    for (let k = 0; k < n; k++) {
      path[k] = level + 0.5 * normal();
      level = phi * level + 2 * Math.sqrt(1 - phi * phi) * normal();
    }
    const out = new Float64Array(n);
    makeWhitener(new Uint8Array(n).fill(1), 10, noise).apply(path, out);
    const mean = (f: (k: number) => number) => Array.from(out.slice(1), (_, k) => f(k + 1)).reduce((a, b) => a + b) / n;
    expect(mean((k) => out[k]! ** 2)).toBeCloseTo(1, 1);
    expect(Math.abs(mean((k) => out[k]! * out[k - 1]!))).toBeLessThan(0.05);
  });

  it.each([1, 2, 5])('whitens %i columns at once as it does each alone', (count) => {
    const n = 40;
    const whitener = makeWhitener(
      Uint8Array.from({ length: n }, (_, k) => (k % 7 === 3 ? 0 : 1)),
      10,
      noise,
    );
    const columns = Float64Array.from({ length: n * count }, (_, k) => Math.sin(k * k));
    const outs = Array.from({ length: count }, () => new Float64Array(n + 3).fill(9));
    whitener.applyToColumns(columns, outs);
    outs.forEach((out, i) => {
      const alone = new Float64Array(n);
      whitener.apply(columns.subarray(i * n, (i + 1) * n), alone);
      alone.forEach((v, k) => expect(out[k]).toBeCloseTo(v, 12));
      // What lies behind is another sensor's.
      expect([...out.subarray(n)]).toEqual([9, 9, 9]);
    });
  });

  it('gives nothing where nothing was measured', () => {
    const whitener = makeWhitener(Uint8Array.of(1, 0, 1), 10, noise);
    const out = new Float64Array(3);
    whitener.apply(Float64Array.of(1, NaN, 1), out);
    expect(whitener.count).toBe(2);
    expect(out[1]).toBe(0);
    expect(Number.isFinite(out[2]!)).toBe(true);
  });
});
