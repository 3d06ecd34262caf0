import { describe, expect, it } from 'vitest';
import type { DriveLook } from '@/core/desk';
import { SOUND_WIRING } from '@/core/twin';
import { testFeatureDrive, testTrace } from '../../../tests/support/testDrive';
import { driveOverlay } from '@/job/driveOverlay';
import { senderWords } from './senderWords';

function look(seconds: number, kpmin: number, opens_min: number | null, fuel = true): DriveLook {
  const trace = testTrace(seconds, {
    ect_c: (t) => Math.min(88, 8 + (kpmin * t) / 60),
    ...(fuel ? { maf_gps: () => 12, rpm: () => 1900, speed_kmh: () => 60 } : {}),
  });
  const { series, smooth, phases } = testFeatureDrive(trace);
  const told = opens_min === null ? null : { value: opens_min, sd: 0.1, from_s: 60 * opens_min, to_s: 60 * opens_min };
  return { series, smooth, phases, features: [{ name: 'opening-time', told }] } as unknown as DriveLook;
}
const here = { look: look(1500, 8, 10), name: 'after.csv' };
const slow = { look: look(1200, 4, null), name: 'before.csv' };
const bare = { look: look(900, 8, 9, false), name: 'bare.csv' };

describe('drives over each other', () => {
  it('this one lies in front, the others under their names, over the time of all', () => {
    const laid = driveOverlay(here, [slow, bare], 'start')!;
    expect(laid.lane.curves.map((c) => c.label)).toEqual(['before.csv', 'bare.csv', 'after.csv']);
    expect(laid.range).toEqual({ from_s: 0, to_s: 1499 });
    expect(new Set(laid.lane.curves.map((c) => `${c.colour} ${c.dash}`)).size).toBe(3);
  });

  it('by 40 °C each has it at nought', () => {
    const { lane } = driveOverlay(here, [slow], 'temperature')!;
    for (const c of lane.curves) {
      const at = Array.from(c.time_s).findIndex((t) => t === 0);
      expect(Number(c.values[at])).toBeCloseTo(40, 0);
    }
  });

  it('those that do not have what it goes by are named, not drawn', () => {
    expect(driveOverlay(here, [slow, bare], 'opening')!.missing).toEqual(['before.csv']);
    expect(driveOverlay(here, [slow, bare], 'heat')!.missing).toEqual(['bare.csv']);
    expect(driveOverlay(here, [slow], 'opening')).toBeNull();
    expect(driveOverlay(bare, [here], 'heat')).toBeNull();
  });
});

describe('a sender’s fault in words', () => {
  const of = (wiring: Partial<typeof SOUND_WIRING>, senderLag_s = 0, cause = 'sender-reads-low') =>
    senderWords({
      verdict: { cause },
      inner: { wiring: { ...SOUND_WIRING, ...wiring }, fault: { senderLag_s } },
    } as unknown as Parameters<typeof senderWords>[0]);

  it.each([
    [of({ series_ohm: 120 }), /120 Ω too much in plug or earth: right when cold, ever lower when hot/],
    [of({ parallel_ohm: 3000 }, 0, 'sender-reads-high'), /3000 Ω across the sender: too high when cold/],
    [of({ offset_k: -12 }), /12 K too low over the whole range/],
    [of({ offset_k: 9 }, 0, 'sender-reads-high'), /9 K too high/],
    [of({}, 80, 'sender-slow'), /80 s late/],
  ])('%#', (said, words) => expect(said).toMatch(words));

  it('is silent where another cause leads', () => {
    expect(of({ offset_k: -12 }, 0, 'thermostat-leaking')).toBeNull();
  });
});
