import { describe, expect, it } from 'vitest';
import { CAUSES, type Cause } from '../../base';
import { lineContext, type LineContext } from '../context';
import type { CheckEntry, Entry, MeasurementEntry } from '../entry';
import { outsideGiven_c } from '../outside';
import { CAR, drive } from '../../../../tests/support/madeCases';
import { fromCheck } from './answered';
import { fromMeasurement, levelOverTime } from './measured';

const context = lineContext(CAR);
const read = (
  name: MeasurementEntry['name'],
  values: Record<string, number>,
  change: Partial<MeasurementEntry> = {},
): MeasurementEntry => ({
  ...{ id: 'm', at: 1, kind: 'measurement', name, values, tolerance: {}, place: '', text: '' },
  ...change,
});
/** How many times more likely a reading makes one cause than another. */
const ratio = (entry: MeasurementEntry, cause: Cause, against: Cause = 'healthy', where: LineContext = context) => {
  const [line] = fromMeasurement(entry, where);
  return Math.exp(line!.logLikelihood[cause] - line!.logLikelihood[against]);
};

describe('a soak reading', () => {
  const soak = (ect_c: number, change: Record<string, number> = {}) =>
    read('soak', { ect_c, iat_c: 4, outside_c: 4, stood_h: 12, ...change });

  it('well below the air accuses the sender, the more the further', () => {
    expect(ratio(soak(-10), 'sender-reads-low')).toBeGreaterThan(15);
    expect(ratio(soak(-10), 'sender-reads-low')).toBeGreaterThan(ratio(soak(0), 'sender-reads-low'));
    expect(ratio(soak(18), 'sender-reads-high')).toBeGreaterThan(3);
  });

  it('that agrees does not clear resistance in the plug', () => {
    expect(ratio(soak(4), 'sender-reads-low')).toBeGreaterThan(0.2);
    expect(ratio(soak(4), 'sender-reads-low')).toBeLessThan(0.7);
  });

  it('says nothing where nobody knows that it stood a night', () => {
    const { stood_h: _stood, ...values } = soak(-10).values;
    expect(fromMeasurement(read('soak', values), context)).toEqual([]);
    expect(fromMeasurement(soak(-10, { stood_h: 5 }), context)).toEqual([]);
  });

  it('a poor thermometer proves less', () => {
    const rough = { ...soak(-6), tolerance: { ect_c: 8 } };
    expect(ratio(rough, 'sender-reads-low')).toBeLessThan(ratio(soak(-6), 'sender-reads-low') / 3);
  });

  it('a warm block after a night is rather a heater or sun than proof', () => {
    expect(ratio(soak(14), 'sender-reads-high')).toBeLessThan(40);
  });
});

describe('resistance', () => {
  const own = { ...context, senderPoints: [0, 25, 90].map((temp_c, i) => ({ temp_c, ohm: [5900, 2050, 240][i]! })) };
  const pair = (cold_ohm: number, warm_ohm: number) =>
    read('resistance', { cold_c: 25, cold_ohm, warm_c: 90, warm_ohm });

  it('off its own curve at both ends is the element', () => {
    expect(ratio(pair(3300, 330), 'sender-reads-low', 'healthy', own)).toBeGreaterThan(20);
    expect(ratio(pair(2050, 240), 'sender-reads-low', 'healthy', own)).toBeLessThan(0.6);
  });

  it('off a curve that may not be its own says almost nothing', () => {
    expect(ratio(pair(3300, 330), 'sender-reads-low')).toBeLessThan(1.8);
    expect(fromMeasurement(pair(3300, 330), context)[0]!.seen).toMatch(/its own is not known/);
  });

  it('needs a temperature with its ohms', () => {
    expect(fromMeasurement(read('resistance', { cold_ohm: 3000 }), own)).toEqual([]);
  });
});

