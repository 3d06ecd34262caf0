import { randomLcg, randomLogNormal, randomNormal, randomUniform } from 'd3-random';

/** Seeded draws: the same seed gives the same scenario on every machine. */
export interface Random {
  uniform(low: number, high: number): number;
  normal(mean: number, sd: number): number;
  /** Draw with a given median and relative spread (standard deviation of the logarithm). */
  spread(median: number, relative_sd: number): number;
  chance(probability: number): boolean;
  pick<T>(items: readonly T[]): T;
}

type Source = () => number;

const drawsOf = (source: Source): Random => ({
  uniform: (low, high) => randomUniform.source(source)(low, high)(),
  normal: (mean, sd) => randomNormal.source(source)(mean, sd)(),
  spread: (median, relative_sd) => randomLogNormal.source(source)(Math.log(median), relative_sd)(),
  chance: (probability) => source() < probability,
  pick: (items) => items[Math.min(items.length - 1, Math.floor(source() * items.length))]!,
});

/** A seeded source of draws. @param seed any number; fractional parts count */
export function seededRandom(seed: number): Random {
  // randomLcg's first draws of neighbouring seeds are alike: scramble the seed, then let it run in.
  const source = randomLcg(((seed * 0.6180339887498949) % 1) + seed * 1e-9);
  for (let i = 0; i < 8; i++) source();
  return drawsOf(source);
}

/**
 * Draws that have nothing to do with those of the number beside: the sources of {@link seededRandom} that follow on each
 * other move together draw by draw, which a family of worlds must not.
 * Source: an integer hash with full avalanche (multiply and shift by 16, twice), spread over the generator's range.
 *
 * @param number whole
 * @param stream draws for different ends from one number
 */
export function scrambledRandom(number: number, stream = 0): Random {
  let x = Math.imul(number, 0x9e3779b1) ^ Math.imul(stream + 1, 0x85ebca6b);
  x = Math.imul(x ^ (x >>> 16), 0x45d9f3b);
  x = Math.imul(x ^ (x >>> 16), 0x45d9f3b);
  const source = randomLcg(((x ^ (x >>> 16)) >>> 0) / 2 ** 32);
  for (let i = 0; i < 8; i++) source();
  return drawsOf(source);
}
