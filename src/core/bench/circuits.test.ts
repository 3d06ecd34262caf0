import { describe, expect, it } from 'vitest';
import { clutchNotes, elementCheck, fanCheck, holdCheck, needleAt, overCap, USUAL_GAUGE, wiggleTest } from '.';
import { badContact } from './electrical/wiggle';

const text = (notes: readonly { says: string }[]) => notes.map((n) => n.says).join(' ');

describe('an electric fan', () => {
  it.each([
    [{ supply_v: 12.4, running_a: 12, fuse_a: 30 }, /12.0 A, 40 % of its 30 A/, false],
    [{ supply_v: 12.4, running_a: 0 }, /motor or its brushes/, true],
    [{ supply_v: 0.3, running_a: 0 }, /fuse, relay, wire or command/, true],
    [{ supply_v: 12.6, running_a: 27, fuse_a: 30 }, /will blow again; do not fit a larger/, false],
  ])('%o', (readings, says, faulty) => {
    const found = fanCheck(readings);
    expect(text(found.notes)).toMatch(says);
    expect(found.faultRatio > 10).toBe(faulty);
    expect(found.faultRatio < 0.1).toBe(!faulty);
  });

  it('no current without supply does not accuse the motor, and nothing measured says nothing', () => {
    expect(text(fanCheck({ supply_v: 0.3, running_a: 0 }).notes)).not.toMatch(/brushes/);
    expect(fanCheck({})).toEqual({ notes: [], faultRatio: 1 });
    expect(text(fanCheck({ earthDrop_v: 1.2 }).notes)).toMatch(/clean and tighten/);
    expect(text(fanCheck({ running_a: 8 }).notes)).toMatch(/hold it against the fuse/);
    expect(text(fanCheck({ blown: 1 }).notes)).toMatch(/Blown once/);
    expect(text(fanCheck({ blown: 3 }).notes)).toMatch(/no further fuse before it is found/);
    expect(fanCheck({ blown: 0 }).notes).toEqual([]);
    expect(text(fanCheck({ running_a: 0.1 }).notes)).toMatch(/Measure the supply/);
  });

  it('a supply near the limit is half believed', () => {
    const ratios = [12.5, 10.3, 10, 9.7, 7].map((supply_v) => fanCheck({ supply_v }).faultRatio);
    expect(ratios).toEqual([...ratios].sort((a, b) => a - b));
    expect(ratios[2]).toBeCloseTo(1, 1);
  });
});

describe('a viscous fan by its roar', () => {
  it.each([
    [{}, ''],
    [{ roars_c: 20 }, 'the clutch is locked'],
    [{ roars_c: 118 }, 'the clutch slips'],
    [{ roars_c: 95 }, 'as it should'],
    [{ roars_c: 95, quiet_c: 86 }, 'it lets go'],
    [{ roars_c: 95, quiet_c: 99 }, 'read both again'],
  ])('%o', (heard, says) => expect(text(clutchNotes(heard))).toContain(says));
});

describe('the heater of a thermostat', () => {
  it.each([
    [{ part_ohm: 14 }, /as they are/, false],
    [{ part_ohm: 2_000_000 }, /P0597/, true],
    [{ part_ohm: 0.4 }, /P0598/, true],
    [{ part_ohm: 14, supply_v: 0.2 }, /No new part mends that/, true],
    [{ part_ohm: 14, supply_v: 12.4, control_v: 12.1 }, /does not pull it down/, true],
    [{ part_ohm: 14, supply_v: 12.4, control_v: 0.3 }, /pulls the control line/, false],
    [{ wiggle_ohm: 30 }, /plug or wire/, true],
    [{ part_ohm: 80 }, /outside what elements usually have/, true],
  ])('%o', (readings, says, faulty) => {
    const found = elementCheck(readings);
    expect(text(found.notes)).toMatch(says);
    expect(found.faultRatio > 1).toBe(faulty);
  });

  it('a control line says nothing while there is no supply', () => {
    expect(text(elementCheck({ supply_v: 0, control_v: 0 }).notes)).not.toMatch(/control line/);
    expect(elementCheck({}).faultRatio).toBe(1);
  });
});

