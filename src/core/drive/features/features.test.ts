import { describe, expect, it } from 'vitest';
import { TEST_VEHICLE, testFeatureDrive, testTrace } from '../../../../tests/support/testDrive';
import { isTold, type Told } from './feature';
import { FEATURES, measureFeatures, type FeatureName } from './features';

const bend = { at_s: 600, atSd_s: 6, reading_c: 88, readingSd_k: 0.6 };

/** 8 °C, 8 K a minute to 88 °C at minute 10, then level. */
const rise = (t: number): number => (t < 600 ? 8 + (t * 8) / 60 : 88);
const steady = { speed_kmh: () => 60, rpm: () => 1900, maf_gps: () => 14.7 };

function told(name: FeatureName, drive: ReturnType<typeof testFeatureDrive>): Told {
  const one = measureFeatures(drive)[name];
  if (!isTold(one)) throw new Error(`${name} was not told: ${one.why}`);
  return one;
}
const why = (name: FeatureName, drive: ReturnType<typeof testFeatureDrive>): string => {
  const one = measureFeatures(drive)[name];
  return isTold(one) ? 'told' : one.why;
};

describe('warm-up figures', () => {
  const drive = testFeatureDrive(testTrace(1500, { ect_c: rise, ...steady }), { bend, outside_c: 8 });

  it('minutes to a temperature, from engine start', () => {
    expect(told('minutes-to-40', drive).value).toBeCloseTo(4, 2);
    expect(told('minutes-to-60', drive).value).toBeCloseTo(6.5, 2);
    expect(told('minutes-to-threshold', drive).value).toBeCloseTo(69 / 8, 2);
    const soaked = testTrace(1500, {
      ect_c: (t) => rise(Math.max(0, t - 30)),
      ...steady,
      speed_kmh: (t) => (t < 30 ? 0 : 60),
      rpm: (t) => (t < 30 ? 0 : 1900),
    });
    expect(told('minutes-to-40', testFeatureDrive(soaked)).value).toBeCloseTo(4, 2);
  });

  it('rise per heat: 14.7 g/s of air is 1 g/s of fuel, 43.5 kW, 2.61 MJ a minute', () => {
    const figure = told('rise-per-heat', drive);
    expect(figure.value).toBeCloseTo(8 / 2.61, 1);
    expect(figure.sd).toBeGreaterThan(0.05 * figure.value);
  });

  it('says why where the drive does not have it', () => {
    const cold = testFeatureDrive(testTrace(900, { ect_c: (t) => 8 + t / 60, ...steady }));
    expect(why('minutes-to-60', cold)).toBe('The reading never came to it on this drive.');
    const hot = testFeatureDrive(testTrace(900, { ect_c: () => 85, ...steady }));
    expect(why('minutes-to-60', hot)).toBe('The drive began above it.');
    expect(why('bend', cold)).toBe('no bend in this test');
    expect(why('rise-per-heat', testFeatureDrive(testTrace(900, { ect_c: rise })))).toMatch(
      /log air flow, load or road speed/,
    );
  });

  it('a dip at the opening is its depth and place', () => {
    const dipped = testTrace(1500, { ect_c: (t) => rise(t) - (t > 620 && t < 680 ? 6 : 0), ...steady });
    const dip = told('opening-dip', testFeatureDrive(dipped, { bend }));
    expect(dip.value).toBeGreaterThan(4);
    expect(dip.value).toBeLessThanOrEqual(6.5);
    expect(dip.to_s).toBeGreaterThan(620);
    expect(dip.to_s).toBeLessThan(690);
  });
});

