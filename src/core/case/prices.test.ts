import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { startingVehicle } from '../planning';
import { AMOUNTS, estimatedPrices, PRICE_TEXT, pricesFor } from './prices';

const car = (displacement_l: number, fuel: 'petrol' | 'diesel' = 'petrol', hybrid = false) =>
  startingVehicle({ fuel, displacement_l, hybrid });

describe('prices', () => {
  it('a bigger engine costs no less in any part, and the hour is the same', () => {
    const size = fc.double({ min: 0.6, max: 8, noNaN: true });
    fc.assert(
      fc.property(size, size, (a, b) => {
        const [small, large] = [Math.min(a, b), Math.max(a, b)].map((l) => estimatedPrices(car(l)));
        for (const name of AMOUNTS) expect(large![name]).toBeGreaterThanOrEqual(small![name]);
        expect(large!.labourPerHour).toBe(small!.labourPerHour);
      }),
    );
  });

  it('a heated thermostat and the pump of a hybrid cost more', () => {
    const plain = car(1.6);
    const heated = { ...plain, thermostat: { ...plain.thermostat, heated: true } };
    expect(estimatedPrices(heated).thermostat).toBeGreaterThan(1.5 * estimatedPrices(plain).thermostat);
    expect(estimatedPrices(car(1.6, 'petrol', true)).pump).toBeGreaterThan(estimatedPrices(plain).pump);
  });

  it('what the shop wrote stands, the rest is estimated; nothing costs less than nothing', () => {
    const prices = pricesFor(car(2.2, 'diesel'), { thermostat: 0, currency: 'kr' });
    expect(prices).toEqual({ ...estimatedPrices(car(2.2, 'diesel')), thermostat: 0, currency: 'kr' });
    for (const name of AMOUNTS) expect(prices[name]).toBeGreaterThanOrEqual(0);
  });

  it('each amount is said in words of its own', () => {
    expect(new Set(AMOUNTS.map((name) => PRICE_TEXT[name])).size).toBe(AMOUNTS.length);
  });
});
