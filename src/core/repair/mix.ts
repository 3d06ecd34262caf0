/** A system with old coolant left in it, and what is to become of it. Shares by volume, %. */
export interface MixTask {
  readonly capacity_l: number;
  /** What is still inside, 0 to the capacity. */
  readonly residual_l: number;
  readonly residual_pct: number;
  readonly target_pct: number;
  /** Strength of what is added: 100 is concentrate; above 0. */
  readonly add_pct: number;
}

/** What to add, or how much more must come out first. */
export type MixAnswer =
  | { readonly reachable: true; readonly add_l: number; readonly water_l: number }
  | {
      readonly reachable: false;
      readonly why: 'too-weak' | 'too-strong';
      /** Least that makes it reachable, l; null where no draining does. */
      readonly drain_more_l: number | null;
    };

/** Volumes closer than this share of the capacity are the same. */
const SAME = 1e-9;

/**
 * Volumes that bring a system to a strength with what stays inside counted: of capacity C, residual R of strength r,
 * target t and added strength s, x = (C·t - R·r)/s of it and C - R - x of water. Balance of glycol; volumes add.
 *
 * @example mixFor({ capacity_l: 10, residual_l: 2, residual_pct: 50, target_pct: 50, add_pct: 100 }) // => { reachable: true, add_l: 4, water_l: 4 }
 */
export function mixFor({ capacity_l, residual_l, residual_pct, target_pct, add_pct }: MixTask): MixAnswer {
  const room_l = capacity_l - residual_l;
  const same_l = SAME * capacity_l;
  const add_l = (capacity_l * target_pct - residual_l * residual_pct) / add_pct;
  if (add_l < -same_l) {
    return { reachable: false, why: 'too-strong', drain_more_l: residual_l - (capacity_l * target_pct) / residual_pct };
  }
  if (add_l > room_l + same_l) {
    // What is added is weaker than what is asked for, or must be all of it: draining helps only towards a stronger fill.
    const helps = add_pct >= target_pct && residual_pct < add_pct;
    const least_l = (capacity_l * (add_pct - target_pct)) / (add_pct - residual_pct);
    return { reachable: false, why: 'too-weak', drain_more_l: helps ? residual_l - least_l : null };
  }
  const added_l = Math.min(room_l, Math.max(0, add_l));
  return { reachable: true, add_l: added_l, water_l: room_l - added_l };
}

/** Strength where a ready mix goes over what stayed inside, rinse water or old coolant, %. */
export const filledWith_pct = ({
  capacity_l,
  residual_l,
  residual_pct,
  add_pct,
}: Omit<MixTask, 'target_pct'>): number =>
  (residual_l * residual_pct + (capacity_l - residual_l) * add_pct) / capacity_l;

/**
 * How much must be drained and replaced to bring a full system from one strength to another, l: D = C(t - old)/(new - old).
 *
 * @returns null where the new coolant lies on the wrong side of the target, or is not strong enough
 */
export function swapToReach_l(capacity_l: number, old_pct: number, target_pct: number, new_pct: number): number | null {
  if (old_pct === target_pct) return 0;
  const share = (target_pct - old_pct) / (new_pct - old_pct);
  return Number.isFinite(share) && share >= 0 && share <= 1 ? capacity_l * share : null;
}
