import { describe, expect, it } from 'vitest';
import { checkResistance, curveOf } from './resistanceCheck';

const POINTS = [
  { temp_c: 0, ohm: 5900 },
  { temp_c: 25, ohm: 2050 },
  { temp_c: 90, ohm: 240 },
];

describe('sender resistance', () => {
  it('a sound sender lies on its curve', () => {
    for (const { temp_c, ohm } of POINTS) {
      const result = checkResistance(POINTS, temp_c, ohm);
      expect(result.expected_ohm).toBeCloseTo(ohm, 3);
      expect(result.off).toBe(false);
    }
  });

  it('too much resistance reads low, too little high', () => {
    expect(checkResistance(POINTS, 25, 3300)).toMatchObject({ off: true });
    expect(checkResistance(POINTS, 25, 3300).error_k).toBeLessThan(-5);
    expect(checkResistance(POINTS, 25, 1400).error_k).toBeGreaterThan(5);
  });

  it('takes the common family while its own points are not known', () => {
    expect(curveOf(POINTS.slice(0, 2)).own).toBe(false);
    expect(checkResistance([], 20, 2500).error_k).toBeCloseTo(0, 3);
  });
});
