import { describe, expect, it } from 'vitest';
import { readingError } from './coldFields';

describe('cold readings', () => {
  it.each([
    ['soakEct_c', -9, undefined],
    ['soakEct_c', null, undefined],
    ['soakEct_c', 400, 'Coolant reading: too high to be true.'],
    ['freeze_c', 20, 'Freeze point: too high to be true.'],
    ['capMeasured_kpa', -1, 'Release pressure: too low to be true.'],
    ['ohmCold_ohm', 0, 'Resistance: too low to be true.'],
  ] as const)('%s of %s', (name, value, message) => expect(readingError(name, value)).toBe(message));
});
