import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MONITOR_DEFAULTS, NOTHING_ELSE_LOGGED, runMonitors, type MonitorInput } from './index';

const LENGTH = 1500;
const temperature = fc.double({ min: -45, max: 150, noNaN: true });

/** Any reading made of straight pieces, with gaps. */
const readings: fc.Arbitrary<Float64Array> = fc
  .tuple(fc.array(temperature, { minLength: 2, maxLength: 8 }), fc.array(fc.nat(LENGTH - 1), { maxLength: 60 }))
  .map(([corners, gaps]) => {
    const out = Float64Array.from({ length: LENGTH }, (_, i) => {
      const at = (i / (LENGTH - 1)) * (corners.length - 1);
      const k = Math.min(corners.length - 2, Math.floor(at));
      return corners[k]! + (corners[k + 1]! - corners[k]!) * (at - k);
    });
    for (const g of gaps) out[g] = NaN;
    return out;
  });

const inputs: fc.Arbitrary<MonitorInput> = fc
  .record({
    reading_c: readings,
    rise_s: fc.integer({ min: 60, max: 3000 }),
    rated_c: fc.integer({ min: 75, max: 105 }),
    start_c: fc.double({ min: -30, max: 90, noNaN: true }),
    intake_c: fc.option(fc.double({ min: -30, max: 40, noNaN: true })),
    dropouts_s: fc.array(fc.integer({ min: 0, max: LENGTH - 1 }), { maxLength: 4 }).map((a) => a.sort((x, y) => x - y)),
  })
  .map(({ rise_s, ...rest }) => ({
    ...NOTHING_ELSE_LOGGED,
    ...rest,
    time_s: Float64Array.from({ length: LENGTH }, (_, i) => i),
    expected_c: Float64Array.from({ length: LENGTH }, (_, i) =>
      Math.min(rest.rated_c, rest.start_c + ((rest.rated_c - rest.start_c) * i) / rise_s),
    ),
  }));

const of = (input: MonitorInput, code: string) => runMonitors(input).find((r) => r.code === code);

describe('monitors on any reading', () => {
  it('always answer for the warm-up, and give a time in the drive with every code they would set', () => {
    fc.assert(
      fc.property(inputs, (input) => {
        const results = runMonitors(input);
        expect(results[0]!.code).toBe('P0128');
        expect(new Set(results.map((r) => r.code)).size).toBe(results.length);
        for (const r of results) {
          expect(r.ran).toBe(r.wouldSet !== null);
          expect(r.ran).toBe(r.at_s !== null);
          expect(r.ran).toBe(r.whyNot.length === 0);
          if (r.at_s !== null) expect(r.at_s >= 0 && r.at_s < LENGTH).toBe(true);
          if (r.margin_k !== null && r.code !== 'P0217') expect(r.wouldSet && r.margin_k > 0).toBe(false);
        }
      }),
    );
  });

  it('never call the warm-up late once the reading has been warm', () => {
    fc.assert(
      fc.property(inputs, fc.integer({ min: 0, max: 60 }), (input, at) => {
        const warm = Float64Array.from(input.reading_c);
        warm.fill(input.rated_c, at, at + 12);
        const before = of(input, 'P0128')!;
        const after = of({ ...input, reading_c: warm }, 'P0128')!;
        if (!before.wouldSet || before.at_s! > at) expect(after.wouldSet).not.toBe(true);
      }),
    );
  });

  it('do not judge a warm-up from outside the start window, nor in frost', () => {
    fc.assert(
      fc.property(inputs, (input) => {
        const outside =
          input.start_c < MONITOR_DEFAULTS.startFrom_c ||
          input.start_c > MONITOR_DEFAULTS.startTo_c ||
          (input.intake_c !== null && input.intake_c < MONITOR_DEFAULTS.coldestIntake_c);
        if (outside) expect(of(input, 'P0128')!.wouldSet).toBeNull();
      }),
    );
  });

  it('a longer grace never sets the warm-up code sooner', () => {
    fc.assert(
      fc.property(inputs, fc.integer({ min: 1, max: 600 }), (input, more) => {
        const short = of(input, 'P0128')!;
        const long = runMonitors(input, { ...MONITOR_DEFAULTS, grace_s: MONITOR_DEFAULTS.grace_s + more })[0]!;
        if (long.wouldSet) {
          expect(short.wouldSet).toBe(true);
          expect(long.at_s!).toBeGreaterThanOrEqual(short.at_s!);
        }
      }),
    );
  });

  it('name the intermittent circuit at the second drop-out, wherever it falls, and never at the first', () => {
    const at = fc.integer({ min: 0, max: LENGTH - 1 });
    fc.assert(
      fc.property(inputs, at, at, (input, a, b) => {
        const [first, second] = [Math.min(a, b), Math.max(a, b)];
        expect(of({ ...input, dropouts_s: [] }, 'P0119')!.wouldSet).toBe(false);
        expect(of({ ...input, dropouts_s: [first] }, 'P0119')!.wouldSet).toBe(false);
        expect(of({ ...input, dropouts_s: [first, second] }, 'P0119')!.at_s).toBe(second);
      }),
    );
  });
});
