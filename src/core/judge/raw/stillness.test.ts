import { describe, expect, it } from 'vitest';
import { stillness } from './stillness';

const NONE = new Uint8Array(2000);
const of = (ect_c: readonly number[], every_s = 1, bad = NONE) =>
  stillness(
    { time_s: Float64Array.from(ect_c, (_, i) => i * every_s), channels: { ect_c: Float64Array.from(ect_c) } },
    bad,
  );
/** Climbs from 20 to 80 °C in whole degrees, then does as told. */
const after = (rest: (i: number) => number, seconds = 600) => [
  ...Array.from({ length: 300 }, (_, i) => 20 + Math.floor(i / 5)),
  ...Array.from({ length: seconds }, (_, i) => rest(i)),
];

describe('how long a reading stood at its end', () => {
  it('is told of the same figure and of one digit up and down', () => {
    expect(of(after(() => 80))).toEqual({ same_s: 599, flickers_s: 604, at_c: 80 });
    const flickers = of(after((i) => 80 + (i % 7 === 0 ? 1 : 0)));
    expect(flickers.same_s).toBe(0);
    expect(flickers.flickers_s).toBe(599);
    expect(of(after((i) => 80 + Math.round(2 * Math.sin(i / 40)))).flickers_s).toBeLessThan(90);
  });

  it('leaves out samples that no coolant can follow', () => {
    const dropped = after((i) => (i === 300 ? -40 : 80));
    const bad = Uint8Array.from({ length: 2000 }, (_, i) => (i === 600 ? 1 : 0));
    expect(of(dropped).same_s).toBe(298);
    expect(of(dropped, 1, bad).same_s).toBe(599);
  });

  it('is nothing where the logger cannot tell', () => {
    expect(
      of(
        after(() => 80).filter((_, i) => i % 60 === 0),
        60,
      ),
    ).toMatchObject({ same_s: 0, flickers_s: 0 });
    expect(of(after(() => 80).map((v) => 5 * Math.round(v / 5)))).toMatchObject({ same_s: 0, flickers_s: 0 });
    // A finer logger sees a living reading move within a digit: only the very same figure counts.
    const fine = of(
      after((i) => 80 + 0.1 * Math.round(4 * Math.sin(i / 30))).map((v, i) => (i < 300 ? v + 0.1 * (i % 5) : v)),
    );
    expect(fine.flickers_s).toBe(0);
    expect(of([])).toMatchObject({ same_s: 0, flickers_s: 0 });
  });
});