describe('other readings', () => {
  it('a housing hotter than the reading accuses the sender, and air', () => {
    expect(ratio(read('housing', { housing_c: 88, scan_c: 66 }), 'sender-reads-low')).toBeGreaterThan(10);
    expect(ratio(read('housing', { housing_c: 88, scan_c: 66 }), 'low-coolant-or-air')).toBeGreaterThan(5);
    expect(ratio(read('housing', { housing_c: 86, scan_c: 88 }), 'sender-reads-low')).toBeLessThan(0.6);
  });

  it('a needle that differs from the scan accuses the gauge first, then the sender', () => {
    const apart = read('needle', { gauge_c: 55, scan_c: 88 });
    expect(ratio(apart, 'gauge-sender-fault')).toBeGreaterThan(10);
    expect(ratio(read('needle', { gauge_c: 88, scan_c: 88 }), 'gauge-sender-fault')).toBeLessThan(0.5);
  });

  it('a cap near its limit is half an answer', () => {
    const cap = (releases_kpa: number) => read('cap', { stamped_kpa: 110, releases_kpa });
    expect(ratio(cap(60), 'low-coolant-or-air')).toBeGreaterThan(3);
    expect(ratio(cap(93.5), 'low-coolant-or-air')).toBeLessThan(ratio(cap(60), 'low-coolant-or-air'));
    expect(ratio(cap(93.5), 'low-coolant-or-air')).toBeGreaterThan(ratio(cap(110), 'low-coolant-or-air'));
  });

  it('rails that are not reached point at the wire', () => {
    expect(ratio(read('rails', { unplugged_c: 12, bridged_c: 140 }), 'sender-stuck')).toBeGreaterThan(5);
    expect(ratio(read('rails', { unplugged_c: -40, bridged_c: 140 }), 'sender-stuck')).toBeLessThan(0.8);
  });

  it('a hot level says nothing, and two cold ones tell a loss', () => {
    expect(fromMeasurement(read('level', { above_mark_mm: -30, at_c: 85 }), context)).toEqual([]);
    const level = (at: number, above_mark_mm: number, at_c = 15) => read('level', { above_mark_mm, at_c }, { at });
    const [fell] = levelOverTime([level(1, 4), level(2, -20)], context);
    expect(fell!.seen).toBe('Cold level fell by 24 mm');
    expect(fell!.logLikelihood['low-coolant-or-air']).toBeGreaterThan(fell!.logLikelihood.healthy + 1);
    const heat = drive('a') as Omit<Entry, 'id' | 'at'>;
    const driven = [level(1, 4), { ...heat, id: 'd', at: 2 } as Entry, level(3, 4)];
    expect(levelOverTime(driven, context)[0]!.seen).toMatch(/held/);
    // Read twice without a heat cycle it has proved nothing.
    expect(levelOverTime([level(1, 4), level(2, 4)], context)).toEqual([]);
    // What was filled up is no level that held.
    const filled = read('level', { above_mark_mm: -10, at_c: 15, filled_to_mm: 0 }, { at: 1 });
    expect(levelOverTime([filled, level(2, -8)], context)[0]!.seen).toBe('Cold level fell by 8 mm');
    expect(levelOverTime([level(1, 4), level(2, -20, 40)], context)).toEqual([]);
    expect(levelOverTime([level(1, 4)], context)).toEqual([]);
  });
});

describe('marks of a drive', () => {
  const mark = (item: string, minute: number | null): CheckEntry => ({
    ...{ id: 'c', at: 1, kind: 'check', item, answer: 'seen', minute },
  });

  it('a hose that is warm at minute one speaks for an open path, at minute ten for nothing', () => {
    const [early] = fromCheck(mark('mark-top-hose-warm', 1), context);
    expect(early!.logLikelihood['thermostat-stuck-open']).toBeGreaterThan(early!.logLikelihood.healthy + 1.5);
    expect(early!.seen).toBe('Top hose warm at minute 1.0');
    expect(fromCheck(mark('mark-top-hose-warm', 10), context)).toEqual([]);
    expect(fromCheck(mark('mark-top-hose-warm', null), context)).toEqual([]);
    expect(fromCheck(mark('mark-heater-hot', 1), context)).toEqual([]);
  });
});

describe('the outside air that a person gave', () => {
  const air = (at: number, outside_c: number, place: string) => read('outside', { outside_c }, { at, place });
  const HOUR = 3_600_000;

  it('is the nearest of that day; the weather of a complaint comes last', () => {
    const entries = [air(0, -5, 'complaint'), air(-6 * HOUR, 9, 'plan'), read('soak', { outside_c: 7 }, { at: -HOUR })];
    expect(outsideGiven_c(entries, 0)).toBe(7);
    expect(outsideGiven_c(entries.slice(0, 1), 0)).toBe(-5);
    expect(outsideGiven_c(entries, 30 * HOUR)).toBeNull();
    expect(outsideGiven_c([{ ...air(0, 3, 'plan'), takenBack: true }], 0)).toBeNull();
  });
});

describe('a tolerance that covers every cause', () => {
  const far: readonly (readonly [MeasurementEntry['name'], Record<string, number>])[] = [
    ['soak', { stood_h: 12, ect_c: 40, iat_c: 5, outside_c: 5 }],
    ['rails', { unplugged_c: 20, bridged_c: 20 }],
    ['resistance', { cold_c: 20, cold_ohm: 900, warm_c: 85, warm_ohm: 900 }],
    ['housing', { housing_c: 88, scan_c: 30 }],
    ['needle', { gauge_c: 40, scan_c: 90 }],
    ['moment', { reference_c: 88, scan_c: 33, gauge_c: 60 }],
    ['level', { above_mark_mm: -80 }],
    ['cap', { stamped_kpa: 110, releases_kpa: 20 }],
  ];

  it.each(far)('moves nothing, whatever the value: %s', (name, values) => {
    const spread = (tolerance: Record<string, number>) => {
      const [line] = fromMeasurement(read(name, values, { tolerance }), context);
      const logs = CAUSES.map((c) => line!.logLikelihood[c]);
      return Math.max(...logs) - Math.min(...logs);
    };
    const blunt = Object.fromEntries(Object.keys(values).map((key) => [key, 1e6]));
    expect(spread(blunt)).toBeLessThan(0.07);
    expect(spread({})).toBeGreaterThan(0.2);
  });
});
