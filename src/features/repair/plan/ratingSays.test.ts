import { expect, it } from 'vitest';
import { ratingSays } from './ratingSays';

const day = (ambient_c: number, setsCode: number, setsAnyway = 0) => ({
  ...{ ambient_c, setsCode, setsAnyway, runs: 1, holds_c: 65 },
});
const says = (...days: ReturnType<typeof day>[]) => ratingSays(days, (c) => `${c} °C`);

it('tells days on which the code sets from days on which it sets on some cars alone', () => {
  expect(says(day(-10, 0), day(0, 0.25), day(10, 1), day(20, 0.5))).toBe(
    'P0128 would set at 10 °C, 20 °C outside, on some cars at 0 °C.',
  );
  expect(says(day(10, 1))).toBe('P0128 would set at 10 °C outside.');
  expect(says(day(0, 0.25))).toBe('P0128 would set on some cars at 0 °C outside.');
  // What the right rating sets as well is not the part's doing.
  expect(says(day(0, 0.5, 0.5), day(10, 0))).toBe('P0128 would not set on any of the days tried.');
});
