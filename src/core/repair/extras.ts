import { CAUSES, type Cause } from '../base';
import type { Odds } from '../evidence';
import { workSpec, type Prices, type WorkKind } from '../case';

/** Something done while the system is open. */
export interface ExtraSpec {
  readonly id: string;
  readonly says: string;
  /** Work that it amounts to; null: it touches no cause. */
  readonly work: WorkKind | null;
  readonly minutes: number;
  readonly price: (prices: Prices) => number;
}

/** What is usually done along; minutes and prices are working figures on top of the job. */
export const EXTRAS: readonly ExtraSpec[] = [
  { id: 'seal', says: 'New seal and clean seat', work: 'replaced-seal', minutes: 5, price: () => 6 },
  { id: 'thermostat', says: 'Thermostat', work: 'replaced-thermostat', minutes: 15, price: (p) => p.thermostat },
  { id: 'sender', says: 'Coolant temperature sender', work: 'replaced-sender', minutes: 15, price: (p) => p.sender },
  { id: 'hoses', says: 'Hoses at the housing', work: null, minutes: 20, price: () => 40 },
  { id: 'pump', says: 'Water pump', work: 'replaced-pump', minutes: 90, price: (p) => p.pump },
  { id: 'cap', says: 'Pressure cap of the right rating', work: 'replaced-cap', minutes: 2, price: () => 15 },
  { id: 'flush', says: 'Flush', work: 'cleaned-radiator', minutes: 45, price: () => 15 },
  { id: 'coolant', says: 'All of the coolant', work: 'drained-and-filled', minutes: 30, price: (p) => p.coolant },
];

/** What an extra costs, and what it makes impossible to tell. */
export interface ExtraCost {
  readonly extra: ExtraSpec;
  readonly cost: number;
  /** Causes that both it and the planned work would take away. */
  readonly shared: readonly Cause[];
  /** Causes that only it would take away. */
  readonly own: readonly Cause[];
  /** Share of the present odds of which it could not be told any more which of the two it was. */
  readonly confounds: number;
}

/** A cure below this share is none to speak of. */
const CURES_FROM = 0.2;
const cured = (work: WorkKind): readonly Cause[] => CAUSES.filter((c) => (workSpec(work).cures[c] ?? 0) >= CURES_FROM);

/**
 * Each extra that is not planned anyway, with what it confounds: a repair that cures by two works at once proves neither.
 */
export function extrasFor(works: readonly WorkKind[], now: readonly Odds[], prices: Prices): ExtraCost[] {
  const planned = new Set(works.flatMap((w) => cured(w)));
  const share = (causes: readonly Cause[]) =>
    now.filter((o) => causes.includes(o.cause)).reduce((s, o) => s + o.probability, 0);
  const anyPlanned = share([...planned]);
  return EXTRAS.filter((e) => e.work === null || !works.includes(e.work)).map((extra) => {
    const causes = extra.work ? cured(extra.work) : [];
    const shared = causes.filter((c) => planned.has(c));
    const own = causes.filter((c) => !planned.has(c));
    // Either may have done it where both touch the cause, or where each has a cause of its own in play.
    const confounds = Math.min(1, share(shared) + Math.min(share(own), anyPlanned - share(shared)));
    return {
      extra,
      cost: extra.price(prices) + (extra.minutes / 60) * prices.labourPerHour,
      shared,
      own,
      confounds: Math.max(0, confounds),
    };
  });
}
