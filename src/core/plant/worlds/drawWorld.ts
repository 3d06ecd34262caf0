import type { Random } from '../random';
import type { World } from './world';

/** Draws a world. Each choice is independent: most worlds are like no other. */
export function drawWorld(random: Random, name: string): World {
  const sometimes = (p: number, value: number) => (random.chance(p) ? value : 0);
  return {
    name,
    headHeat: random.uniform(0.45, 0.78),
    gasToWall: random.uniform(0, 0.3),
    catalystHeating: sometimes(0.5, random.uniform(0.1, 0.5)),
    oilCooler_kw_k: sometimes(0.55, random.uniform(0.03, 0.25)),
    coolantHeater_kw: sometimes(0.35, random.uniform(0.3, 1.2)),
    pumpExponent: random.uniform(0.75, 1.15),
    electricPump: random.chance(0.12),
    bypassShuts: sometimes(0.55, random.uniform(0.3, 1)),
    airExponent: random.uniform(0.45, 0.8),
    coolantExponent: random.uniform(0.5, 0.85),
    filmExponent: random.uniform(0.4, 0.85),
    shutters: sometimes(0.2, random.uniform(0.4, 0.85)),
    valveShape: random.pick(['smooth', 'straight', 'eager', 'late'] as const),
    stagnantWax: sometimes(0.5, random.uniform(0.2, 1.5)),
    senderPlace: random.pick(['head', 'head', 'outlet', 'block'] as const),
    readingFilter_s: sometimes(0.4, random.uniform(1, 8)),
    secondPlace: random.pick(['engine', 'pump-inlet', 'radiator-outlet'] as const),
    heatingMap: random.pick(['hard-work', 'load', 'speed', 'intake', 'target', 'late'] as const),
    fanControl: random.pick(['switched', 'switched', 'proportional', 'two-speed'] as const),
    fanWithCooling: sometimes(0.5, random.uniform(0.3, 0.6)),
    coldIdle: sometimes(0.7, random.uniform(0.15, 0.6)),
    stopsFrom_c: random.uniform(40, 65),
    blowerWaits: random.chance(0.5),
    gearing: random.spread(1, 0.12),
  };
}
