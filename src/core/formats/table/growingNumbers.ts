const CHUNK_BITS = 12;
const CHUNK = 1 << CHUNK_BITS;

/** A list of numbers that grows; NaN where nothing was put. Grows in pieces, so that nothing is ever copied or doubled. */
export class GrowingNumbers {
  private readonly chunks: (Float64Array | undefined)[] = [];
  length = 0;

  /** Puts a value at any index. */
  set(index: number, value: number): void {
    const chunk = (this.chunks[index >> CHUNK_BITS] ??= new Float64Array(CHUNK).fill(NaN));
    chunk[index & (CHUNK - 1)] = value;
    if (index >= this.length) this.length = index + 1;
  }

  get(index: number): number {
    return this.chunks[index >> CHUNK_BITS]?.[index & (CHUNK - 1)] ?? NaN;
  }

  /** The values, filled up with NaN to `length`. */
  values(length: number): Float64Array {
    const out = new Float64Array(length).fill(NaN);
    this.chunks.forEach((chunk, k) => {
      const room = length - k * CHUNK;
      if (chunk && room > 0) out.set(room < CHUNK ? chunk.subarray(0, room) : chunk, k * CHUNK);
    });
    return out;
  }

  /** Values that are present, evenly spread, at most so many, in their order. */
  sample(most: number): Float64Array {
    let present = 0;
    for (const chunk of this.chunks) if (chunk) for (const v of chunk) if (v === v) present++;
    const step = Math.max(1, Math.ceil(present / most));
    const out = new Float64Array(Math.ceil(present / step));
    let seen = 0;
    for (const chunk of this.chunks) {
      if (!chunk) continue;
      for (const v of chunk) {
        if (v !== v) continue;
        if (seen % step === 0) out[seen / step] = v;
        seen++;
      }
    }
    return out;
  }
}

/** Values of a sample that decides what a column is. */
const SAMPLE_VALUES = 20_000;

/** Values that are present, evenly spread over a column, in their order. */
export const presentSample = (numbers: GrowingNumbers): Float64Array => numbers.sample(SAMPLE_VALUES);
