import { freezing_c, GLYCOL_TABLES, glycolForFreezing_pct, type Glycol } from '../coolant';

/** What decides how strong a filling should be. */
export interface Climate {
  readonly glycol: Glycol;
  /** Coldest outside air that the car will see, °C. */
  readonly coldest_c: number;
  /** Kept below the coldest, K. */
  readonly margin_k: number;
  /** What the mix loses by ageing and topping up with water until it is changed, % of share. */
  readonly ageing_pct: number;
  /** Least share at which the inhibitor protects, by the product's label, %. */
  readonly least_pct: number;
}

/** Ordinary workshop figures, to be overwritten by the label. */
export const USUAL_CLIMATE: Omit<Climate, 'glycol' | 'coldest_c'> = { margin_k: 5, ageing_pct: 3, least_pct: 33 };

/** More than this carries less heat and hardly protects further, %. */
export const STRONG_PCT = 60;

/** A strength and what it rests on. */
export interface Strength {
  readonly target_pct: number;
  readonly freezes_c: number;
  /** The mix freezes later than asked for: no share of this glycol reaches it. */
  readonly tooCold: boolean;
  readonly decidedBy: 'frost' | 'inhibitor';
}

/**
 * The least share that protects to a temperature with its margin, plus what ageing takes, and not less than the inhibitor
 * needs; on the side where more glycol still protects more.
 */
export function strengthFor({ glycol, coldest_c, margin_k, ageing_pct, least_pct }: Climate): Strength {
  const wanted_c = coldest_c - margin_k;
  const best = GLYCOL_TABLES[glycol].best_pct;
  const frost_pct = wanted_c >= 0 ? 0 : glycolForFreezing_pct(wanted_c, 'usual', glycol);
  const target_pct = Math.min(best, Math.max(least_pct, Math.ceil(frost_pct + ageing_pct - 1e-6)));
  return {
    target_pct,
    freezes_c: freezing_c(target_pct, glycol),
    tooCold: freezing_c(best, glycol) > wanted_c + 0.05,
    decidedBy: target_pct > least_pct ? 'frost' : 'inhibitor',
  };
}

/** Both sides of a ratio by name: parts of coolant to parts of water, in small whole numbers. */
export function ratioText(pct: number): string {
  const tenths = Math.round(pct / 5);
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
  const by = Math.max(1, gcd(tenths, 20 - tenths));
  const parts = (n: number) => `${n / by} ${n === by ? 'part' : 'parts'}`;
  return `${parts(tenths)} coolant concentrate to ${parts(20 - tenths)} water`;
}
