import { scrambledRandom } from '../../src/core/plant';

/** Drives for fuzzing the import: what a logger saw, known row by row. */
export type Random = () => number;

export interface TruthRow {
  readonly time_s: number;
  readonly ect_c: number;
  readonly iat_c: number;
  readonly speed_kmh: number;
  readonly rpm: number;
  readonly load_pct: number;
}

export const CHANNELS = ['ect_c', 'iat_c', 'speed_kmh', 'rpm', 'load_pct'] as const;
export type FuzzChannel = (typeof CHANNELS)[number];

/** Numbers from 0 to 1 that a seed gives. */
export function seeded(seed: number): Random {
  const draws = scrambledRandom(seed);
  return () => draws.uniform(0, 1);
}

export const pick = <T>(random: Random, from: readonly T[]): T => from[Math.floor(random() * from.length)]!;
export const between = (random: Random, low: number, high: number): number => low + (high - low) * random();
export const whole = (random: Random, low: number, high: number): number => Math.floor(between(random, low, high + 1));

/** A drive of a few minutes to half an hour: cold or hot, town or road, every row with a rpm of its own. */
export function drive(random: Random): TruthRow[] {
  const step = pick(random, [0.5, 1, 1, 2, 5, 10]);
  const rows = whole(random, 80, 320);
  const air = between(random, -12, 28);
  const hot = random() < 0.12;
  const rate = between(random, 0.04, 0.14);
  const regulated = between(random, 82, 96);
  let ect = hot ? between(random, 70, 88) : air + between(random, -1, 3);
  let speed = 0;
  let wanted = 0;
  return Array.from({ length: rows }, (_, i) => {
    if (i % Math.max(1, Math.round(20 / step)) === 0) wanted = random() < 0.3 ? 0 : between(random, 20, 110);
    speed += Math.max(-6 * step, Math.min(2.5 * step, wanted - speed));
    if (i > 0) ect += Math.min(step * rate, 0.5 * (regulated - ect));
    const rpm = speed < 1 ? between(random, 700, 950) : 900 + 18 * speed + between(random, -80, 400);
    return {
      time_s: Math.round(1000 * i * step) / 1000,
      ect_c: Math.round(10 * ect) / 10,
      iat_c: Math.round(air + between(random, 0, 6)),
      speed_kmh: Math.round(Math.max(0, speed)),
      rpm: Math.round(rpm),
      load_pct: Math.round(between(random, 15, 70)),
    };
  });
}
