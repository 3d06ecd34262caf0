import { describe, expect, it } from 'vitest';
import type { Trace } from '../base';
import { startingVehicle } from '../planning';
import { CATALOGUE, complaintConflicts } from '../evidence';
import { inspectSignal } from './raw/detectors';
import { assessQuality } from './quality';
import { repeatedParts } from '../case';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });

function trace(start_c: number, end_c: number, minutes: number, every_s = 1): Trace {
  const n = Math.floor((60 * minutes) / every_s) + 1;
  return {
    time_s: Float64Array.from({ length: n }, (_, i) => i * every_s),
    channels: {
      ect_c: Float64Array.from({ length: n }, (_, i) =>
        Math.round(end_c - (end_c - start_c) * Math.exp((-i * every_s) / 260) + (i % 3 === 0 ? 0.4 : 0)),
      ),
    },
  };
}
const assess = (t: Trace) => assessQuality(t, inspectSignal(t, vehicle), vehicle);

describe('whether a trace can carry a verdict', () => {
  it('a warm-up from cold can', () => expect(assess(trace(5, 88, 25))).toEqual({ usable: true, problems: [] }));

  it.each<[string, Trace, RegExp]>([
    ['a hot start', trace(78, 90, 20), /Hot start at 7\d °C\. Log again from cold/],
    ['four minutes', trace(5, 88, 4), /Too short: 4\.0 min/],
    ['no rise', trace(12, 23, 20), /No rise to judge: 1\d °C to 2\d °C/],
    ['a handful of samples', trace(5, 88, 25, 150), /Only 11 usable temperature samples/],
  ])('%s cannot, and says what to log instead', (_, t, problem) => {
    const { usable, problems } = assess(t);
    expect(usable).toBe(false);
    expect(problems.join(' ')).toMatch(problem);
  });

  it('a long hole cannot, a short one can', () => {
    const hole = (seconds: number): Trace => {
      const t = trace(5, 88, 25);
      t.channels.ect_c.fill(NaN, 400, 400 + seconds);
      return t;
    };
    expect(assess(hole(300)).problems[0]).toMatch(/missing for 301 s/);
    expect(assess(hole(120)).usable).toBe(true);
  });

  it('a start that is warm for a low thermostat is cold enough for a high one', () => {
    const t = trace(58, 100, 25);
    const low = { ...vehicle, thermostat: { ...vehicle.thermostat, rated_c: 80 } };
    const high = { ...vehicle, thermostat: { ...vehicle.thermostat, rated_c: 97 } };
    const judge = (v: typeof vehicle) => assessQuality(t, inspectSignal(t, v), v).usable;
    expect(judge(low)).toBe(false);
    expect(judge(high)).toBe(true);
  });
});

describe('conflicting complaints', () => {
  it('are told with what to ask, and only when both are there', () => {
    expect(complaintConflicts(['complaint-slow-warm-up', 'complaint-overheats'])[0]).toMatch(/Ask when each happens/);
    expect(complaintConflicts(['complaint-slow-warm-up', 'complaint-weak-heater'])).toEqual([]);
    expect(complaintConflicts([])).toEqual([]);
  });

  it('name items that exist', () => {
    const ids = CATALOGUE.filter((i) => i.stage === 'complaint').map((i) => i.id);
    expect(complaintConflicts(ids).length).toBeGreaterThan(2);
  });
});

describe('parts that fail again', () => {
  it('are found whatever their spelling', () => {
    expect(repeatedParts([{ part: 'Thermostat' }, { part: 'Fan' }, { part: ' thermostat ' }])).toEqual(['Thermostat']);
    expect(repeatedParts([{ part: 'Thermostat' }, { part: '' }, { part: '' }])).toEqual([]);
  });
});
