import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  afterSetBack,
  clockJump,
  elapsedAt,
  NOT_BEGUN,
  paused,
  seenAt,
  standingAt,
  started,
  stepBack,
  stepEnded,
  takenUp,
  walkOf,
  withoutTime,
  withReading,
  type Run,
  type Step,
} from '.';

const STEPS: readonly Step[] = [
  { kind: 'fill', duration_s: null },
  { kind: 'hold', duration_s: 60 },
  { kind: 'rest', duration_s: 30 },
  { kind: 'look', duration_s: null, backTo: 1 },
  { kind: 'close', duration_s: null },
];
const kindAt = (run: Run, now_ms: number) => standingAt(STEPS, run, now_ms)?.step.kind ?? null;
const S = 1000;

describe('a procedure with repeats', () => {
  it('waits for a person, runs by the clock, and goes back until it is enough', () => {
    let run = started(NOT_BEGUN, 0);
    expect(standingAt(STEPS, run, 500 * S)).toMatchObject({ step: { kind: 'fill' }, left_s: null, since_s: 500 });
    run = stepEnded(STEPS, run, 500 * S);
    expect(standingAt(STEPS, run, 520 * S)).toMatchObject({ step: { kind: 'hold' }, left_s: 40, lap: 0 });
    expect(kindAt(run, 570 * S)).toBe('rest');
    expect(standingAt(STEPS, run, 700 * S)).toMatchObject({ step: { kind: 'look' }, since_s: 110 });
    run = stepEnded(STEPS, run, 700 * S, 'again');
    expect(standingAt(STEPS, run, 710 * S)).toMatchObject({ step: { kind: 'hold' }, lap: 1, left_s: 50, at: 4 });
    run = stepEnded(STEPS, run, 710 * S);
    run = stepEnded(STEPS, run, 715 * S);
    expect(standingAt(STEPS, run, 720 * S)).toMatchObject({ step: { kind: 'look' }, lap: 1 });
    run = stepEnded(STEPS, run, 720 * S);
    expect(kindAt(run, 721 * S)).toBe('close');
    expect(kindAt(stepEnded(STEPS, run, 730 * S), 730 * S)).toBeNull();
    expect(walkOf(STEPS, run).map((p) => p.step.kind)).toEqual([
      ...['fill', 'hold', 'rest', 'look', 'hold', 'rest', 'look', 'close'],
    ]);
  });

  it('a step taken back is open again; what came before it stays', () => {
    let run = stepEnded(STEPS, started(NOT_BEGUN, 0), 10 * S);
    run = stepEnded(STEPS, run, 30 * S);
    expect(kindAt(run, 40 * S)).toBe('rest');
    run = stepBack(STEPS, run, 40 * S);
    // Twenty of the sixty seconds had run when the hold was ended.
    expect(standingAt(STEPS, run, 40 * S)).toMatchObject({ step: { kind: 'hold' }, left_s: 40 });
    expect(standingAt(STEPS, run, 50 * S)).toMatchObject({ left_s: 30 });
    run = stepBack(STEPS, run, 50 * S);
    expect(kindAt(run, 50 * S)).toBe('fill');
    expect(kindAt(stepBack(STEPS, run, 60 * S), 60 * S)).toBe('fill');
  });

  it('a repeat that is taken back is no repeat any more', () => {
    let run = stepEnded(STEPS, started(NOT_BEGUN, 0), 0);
    run = stepEnded(STEPS, run, 200 * S, 'again');
    run = stepBack(STEPS, run, 205 * S);
    expect(kindAt(run, 205 * S)).toBe('look');
    expect(run.turns).toEqual({});
    expect(kindAt(stepEnded(STEPS, run, 210 * S), 210 * S)).toBe('close');
  });

  it('keeps what was read with its moment', () => {
    const run = withReading({ ...NOT_BEGUN, elapsed_s: 42 }, { what: 'fan-on', value: null }, 0);
    expect(withReading(run, { what: 'temperature', value: 88 }, 0).readings).toEqual([
      { what: 'fan-on', value: null, at_s: 42 },
      { what: 'temperature', value: 88, at_s: 42 },
    ]);
  });

  it('one that is repeated for ever ends somewhere', () => {
    const turns = Object.fromEntries(Array.from({ length: 20_000 }, (_, i) => [i, 'again' as const]));
    const ended_s = Object.fromEntries(Array.from({ length: 20_000 }, (_, i) => [i, i]));
    const places = walkOf([{ kind: 'look', duration_s: null, backTo: 0 }], {
      ...NOT_BEGUN,
      elapsed_s: 1e6,
      ended_s,
      turns,
    });
    expect(places.length).toBe(5000);
  });

  it('places follow each other without a gap, whatever was pressed when', () => {
    const press = fc.record({
      wait: fc.integer({ min: 0, max: 90 }),
      what: fc.constantFrom('on', 'again', 'pause', 'back') as fc.Arbitrary<'on' | 'again' | 'pause' | 'back'>,
    });
    fc.assert(
      fc.property(fc.array(press, { maxLength: 25 }), (presses) => {
        let run = started(NOT_BEGUN, 0);
        let now = 0;
        for (const { wait, what } of presses) {
          now += wait * S;
          if (what === 'pause') run = started(paused(run, now), now + 500 * S);
          else if (what === 'back') run = stepBack(STEPS, run, now);
          else run = stepEnded(STEPS, run, now, what);
          if (what === 'pause') now += 500 * S;
          const places = walkOf(STEPS, run);
          let from = 0;
          for (const p of places) {
            expect(p.from_s).toBeCloseTo(from, 6);
            expect(p.to_s === null || p.to_s >= p.from_s).toBe(true);
            from = p.to_s ?? from;
          }
          const here = standingAt(STEPS, run, now);
          if (here) expect(here.since_s).toBeGreaterThanOrEqual(0);
        }
      }),
    );
  });
});

