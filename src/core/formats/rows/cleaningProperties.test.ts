import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alignByCurve, readTrace, type CleaningKind, type LoggedSeries } from '..';

const N = 240;
/** A warm-up that never stands still, so that every row is another. */
const ect = (i: number): number => Math.round(10 * (84 - 74 * Math.exp(-i / 60) + 0.7 * Math.sin(i / 5))) / 10;
const row = (i: number): string => `${i},${ect(i)},${1100 + ((53 * i) % 700)},${30 + ((7 * i) % 40)}`;
const HEADER = 'time (s),coolant (°C),rpm,speed (km/h)';
const known = Array.from({ length: N }, (_, i) => ect(i));

function read(rows: readonly string[], otherwise: readonly CleaningKind[] = []) {
  const result = readTrace(`${[HEADER, ...rows].join('\n')}\n`, { otherwise });
  if (!result.ok) throw new Error(`${result.error.code}: ${result.error.message}`);
  return result.value;
}
const rows = (): string[] => Array.from({ length: N }, (_, i) => row(i));
const places = (most: number) => fc.uniqueArray(fc.integer({ min: 5, max: N - 5 }), { minLength: 1, maxLength: most });

describe('cleaning, whatever is strewn into a log', () => {
  it('rows that stand twice leave the series as it was; kept, they only add to it', () => {
    fc.assert(
      fc.property(places(12), (at) => {
        const twice = rows().flatMap((line, i) => (at.includes(i) ? [line, line] : [line]));
        const { trace, report } = read(twice);
        expect([...trace.channels.ect_c]).toEqual(known);
        expect(report.cleaning.find((c) => c.kind === 'duplicate-rows')!.count).toBe(at.length);
        const kept = read(twice, ['duplicate-rows']).trace;
        expect(kept.time_s).toHaveLength(N + at.length);
        expect(kept.time_s.every((t, i) => i === 0 || t > kept.time_s[i - 1]!)).toBe(true);
      }),
      { numRuns: 40 },
    );
  });

  it('a straggler goes back to its place from wherever it was written', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: N - 6 }), fc.integer({ min: 2, max: 60 }), (at, late) => {
        const moved = rows();
        const [line] = moved.splice(at, 1);
        moved.splice(Math.min(moved.length, at + late), 0, line!);
        const { trace, report } = read(moved);
        expect([...trace.channels.ect_c]).toEqual(known);
        expect(report.cleaning.map((c) => c.kind)).toContain('out-of-order');
      }),
      { numRuns: 40 },
    );
  });

  it('values that cannot be are taken out one by one, and nothing else is', () => {
    fc.assert(
      fc.property(places(10), fc.constantFrom(-300, 6553.5, 1e9), (at, value) => {
        const broken = rows().map((line, i) => (at.includes(i) ? line.replace(/,[\d.]+/, `,${value}`) : line));
        const { trace } = read(broken);
        trace.channels.ect_c.forEach((v, i) => {
          if (at.includes(i)) expect(v).toBeNaN();
          else expect(v).toBe(known[i]);
        });
      }),
      { numRuns: 40 },
    );
  });

  it('lines without a time are left out, or placed where they stood', () => {
    fc.assert(
      fc.property(places(20), (at) => {
        const timeless = rows().map((line, i) => (at.includes(i) ? line.replace(/^\d+/, '') : line));
        expect(read(timeless).trace.time_s).toHaveLength(N - at.length);
        const placed = read(timeless, ['lines-without-time']).trace;
        expect([...placed.channels.ect_c]).toEqual(known);
        placed.time_s.forEach((t, i) => expect(t).toBeCloseTo(i, 6));
      }),
      { numRuns: 40 },
    );
  });

  it('turning a choice round and back gives the first reading again', () => {
    fc.assert(
      fc.property(places(5), fc.subarray<CleaningKind>(['duplicate-rows', 'out-of-order', 'gap']), (at, leave) => {
        const messy = rows().flatMap((line, i) => (at.includes(i) ? [line, line] : [line]));
        const first = read(messy).trace;
        read(messy, leave);
        expect([...read(messy).trace.time_s]).toEqual([...first.time_s]);
      }),
      { numRuns: 20 },
    );
  });
});

describe('two curves of one drive', () => {
  const drive = Float64Array.from({ length: 1500 }, (_, t) => 86 - 78 * Math.exp(-t / 250) + 2 * Math.sin(t / 140));

  it('find each other wherever the second log began and however it was sampled', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -500, max: 500 }),
        fc.integer({ min: 1, max: 6 }),
        fc.double({ min: -4, max: 4, noNaN: true }),
        (offset_s, every_s, off_k) => {
          const n = Math.floor(1300 / every_s);
          const time_s = Float64Array.from({ length: n }, (_, i) => i * every_s);
          const at = (t: number) => drive[Math.max(0, Math.min(1499, Math.round(t)))]!;
          const series = {
            time_s,
            columns: [{ header: 'Housing', channel: null, values_c: time_s.map((t) => at(t + offset_s) + off_k) }],
            clock: null,
          } as unknown as LoggedSeries;
          const trace = { time_s: Float64Array.from(drive, (_, t) => t), channels: { ect_c: drive } };
          const found = alignByCurve(trace, series)!;
          // A bare exponential looks like itself a little later; only the ripple on it tells.
          expect(Math.abs(found.offset_s - offset_s)).toBeLessThanOrEqual(4);
          expect(found.match).toBeGreaterThan(0.98);
        },
      ),
      { numRuns: 30 },
    );
  });
});
