import type { Vehicle } from '../base';
import type { Random } from './random';

/** Kinds of vehicle the exams are made of: displacement (l), mass (kg), coolant per litre of displacement. */
const KINDS = [
  { name: 'small petrol', fuel: 'petrol', displacement: [0.9, 1.3], mass: [900, 1150], hybrid: false },
  { name: 'family petrol', fuel: 'petrol', displacement: [1.4, 2.0], mass: [1200, 1550], hybrid: false },
  { name: 'large petrol', fuel: 'petrol', displacement: [2.4, 3.6], mass: [1500, 2000], hybrid: false },
  { name: 'small diesel', fuel: 'diesel', displacement: [1.3, 1.6], mass: [1150, 1400], hybrid: false },
  { name: 'family diesel', fuel: 'diesel', displacement: [1.9, 2.2], mass: [1400, 1800], hybrid: false },
  { name: 'van diesel', fuel: 'diesel', displacement: [2.2, 3.0], mass: [1900, 2500], hybrid: false },
  { name: 'hybrid', fuel: 'petrol', displacement: [1.5, 2.0], mass: [1350, 1650], hybrid: true },
] as const;

/** Draws a made-up vehicle. @param heated true for an electrically heated thermostat */
export function drawVehicle(random: Random, heated = random.chance(0.12)): Vehicle {
  const kind = random.pick(KINDS);
  const displacement_l = Math.round(random.uniform(kind.displacement[0], kind.displacement[1]) * 10) / 10;
  const rated_c = heated ? Math.round(random.uniform(100, 105)) : random.pick([80, 82, 83, 87, 88, 88, 89, 91, 92]);
  const unknown = random.chance(0.35);
  const fanOn = heated ? rated_c + 3 : Math.max(93, rated_c + Math.round(random.uniform(6, 11)));
  return {
    label: `${kind.name} ${displacement_l}`,
    engine: {
      fuel: kind.fuel,
      hybrid: kind.hybrid,
      displacement_l,
      idle_rpm: Math.round(random.uniform(680, 880) / 10) * 10,
      kerb_mass_kg: Math.round(random.uniform(kind.mass[0], kind.mass[1]) / 10) * 10,
    },
    thermostat: {
      rated_c,
      full_open_c: unknown ? null : rated_c + Math.round(random.uniform(10, 15)),
      location: random.chance(0.3) ? 'inlet' : 'outlet',
      heated,
      heated_rated_c: heated ? Math.round(random.uniform(80, 90)) : null,
    },
    coolant: {
      volume_l: Math.round((3 + 2.2 * displacement_l + random.uniform(-0.5, 1)) * 10) / 10,
      glycol_pct: random.pick([40, 50, 50, 50, 60]),
      cap_kpa: random.pick([null, 90, 110, 140]),
    },
    fan: {
      kind: displacement_l > 2.2 && random.chance(0.4) ? 'viscous' : 'electric',
      on_c: unknown ? null : fanOn,
      off_c: unknown ? null : fanOn - Math.round(random.uniform(4, 6)),
    },
  };
}
