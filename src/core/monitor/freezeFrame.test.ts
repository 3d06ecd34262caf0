import { describe, expect, it } from 'vitest';
import { frameFit, readFrame } from './index';

describe('a freeze frame as people write it', () => {
  it.each([
    [
      'Coolant 62 °C, 1800 rpm, 64 km/h, load 35 %, run time 412 s',
      { coolant_c: 62, rpm: 1800, speed_kmh: 64, load_pct: 35, run_s: 412, intake_c: null },
    ],
    ['ECT: 143 F, vehicle speed 40 mph, engine speed 1650', { rpm: 1650, speed_kmh: 64.37376 }],
    ['coolant -12,5 C; IAT -10 C; run time 7 min', { coolant_c: -12.5, intake_c: -10, run_s: 420 }],
    ['engine speed 2200 rpm', { rpm: 2200, speed_kmh: null }],
  ])('%s', (text, holds) => {
    const frame = readFrame(text)!;
    for (const [name, value] of Object.entries(holds)) {
      const read = frame[name as keyof typeof frame];
      if (value === null) expect(read).toBeNull();
      else expect(read).toBeCloseTo(value, 4);
    }
  });

  it('fahrenheit becomes celsius, words alone become nothing', () => {
    expect(readFrame('coolant 143 F')!.coolant_c).toBeCloseTo(61.67, 1);
    expect(readFrame('lost, battery was off')).toBeNull();
  });
});

describe('a frame laid on a drive', () => {
  const time_s = Float64Array.from({ length: 900 }, (_, i) => i);
  const drive = {
    time_s,
    reading_c: time_s.map((t) => 10 + t / 10),
    intake_c: null,
    speed_kmh: time_s.map((t) => (t > 300 ? 65 : 30)),
    rpm: null,
    load_pct: null,
  };

  it('finds the moment that it fits', () => {
    const fit = frameFit(readFrame('coolant 62 C, speed 64 km/h, 1800 rpm')!, drive)!;
    expect(fit).toMatchObject({ fits: true, differs: [], compared: 2 });
    expect(fit.at_s).toBeCloseTo(520, -1);
  });

  it('says what differs where it fits nowhere', () => {
    const fit = frameFit(readFrame('coolant 62 C, speed 120 km/h, run time 500 s')!, drive)!;
    expect(fit.fits).toBe(false);
    expect(fit.differs).toEqual([{ what: 'road speed', unit: 'km/h', frame: 120, drive: 65 }]);
  });

  it('cannot be laid on a drive that logged nothing of it', () => {
    expect(frameFit(readFrame('2200 rpm')!, drive)).toBeNull();
    expect(frameFit(readFrame('coolant 60 C')!, { ...drive, reading_c: time_s.map(() => NaN) })).toBeNull();
  });
});
