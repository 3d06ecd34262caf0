import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { startingVehicle } from '../planning';
import { boilingOf, stopLimit_c, unmeasured, type CoolantState } from './boiling';

const VEHICLE = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const WATER: CoolantState = { glycol: 'ethylene', glycol_pct: 0, releases_kpa: null, capWeak: false, altitude_m: 0 };

const states: fc.Arbitrary<CoolantState> = fc.record({
  glycol: fc.constantFrom('ethylene', 'propylene'),
  glycol_pct: fc.double({ min: 0, max: 70, noNaN: true }),
  releases_kpa: fc.option(fc.double({ min: 0, max: 200, noNaN: true })),
  capWeak: fc.boolean(),
  altitude_m: fc.double({ min: -400, max: 5000, noNaN: true }),
});

describe('where coolant boils', () => {
  it('water without a cap boils near 100 °C at the sea and near 93 °C at 2000 m', () => {
    expect(boilingOf(WATER).boils_c).toBeCloseTo(100, 0);
    expect(boilingOf({ ...WATER, altitude_m: 2000 }).boils_c).toBeGreaterThan(92);
    expect(boilingOf({ ...WATER, altitude_m: 2000 }).boils_c).toBeLessThan(94.5);
  });

  it('a cap that holds 100 kPa over the sea raises water to near 120 °C', () => {
    const held = boilingOf({ ...WATER, releases_kpa: 100 });
    expect(held.boils_c).toBeGreaterThan(119);
    expect(held.boils_c).toBeLessThan(121.5);
    expect(held.cap).toBe('measured');
  });

  it.each([
    ['nobody measured it', { releases_kpa: null }, 'not-measured'],
    ['it is weak', { releases_kpa: 60, capWeak: true }, 'weak'],
  ] as const)('the cap counts as none where %s', (_, change, cap) => {
    const found = boilingOf({ ...WATER, ...change });
    expect(found.cap).toBe(cap);
    expect(found.boils_c).toBe(boilingOf(WATER).boils_c);
  });

  it('no limit lies at or above boiling, and none is lower for a stronger cap', () => {
    fc.assert(
      fc.property(states, (state) => {
        const { boils_c, highestLimit_c } = boilingOf(state);
        expect(highestLimit_c).toBeLessThanOrEqual(boils_c - 3);
        expect(stopLimit_c(VEHICLE, state)).toBeLessThanOrEqual(highestLimit_c);
        const stronger = { ...state, releases_kpa: (state.releases_kpa ?? 0) + 40 };
        expect(boilingOf(stronger).boils_c).toBeGreaterThanOrEqual(boils_c);
      }),
    );
  });

  it('higher up it boils sooner, more glycol later', () => {
    fc.assert(
      fc.property(states, fc.double({ min: 50, max: 2000, noNaN: true }), (state, more_m) => {
        const { boils_c } = boilingOf(state);
        expect(boilingOf({ ...state, altitude_m: state.altitude_m + more_m }).boils_c).toBeLessThan(boils_c);
        expect(boilingOf({ ...state, glycol_pct: state.glycol_pct + 5 }).boils_c).toBeGreaterThanOrEqual(boils_c);
      }),
    );
  });

  it('a drive is stopped not far above where the fan must run, however well the cap holds', () => {
    const vehicle = { ...VEHICLE, fan: { ...VEHICLE.fan, on_c: 90, off_c: 85 } };
    expect(stopLimit_c(vehicle, { ...unmeasured(vehicle), releases_kpa: 140 })).toBe(102);
    expect(stopLimit_c(vehicle, unmeasured(vehicle, 3000))).toBeLessThan(98);
  });
});
