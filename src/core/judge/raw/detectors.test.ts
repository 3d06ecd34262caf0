import { describe, expect, it } from 'vitest';
import type { Trace, Vehicle } from '../../base';
import { startingVehicle } from '../../planning';
import { assessQuality } from '../quality';
import { inspectSignal, maskTrace } from './detectors';
import { signalLines } from './traceLines';
import {
  dropoutEvidence,
  fanCalledEvidence,
  fanCommandEvidence,
  frozenEvidence,
  gaugeEvidence,
  leapEvidence,
  secondSensorEvidence,
  testifies,
} from './signalEvidence';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });

/** A warm-up of 25 minutes at 1 Hz that holds at 88 °C, rounded to whole degrees. */
const warmUp = (from = 5): Float64Array =>
  Float64Array.from({ length: 1500 }, (_, i) => Math.round(88 - (88 - from) * Math.exp(-i / 240)));
const trace = (
  ect_c: Float64Array,
  extra: Partial<Record<'gauge_c' | 'ect2_c' | 'speed_kmh' | 'rpm' | 'fan_pct' | 'ambient_c', Float64Array>> = {},
): Trace => ({
  time_s: Float64Array.from(ect_c, (_, i) => i),
  channels: { ect_c, ...extra },
});
const inspect = (t: Trace) => inspectSignal(t, vehicle);

describe('a fan that is not called for', () => {
  const electric: Vehicle = { ...vehicle, fan: { kind: 'electric', on_c: 100, off_c: 95 } };
  /** Climbs to 110 °C by minute 15 and stays. */
  const hot = Float64Array.from({ length: 1500 }, (_, i) => Math.min(110, 20 + i / 10));
  const off = new Float64Array(1500);
  const find = (ect: Float64Array, fan_pct: Float64Array, car = electric) =>
    inspectSignal(trace(ect, { fan_pct }), car).fanNotCalled;

  it('is found, with its place, how long it lasted and how hot it showed', () => {
    const found = find(hot, off)!;
    expect(found.from_s).toBe(840);
    expect(found.lasts_s).toBe(659);
    expect(found.reading_c).toBe(110);
    const drive = trace(hot, { fan_pct: off });
    const findings = inspectSignal(drive, electric);
    expect(fanCommandEvidence(findings)['fan-not-running']).toBe(6);
    expect(signalLines(findings, drive, electric, {}).find((l) => l.id === 'signal-fan')!.seen).toBe(
      'The fan is not called for over 11.0 min with the reading up to 110 °C',
    );
  });

  it('is not one that is called for in time, nor for a spike, on a cool drive, or by an engine-driven fan', () => {
    expect(
      find(
        hot,
        Float64Array.from(hot, (v) => (v > 105 ? 60 : 0)),
      ),
    ).toBeNull();
    const spike = warmUp();
    spike.fill(140, 700, 800);
    expect(find(spike, off)).toBeNull();
    expect(find(warmUp(), off)).toBeNull();
    expect(find(hot, off, { ...electric, fan: { kind: 'viscous', on_c: null, off_c: null } })).toBeNull();
    expect(inspect(trace(hot)).fanNotCalled).toBeNull();
  });

  it('nor one that is called for in full while all is cold, which is another sign', () => {
    const full = new Float64Array(1500).fill(100);
    const all = (value: number) => new Float64Array(1500).fill(value);
    const cold = (fan_pct: Float64Array, air?: number, car = electric) =>
      inspectSignal(trace(hot, { fan_pct, ...(air !== undefined && { ambient_c: all(air) }) }), car);
    const found = cold(full, 15);
    expect(found.fanNotCalled).toBeNull();
    expect(found.fanCalledCold).toMatchObject({ from_s: 0, reading_c: 68 });
    expect(fanCalledEvidence(found)['fan-always-on']).toBeGreaterThan(3);
    const drive = trace(hot, { fan_pct: full, ambient_c: all(15) });
    expect(signalLines(found, drive, electric, {}).find((l) => l.id === 'signal-fan-cold')!.seen).toBe(
      'The fan is called for in full over 8.0 min with the reading at 68 °C at most',
    );
    // Air conditioning asks for it on a warm day; half a command is no full one; and what the air is may not be known.
    expect(cold(full, 28).fanCalledCold).toBeNull();
    expect(cold(full).fanCalledCold).toBeNull();
    expect(cold(all(45), 15).fanCalledCold).toBeNull();
    expect(cold(off, 15).fanCalledCold).toBeNull();
    expect(cold(full, 15, { ...electric, fan: { kind: 'viscous', on_c: null, off_c: null } }).fanCalledCold).toBeNull();
  });

  it('where the papers name no switch point, only well over the rating', () => {
    const untold: Vehicle = { ...electric, fan: { kind: 'electric', on_c: null, off_c: null } };
    expect(find(hot, off, untold)?.from_s ?? Infinity).toBeGreaterThan(840);
    expect(
      find(
        hot.map((v) => Math.min(v, 104)),
        off,
        untold,
      ),
    ).toBeNull();
  });

  it('is none while the wind does its work or the engine rests, and is one at idle', () => {
    const all = (value: number) => new Float64Array(1500).fill(value);
    const at = (speed: number, turns: number) =>
      inspectSignal(trace(hot, { fan_pct: off, speed_kmh: all(speed), rpm: all(turns) }), electric).fanNotCalled;
    expect(at(90, 2500)).toBeNull();
    expect(at(0, 0)).toBeNull();
    expect(at(0, 750)?.lasts_s).toBe(659);
  });

  it('over a hole in the log is not known', () => {
    const whole = trace(
      Float64Array.from({ length: 100 }, () => 110),
      { fan_pct: new Float64Array(100) },
    );
    const of = (hole_s: number) =>
      inspectSignal({ ...whole, time_s: whole.time_s.map((t) => (t < 50 ? t : t + hole_s)) }, electric).fanNotCalled;
    expect(of(0)?.lasts_s).toBe(99);
    expect(of(600)).toBeNull();
  });

  it('where the command was lost, is not known', () => {
    expect(
      find(
        hot,
        Float64Array.from(hot, (_, i) => (i < 800 ? 0 : NaN)),
      ),
    ).toBeNull();
  });
});

