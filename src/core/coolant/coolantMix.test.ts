import { describe, expect, it } from 'vitest';
import {
  ambientPressure_kpa,
  boilingUnderCap_c,
  freezing_c,
  saturationPressure_kpa,
  saturationTemperature_c,
} from './coolantMix';

describe('water and glycol', () => {
  it.each([
    // IAPWS-IF97, table 35: 300 K, 500 K, 600 K.
    [300 - 273.15, 3.53658941],
    [500 - 273.15, 2638.89776],
    [600 - 273.15, 12344.3146],
  ])('saturation pressure at %d °C', (t, kpa) => {
    expect(saturationPressure_kpa(t)).toBeCloseTo(kpa, kpa > 1000 ? 2 : 5);
    expect(saturationTemperature_c(kpa)).toBeCloseTo(t, 6);
  });

  it('protects best near two thirds', () => {
    expect(freezing_c(0)).toBe(0);
    expect(freezing_c(47.6)).toBeCloseTo(-33.8, 6);
    expect(freezing_c(95)).toBeGreaterThan(freezing_c(60));
  });

  it('boils where the published checks say', () => {
    expect(boilingUnderCap_c(47.6, 103)).toBeCloseTo(129, 0);
    expect(boilingUnderCap_c(0, 0)).toBeCloseTo(100, 1);
    expect(boilingUnderCap_c(0, 100)).toBeCloseTo(120, 0);
    // Water at 80 kPa, about 1950 m.
    expect(ambientPressure_kpa(1950)).toBeCloseTo(80, 0);
    expect(boilingUnderCap_c(0, 0, 1950)).toBeCloseTo(93.5, 0);
  });

  it('a weak cap lowers it', () => {
    expect(boilingUnderCap_c(50, 50)).toBeLessThan(boilingUnderCap_c(50, 110) - 8);
  });
});
