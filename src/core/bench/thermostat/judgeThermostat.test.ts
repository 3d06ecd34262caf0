import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { waterTest, type PotCourse, type PotValve } from '../../plant';
import { placeReadings, type WaterReading } from './reading';
import { judgeThermostat } from './judgeThermostat';
import type { ThermostatTest } from './types';
import { lifts, liftShare, waxTemperatures } from './waxModel';

const VALVE: PotValve = {
  ...{ opens_c: 88, full_c: 100, hysteresis_k: 3, lift_mm: 8.5 },
  ...{ cupLag_s: 5, waxLag_s: 9, melting: 1.3, stick_mm: 0.1, open_mm: 0, moves: true },
};
const COURSE: PotCourse = {
  ...{ from_c: 40, to_c: 99.5, heating_kpmin: 4, cooling_kpmin: 2, every_s: 10 },
  ...{ liftSd_mm: 0.1, thermometerSd_k: 0.3, seed: 7 },
};
const test = (readings: readonly WaterReading[], change: Partial<ThermostatTest> = {}): ThermostatTest => ({
  ...{ rated_c: 88, fullOpen_c: null, readings, thermometerSd_k: 0.5, altitude_m: 0, lightWhenCold: null },
  ...change,
});
const judged = (t: ThermostatTest) => {
  const found = judgeThermostat(t);
  if (!found.ok) throw new Error(`${found.error.path}: ${found.error.message}`);
  return found.value;
};
const pot = (valve: Partial<PotValve> = {}, course: Partial<PotCourse> = {}, change: Partial<ThermostatTest> = {}) =>
  judged(test(waterTest({ ...VALVE, ...valve }, { ...COURSE, ...course }), change));