describe('a wiggled wire', () => {
  const time = Array.from({ length: 200 }, (_, i) => i / 4);
  const quiet = time.map((_, i) => 42 + (i % 2));

  it('steady where nothing leaps', () => {
    const found = wiggleTest(time, quiet, '°C');
    expect(found).toMatchObject({ verdict: 'steady', leaps: [] });
    expect(badContact(found)).toBeLessThan(0.1);
  });

  it('finds leaps with their moment, and counts what dropped out', () => {
    const loose = quiet.map((v, i) => (i >= 80 && i < 84 ? -40 : i === 120 ? NaN : v));
    const found = wiggleTest(time, loose, '°C');
    expect(found.verdict).toBe('jumps');
    expect(found.leaps.map((l) => l.at_s)).toEqual([20, 21]);
    expect(found.dropped).toBe(1);
    expect(badContact(found)).toBeGreaterThan(0.9);
  });

  it('scatter of an ohmmeter is no leap, a share of its level is', () => {
    const ohms = time.map((_, i) => 2500 + 4 * ((i * 7) % 5));
    expect(wiggleTest(time, ohms, 'Ω').verdict).toBe('steady');
    expect(
      wiggleTest(
        time,
        ohms.map((v, i) => (i === 90 ? v + 900 : v)),
        'Ω',
      ).verdict,
    ).toBe('jumps');
  });

  it('a few seconds prove nothing, unless they leap', () => {
    expect(wiggleTest(time.slice(0, 10), quiet.slice(0, 10), '°C').verdict).toBe('too-short');
    expect(badContact(wiggleTest(time.slice(0, 10), quiet.slice(0, 10), '°C'))).toBe(0.5);
    expect(wiggleTest([], [], 'V')).toMatchObject({ samples: 0, length_s: 0, verdict: 'too-short' });
  });
});

describe('a pressure hold', () => {
  it('tells a leak from the gauge’s own tolerance, and a short hold from a long one', () => {
    expect(holdCheck({ start_kpa: 100, end_kpa: 60, minutes: 10 }, 2)).toMatchObject({ drop_kpapmin: 4 });
    expect(holdCheck({ start_kpa: 100, end_kpa: 60, minutes: 10 }, 2).leaks).toBeGreaterThan(0.99);
    expect(holdCheck({ start_kpa: 100, end_kpa: 99, minutes: 15 }, 2).leaks).toBeLessThan(0.1);
    const short = holdCheck({ start_kpa: 100, end_kpa: 100, minutes: 1 }, 2);
    expect(short.says).toMatch(/5 minutes or more/);
    expect(short.leaks).toBeGreaterThan(0.2);
  });

  it('is never pumped over the cap', () => {
    expect(overCap(120, 110)).toBe(true);
    expect(overCap(110, 110)).toBe(false);
    expect(overCap(200, null)).toBeNull();
  });
});

describe('a needle', () => {
  it('rests in the middle over its dead band and reaches the red', () => {
    expect(needleAt(USUAL_GAUGE, 20)).toBe(0);
    expect(needleAt(USUAL_GAUGE, USUAL_GAUGE.from_c)).toBe(0.5);
    expect(needleAt(USUAL_GAUGE, 100)).toBe(0.5);
    expect(needleAt(USUAL_GAUGE, 120)).toBe(1);
    expect(needleAt(USUAL_GAUGE, 200)).toBe(1);
    expect(needleAt(USUAL_GAUGE, 114)).toBeCloseTo(0.75, 6);
    expect(needleAt(USUAL_GAUGE, 62.5)).toBeCloseTo(0.25, 6);
  });
});