describe('inspectSignal', () => {
  it('finds nothing on a sound warm-up', () => {
    const found = inspect(trace(warmUp()));
    expect(found).toMatchObject({ dropouts_s: [], railHits: 0, leaps_s: [], frozenFrom_s: null });
  });

  it('finds rails and spikes, masks them, and counts each once', () => {
    const ect = warmUp();
    ect.fill(-40, 300, 304);
    ect.fill(20, 700, 703);
    const t = trace(ect);
    const found = inspect(t);
    expect(found.dropouts_s).toEqual([300, 700]);
    expect(found.railHits).toBe(1);
    const masked = maskTrace(t, found).channels.ect_c;
    expect(masked[301]).toBeNaN();
    expect(masked[701]).toBeNaN();
    expect(masked[299]).toBe(ect[299]);
  });

  it('does not call a warm engine that is held too low frozen, unless something shows that it was cold', () => {
    const still = (from: number, rest: readonly number[], seconds = 1800) =>
      Float64Array.from({ length: seconds }, (_, i) => (i < 20 ? from : rest[Math.floor(i / 40) % rest.length]!));
    const told = (ect: Float64Array, gauge?: number) =>
      inspect(trace(ect, gauge === undefined ? {} : { gauge_c: new Float64Array(ect.length).fill(gauge) }));
    for (const ect of [still(78, [75]), still(75, [75, 76])]) {
      expect(told(ect)).toMatchObject({ frozenFrom_s: null, nearlyFrozen: false });
      expect(assessQuality(trace(ect), told(ect), vehicle).problems[0]).toMatch(/^Hot start at 7[5-8]/);
      expect(told(ect, 74).frozenFrom_s).toBeNull();
      expect(told(ect, 10).frozenFrom_s).not.toBeNull();
    }
    // Not one digit in a quarter of an hour, and a reading that no warm engine has.
    expect(told(still(75, [75])).frozenFrom_s).toBe(0);
    expect(told(still(40, [40, 41])).frozenFrom_s).toBe(0);
    // Within some degrees: a cold engine must have gone further, a warm one need not.
    expect(told(still(20, [20, 23, 25, 26]))).toMatchObject({ nearlyFrozen: true });
    expect(told(still(57, [57, 60, 62, 59]))).toMatchObject({ frozenFrom_s: null, nearlyFrozen: false });
  });

  it('does not call a deep frozen start a rail fault', () => {
    expect(inspect(trace(warmUp(-38))).dropouts_s).toEqual([]);
  });

  it('finds a reading that stops in mid climb, and one that never moved', () => {
    const stopped = warmUp();
    stopped.fill(stopped[200]!, 200);
    expect(inspect(trace(stopped)).frozenFrom_s).toBeCloseTo(200, -1);
    expect(inspect(trace(new Float64Array(900).fill(40))).frozenFrom_s).toBe(0);
  });

  it('finds a reading that hardly follows what the gauge shows, wherever it stands', () => {
    const crawls = warmUp().map((v) => 76 + Math.round(v / 12));
    const gauge = warmUp(12);
    expect(inspect(trace(crawls)).nearlyFrozen).toBe(false);
    const dead = trace(crawls, { gauge_c: gauge });
    expect(inspect(dead).nearlyFrozen).toBe(true);
    const said = (t: Trace) => signalLines(inspect(t), t, vehicle, {}).find((l) => l.id === 'signal-frozen')!.seen;
    expect(said(dead)).toBe('The reading hardly moves while the engine warms up');
    expect(said(trace(warmUp()))).toMatch(/^The reading shows 88 °C for the last 5 min$/);
    // A hot engine: the needle rises from its rest at once, and then both stand.
    const hot = new Float64Array(1500).fill(86);
    for (let i = 0; i < hot.length; i++) hot[i]! += Math.round(2 * Math.sin(i / 90));
    expect(said(trace(hot))).toBe('The reading moves');
    const needle = Float64Array.from(hot, (v, i) => Math.min(v, 10 + 2 * i));
    expect(inspect(trace(hot, { gauge_c: needle })).nearlyFrozen).toBe(false);
    expect(inspect(trace(warmUp(), { gauge_c: gauge })).nearlyFrozen).toBe(false);
  });

  it('does not call a regulated level frozen', () => {
    const steady = warmUp();
    steady.fill(88, 700);
    expect(inspect(trace(steady)).frozenFrom_s).toBeNull();
  });

  it('knows a figure that stays the same through a changing drive for frozen', () => {
    const slow = Float64Array.from({ length: 1500 }, (_, i) => Math.min(30, Math.round(5 + i / 30)));
    const speed_kmh = Float64Array.from({ length: 1500 }, (_, i) => 40 + 30 * Math.sin(i / 40));
    expect(inspect(trace(slow, { speed_kmh })).frozenFrom_s).not.toBeNull();
  });

  it('finds a lasting leap, but no spike and no steep climb', () => {
    const leaping = warmUp().map((v, i) => (i < 400 ? Math.min(v, 20 + i / 60) : v));
    expect(inspect(trace(leaping)).leaps_s.length).toBe(1);
    const steep = Float64Array.from({ length: 600 }, (_, i) => Math.min(88, Math.round(5 + i * 0.35)));
    expect(inspect(trace(steep)).leaps_s).toEqual([]);
  });

  it('measures the gauge and a second sensor against the engine reading', () => {
    const found = inspect(
      trace(warmUp(), { gauge_c: warmUp().map((v) => v - 12), ect2_c: warmUp().map((v) => v + 1) }),
    );
    expect(found.gaugeMinusEct_k).toBe(-12);
    expect(found.secondMinusEct_k).toBe(1);
  });
});

