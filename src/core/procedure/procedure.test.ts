import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asRun, elapsedAt, nextDue, NOT_BEGUN, paused, standingAt, started, stepEnded, type Run } from '.';

const STEPS = [
  { kind: 'idle', duration_s: 60 },
  { kind: 'town', duration_s: 120 },
  { kind: 'road', duration_s: 30 },
] as const;
const at = (elapsed_s: number, ended_s: Run['ended_s'] = {}): Run => ({ runningSince: null, elapsed_s, ended_s });

describe('a run', () => {
  it('goes on through a reload and stands while paused', () => {
    expect(elapsedAt({ ...NOT_BEGUN, runningSince: 1_000_000, elapsed_s: 30 }, 1_060_000)).toBe(90);
    expect(elapsedAt(at(30), 9_999_999)).toBe(30);
    const going = started(NOT_BEGUN, 5_000);
    expect(started(going, 9_000)).toBe(going);
    expect(paused(going, 65_000)).toEqual(at(60));
    // The computer's clock was set back meanwhile: nothing is taken off.
    expect(paused(going, 1_000)).toEqual(at(0));
    expect(paused({ ...going, seen_ms: 35_000 }, 1_000)).toEqual(at(30));
  });

  it('knows its step and what follows', () => {
    expect(standingAt(STEPS, at(10), 0)).toMatchObject({ at: 0, step: { kind: 'idle' }, left_s: 50, next: STEPS[1] });
    expect(standingAt(STEPS, at(60), 0)).toMatchObject({ step: { kind: 'town' }, left_s: 120 });
    expect(standingAt(STEPS, at(190), 0)).toMatchObject({ step: { kind: 'road' }, next: null });
    expect(standingAt(STEPS, at(210), 0)).toBeNull();
  });

  it('a step ended by hand pulls those after it forward', () => {
    const run = stepEnded(STEPS, at(80), 0);
    expect(standingAt(STEPS, run, 0)).toMatchObject({ step: { kind: 'road' }, left_s: 30 });
    expect(asRun(STEPS, run).map((s) => s.duration_s)).toEqual([60, 20, 30]);
    expect(asRun(STEPS, at(0))).toEqual(STEPS);
    // The first step was made longer after the second was ended.
    const changed = [{ kind: 'idle', duration_s: 100 }, ...STEPS.slice(1)];
    expect(asRun(changed, run).map((s) => s.duration_s)).toEqual([100, 0, 30]);
    const done = stepEnded(STEPS, { ...run, elapsed_s: 100 }, 0);
    expect(standingAt(STEPS, done, 0)).toBeNull();
    expect(stepEnded(STEPS, done, 0)).toBe(done);
  });

  it('never stands in a step that was ended, whatever was ended when', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 90 }), { minLength: 1, maxLength: 6 }),
        fc.array(fc.integer({ min: 0, max: 80 }), { maxLength: 8 }),
        (durations, waits) => {
          const steps = durations.map((duration_s, i) => ({ kind: String(i), duration_s }));
          let run: Run = NOT_BEGUN;
          let before = -1;
          for (const wait of waits) {
            run = stepEnded(steps, { ...run, elapsed_s: run.elapsed_s + wait }, 0);
            const here = standingAt(steps, run, 0);
            expect(here?.at ?? steps.length).toBeGreaterThan(before);
            before = here ? here.at - 1 : steps.length - 1;
            const run_s = asRun(steps, run).map((s) => s.duration_s);
            expect(run_s.every((d, i) => d >= 0 && d <= durations[i]!)).toBe(true);
            const until = run_s.slice(0, (here?.at ?? steps.length - 1) + 1).reduce((a, b) => a + b, 0);
            if (here) expect(until).toBeCloseTo(run.elapsed_s + here.left_s);
          }
        },
      ),
    );
  });
});

describe('what is due', () => {
  it('is asked for first, else what comes next', () => {
    const open = [15, 240, 900].map((at_s) => ({ at_s }));
    expect(nextDue(open, 0)).toEqual({ it: open[0], isDue: true });
    expect(nextDue(open.slice(1), 100)).toEqual({ it: open[1], isDue: false });
    expect(nextDue(open.slice(1), 195)).toEqual({ it: open[1], isDue: true });
    // One that was missed stays in front until it is answered.
    expect(nextDue(open.slice(1), 2000)).toEqual({ it: open[1], isDue: true });
    expect(nextDue([], 2000)).toBeNull();
  });
});
