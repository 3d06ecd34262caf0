/** Old coolant left after so many drains, each of the same share of the system, %. */
export const leftAfter_pct = (capacity_l: number, drained_l: number, cycles: number): number =>
  100 * Math.max(0, 1 - drained_l / capacity_l) ** cycles;

/**
 * Drains until no more than a share of the old is left: (1 - f)^n.
 *
 * @param drained_l what runs out at each, above 0 and up to the capacity
 * @param until_pct old coolant allowed, %; above 0 unless each drain empties the system
 * @example cyclesUntil(8, 4, 12.5) // => 3
 */
export function cyclesUntil(capacity_l: number, drained_l: number, until_pct: number): number {
  if (until_pct >= 100) return 0;
  if (drained_l >= capacity_l) return 1;
  return Math.max(1, Math.ceil(Math.log(until_pct / 100) / Math.log(1 - drained_l / capacity_l) - 1e-9));
}

/** A cleaner by its label. */
export interface Cleaner {
  /** What one can holds, l, and what volume of a system it treats, l. */
  readonly can_l: number;
  readonly treats_l: number;
}

/**
 * Dose for a system by its capacity, not by what was drained.
 *
 * @param lost_l of the filled system that runs out again when the level is lowered, and takes cleaner along
 */
export function cleanerDose(
  { can_l, treats_l }: Cleaner,
  capacity_l: number,
  lost_l = 0,
): { readonly dose_l: number; readonly cans: number } {
  const share = Math.min(0.9, lost_l / capacity_l);
  const dose_l = (can_l * capacity_l) / treats_l / (1 - share);
  return { dose_l, cans: Math.ceil(dose_l / can_l - 1e-9) };
}

/** Whether to flush, and by what. */
export interface FlushSigns {
  /** Sediment, crust or sludge was found. */
  readonly deposits: boolean | null;
  /** Brown or gritty coolant, or two kinds that do not go together. */
  readonly spoilt: boolean | null;
  /** Years since the coolant was new; null: not known. */
  readonly age_years: number | null;
  /** Brittle hoses, an old plastic radiator or heater core. */
  readonly oldParts: boolean | null;
}

/** Age from which the inhibitor is doubted where nobody measured it, years: the usual interval. */
const OLD_YEARS = 5;

/** Advice on flushing with its inputs. */
export function flushAdvice(signs: FlushSigns): {
  readonly flush: boolean;
  readonly gentle: boolean;
  readonly why: string;
} {
  const { deposits, spoilt, age_years } = signs;
  const gentle = signs.oldParts !== false;
  const flush = deposits === true || spoilt === true;
  const why =
    deposits === true
      ? 'Deposits were found: loosen and rinse them out, thermostat out, cover on.'
      : spoilt === true
        ? 'The coolant is spoilt or of two kinds: none of it may stay.'
        : age_years !== null && age_years >= OLD_YEARS
          ? `It is ${age_years} years old: measure strength and inhibitor; a change may do without a flush.`
          : 'Nothing calls for it: a clean system is drained and filled.';
  return { flush, gentle, why };
}