describe('evidence from the raw signal', () => {
  const sound = inspect(trace(warmUp()));

  it('drop-outs speak for a broken wire, their absence against it', () => {
    expect(dropoutEvidence(sound)['sender-intermittent']).toBeLessThan(-2);
    expect(dropoutEvidence({ ...sound, dropouts_s: [1, 2, 3] })['sender-intermittent']).toBeGreaterThan(5);
  });

  it('freezing speaks for a stuck sender', () => {
    expect(frozenEvidence({ ...sound, frozenFrom_s: 100 })['sender-stuck']).toBeGreaterThan(10);
    const moves = { same_s: 0, flickers_s: 60, at_c: 88 };
    expect(frozenEvidence({ ...sound, still: moves })['sender-stuck']).toBeLessThan(-5);
  });

  it('stillness that is no proof weighs by its length', () => {
    const says = (same_s: number, flickers_s = same_s) =>
      frozenEvidence({ ...sound, still: { same_s, flickers_s, at_c: 88 } })['sender-stuck'];
    const steps = [120, 300, 600, 1000].map((s) => says(s));
    expect(steps).toEqual(steps.toSorted((a, b) => a - b));
    expect(steps[3]).toBeGreaterThan(2);
    expect(says(30, 1600)).toBeGreaterThan(0);
    expect(says(30, 1200)).toBeLessThan(-5);
  });

  it('a leap speaks for air, less so on an engine that stops and starts', () => {
    const leapt = { ...sound, leaps_s: [400] };
    const gain = (hybrid: boolean) => {
      const logs = leapEvidence(leapt, hybrid);
      return logs['low-coolant-or-air'] - logs.healthy;
    };
    expect(gain(false)).toBeGreaterThan(3);
    expect(gain(true)).toBeLessThan(gain(false));
  });

  it('a gauge below the engine reading is the gauge or a high-reading engine sender, not a low one', () => {
    const logs = gaugeEvidence({ ...sound, gaugeMinusEct_k: -15 });
    expect(logs['gauge-sender-fault']).toBeGreaterThan(logs.healthy + 3);
    expect(logs['sender-reads-high']).toBeGreaterThan(logs['sender-reads-low'] + 3);
  });

  it('a wrong engine sender must be off by what the gauge shows', () => {
    const d = { ...sound, gaugeMinusEct_k: 15 };
    const low = (shift: number) => gaugeEvidence(d, { 'sender-reads-low': shift })['sender-reads-low'];
    expect(low(-15)).toBeGreaterThan(gaugeEvidence(d)['sender-reads-low']);
    expect(low(-4)).toBeLessThan(low(-15) - 2);
    expect(gaugeEvidence(d, { 'sender-reads-low': -4 })['gauge-sender-fault']).toBeGreaterThan(low(-4));
  });

  it('a second sensor above the first speaks for a low reading', () => {
    const logs = secondSensorEvidence({ ...sound, secondMinusEct_k: 14, secondLag_k: 1 }, trace(warmUp()), 'unknown');
    expect(logs['sender-reads-low']).toBeGreaterThan(logs.healthy + 3);
  });
});

