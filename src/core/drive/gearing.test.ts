import { describe, expect, it } from 'vitest';
import { gearingMatch, gearsOf } from './gearing';

/** A drive through gears: stretches of road speed, km/h, and the ratio driven in, rpm per km/h. */
function driven(...stretches: readonly (readonly [seconds: number, speed: number, ratio: number])[]) {
  const speed: number[] = [];
  const rpm: number[] = [];
  for (const [seconds, v, ratio] of stretches) {
    for (let i = 0; i < seconds; i++) {
      // Whole km/h and slip, as a log has them.
      const wobble = 1 + 0.004 * Math.sin(i);
      speed.push(Math.round(v + 3 * Math.sin(i / 9)));
      rpm.push(speed.at(-1)! * ratio * wobble);
    }
  }
  return { speed_kmh: Float64Array.from(speed), rpm: Float64Array.from(rpm) };
}
const SIX = { third: 38, fourth: 28, fifth: 22.5, sixth: 19 };

describe('gears of a drive', () => {
  it('are found longest first, short ones left out', () => {
    const gears = gearsOf(driven([120, 55, SIX.fourth], [200, 75, SIX.fifth], [8, 60, 31], [300, 95, SIX.sixth]));
    expect(gears.map((g) => Math.round(2 * g.rpmPerKmh) / 2)).toEqual([19, 22.5, 28]);
  });

  it('are none where speed or revs were not logged, and none of a belt', () => {
    expect(gearsOf({ speed_kmh: null, rpm: Float64Array.of(2000) })).toEqual([]);
    const belt = {
      speed_kmh: Float64Array.from({ length: 600 }, (_, i) => 60 + (i % 40)),
      rpm: Float64Array.from({ length: 600 }, (_, i) => (60 + (i % 40)) * (15 + ((i * 7919) % 1000) / 50)),
    };
    expect(gearingMatch(belt, belt).agrees).toBeNull();
  });
});

describe('whether two drives can be of one car', () => {
  const motorway = driven([60, 60, SIX.fourth], [120, 80, SIX.fifth], [400, 110, SIX.sixth]);

  it('the same longest gear agrees, whatever was driven in else', () => {
    const hurried = driven([300, 60, SIX.third], [200, 75, SIX.fourth], [100, 120, SIX.sixth]);
    expect(gearingMatch(motorway, hurried)).toMatchObject({ agrees: true });
  });

  it('a drive that never came to the longest gear is no other car: its gear is found among the other’s', () => {
    const road = driven([200, 60, SIX.fourth], [300, 80, SIX.fifth]);
    expect(gearingMatch(motorway, road).agrees).toBe(true);
    expect(gearingMatch(road, motorway).agrees).toBe(true);
  });

  it('gears that no one car has are two cars', () => {
    const other = driven([200, 60, 34.5], [200, 80, 25.6], [300, 105, 20.6]);
    const found = gearingMatch(motorway, other);
    expect(found.agrees).toBe(false);
    expect(found.before).toBeCloseTo(19, 0);
    expect(found.after).toBeCloseTo(20.6, 0);
  });

  it('a town drive does not tell', () => {
    expect(gearingMatch(motorway, driven([900, 45, SIX.third])).agrees).toBeNull();
  });
});
