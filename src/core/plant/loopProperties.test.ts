import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { startingVehicle } from '../planning';
import { drawBody, type PlantBody } from './body';
import { soakedLoop, stepLoop, type LoopInput, type LoopState } from './coolantLoop';
import { NO_FAULT, type PlantFault } from './fault';
import { seededRandom } from './random';
import { drawVehicle } from './randomVehicle';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** A constant stretch of driving. */
const inputs: fc.Arbitrary<LoopInput> = fc.record({
  rpm: number(600, 4500),
  speed_mps: number(0, 36),
  wallHeat_kw: number(0, 40),
  friction_kw: number(0, 8),
  ambient_c: number(-30, 40),
  heater_pct: number(0, 100),
  reading_c: number(-30, 120),
  thermostatHeater: number(0, 1),
  gurgle: fc.constant(1),
  fanCommand: fc.constantFrom(0, 1),
  coverFraction: number(0, 1),
  coolantHeater_kw: number(0, 1),
});

const faults: fc.Arbitrary<PlantFault> = fc.oneof(
  fc.constant(NO_FAULT),
  number(0.03, 1).map((leakFraction) => ({ ...NO_FAULT, leakFraction })),
  number(-45, 40).map((openingShift_k) => ({ ...NO_FAULT, openingShift_k })),
  number(0.08, 0.5).map((pumpScale) => ({ ...NO_FAULT, pumpScale })),
  number(0.1, 0.9).map((airFraction) => ({ ...NO_FAULT, airFraction })),
);

const bodies: fc.Arbitrary<PlantBody> = fc.integer({ min: 1, max: 1e6 }).map((seed) => {
  const random = seededRandom(seed);
  return drawBody(drawVehicle(random), random);
});

const temperatures = (s: LoopState): number[] => [
  s.head_c,
  s.block_c,
  s.oil_c,
  s.blockCoolant_c,
  s.headCoolant_c,
  s.heaterCore_c,
  ...s.upperHose_c,
  ...s.radiator_c,
  ...s.lowerHose_c,
];

function run(body: PlantBody, fault: PlantFault, input: LoopInput, seconds: number, start_c = input.ambient_c) {
  const state = soakedLoop(start_c, input.ambient_c);
  for (let k = 0; k < seconds / 0.2; k++) stepLoop(body, fault, state, input, 0.2);
  return state;
}

const check = <T extends [unknown, ...unknown[]]>(property: fc.IProperty<T>, numRuns = 60) =>
  fc.assert(property, { numRuns, seed: 20261125 });

describe('the cooling loop under any constant load', () => {
  it('never leaves the numbers, nor falls below outside air', () => {
    check(
      fc.property(bodies, faults, inputs, (body, fault, input) => {
        const state = run(body, fault, input, 900);
        for (const t of temperatures(state)) {
          expect(Number.isFinite(t)).toBe(true);
          expect(t).toBeGreaterThan(input.ambient_c - 0.5);
        }
        expect(state.lift >= 0 && state.lift <= 1).toBe(true);
      }),
    );
  });

  it('without heat a warm engine cools down and nothing gets warmer than it was', () => {
    check(
      fc.property(bodies, inputs, number(30, 95), (body, input, start_c) => {
        const still = {
          ...input,
          wallHeat_kw: 0,
          friction_kw: 0,
          coolantHeater_kw: 0,
          ambient_c: Math.min(20, input.ambient_c),
        };
        const state = run(body, NO_FAULT, still, 1200, start_c);
        for (const t of temperatures(state)) expect(t).toBeLessThan(start_c + 1e-6);
        expect(state.headCoolant_c).toBeLessThan(start_c);
      }),
    );
  });

  it('at rest, in air as warm as itself, it stays as it is', () => {
    check(
      fc.property(bodies, number(-20, 35), (body, ambient_c) => {
        const input: LoopInput = {
          rpm: 0,
          speed_mps: 0,
          wallHeat_kw: 0,
          friction_kw: 0,
          ambient_c,
          heater_pct: 0,
          reading_c: ambient_c,
          thermostatHeater: 0,
          gurgle: 1,
          fanCommand: 0,
          coverFraction: 0,
          coolantHeater_kw: 0,
        };
        // The heater blows air a little warmer than outside, so that its core may rise by that much.
        for (const t of temperatures(run(body, NO_FAULT, input, 600)))
          expect(Math.abs(t - ambient_c)).toBeLessThan(4.1);
      }),
    );
  });

  it('more heat makes every part of the engine warmer', () => {
    check(
      fc.property(bodies, inputs, (body, input) => {
        const closed = { ...NO_FAULT, liftLimit: 0 };
        const less = run(body, closed, input, 300);
        const more = run(body, closed, { ...input, wallHeat_kw: input.wallHeat_kw + 4 }, 300);
        expect(more.head_c).toBeGreaterThan(less.head_c);
        expect(more.block_c).toBeGreaterThan(less.block_c);
        expect(more.headCoolant_c).toBeGreaterThan(less.headCoolant_c);
      }),
    );
  });

  it('a valve that leaks leaves the engine no warmer than one that stays shut', () => {
    check(
      fc.property(bodies, inputs, number(0.05, 1), (body, input, leakFraction) => {
        const shut = run(body, { ...NO_FAULT, liftLimit: 0 }, input, 600);
        const leaking = run(body, { ...NO_FAULT, liftLimit: 0, leakFraction }, input, 600);
        expect(leaking.headCoolant_c).toBeLessThan(shut.headCoolant_c + 0.3);
      }),
    );
  });

  it('half the step gives nearly the same warm-up', () => {
    const body = drawBody(startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false }), seededRandom(1), 0);
    check(
      fc.property(inputs, (input) => {
        const coarse = soakedLoop(input.ambient_c, input.ambient_c);
        const fine = soakedLoop(input.ambient_c, input.ambient_c);
        for (let k = 0; k < 1500; k++) {
          stepLoop(body, NO_FAULT, coarse, input, 0.2);
          stepLoop(body, NO_FAULT, fine, input, 0.1);
          stepLoop(body, NO_FAULT, fine, input, 0.1);
        }
        // Part in a hundred of the rise: forty kilowatts at a standstill boil an engine within these five minutes.
        const rise = Math.abs(fine.headCoolant_c - input.ambient_c);
        expect(Math.abs(coarse.headCoolant_c - fine.headCoolant_c)).toBeLessThan(0.3 + 0.01 * rise);
      }),
      20,
    );
  });
});
