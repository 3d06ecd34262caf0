import type { Vehicle } from '../../base';
import type { Random } from '../random';

/** Kinds of vehicle: displacement (l), kerb mass (kg), share. */
const KINDS = [
  { fuel: 'petrol', litres: [0.9, 1.4], mass: [900, 1300], hybrid: false, share: 0.2 },
  { fuel: 'petrol', litres: [1.4, 2.2], mass: [1200, 1650], hybrid: false, share: 0.3 },
  { fuel: 'petrol', litres: [2.2, 3.8], mass: [1400, 2100], hybrid: false, share: 0.1 },
  { fuel: 'diesel', litres: [1.3, 1.7], mass: [1150, 1500], hybrid: false, share: 0.12 },
  { fuel: 'diesel', litres: [1.9, 3.0], mass: [1450, 2500], hybrid: false, share: 0.18 },
  { fuel: 'petrol', litres: [1.5, 2.0], mass: [1350, 1650], hybrid: true, share: 0.1 },
] as const;

/** Draws a made-up vehicle and what its file says of it: less than the truth, as files do. */
export function drawWorldVehicle(random: Random, name: string, heated: boolean): Vehicle {
  let left = random.uniform(0, 1);
  const kind = KINDS.find((k) => (left -= k.share) < 0) ?? KINDS[1];
  const round = (x: number, to: number) => Math.round(Math.round(x / to) * to * 1000) / 1000;
  const displacement_l = round(random.uniform(kind.litres[0], kind.litres[1]), 0.1);
  const rated_c = heated
    ? random.pick([98, 100, 102, 103, 105])
    : random.pick([79, 82, 82, 83, 85, 87, 88, 88, 89, 91, 92]);
  const electric = displacement_l < 2.1 || random.chance(0.6);
  const kindOfFan = electric ? 'electric' : random.chance(0.75) ? 'viscous' : 'engine-driven';
  const fanOn = heated ? rated_c + random.pick([4, 7, 9]) : Math.max(93, rated_c + Math.round(random.uniform(7, 16)));
  const fanKnown = kindOfFan === 'electric' && random.chance(0.65);
  return {
    label: name,
    engine: {
      fuel: kind.fuel,
      hybrid: kind.hybrid,
      displacement_l,
      idle_rpm: kind.hybrid ? round(random.uniform(900, 1300), 50) : round(random.uniform(650, 880), 10),
      kerb_mass_kg: round(random.uniform(kind.mass[0], kind.mass[1]), 10),
    },
    thermostat: {
      rated_c,
      full_open_c: random.chance(0.25) ? null : rated_c + Math.round(random.uniform(10, 15)),
      location: random.chance(0.35) ? 'inlet' : 'outlet',
      heated,
      heated_rated_c: heated ? rated_c - Math.round(random.uniform(14, 20)) : null,
    },
    coolant: {
      volume_l: round(3 + 2.2 * displacement_l + random.uniform(-0.8, 1.4), 0.1),
      glycol_pct: random.pick([40, 50, 50, 50, 60]),
      cap_kpa: random.pick([null, 75, 90, 110, 140]),
    },
    fan: {
      kind: kindOfFan,
      on_c: fanKnown ? fanOn : null,
      off_c: fanKnown ? fanOn - random.pick([4, 5, 6]) : null,
    },
  };
}
