'use client';

import { AMOUNTS, pricesFor, type Prices } from '@/core/case';
import { useJob } from '@/job/JobProvider';

/** Prices of the open job, and whether any of them is still an estimate. */
export function usePrices(): { prices: Prices; estimated: boolean } {
  const { vehicle, figures } = useJob();
  const prices = pricesFor(vehicle.vehicle, figures.ownPrices);
  return { prices, estimated: AMOUNTS.some((name) => figures.ownPrices[name] === undefined) };
}