describe('where a second sensor sits', () => {
  const sitting = (lag: number) => {
    const ect = warmUp();
    const other = ect.map((v, i) => (i < 700 ? Math.min(v, 5 + lag) : v - 2));
    return inspect(trace(ect, { ect2_c: other }));
  };

  it('one that stays cold while the engine warms up is not at the engine, whatever it says later', () => {
    const cold = sitting(8);
    expect(cold.secondLag_k).toBeGreaterThan(40);
    expect(testifies(cold, 'unknown')).toBe(false);
    const along = sitting(100);
    expect(along.secondLag_k).toBeLessThan(6);
    expect(testifies(along, 'unknown')).toBe(true);
  });

  it('the vehicle’s file goes before its course', () => {
    expect(testifies(sitting(8), 'engine')).toBe(true);
    expect(testifies(sitting(100), 'pump-inlet')).toBe(false);
    expect(testifies(sitting(100), 'radiator-outlet')).toBe(false);
  });

  it('one that does not testify moves no cause', () => {
    const logs = secondSensorEvidence({ ...sitting(8), secondMinusEct_k: -19 }, trace(warmUp()), 'unknown');
    expect(new Set(Object.values(logs)).size).toBe(1);
  });
});

describe('a reading that hardly follows', () => {
  const flat = (from: number, rise: number, minutes: number) =>
    Float64Array.from({ length: 60 * minutes }, (_, i) => Math.round(from + (rise * i) / (60 * minutes)));

  it('is all but dead where the engine ran for long, and speaks for a frozen sender', () => {
    const found = inspect(trace(flat(16, 4, 20)));
    expect([found.nearlyFrozen, found.frozenFrom_s]).toEqual([true, null]);
    expect(frozenEvidence(found)['sender-stuck']).toBeGreaterThan(frozenEvidence(found).healthy + 4);
  });

  it('is nothing of the kind where the drive is short, the reading warm, the rise real or the engine off', () => {
    expect(inspect(trace(flat(16, 4, 9))).nearlyFrozen).toBe(false);
    expect(inspect(trace(flat(80, 4, 20))).nearlyFrozen).toBe(false);
    expect(inspect(trace(flat(16, 14, 20))).nearlyFrozen).toBe(false);
    const still = trace(flat(16, 4, 20));
    const off = { ...still, channels: { ...still.channels, rpm: new Float64Array(still.time_s.length) } };
    expect(inspect(off).nearlyFrozen).toBe(false);
  });

  it('flickers between two digits and is frozen all the same', () => {
    const flicker = Float64Array.from({ length: 1500 }, (_, i) => (i % 37 === 0 ? 55 : 56));
    expect(inspect(trace(flicker)).frozenFrom_s).toBe(0);
  });
});