describe('what it holds', () => {
  it('plateau, spread, peak, minutes above the limit', () => {
    const trace = testTrace(1800, { ect_c: (t) => rise(t) + (t > 600 ? 2 * Math.sin(t / 30) : 0), ...steady });
    const drive = testFeatureDrive(trace, { bend });
    expect(told('plateau', drive).value).toBeCloseTo(88, 0);
    expect(told('plateau-spread', drive).value).toBeGreaterThan(3);
    expect(told('plateau-spread', drive).value).toBeLessThan(4.2);
    expect(told('peak', drive).value).toBeCloseTo(90, 1);
    expect(told('minutes-above-limit', drive).value).toBe(0);
    const hot = testTrace(1200, { ect_c: (t) => (t >= 900 && t < 1020 ? 115 : rise(t)), ...steady });
    expect(told('minutes-above-limit', testFeatureDrive(hot, { bend })).value).toBeCloseTo(2, 6);
  });

  it('a reading that still rises holds nothing', () => {
    const drive = testFeatureDrive(testTrace(900, { ect_c: (t) => 8 + (3 * t) / 60, ...steady }));
    expect(why('plateau', drive)).toBe('The reading was still moving when the drive ended.');
  });

  it('level idling, slow and cruising apart, with their bands', () => {
    const speed = (t: number) => (t < 900 ? 60 : t < 1200 ? 0 : 30);
    const trace = testTrace(1500, {
      ect_c: (t) => (t < 900 ? rise(t) : t < 1200 ? 94 : 85),
      speed_kmh: speed,
      rpm: (t) => (speed(t) === 0 ? 750 : 1800),
    });
    const drive = testFeatureDrive(trace, { bend });
    expect(told('hold-cruise', drive).value).toBeCloseTo(88, 0);
    expect(told('hold-idle', drive).value).toBeCloseTo(94, 0);
    expect(told('hold-slow', drive).value).toBeCloseTo(85, 0);
    expect(told('hold-idle', drive).band![1]).toBeCloseTo(94, 0);
    expect(why('hold-climb', drive)).toMatch(/told by load or air flow/);
  });
});

describe('what it answers to', () => {
  it('sag with road speed: 1.5 K per 10 km/h is found as such', () => {
    const speed = (t: number) => 60 + 30 * Math.sin(t / 300);
    // The level answers to the mean speed of the last minute and a half.
    const lagged = (t: number) => speed(t - 45);
    const trace = testTrace(3600, {
      ect_c: (t) => (t < 600 ? rise(t) : 88 - 0.15 * (lagged(t) - 60)),
      ...steady,
      speed_kmh: speed,
    });
    const sag = told('speed-sag', testFeatureDrive(trace, { bend }));
    expect(sag.value).toBeCloseTo(-1.5, 0);
    expect(Math.abs(sag.value + 1.5)).toBeLessThan(2 * sag.sd + 0.1);
    expect(why('speed-sag', testFeatureDrive(testTrace(1800, { ect_c: rise, ...steady }), { bend }))).toMatch(
      /hardly changed/,
    );
  });

  it('creep at standstill, and what revs and driving off change', () => {
    // Stands from 900 to 1200 s: creeps up 2 K a minute, held at speed from 1080 s it falls 1 K a minute; then drives off.
    const speed = (t: number) => (t >= 900 && t < 1200 ? 0 : 60);
    const ect = (t: number) => {
      if (t < 900) return rise(t);
      if (t < 1080) return 88 + (2 * (t - 900)) / 60;
      if (t < 1200) return 94 - (t - 1080) / 60;
      return Math.max(88, 92 - (3 * (t - 1200)) / 60);
    };
    const trace = testTrace(1600, {
      ect_c: ect,
      speed_kmh: speed,
      rpm: (t) => (speed(t) > 0 ? 1800 : t < 1080 ? 750 : 2500),
    });
    const drive = testFeatureDrive(trace, { bend });
    expect(told('standstill-creep', drive).value).toBeCloseTo(2, 0);
    expect(told('recovery-revs', drive).value).toBeCloseTo(-3, 0);
    expect(told('recovery-road', drive).value).toBeLessThan(-3);
    expect(why('recovery-revs', testFeatureDrive(testTrace(1500, { ect_c: rise, ...steady }), { bend }))).toMatch(
      /not held at speed/,
    );
  });

  it('heater effectiveness from a marked vent temperature: (48 - 8) / (88 - 8) is a half', () => {
    const trace = testTrace(1500, { ect_c: rise, ...steady });
    const marks = [{ kind: 'vent', at_s: 1200, value_c: 48 }] as const;
    const figure = told('heater-effectiveness', testFeatureDrive(trace, { bend, outside_c: 8, marks }));
    expect(figure.value).toBeCloseTo(50, 0);
    expect(why('heater-effectiveness', testFeatureDrive(trace, { outside_c: 8 }))).toMatch(/mark one/);
    expect(why('heater-effectiveness', testFeatureDrive(trace, { marks }))).toMatch(/outside temperature is not known/);
  });

  it('cool-down after key-off', () => {
    const trace = testTrace(2400, {
      ect_c: (t) => (t < 1200 ? rise(t) : 88 - (1.5 * (t - 1200)) / 60),
      rpm: (t) => (t < 1200 ? 1800 : 0),
      speed_kmh: (t) => (t < 1190 ? 60 : 0),
    });
    expect(told('cool-down', testFeatureDrive(trace, { bend })).value).toBeCloseTo(-1.5, 1);
    expect(why('cool-down', testFeatureDrive(testTrace(900, { ect_c: rise, ...steady })))).toMatch(
      /keep logging after key-off/,
    );
  });
});