describe('the clock of a run', () => {
  const going: Run = { ...started(NOT_BEGUN, 1_000_000) };
  const reading = (wall_ms: number, steady_ms: number) => ({ wall_ms, steady_ms });

  it('goes on through ten minutes asleep: the page’s own clock stood, the wall’s did not', () => {
    const jump = clockJump(reading(1_060_000, 5000), reading(1_660_250, 5250));
    expect(jump).toEqual({ kind: 'unwatched', by_ms: 600_000 });
    expect(elapsedAt(going, 1_660_250)).toBeCloseTo(660.25, 9);
    // A clock that was put forward looks the same: a person takes it off.
    const off = withoutTime(going, jump!.by_ms, 1_660_250);
    expect(elapsedAt(off, 1_660_250)).toBeCloseTo(60.25, 9);
    expect(elapsedAt(off, 1_661_250)).toBeCloseTo(61.25, 9);
    expect(elapsedAt(withoutTime(going, 1e9, 1_660_250), 1_660_250)).toBe(0);
  });

  it('is right to the millisecond after the clock was set back, in one tab or two', () => {
    const jump = clockJump(reading(1_060_000, 5000), reading(1_060_250 - 3_600_000, 5250));
    expect(jump).toEqual({ kind: 'set-back', by_ms: 3_600_000 });
    const now = 1_060_250 - 3_600_000;
    const moved = afterSetBack(going, jump!.by_ms, going.runningSince, now);
    expect(elapsedAt(moved, now)).toBeCloseTo(60.25, 9);
    // The other tab saw the same jump and moves nothing twice.
    expect(afterSetBack(moved, jump!.by_ms, going.runningSince, now)).toBe(moved);
    expect(afterSetBack(paused(going, 0), 5, null, now).runningSince).toBeNull();
  });

  it('does not take steering, or a slow timer, for a jump', () => {
    expect(clockJump(reading(0, 0), reading(60_000, 59_800))).toBeNull();
    expect(clockJump(reading(0, 0), reading(60_000, 60_900))).toBeNull();
  });

  it('taken up on a clock that is behind, it goes on from where it was last seen', () => {
    const seen = seenAt(going, 1_100_000);
    expect(seen.seen_ms).toBe(1_100_000);
    expect(seenAt(seen, 1_050_000)).toBe(seen);
    expect(elapsedAt(seen, 1_020_000)).toBe(100);
    const up = takenUp(seen, 500_000);
    expect(elapsedAt(up, 500_000)).toBe(100);
    expect(elapsedAt(up, 530_000)).toBe(130);
    expect(takenUp(seen, 1_200_000)).toBe(seen);
    expect(seenAt(paused(seen, 1_100_000), 1_200_000).seen_ms).toBeUndefined();
  });
});