describe('a valve in heated water', () => {
  it('every figure lies within its uncertainty', () => {
    const found = pot({ opens_c: 82, full_c: 94 }, {}, { rated_c: 82 });
    const near = (figure: { value: number; sd: number } | null, truth: number) => {
      expect(figure).not.toBeNull();
      expect(Math.abs(figure!.value - truth)).toBeLessThan(2 * figure!.sd);
      expect(figure!.sd).toBeLessThan(3);
    };
    near(found.opens_c, 82);
    near(found.full_c, 94);
    near(found.closes_c, 79);
    near(found.hysteresis_k, 3);
    near(found.lift_mm, 8.5);
    expect(found.verdict).toBe('good');
    expect(found.reason).toMatch(/First movement at 8\d\.\d °C/);
  });

  it.each([
    ['opens-early', { opens_c: 77, full_c: 89 }, {}],
    ['opens-late', { opens_c: 96, full_c: 108 }, {}],
    ['stuck-open', { moves: false, open_mm: 6 }, {}],
    ['stuck-closed', { moves: false }, {}],
    ['leaks', {}, { lightWhenCold: true }],
    ['stuck-open', { moves: false, open_mm: 6 }, { lightWhenCold: true }],
  ] as const)('%s', (verdict, valve, change) => {
    const found = pot(valve, {}, change);
    expect(found.verdict).toBe(verdict);
    expect(found.probability).toBeGreaterThan(0.6);
    expect(Object.values(found.odds).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
  });

  it('by eye it is told as well, with a wider band', () => {
    const eye = pot({}, { liftSd_mm: null, every_s: 15 });
    const rule = pot();
    expect(eye.verdict).toBe('good');
    expect(eye.lift_mm).toBeNull();
    expect(eye.opens_c!.sd).toBeGreaterThan(0.7 * rule.opens_c!.sd);
  });

  it('the lag of the wax is taken off: fast and slow heating find the same opening', () => {
    const slow = pot({ opens_c: 85, full_c: 96 }, { heating_kpmin: 2 });
    const fast = pot({ opens_c: 85, full_c: 96 }, { heating_kpmin: 14, every_s: 4 });
    const apart = Math.abs(slow.opens_c!.value - fast.opens_c!.value);
    expect(apart).toBeLessThan(2 * Math.hypot(slow.opens_c!.sd, fast.opens_c!.sd));
    expect(fast.opens_c!.sd).toBeGreaterThan(slow.opens_c!.sd);
  });

  it('heated too fast to tell is an answer, with the rate to repeat at', () => {
    const found = pot({ opens_c: 83.5, full_c: 95 }, { heating_kpmin: 45, every_s: 5, cooling_kpmin: 0 });
    expect(found.verdict).toBe('cannot-tell');
    expect(found.reason).toMatch(/too fast to tell: \d+ K a minute/);
    expect(found.reason).toMatch(/Repeat at under 5 K a minute/);
  });

  it('hot water that boils too low is no verdict', () => {
    const stay: WaterReading[] = [20, 60, 99].map((water_c, i) => ({ t_s: 300 * i, water_c, lift_mm: 0, state: null }));
    const high = judged(test(stay, { rated_c: 102 }));
    expect(high.verdict).toBe('cannot-tell');
    expect(high.reason).toMatch(/half glycol and water/);
    const mountain = judged(
      test(
        stay.map((r) => ({ ...r, water_c: Math.min(90, r.water_c ?? 0) })),
        { altitude_m: 3000 },
      ),
    );
    expect(mountain.boils_c).toBeLessThan(91);
    expect(mountain.verdict).toBe('cannot-tell');
    const tepid = judged(test(stay.slice(0, 2)));
    expect(tepid.reason).toMatch(/reached 60 °C only/);
  });

  it('nothing seen says nothing, light alone says leak or open', () => {
    expect(judged(test([])).verdict).toBe('cannot-tell');
    const light = judged(test([], { lightWhenCold: true }));
    expect(light.odds['stuck-open'] + light.odds.leaks).toBeGreaterThan(0.8);
    expect(judged(test([], { lightWhenCold: false })).verdict).toBe('cannot-tell');
  });

  it('one that was put in hot is judged by its closing; one that was only seen open is not judged', () => {
    const all = waterTest(VALVE, { ...COURSE, from_c: 60 });
    const hottest = all.reduce((best, r, i) => (r.water_c > all[best]!.water_c ? i : best), 0);
    const cooling = judged(test(all.slice(hottest)));
    expect(cooling.closes_c).not.toBeNull();
    expect(Math.abs(cooling.closes_c!.value - 85)).toBeLessThan(2 * cooling.closes_c!.sd);
    expect(cooling.heating_kpmin).toBeNull();
    expect(cooling.opens_c!.sd).toBeGreaterThan(1);
    const open = (t_s: number, water_c: number): WaterReading => ({ t_s, water_c, lift_mm: null, state: 'open' });
    const hot = judged(test([open(0, 92), open(60, 95)]));
    expect(hot.verdict).toBe('cannot-tell');
    expect(hot.reason).toMatch(/open at the first look already. Start colder/);
  });

  it('not quite shut when cold is a leak, half open is stuck open', () => {
    const flat = (lift_mm: number) =>
      judged(test([20, 50, 70].map((water_c, i) => ({ t_s: 300 * i, water_c, lift_mm, state: null }))));
    expect(flat(0.9).verdict).toBe('leaks');
    expect(flat(1.9).verdict).toBe('stuck-open');
    expect(flat(6).verdict).toBe('stuck-open');
    const eye = (light: boolean | null) =>
      judged(
        test(
          [20, 50, 70].map((water_c, i) => ({ t_s: 300 * i, water_c, lift_mm: null, state: 'moving' as const })),
          { lightWhenCold: light },
        ),
      );
    expect(eye(true).verdict).toBe('stuck-open');
    expect(eye(null).verdict).toBe('stuck-open');
  });

  it('a log at ten a second and the same by hand agree', () => {
    const often = pot({}, { every_s: 0.5 });
    const seldom = pot({}, { every_s: 10 });
    expect(Math.abs(often.opens_c!.value - seldom.opens_c!.value)).toBeLessThan(1);
    expect(often.opens_c!.sd).toBeGreaterThan(0.5 * seldom.opens_c!.sd);
  });

  it('the same test is worked out once, another one anew', () => {
    const readings = waterTest(VALVE, COURSE);
    expect(judgeThermostat(test(readings))).toBe(judgeThermostat(test(readings.map((r) => ({ ...r })))));
    const other = judged(test(readings, { rated_c: 76 }));
    expect(other.verdict).toBe('opens-late');
  });

  it('one slip of the rule while it is shut is no movement', () => {
    const readings = waterTest({ ...VALVE, moves: false }, COURSE).map((r, i) => (i === 20 ? { ...r, lift_mm: 1 } : r));
    expect(judged(test(readings)).verdict).toBe('stuck-closed');
  });
});

describe('readings', () => {
  const r = (t_s: number, water_c: number | null, lift_mm: number | null = null): WaterReading => ({
    ...{ t_s, water_c, lift_mm },
    state: null,
  });

  it.each([
    [[r(0, 20, 0), r(60, 300, 0)], 'readings[1].water_c', /300 °C/],
    [[r(60, 20, 0), r(0, 30, 0)], 'readings[1].t_s', /out of order/],
    [[r(0, 20, 0), r(0, 30, 0)], 'readings[1].t_s', /out of order/],
    [[r(0, 20, -4)], 'readings[0].lift_mm', /-4 mm/],
    [[r(0, 80, 0), r(60, 88, 4), r(120, 93, 2)], 'readings[2].lift_mm', /falls to 2 mm/],
    [[r(NaN, 80, 0)], 'readings[0].t_s', /Not a time/],
    [[{ ...r(0, 80, 1), state: 'open' as const }], 'readings[0]', /not both/],
    [[r(0, 80, 1), { ...r(9, 81), state: 'open' as const }], 'readings', /not both/],
  ])('what cannot be is told with its place: %#', (readings, path, says) => {
    const placed = placeReadings(readings);
    expect(placed).toMatchObject({ ok: false, error: { path } });
    if (!placed.ok) expect(placed.error.message).toMatch(says);
  });

  it('a state that goes back while it gets hotter cannot be, one that goes back while it cools can', () => {
    const s = (t_s: number, water_c: number, state: WaterReading['state']) => ({ t_s, water_c, state, lift_mm: null });
    const up = [s(0, 80, 'closed'), s(60, 88, 'moving'), s(120, 93, 'closed')];
    expect(placeReadings(up)).toMatchObject({ ok: false, error: { path: 'readings[2].state' } });
    expect(placeReadings([...up.slice(0, 2), s(120, 80, 'closed')]).ok).toBe(true);
  });

  it('a press of the button takes its temperature from the log around it', () => {
    const placed = placeReadings([
      r(0, 20),
      { ...r(30, null), state: 'closed' },
      r(60, 30),
      { ...r(90, null), state: 'moving' },
    ]);
    expect(placed.ok && placed.value.map((p) => p.water_c)).toEqual([20, 25, 30]);
  });
});

describe('the model of the wax', () => {
  it('lags a steady rise by its lag times the rate, and settles', () => {
    const rise = Array.from({ length: 60 }, (_, i) => ({
      t_s: 10 * i,
      water_c: 20 + i,
      lift_mm: null,
      state: null,
      index: i,
    }));
    const wax = waxTemperatures(rise, 20);
    // 0.1 K/s for a lag of 20 s.
    expect(wax.at(-1)).toBeCloseTo(79 - 2, 6);
    const held = [...rise, { ...rise.at(-1)!, t_s: 1000 }];
    expect(waxTemperatures(held, 20).at(-1)).toBeCloseTo(79, 3);
  });

  it('opens and closes along its own curves, never outside 0 and full', () => {
    const wax = { opens_c: 88, span_k: 12, hysteresis_k: 4, lag_s: 0.001, lift_mm: 8, rounded: 1 };
    const at = (course: readonly number[]) =>
      lifts(
        course.map((water_c, i) => ({ t_s: 100 * i, water_c, lift_mm: null, state: null, index: i })),
        wax,
      ).at(-1)!;
    expect(at([20, 94])).toBeCloseTo(4, 2);
    expect(at([20, 110, 90])).toBeCloseTo(4, 2);
    expect(at([20, 110])).toBeCloseTo(8, 6);
    expect(at([20, 110, 83])).toBe(0);
  });

  it('its share rises from 0 to 1 whatever its shape', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 2, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (x, rounded) => {
          const share = liftShare(x, rounded);
          expect(share).toBeGreaterThanOrEqual(0);
          expect(share).toBeLessThanOrEqual(1);
          expect(liftShare(x + 0.05, rounded)).toBeGreaterThanOrEqual(share - 1e-12);
        },
      ),
    );
  });
});