describe('fan', () => {
  const ect = (t: number) => (t < 900 ? rise(t) : 95.5 + 2.5 * Math.sin((t - 900) / 40));
  it('on and off temperatures, cycles and fall from its command', () => {
    let on = false;
    const command = Array.from({ length: 1800 }, (_, t) => {
      if (ect(t) >= 97.9) on = true;
      if (ect(t) <= 93.1) on = false;
      return on ? 100 : 0;
    });
    const drive = testFeatureDrive(testTrace(1800, { ect_c: ect, ...steady, fan_pct: (t) => command[t]! }), { bend });
    expect(told('fan-on', drive).value).toBeCloseTo(98, 0);
    expect(told('fan-off', drive).value).toBeCloseTo(93, 0);
    expect(told('fan-cycles', drive).value).toBe(4);
    expect(told('fan-fall', drive).value).toBeCloseTo(40 * Math.PI, -1);
  });

  it('the same from marks, and a reason without either', () => {
    const trace = testTrace(1800, { ect_c: ect, ...steady });
    const marks = [
      { kind: 'fan-on', at_s: 963, value_c: null },
      { kind: 'fan-off', at_s: 1088, value_c: null },
    ] as const;
    const drive = testFeatureDrive(trace, { bend, marks });
    expect(told('fan-on', drive).value).toBeCloseTo(98, 0);
    expect(told('fan-on', drive).sd).toBeGreaterThan(1);
    expect(told('fan-fall', drive).value).toBe(125);
    expect(why('fan-on', testFeatureDrive(trace, { bend }))).toMatch(/mark when it goes on and off/);
  });
});

describe('every figure', () => {
  it('is told with a finite value, an uncertainty and a place, or says why not, on odd drives as well', () => {
    const odd = [
      testTrace(2, { ect_c: () => 20 }),
      testTrace(600, { ect_c: () => NaN }),
      testTrace(300, { ect_c: (t) => (t % 2 === 0 ? 90 : NaN), speed_kmh: () => 0, rpm: () => 0, maf_gps: () => 0 }),
      testTrace(1200, { ect_c: rise, speed_kmh: () => NaN, rpm: (t) => (t % 7 === 0 ? NaN : 900), fan_pct: () => 100 }),
    ];
    for (const trace of odd) {
      const drive = testFeatureDrive(trace, { bend: { ...bend, at_s: 1 }, outside_c: 20 });
      const all = measureFeatures(drive);
      for (const { name } of FEATURES) {
        const one = all[name];
        if (!isTold(one)) expect(one.why.length).toBeGreaterThan(10);
        else {
          for (const v of [one.value, one.sd, one.from_s, one.to_s]) expect(Number.isFinite(v)).toBe(true);
          expect(one.to_s).toBeGreaterThanOrEqual(one.from_s);
        }
      }
    }
    expect(TEST_VEHICLE.thermostat.rated_c).toBe(88);
  });
});
