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

/** A seeded source of draws. @param seed any number; fractional parts count */
export function seededRandom(seed: number): Random {
  // randomLcg's first draws of neighbouring seeds are alike: scramble the seed, then let it run in.
  const source = randomLcg(((seed * 0.6180339887498949) % 1) + seed * 1e-9);
  for (let i = 0; i < 8; i++) source();
  return {
    uniform: (low, high) => randomUniform.source(source)(low, high)(),
    normal: (mean, sd) => randomNormal.source(source)(mean, sd)(),
    spread: (median, relative_sd) => randomLogNormal.source(source)(Math.log(median), relative_sd)(),
    chance: (probability) => source() < probability,
    pick: (items) => items[Math.min(items.length - 1, Math.floor(source() * items.length))]!,
  };
}
