import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Trace, Vehicle } from '../base';
import { startingVehicle } from '../planning';
import {
  NO_TWIN_FAULT,
  prepareInputs,
  simulateTwin,
  twinPrior,
  twinTruth,
  twinWorkspace,
  type TwinFault,
  type TwinParameters,
} from './index';

/** A drive at one speed, long enough to settle, logged every `every_s`. */
interface Steady {
  readonly vehicle: Vehicle;
  readonly ambient_c: number;
  readonly speed_kmh: number;
  readonly maf_gps: number;
}

const steadyDrives: fc.Arbitrary<Steady> = fc.record({
  vehicle: fc
    .record({
      fuel: fc.constant('petrol' as const),
      displacement_l: fc.double({ min: 0.9, max: 3.2, noNaN: true }),
      hybrid: fc.boolean(),
    })
    .map(startingVehicle),
  ambient_c: fc.double({ min: -30, max: 38, noNaN: true }),
  speed_kmh: fc.double({ min: 0, max: 130, noNaN: true }),
  maf_gps: fc.double({ min: 1.5, max: 30, noNaN: true }),
});

function traceOf(drive: Steady, every_s: number, minutes = 40): Trace {
  const n = Math.floor((minutes * 60) / every_s) + 1;
  const constant = (v: number) => new Float64Array(n).fill(v);
  return {
    time_s: Float64Array.from({ length: n }, (_, i) => i * every_s),
    channels: {
      ect_c: constant(drive.ambient_c),
      ambient_c: constant(drive.ambient_c),
      speed_kmh: constant(drive.speed_kmh),
      rpm: constant(1900),
      maf_gps: constant(drive.maf_gps),
    },
  };
}

function run(
  drive: Steady,
  fault: Partial<TwinFault> = {},
  change: Partial<TwinParameters> = {},
  every_s = 2,
  minutes = 40,
) {
  const inputs = prepareInputs(traceOf(drive, every_s, minutes), drive.vehicle);
  const prior = twinPrior(inputs);
  const parameters = { ...prior.toParameters(new Float64Array(64)), ...change };
  const truth = twinTruth(inputs);
  const knots = prior.toKnots(new Float64Array(prior.knotCount));
  const reading = simulateTwin(
    inputs,
    prior,
    parameters,
    knots,
    { ...NO_TWIN_FAULT, ...fault },
    twinWorkspace(inputs),
    truth,
  );
  return { reading: Float64Array.from(reading), truth, parameters };
}

const end = (values: Float64Array) => values.at(-1)!;
/** Mean of the last third. */
const level = (values: Float64Array) => {
  const late = values.slice(Math.floor((2 * values.length) / 3));
  return late.reduce((a, b) => a + b, 0) / late.length;
};
const check = (property: fc.IProperty<[Steady]> | fc.IProperty<[Steady, number]>) =>
  fc.assert(property as fc.IProperty<[Steady]>, { numRuns: 40, seed: 20261125 });

describe('the twin on any steady drive', () => {
  it('stays between outside air and what the heat could reach, with numbers that are numbers', () => {
    check(
      fc.property(steadyDrives, (drive) => {
        const { reading, truth } = run(drive);
        for (const t of reading) {
          expect(Number.isFinite(t)).toBe(true);
          expect(t).toBeGreaterThan(drive.ambient_c - 1);
          expect(t).toBeLessThan(400);
        }
        for (const x of truth.lift) expect(x >= 0 && x <= 1).toBe(true);
        for (const q of truth.rejected_kw) expect(q).toBeGreaterThan(-0.05);
      }),
    );
  });

  it('never warms less for more heat', () => {
    check(
      fc.property(steadyDrives, (drive) => {
        const { parameters } = run(drive, {}, {}, 2, 2);
        const less = run(drive).reading;
        const more = run(drive, {}, { heatScale: 1.25 * parameters.heatScale }).reading;
        less.forEach((t, k) => expect(more[k]!).toBeGreaterThan(t - 0.35));
      }),
    );
  });

  it('is never warmer with a valve that leaks, before either valve has opened', () => {
    check(
      fc.property(steadyDrives, fc.double({ min: 0.05, max: 1, noNaN: true }), (drive, leak) => {
        const sound = run(drive);
        const leaking = run(drive, { leak });
        sound.truth.lift.forEach((lift, k) => {
          if (lift === 0) expect(leaking.reading[k]!).toBeLessThan(sound.reading[k]! + 0.05);
        });
      }),
    );
  });

  it('is never cooler with a valve that stays shut', () => {
    check(
      fc.property(steadyDrives, (drive) => {
        const sound = run(drive).reading;
        const closed = run(drive, { liftLimit: 0 }).reading;
        closed.forEach((t, k) => expect(t).toBeGreaterThan(sound[k]! - 1e-6));
      }),
    );
  });

  it('a worse sender changes what is read, not the engine behind it, while the fan stands', () => {
    check(
      fc.property(steadyDrives, fc.double({ min: 5, max: 200, noNaN: true }), (drive, lag) => {
        const electricOff = {
          ...drive,
          vehicle: { ...drive.vehicle, fan: { kind: 'electric' as const, on_c: 150, off_c: 145 } },
        };
        const sound = run(electricOff);
        const slow = run(electricOff, { senderLag_s: lag });
        sound.truth.coolant_c.forEach((t, k) => {
          if (t < 120) expect(slow.truth.coolant_c[k]!).toBeCloseTo(t, 6);
        });
        expect(slow.reading[3]!).toBeLessThanOrEqual(sound.reading[3]! + 1e-9);
      }),
    );
  });

  it('ends at the same temperature whatever the step', () => {
    check(
      fc.property(steadyDrives, (any) => {
        const drive = { ...any, speed_kmh: 40 + 0.6 * any.speed_kmh, maf_gps: 5 + 0.8 * any.maf_gps };
        // Twice as long a drive takes twice as long a step; both have settled.
        const short = run(drive, { leak: 0.5 }, {}, 2, 60);
        const long = run(drive, { leak: 0.5 }, {}, 2, 120);
        expect(Math.abs(level(short.truth.coolant_c) - level(long.truth.coolant_c))).toBeLessThan(2.5);
      }),
    );
  });

  it('a sound engine that gets there is held near its rating', () => {
    check(
      fc.property(steadyDrives, (drive) => {
        const { truth } = run(drive);
        if (end(truth.lift) < 0.02 || end(truth.lift) > 0.95) return;
        const { rated_c, full_open_c } = drive.vehicle.thermostat;
        expect(end(truth.coolant_c)).toBeGreaterThan(rated_c - 4);
        expect(end(truth.coolant_c)).toBeLessThan((full_open_c ?? rated_c + 13) + 4);
      }),
    );
  });
});
