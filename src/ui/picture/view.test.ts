import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import { cursorStore, fitted, panned, SHORTEST_VIEW_S, showing, zoomed } from './view';

const whole = { from_s: 0, to_s: 1800 };
const range = fc
  .tuple(fc.double({ min: 0, max: 1790, noNaN: true }), fc.double({ min: 10, max: 1800, noNaN: true }))
  .map(([from, width]) => fitted({ from_s: from, to_s: from + width }, whole));

describe('the visible stretch', () => {
  it('stays inside the drive and never too short, however it is moved', () => {
    const factor = fc.double({ min: 0.01, max: 20, noNaN: true });
    fc.assert(
      fc.property(
        range,
        factor,
        fc.double({ min: -500, max: 2500, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (r, f, at, share) => {
          for (const now of [
            zoomed(r, whole, f, at),
            panned(r, whole, share),
            showing({ from_s: 40, to_s: 60 }, r, whole),
          ]) {
            expect(now.from_s).toBeGreaterThanOrEqual(-1e-9);
            expect(now.to_s).toBeLessThanOrEqual(1800 + 1e-9);
            expect(now.to_s - now.from_s).toBeGreaterThanOrEqual(SHORTEST_VIEW_S - 1e-9);
          }
        },
      ),
    );
  });

  it('zooming keeps the moment under the cursor where it is', () => {
    const now = zoomed({ from_s: 600, to_s: 1200 }, whole, 0.5, 750);
    expect(now).toEqual({ from_s: 675, to_s: 975 });
    expect(zoomed(now, whole, 2, 750)).toEqual({ from_s: 600, to_s: 1200 });
    expect(zoomed(now, whole, 100, 750)).toEqual(whole);
  });

  it('pans by a share of its width, and stops at the ends', () => {
    expect(panned({ from_s: 600, to_s: 1200 }, whole, 0.2)).toEqual({ from_s: 720, to_s: 1320 });
    expect(panned({ from_s: 600, to_s: 1200 }, whole, 5)).toEqual({ from_s: 1200, to_s: 1800 });
  });

  it('moves only for what is not in sight, and shows all of it', () => {
    const now = { from_s: 0, to_s: 300 };
    expect(showing({ from_s: 20, to_s: 200 }, now, whole)).toBe(now);
    const moved = showing({ from_s: 900, to_s: 1400 }, now, whole);
    expect(moved.from_s).toBeLessThan(900);
    expect(moved.to_s).toBeGreaterThan(1400);
  });
});

describe('the cursor', () => {
  it('tells those who listen, once per move', () => {
    const cursor = cursorStore();
    const heard = vi.fn();
    const stop = cursor.subscribe(heard);
    cursor.set(12);
    cursor.set(12);
    expect(cursor.get()).toBe(12);
    expect(heard).toHaveBeenCalledTimes(1);
    stop();
    cursor.set(null);
    expect(heard).toHaveBeenCalledTimes(1);
  });
});
