import { describe, expect, it } from 'vitest';
import { placeReadings } from '@/core/bench';
import { inShopOrder } from '@/ui/OrderedList';
import { faultSize } from './faultWords';
import { inOrderOfTime } from './thermostat/readingOrder';

const kelvin = (k: number) => `${k.toFixed(1)} K`;

describe('the size of a fault', () => {
  it.each([
    [{ fault: 'offset', value: -4, sd: 0.4, unit: 'K' }, '−4.0 K ± 0.4 K'],
    [{ fault: 'series-resistance', value: 39.6, sd: 8.2, unit: 'Ω' }, '40 ± 8 Ω'],
    [{ fault: 'parallel-leak', value: 5012, sd: 212, unit: 'Ω' }, '5.0 ± 0.2 kΩ'],
    [{ fault: 'pull-up-drift', value: 20, sd: 1.3, unit: '%' }, '+20 ± 1 %'],
    [{ fault: 'wrong-curve', value: -44, sd: 0.5, unit: 'K' }, '−44.0 K ± 0.5 K at 90 °C'],
    [{ fault: 'open', value: null, sd: null, unit: null }, ''],
  ] as const)('%o', (fault, words) => {
    expect(faultSize({ ...fault, probability: 1 }, kelvin)).toBe(words);
  });
});

describe('readings of the pot', () => {
  const logged = (t_s: number) => ({ t_s, water_c: 50, lift_mm: null, state: null });
  const pressed = (t_s: number) => ({ t_s, water_c: null, lift_mm: null, state: 'closed' as const });
  it('stand in order of time, and the log’s reading gives way to a press of its moment', () => {
    const all = inOrderOfTime([logged(0), logged(10), logged(20), pressed(10), pressed(5), pressed(0)]);
    expect(all.map((r) => [r.t_s, r.state])).toEqual([
      [-0.01, null],
      [0, 'closed'],
      [5, 'closed'],
      [9.99, null],
      [10, 'closed'],
      [20, null],
    ]);
    expect(inOrderOfTime(all)).toEqual(all);
    // Every press has its temperature.
    const placed = placeReadings(all);
    expect(placed.ok && placed.value).toHaveLength(6);
  });
});

describe('a list in the shop’s order', () => {
  const offered = ['a', 'b', 'c'].map((key) => ({ key }));
  it('keeps what the shop put first, drops what is gone, and adds what is new', () => {
    expect(inShopOrder(offered, ['c', 'gone', 'a']).map((o) => o.key)).toEqual(['c', 'a', 'b']);
    expect(inShopOrder(offered, null)).toEqual(offered);
  });
});
