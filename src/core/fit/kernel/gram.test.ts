import { describe, expect, it } from 'vitest';
import { thisEngine } from '../../base';
import { compiledGram, gramOf, loadGramKernel, plainGram } from './gram';

const kernel = loadGramKernel(thisEngine())!;

/** Columns and weights of some size, the same every time. */
function drawn(count: number, length: number) {
  const columns = Array.from({ length: count }, (_, i) =>
    Float64Array.from({ length }, (__, k) => Math.sin(1.7 * i + 0.31 * k * (i + 1)) * 10),
  );
  return { columns, weight: Float64Array.from({ length }, (_, k) => 0.2 + Math.cos(k) ** 2) };
}

describe('sums of products', () => {
  it('are those of the definition', () => {
    const { columns, weight } = drawn(3, 4);
    const { width, sums } = plainGram(columns, weight);
    for (let i = 0; i < 3; i++) {
      for (let j = 0; j <= i; j++) {
        const sum = weight.reduce((s, w, k) => s + w * columns[i]![k]! * columns[j]![k]!, 0);
        expect(sums[i * width + j]).toBeCloseTo(sum, 9);
      }
    }
  });

  it.each([
    [1, 1],
    [2, 6],
    [26, 101],
    [27, 101],
    [27, 202],
    [48, 400],
    // Smaller again: what a larger one left in memory counts nothing.
    [3, 5],
    [4, 7],
  ])('are the same from the kernel, %i columns of %i', (count, length) => {
    const { columns, weight } = drawn(count, length);
    const plain = plainGram(columns, weight);
    const compiled = compiledGram(kernel, columns, weight);
    for (let i = 0; i < count; i++) {
      for (let j = 0; j <= i; j++) {
        expect(compiled.sums[i * compiled.width + j]).toBeCloseTo(plain.sums[i * plain.width + j]!, 7);
      }
    }
  });

  it('a column that is no number leaves the others alone', () => {
    const { columns, weight } = drawn(5, 9);
    const whole = plainGram(columns, weight);
    for (const column of columns.slice(3)) column.fill(NaN);
    compiledGram(kernel, columns, weight);
    const { width, sums } = gramOf(columns.slice(0, 3), weight);
    expect(sums[2 * width + 1]).toBeCloseTo(whole.sums[2 * whole.width + 1]!, 9);
  });

  it('need no kernel', () => {
    expect(loadGramKernel({ atob: thisEngine().atob })).toBeNull();
  });
});
