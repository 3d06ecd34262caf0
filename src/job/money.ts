import type { Prices } from '@/core/case';

/** An amount of money, whole. */
export const moneyText = (amount: number, { currency }: Pick<Prices, 'currency'>): string =>
  `${Math.round(amount)} ${currency}`;
