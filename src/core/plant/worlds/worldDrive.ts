import type { Phase, PhaseKind } from '../drive';
import type { Random } from '../random';

/** Kinds of drive that a garage logs, as turns of roads; times of a turn, s. */
const DRIVES: readonly {
  readonly kinds: readonly PhaseKind[];
  readonly turn_s: readonly [number, number];
  readonly share: number;
}[] = [
  { kinds: ['town', 'road'], turn_s: [120, 400], share: 0.17 },
  { kinds: ['road', 'town', 'motorway', 'town'], turn_s: [200, 500], share: 0.17 },
  { kinds: ['motorway'], turn_s: [600, 1500], share: 0.14 },
  { kinds: ['town'], turn_s: [600, 900], share: 0.15 },
  { kinds: ['town', 'idle'], turn_s: [60, 200], share: 0.1 },
  { kinds: ['idle', 'town', 'idle', 'idle'], turn_s: [40, 160], share: 0.09 },
  { kinds: ['idle'], turn_s: [1200, 2000], share: 0.08 },
  { kinds: ['road', 'hill', 'coast', 'hill'], turn_s: [150, 400], share: 0.06 },
  { kinds: ['road', 'towing'], turn_s: [200, 600], share: 0.04 },
];

/** Draws a drive: some minutes of one of the kinds, with standing at the start and, where the engine is to get hot, at the end. */
export function drawWorldPhases(random: Random, light: boolean): Phase[] {
  const rest = light ? DRIVES.filter((d) => !d.kinds.includes('motorway') && !d.kinds.includes('hill')) : DRIVES;
  let left = random.uniform(
    0,
    rest.reduce((sum, d) => sum + d.share, 0),
  );
  const drive = rest.find((d) => (left -= d.share) < 0) ?? rest[0]!;
  const phases: Phase[] = [{ kind: 'idle', duration_s: random.uniform(5, 120) }];
  let time_s = random.uniform(14, 42) * 60;
  for (let i = 0; time_s > 0; i++) {
    const duration_s = Math.min(time_s, random.uniform(drive.turn_s[0], drive.turn_s[1]));
    phases.push({ kind: drive.kinds[i % drive.kinds.length]!, duration_s });
    time_s -= duration_s;
  }
  if (random.chance(0.3))
    phases.push({ kind: random.chance(0.3) ? 'hold' : 'idle', duration_s: random.uniform(60, 420) });
  return phases;
}
