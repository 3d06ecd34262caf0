import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  ambientPressure_kpa,
  boilingUnderCap_c,
  freezing_c,
  glycolForFreezing_pct,
  saturationPressure_kpa,
  saturationTemperature_c,
  volumetricHeat_kj_lk,
} from './coolantMix';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('any mix', () => {
  it('pressure and temperature of boiling water are each other’s inverse', () => {
    fc.assert(
      fc.property(number(1, 360), (t) => {
        expect(saturationTemperature_c(saturationPressure_kpa(t))).toBeCloseTo(t, 4);
      }),
    );
  });

  it('boils later under more pressure and with more glycol, sooner higher up', () => {
    fc.assert(
      fc.property(number(0, 70), number(0, 150), number(0, 3000), (pct, cap, height) => {
        const at = boilingUnderCap_c(pct, cap, height);
        expect(boilingUnderCap_c(pct, cap + 20, height)).toBeGreaterThan(at);
        expect(boilingUnderCap_c(pct + 10, cap, height)).toBeGreaterThan(at - 1e-9);
        expect(boilingUnderCap_c(pct, cap, height + 500)).toBeLessThan(at);
        expect(at).toBeGreaterThan(85);
        expect(at).toBeLessThan(160);
      }),
    );
  });

  it('the share asked of a mix protects to the temperature it was asked for', () => {
    fc.assert(
      fc.property(number(-48, -1), (freeze) => {
        const pct = glycolForFreezing_pct(freeze);
        expect(pct).toBeGreaterThan(0);
        expect(pct).toBeLessThan(60);
        expect(freezing_c(pct)).toBeCloseTo(freeze, 1);
      }),
    );
  });

  it('protects better up to the best share, and holds its ends', () => {
    fc.assert(
      fc.property(number(0, 50), number(1, 6), (pct, more) => {
        expect(freezing_c(pct + more)).toBeLessThanOrEqual(freezing_c(pct) + 1e-9);
      }),
    );
    expect(glycolForFreezing_pct(5)).toBeLessThan(1);
    expect(glycolForFreezing_pct(-200)).toBeCloseTo(68, 3);
  });

  it('carries less heat per litre than water, and thinner air is found higher up', () => {
    fc.assert(
      fc.property(number(0, 60), number(0, 4000), (pct, height) => {
        expect(volumetricHeat_kj_lk(pct + 5)).toBeLessThan(volumetricHeat_kj_lk(pct));
        expect(ambientPressure_kpa(height + 100)).toBeLessThan(ambientPressure_kpa(height));
      }),
    );
    expect(volumetricHeat_kj_lk(0)).toBeCloseTo(4.07, 2);
  });
});
