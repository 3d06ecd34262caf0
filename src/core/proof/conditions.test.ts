import { describe, expect, it } from 'vitest';
import { compareLooks } from '@/core/desk';
import { madeLook } from '../../../tests/support/madeLook';
import { conditionsShown, notProvenBy } from './conditions';

const warming = (t: number) => Math.min(88, 5 + t / 8);
const one = (item: string, look: ReturnType<typeof madeLook>) => conditionsShown(look, [item])[0]!.shown;

describe('the complaint’s own conditions', () => {
  it('only those that were complained of', () => {
    expect(conditionsShown(madeLook(), [])).toEqual([]);
    expect(conditionsShown(madeLook(), ['complaint-fan-roars-cold'])).toEqual([]);
  });

  it('a cold morning: cold air and a start as cold; not a summer day, not a warm engine', () => {
    expect(one('complaint-slow-warm-up', madeLook())).toBe(true);
    expect(one('complaint-slow-warm-up', madeLook({}, undefined, { outside_c: 24 }))).toBe(false);
    expect(one('complaint-slow-warm-up', madeLook({}, { ect_c: () => 70 }))).toBe(false);
    expect(one('complaint-slow-warm-up', madeLook({}, { ect_c: warming }, { outside_c: null }))).toBeNull();
  });

  it('ten minutes of open road, five at standstill once warm, revs held while standing', () => {
    const road = { ect_c: warming, speed_kmh: () => 80, rpm: () => 2200 };
    const stand = {
      ect_c: warming,
      speed_kmh: (t: number) => (t < 900 ? 60 : 0),
      rpm: (t: number) => (t < 900 ? 2000 : 780),
    };
    expect(one('complaint-gauge-low-on-road', madeLook({}, road))).toBe(true);
    expect(one('complaint-gauge-low-on-road', madeLook({}, stand, { seconds: 400 }))).toBe(false);
    expect(one('complaint-climbs-at-standstill', madeLook({}, stand))).toBe(true);
    expect(one('complaint-climbs-at-standstill', madeLook({}, road))).toBe(false);
    expect(one('complaint-recovers-with-revs', madeLook({}, stand))).toBe(false);
    const revved = { ...stand, rpm: (t: number) => (t < 900 ? 2000 : t < 1000 ? 2500 : 780) };
    expect(one('complaint-recovers-with-revs', madeLook({}, revved))).toBe(true);
  });

  it('standing in the cold does not show a climb at standstill', () => {
    const cold = { ect_c: (t: number) => 5 + t / 60, speed_kmh: () => 0, rpm: () => 780 };
    expect(one('complaint-climbs-at-standstill', madeLook({}, cold))).toBe(false);
  });

  it('load by fast road; the heater by its blower; neither known of a bare log', () => {
    const fast = { ect_c: warming, speed_kmh: () => 110, rpm: () => 3000 };
    expect(one('complaint-overheats', madeLook({}, fast))).toBe(true);
    const bare = madeLook({}, { ect_c: warming });
    for (const item of ['complaint-overheats', 'complaint-weak-heater', 'complaint-gauge-low-on-road']) {
      expect(one(item, bare)).toBeNull();
    }
    expect(one('complaint-weak-heater', madeLook({}, { ect_c: warming, heater_pct: () => 60 }))).toBe(true);
    expect(one('complaint-weak-heater', madeLook({}, { ect_c: warming, heater_pct: () => 0 }))).toBe(false);
  });
});

describe('what a drive does not prove', () => {
  const before = madeLook({}, { ect_c: warming, speed_kmh: () => 80, rpm: () => 2000, maf_gps: () => 20 });

  it('says nothing of the same drive once more', () => {
    expect(notProvenBy(before, ['complaint-slow-warm-up'], compareLooks(before, before))).toEqual([]);
  });

  it('names the complaint’s condition that was not driven, and each that differs', () => {
    const idle = madeLook(
      {},
      { ect_c: () => 70, speed_kmh: () => 0, rpm: () => 780, maf_gps: () => 3 },
      { outside_c: 25 },
    );
    const lacks = notProvenBy(
      idle,
      ['complaint-slow-warm-up', 'complaint-gauge-low-on-road'],
      compareLooks(before, idle),
    );
    expect(lacks[0]).toMatch(/did not have a cold start/);
    expect(lacks[1]).toMatch(/did not have ten minutes of open road/);
    expect(lacks.join('\n')).toMatch(/outside it was 25 °C, on the drive of before 5 °C/);
    expect(lacks.join('\n')).toMatch(/driven at 0 km\/h on average, before at 80 km\/h/);
    expect(lacks.join('\n')).toMatch(/started at 70 °C/);
  });

  it('another gearbox is another car', () => {
    const other = madeLook({}, { ect_c: warming, speed_kmh: () => 80, rpm: () => 2600, maf_gps: () => 20 });
    expect(notProvenBy(other, [], compareLooks(before, other)).join()).toMatch(/log is of another car/);
  });

  it('what the log does not tell is said as that, not as missing', () => {
    const bare = madeLook({}, { ect_c: warming });
    expect(notProvenBy(bare, ['complaint-gauge-low-on-road'], null)[0]).toMatch(/^the log does not tell/);
  });
});
