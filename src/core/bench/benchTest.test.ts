import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GLYCOLS } from '../coolant';
import { SENDER_FAMILIES } from '../sender';
import {
  benchTestSchema,
  newSenderBench,
  newThermostatBench,
  VALVE_STATES,
  type BenchTest,
  type SenderBench,
  type ThermostatBench,
} from '.';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const yesNo = fc.option(fc.boolean());

const curves = fc.oneof(
  fc.record({ kind: fc.constant('family' as const), family: fc.constantFrom(...SENDER_FAMILIES.map((f) => f.id)) }),
  fc.record({
    kind: fc.constantFrom('points' as const, 'table' as const),
    points: fc.constant(SENDER_FAMILIES[0]!.points),
  }),
  fc.record({
    kind: fc.constant('beta' as const),
    ohm: number(10, 1e5),
    at_c: number(0, 100),
    beta_k: number(1000, 8000),
  }),
);
const senders: fc.Arbitrary<SenderBench> = fc.record({
  of: fc.constant('sender' as const),
  which: fc.constantFrom('engine' as const, 'gauge' as const),
  curve: curves,
  circuit: fc.option(
    fc.record({
      reference_v: number(1, 12),
      pullUp_ohm: number(100, 20_000),
      second: fc.option(fc.record({ pullUp_ohm: number(50, 1000), from_c: number(30, 80) })),
      bits: fc.option(fc.integer({ min: 8, max: 16 })),
    }),
  ),
  readings: fc.array(
    fc.record({
      true_c: number(-40, 140),
      trueSd_k: number(0.1, 5),
      of: fc.constantFrom('ohm' as const, 'volt' as const, 'shown_c' as const),
      value: number(0, 1e5),
      sd_pct: number(0.1, 10),
    }),
    { maxLength: 8 },
  ),
  gauge: fc.record({ cold_c: number(30, 60), from_c: number(61, 80), to_c: number(81, 110), red_c: number(111, 130) }),
});
const thermostats: fc.Arbitrary<ThermostatBench> = fc.record({
  of: fc.constant('thermostat' as const),
  rated_c: number(60, 110),
  fullOpen_c: fc.option(number(80, 125)),
  readings: fc.array(
    fc.record({
      t_s: number(0, 4000),
      water_c: fc.option(number(0, 110)),
      lift_mm: fc.option(number(0, 12)),
      state: fc.option(fc.constantFrom(...VALVE_STATES)),
    }),
    { maxLength: 8 },
  ),
  thermometerSd_k: number(0.1, 5),
  altitude_m: number(0, 3000),
  lightWhenCold: yesNo,
  deposits: yesNo,
  sealDamaged: yesNo,
  springWeak: yesNo,
  ventStuck: yesNo,
  cleaned: fc.boolean(),
});
const mixes: fc.Arbitrary<BenchTest> = fc.record({
  of: fc.constant('mix' as const),
  glycol: fc.constantFrom(...GLYCOLS),
  scale: fc.constantFrom(...GLYCOLS),
  reads_c: number(-60, 0),
});
const wiggles: fc.Arbitrary<BenchTest> = fc.record({
  of: fc.constant('wiggle' as const),
  fileName: fc.string({ maxLength: 20 }),
  unit: fc.constantFrom('°C' as const, 'Ω' as const, 'V' as const),
  samples: fc.nat(1000),
  length_s: number(0, 100),
  scatter: number(0, 10),
  dropped: fc.nat(10),
  leaps: fc.array(fc.record({ at_s: number(0, 100), from: number(-40, 120), to: number(-40, 120) }), { maxLength: 4 }),
});

const read = (test: unknown) =>
  benchTestSchema((test as { of?: unknown }).of)!.validateSync(test, { stripUnknown: true });

describe('a bench test from outside', () => {
  it('comes back as it was kept, through JSON', () => {
    fc.assert(
      fc.property(fc.oneof(senders, thermostats, mixes, wiggles), (test) => {
        const kept: unknown = JSON.parse(JSON.stringify(test));
        const back = JSON.parse(JSON.stringify(read(kept))) as object;
        expect(back).toEqual(kept);
      }),
    );
  });

  it('what a person did not say is not invented', () => {
    const bare = read({ of: 'thermostat', rated_c: 88 }) as ThermostatBench;
    expect(bare).toMatchObject({ readings: [], lightWhenCold: null, deposits: null, cleaned: false, fullOpen_c: null });
    expect(read(newThermostatBench(88, 101, 300))).toMatchObject({ rated_c: 88, fullOpen_c: 101, altitude_m: 300 });
    expect(read(newSenderBench('gauge', []))).toMatchObject({
      which: 'gauge',
      curve: { family: 'generic-gauge-hundreds' },
    });
    expect(newSenderBench('engine', SENDER_FAMILIES[0]!.points).curve.kind).toBe('points');
  });

  it.each([
    [{ of: 'thermostat', rated_c: 'hot' }, /rated_c/],
    [{ of: 'thermostat', rated_c: 400 }, /rated_c/],
    [{ of: 'thermostat', rated_c: 88, readings: [{ t_s: 0, state: 'ajar' }] }, /readings\[0\].state/],
    [{ of: 'thermostat', rated_c: 88, readings: [{ water_c: 20 }] }, /readings\[0\].t_s/],
    [{ of: 'sender', curve: { kind: 'sum' } }, /curve.kind/],
    [{ of: 'sender', curve: { kind: 'points', points: [[1]] } }, /points\[0\]/],
    [
      { of: 'sender', curve: { kind: 'family', family: 'x' }, circuit: { reference_v: 0, pullUp_ohm: 1 } },
      /reference_v/,
    ],
    [{ of: 'mix', glycol: 'sugar', scale: 'ethylene', reads_c: -3 }, /glycol/],
    [{ of: 'mix', glycol: 'ethylene', scale: 'ethylene', reads_c: -300 }, /reads_c/],
    [{ of: 'wiggle', unit: 'A', samples: 1, length_s: 1, scatter: 1, dropped: 0 }, /unit/],
  ])('%o is refused by its field', (test, field) => {
    expect(() => read(test)).toThrow(field);
  });

  it('has no shape for a kind that it does not know', () => {
    for (const of of ['viscosity', 'toString', 3, null, undefined]) expect(benchTestSchema(of)).toBeNull();
  });
});
