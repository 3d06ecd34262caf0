import { type Compiled, type Engine, loadCompiled, thisEngine } from '../../base';
import { dot } from '../sums';
import { GRAM_BINARY } from './gramBinary';

type GramKernel = Compiled<{
  readonly gram: (
    count: number,
    length: number,
    columns: number,
    weight: number,
    weighted: number,
    out: number,
  ) => void;
}>;

/** Loads the kernel of {@link gramOf}; null where the engine cannot run it. */
export const loadGramKernel = (engine: Engine): GramKernel | null => loadCompiled(GRAM_BINARY, engine);

let loaded: GramKernel | null | undefined;

/** Numbers below which the compiler keeps its own data. */
const FROM = 1024;
const BYTES = Float64Array.BYTES_PER_ELEMENT;

const even = (n: number): number => n + (n % 2);

/** Lower half of a matrix by rows of `width`. A view: copy to keep. */
export interface Gram {
  readonly width: number;
  readonly sums: Float64Array;
}

/** The same without a kernel. */
export function plainGram(columns: readonly Float64Array[], weight: Float64Array): Gram {
  const width = columns.length;
  const sums = new Float64Array(width * width);
  columns.forEach((a, i) => {
    const weighted = a.map((v, k) => v * weight[k]!);
    for (let j = 0; j <= i; j++) sums[i * width + j] = dot(weighted, columns[j]!);
  });
  return { width, sums };
}

/**
 * Weighted sums of products of columns with one another, Σ w aᵢ aⱼ, for i ≥ j.
 *
 * @param columns of the same length as `weight`
 */
export function gramOf(columns: readonly Float64Array[], weight: Float64Array): Gram {
  if (loaded === undefined) loaded = loadGramKernel(thisEngine());
  return loaded ? compiledGram(loaded, columns, weight) : plainGram(columns, weight);
}

/** The same by the compiled kernel. */
export function compiledGram(
  { functions, memory: memoryFor }: GramKernel,
  columns: readonly Float64Array[],
  weight: Float64Array,
): Gram {
  const width = even(columns.length);
  const length = even(weight.length);
  const weighed = FROM + width * length;
  const weights = weighed + width * length;
  const out = weights + length;
  const memory = memoryFor(out + width * width);
  columns.forEach((column, i) => memory.set(column, FROM + i * length));
  // What is left over of even rooms counts nothing: an odd row's weight is zero, and an odd column's sums are not read.
  memory.set(weight, weights);
  if (length !== weight.length) {
    memory[weights + weight.length] = 0;
    for (let i = 0; i < columns.length; i++) memory[FROM + i * length + weight.length] = 0;
  }
  functions.gram(width, length, BYTES * FROM, BYTES * weights, BYTES * weighed, BYTES * out);
  return { width, sums: memory.subarray(out, out + width * width) };
}
