import type { Vehicle } from '../base';

/** What things cost in one shop, in its own currency. All of it is an estimate until the shop writes its own. */
export interface Prices {
  readonly currency: string;
  readonly labourPerHour: number;
  readonly thermostat: number;
  readonly sender: number;
  readonly fanRepair: number;
  readonly coolant: number;
  readonly radiator: number;
  readonly pump: number;
  /** What a car that comes back uncured costs: the time, the explanation, the good name. */
  readonly comeBack: number;
  /** Damage where a car that overheats is driven on. */
  readonly engineDamage: number;
}

/** The prices that are amounts of money. */
export const AMOUNTS = [
  'labourPerHour',
  'thermostat',
  'sender',
  'fanRepair',
  'coolant',
  'radiator',
  'pump',
  'comeBack',
  'engineDamage',
] as const satisfies readonly (keyof Prices)[];

/** What each price is, in words. */
export const PRICE_TEXT: Readonly<Record<(typeof AMOUNTS)[number], string>> = {
  labourPerHour: 'One hour of labour',
  thermostat: 'Thermostat with its seal',
  sender: 'Coolant temperature sender',
  fanRepair: 'Parts to mend a fan circuit',
  coolant: 'Coolant for one filling',
  radiator: 'Radiator',
  pump: 'Water pump with belt and seal',
  comeBack: 'A car that comes back uncured: second visit, repair then due, good name',
  engineDamage: 'Damage where it is driven hot',
};

/** Typical orders of magnitude for a middling car; working figures, of no market in particular. */
const MIDDLING: Prices = {
  currency: '€',
  labourPerHour: 90,
  thermostat: 45,
  sender: 25,
  fanRepair: 120,
  coolant: 30,
  radiator: 190,
  pump: 110,
  comeBack: 450,
  engineDamage: 2500,
};

/** Estimates for one vehicle where the shop has not written its own: parts grow with the engine and with electrics. */
export function estimatedPrices({ engine, thermostat }: Vehicle): Prices {
  const size = Math.sqrt(Math.max(0.3, engine.displacement_l / 1.6)) * (engine.fuel === 'diesel' ? 1.15 : 1);
  const round = (price: number) => 5 * Math.round(price / 5);
  return {
    ...MIDDLING,
    thermostat: round(MIDDLING.thermostat * size * (thermostat.heated ? 2.4 : 1)),
    coolant: round(MIDDLING.coolant * size),
    radiator: round(MIDDLING.radiator * size),
    pump: round(MIDDLING.pump * size * (engine.hybrid ? 2 : 1)),
    fanRepair: round(MIDDLING.fanRepair * size),
    engineDamage: round(MIDDLING.engineDamage * size),
  };
}

/** A vehicle's prices: the shop's own where it wrote them, estimates for the rest. */
export const pricesFor = (vehicle: Vehicle, own: Partial<Prices> = {}): Prices => ({
  ...estimatedPrices(vehicle),
  ...own,
});
