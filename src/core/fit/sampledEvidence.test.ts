import { describe, expect, it } from 'vitest';
import { MAP_DEFAULTS, mapFit, sampledEvidence, SAMPLING_DEFAULTS, TOGETHER, type MapProblem } from './index';
import { logMeanTruncated } from './sampledEvidence';

const GAUSS = { ...SAMPLING_DEFAULTS, degreesOfFreedom: 1e9, inflate: 1 };

/** One parameter, one residual: the evidence by adding up 20 000 slices. */
function exactLog(residual: (z: number) => number): number {
  let sum = 0;
  const step = 0.001;
  for (let z = -10; z < 10; z += step) sum += Math.exp(-0.5 * (residual(z) ** 2 + z * z)) * step;
  return Math.log(sum / Math.sqrt(2 * Math.PI));
}

const single = (residual: (z: number) => number): MapProblem => ({
  size: 1,
  residualCount: 1,
  residuals: (z, out) => {
    out[0] = residual(z[0]!);
  },
});

function fitted(problem: MapProblem): { laplace: number; sampled: number } {
  const fit = mapFit(problem, new Float64Array(problem.size), {
    ...MAP_DEFAULTS,
    degreesOfFreedom: 1e9,
    tolerance: 1e-9,
    maxIterations: 60,
    refreshEvery: 1,
    differenceStep: 1e-4,
  });
  return { laplace: fit.logEvidence, sampled: sampledEvidence(problem, fit.z, GAUSS) };
}

describe('sampled evidence', () => {
  it('is exact for a linear model, where every weight is the same', () => {
    const residual = (z: number) => 2 * z - 3;
    const { laplace, sampled } = fitted(single(residual));
    expect(sampled).toBeCloseTo(exactLog(residual), 4);
    expect(sampled).toBeCloseTo(laplace, 4);
  });

  it('is nearer the truth than the curvature at the bottom where the model has a kink', () => {
    // A valve that opens at z = 0.5: nothing below, steep above. The bottom lies on the steep side.
    const residual = (z: number) => 6 * Math.max(0, z - 0.5) - 0.6;
    const { laplace, sampled } = fitted(single(residual));
    const exact = exactLog(residual);
    expect(Math.abs(sampled - exact)).toBeLessThan(0.15);
    expect(Math.abs(sampled - exact)).toBeLessThan(0.5 * Math.abs(laplace - exact));
  });

  it.each([1, 3, 8, 20])('holds in %d dimensions of bent valleys', (size) => {
    const bent: MapProblem = {
      size,
      residualCount: size,
      residuals: (z, out) => {
        for (let i = 0; i < size; i++) out[i] = z[i]! + 0.3 * z[i]! ** 2 - 1;
      },
    };
    const exact = size * exactLog((z) => z + 0.3 * z * z - 1);
    expect(Math.abs(fitted(bent).sampled - exact)).toBeLessThan(0.05 + 0.06 * size);
  });

  it.each([1, 2, 3, 5])('is the same where residuals come together, %d dimensions', (size) => {
    const alone: MapProblem = {
      size,
      residualCount: size,
      residuals: (z, out) => {
        for (let i = 0; i < size; i++) out[i] = z[i]! + 0.3 * z[i]! ** 2 - 1;
      },
    };
    const counts: number[] = [];
    const together: MapProblem = {
      ...alone,
      residualsTogether: (zs, outs) => {
        counts.push(zs.length);
        zs.forEach((z, i) => alone.residuals(z, outs[i]!));
      },
    };
    const at = new Float64Array(size).fill(0.4);
    // An odd count of pairs: the last two points come alone.
    const options = { ...GAUSS, pairs: 33 };
    expect(sampledEvidence(together, at, options)).toBe(sampledEvidence(alone, at, options));
    expect(counts.every((n) => n >= 1 && n <= TOGETHER)).toBe(true);
    expect(counts.reduce((a, b) => a + b, 0)).toBe(2 * size + 66);
  });

  it('leaves parameters without effect out: they neither help nor cost', () => {
    const one = single((z) => 2 * z - 3);
    const more: MapProblem = { ...one, size: 7 };
    expect(fitted(more).sampled).toBeCloseTo(fitted(one).sampled, 2);
  });

  it('may draw wider than the curvature says and stays right', () => {
    const problem = single((z) => 2 * z - 3);
    const at = mapFit(problem, new Float64Array(1)).z;
    const wider = sampledEvidence(problem, at, { ...GAUSS, inflate: 1.5, pairs: 2000 });
    expect(Math.abs(wider - exactLog((z) => 2 * z - 3))).toBeLessThan(0.03);
  });

  it('gives the same figure each time', () => {
    const problem = single((z) => z + 0.4 * Math.sin(5 * z));
    expect(fitted(problem).sampled).toBe(fitted(problem).sampled);
  });

  it('gives nothing to a model that breaks at its best point, and passes over samples that break', () => {
    const broken = single(() => NaN);
    expect(sampledEvidence(broken, new Float64Array(1), GAUSS)).toBe(-Infinity);
    const edge = single((z) => (z > 0.9 ? NaN : 1.5 * z));
    const value = sampledEvidence(edge, new Float64Array(1), { ...GAUSS, width: 0.3 });
    expect(Number.isFinite(value)).toBe(true);
    expect(value).toBeLessThan(exactLog((z) => 1.5 * z));
  });
});

describe('the truncated mean', () => {
  it('is the mean where weights are alike', () => {
    expect(logMeanTruncated([Math.log(2), Math.log(2), Math.log(2)])).toBeCloseTo(Math.log(2), 12);
  });

  it('does not let one lucky sample decide', () => {
    const weights = [...Array.from({ length: 99 }, () => 0), 30];
    const plain = Math.log((99 + Math.exp(30)) / 100);
    expect(logMeanTruncated(weights)).toBeLessThan(plain - 2);
    expect(logMeanTruncated(weights)).toBeGreaterThan(0);
  });

  it('is nothing where no sample counts', () => {
    expect(logMeanTruncated([-Infinity, -Infinity])).toBe(-Infinity);
  });
});
