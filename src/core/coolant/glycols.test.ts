import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  boiling_c,
  boils_c,
  capFor_kpa,
  expansion,
  fillsToLimit,
  freezing_c,
  GLYCOL_TABLES,
  GLYCOLS,
  glycolForBoiling_pct,
  glycolForFreezing_pct,
  heatAgainstWater,
  readRefractometer,
  refractiveIndex,
  saturationPressure_kpa,
  shareOfIndex_pct,
} from '.';

const pct = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const glycols = fc.constantFrom(...GLYCOLS);

describe('published points', () => {
  it.each(GLYCOLS)('%s glycol stands exactly at its table', (glycol) => {
    const table = GLYCOL_TABLES[glycol];
    table.volume_pct.forEach((share, i) => {
      expect(freezing_c(share, glycol)).toBe(table.freezing_c[i]);
      expect(boiling_c(share, glycol)).toBe(table.boiling_c[i]);
    });
  });

  it('about half glycol freezes near -37, 60 % near -50, and past the turn it gets worse', () => {
    expect(freezing_c(50)).toBeCloseTo(-37, 0);
    expect(Math.abs(freezing_c(60) + 50)).toBeLessThan(1);
    expect(freezing_c(80)).toBeGreaterThan(freezing_c(68) + 3);
    expect(freezing_c(100)).toBe(-13);
    expect(freezing_c(49.9, 'propylene')).toBeCloseTo(-33.5, 6);
  });

  it.each([
    // IAPWS-95 as tabulated by NIST, kPa.
    [50, 12.352],
    [80, 47.414],
    [100, 101.418],
    [120, 198.67],
    [130, 270.28],
  ])('water at %d °C is within 0.01 % of the table', (c, kpa) => {
    expect(Math.abs(saturationPressure_kpa(c) / kpa - 1)).toBeLessThan(1e-4);
  });
});

describe('between the points', () => {
  it('protects better up to its best share, boils later with every per cent', () => {
    fc.assert(
      fc.property(glycols, pct(0, 55), pct(0.5, 4), (glycol, share, more) => {
        expect(freezing_c(share + more, glycol)).toBeLessThan(freezing_c(share, glycol));
        expect(boiling_c(share + more, glycol)).toBeGreaterThanOrEqual(boiling_c(share, glycol) - 1e-9);
      }),
    );
  });

  it('protects less again past the best share of ethylene glycol', () => {
    fc.assert(
      fc.property(pct(68, 95), pct(0.5, 4), (share, more) => {
        expect(freezing_c(share + more)).toBeGreaterThan(freezing_c(share));
      }),
    );
  });

  it('is read both ways', () => {
    fc.assert(
      fc.property(glycols, pct(2, 58), (glycol, share) => {
        expect(glycolForFreezing_pct(freezing_c(share, glycol), 'usual', glycol)).toBeCloseTo(share, 3);
        const boil = boiling_c(share, glycol);
        expect(boiling_c(glycolForBoiling_pct(boil, glycol), glycol)).toBeCloseTo(boil, 6);
      }),
    );
    expect(glycolForFreezing_pct(-30, 'too-strong')).toBeGreaterThan(85);
  });

  it('a cap and the boiling point that it gives belong together', () => {
    fc.assert(
      fc.property(glycols, pct(0, 60), pct(1, 160), (glycol, glycol_pct, cap_kpa) => {
        const mix = { glycol, glycol_pct, ambient_kpa: 95 };
        expect(capFor_kpa(boils_c({ ...mix, cap_kpa }), mix)).toBeCloseTo(cap_kpa, 3);
      }),
    );
    expect(capFor_kpa(60, { glycol: 'ethylene', glycol_pct: 50, ambient_kpa: 101 })).toBe(0);
  });
});

describe('what else a mix does', () => {
  it('water grows by about 4 % to boiling, half a mix by 5 to 6 %', () => {
    const span = { from_c: 20, to_c: 100 };
    expect(expansion('ethylene', 0, span)).toBeCloseTo(0.0415, 3);
    expect(expansion('ethylene', 50, span)).toBeCloseTo(0.053, 3);
    expect(expansion('propylene', 50, span)).toBeGreaterThan(expansion('ethylene', 50, span));
    expect(expansion('ethylene', 50, { from_c: 20, to_c: 60 })).toBeCloseTo(0.053 / 2, 3);
    expect(expansion('ethylene', 50, { from_c: 90, to_c: 20 })).toBeLessThan(0);
  });

  it('carries less heat than water, the more so the stronger', () => {
    expect(heatAgainstWater('ethylene', 0)).toBe(1);
    expect(heatAgainstWater('ethylene', 50)).toBeCloseTo(0.91, 2);
    expect(heatAgainstWater('propylene', 60)).toBeLessThan(heatAgainstWater('propylene', 40));
  });

  it('a scale for the other glycol is not believed', () => {
    const right = readRefractometer({ reads_c: -37, scale: 'ethylene', glycol: 'ethylene' });
    expect(right.glycol_pct).toBeCloseTo(50, 0);
    expect(right.freezes_c).toBe(-37);
    const wrong = readRefractometer({ reads_c: -37, scale: 'ethylene', glycol: 'propylene' });
    // Propylene glycol bends light more: the ethylene scale promises more than there is.
    expect(wrong.glycol_pct).toBeLessThan(right.glycol_pct);
    expect(wrong.freezes_c).toBeGreaterThan(-33);
    const other = readRefractometer({ reads_c: -33, scale: 'propylene', glycol: 'ethylene' });
    expect(other.freezes_c).toBeLessThan(-37);
  });

  it('index and share belong together', () => {
    fc.assert(
      fc.property(glycols, pct(0, 100), (glycol, share) => {
        expect(shareOfIndex_pct(glycol, refractiveIndex(glycol, share))).toBeCloseTo(share, 4);
      }),
    );
  });

  it('half drained each time, the fifth filling is under 5 %, the sixth under 3 %', () => {
    expect(fillsToLimit(0.5, 5)).toMatchObject({ fills: 5 });
    expect(fillsToLimit(0.5, 3).fills).toBe(6);
    expect(fillsToLimit(0.5, 3).left_pct).toBeCloseTo(1.5625, 6);
    expect(fillsToLimit(0.99, 3).fills).toBe(1);
  });
});
