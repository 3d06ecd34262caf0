import { describe, expect, it } from 'vitest';
import { isQuiet } from './alarm';

/** One row a second of a reading. */
const rows = (...readings: (number | undefined)[]) =>
  readings.map((ect_c, time_s) => ({ time_s, values: ect_c === undefined ? {} : { ect_c } }));

describe('the alarm at 105 °C, silenced at second 2', () => {
  it.each([
    ['sounds until it was silenced', rows(100, 106, 107), null, false],
    ['stays silent while it stays hot', rows(100, 106, 107, 108, 106), 2, true],
    ['is not set off again by a reading that trembles at the limit', rows(100, 106, 107, 104, 106), 2, true],
    ['sounds at a second rise', rows(100, 106, 107, 102, 106), 2, false],
    ['takes a lost reading for no fall', rows(100, 106, 107, undefined, 106), 2, true],
    ['does not look at what was before', rows(90, 106, 107), 2, true],
  ])('%s', (_, given, quietAt_s, quiet) => expect(isQuiet(given, quietAt_s, 105)).toBe(quiet));
});
