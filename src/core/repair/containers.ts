/** What is bought for a filling. */
export interface ContainerNeed {
  readonly containers: number;
  readonly bought_l: number;
  /** What is left over, l. */
  readonly left_l: number;
  readonly cost: number;
  /** Of it in containers that are not used up. */
  readonly leftCost: number;
}

/**
 * Containers to buy.
 *
 * @param need_l what goes in, with its reserve for bleeding
 * @param container_l by the label
 */
export function containersFor(need_l: number, container_l: number, price: number): ContainerNeed {
  const containers = Math.max(0, Math.ceil(need_l / container_l - 1e-9));
  const bought_l = containers * container_l;
  const left_l = bought_l - need_l;
  return { containers, bought_l, left_l, cost: containers * price, leftCost: (price * left_l) / container_l };
}

/** Kept ready for topping up while the air comes out, l: a tenth of the system, half a litre at least. */
export const bleedReserve_l = (capacity_l: number): number => Math.max(0.5, 0.1 * capacity_l);
