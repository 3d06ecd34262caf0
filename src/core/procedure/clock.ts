import { elapsedAt, type Run } from './runner';

/** Two clocks read at one moment: the one on the wall, that people set, and the page's own, that only goes on. */
export interface ClockReading {
  /** ms since 1970. */
  readonly wall_ms: number;
  /** ms since some moment; it may stand while the computer sleeps. */
  readonly steady_ms: number;
}

/** What lies between two readings beside time: the wall clock was set back, or nobody was awake. */
export interface ClockJump {
  readonly kind: 'set-back' | 'unwatched';
  readonly by_ms: number;
}

/** Clocks are steered by less than this; a page in the background is woken once a minute at the least, ms. */
const STEERED_MS = 1500;

/**
 * Compares the wall clock with the steady one: what it lost was set back; what it gained was slept through, or the clock
 * was put forward: the two cannot be told apart, and a person may say so.
 */
export function clockJump(before: ClockReading, now: ClockReading): ClockJump | null {
  const gained = now.wall_ms - before.wall_ms - (now.steady_ms - before.steady_ms);
  if (gained < -STEERED_MS) return { kind: 'set-back', by_ms: -gained };
  return gained > STEERED_MS ? { kind: 'unwatched', by_ms: gained } : null;
}

/**
 * The run on a clock that was set back: its start moves back with the clock, so that no second is lost.
 *
 * @param since the start as it was when the jump was seen: another tab may have moved it already
 */
export const afterSetBack = (run: Run, by_ms: number, since: number | null, now_ms: number): Run =>
  run.runningSince === null || run.runningSince !== since
    ? run
    : { ...run, runningSince: run.runningSince - by_ms, seen_ms: now_ms };

/** The run without time that a clock put forward had added. */
export const withoutTime = (run: Run, by_ms: number, now_ms: number): Run => {
  const elapsed_s = Math.max(0, elapsedAt(run, now_ms) - by_ms / 1000);
  return run.runningSince === null
    ? { ...run, elapsed_s }
    : { ...run, elapsed_s, runningSince: now_ms, seen_ms: now_ms };
};

/**
 * The run as it is taken up again: on a clock that is behind when the run was last seen it goes on from there, since
 * nobody knows how long it was away.
 */
export const takenUp = (run: Run, now_ms: number): Run =>
  run.runningSince !== null && run.seen_ms != null && now_ms < run.seen_ms
    ? { ...run, runningSince: run.runningSince + (now_ms - run.seen_ms), seen_ms: now_ms }
    : run;

/** The run as seen now. */
export const seenAt = (run: Run, now_ms: number): Run =>
  run.runningSince === null || now_ms <= (run.seen_ms ?? -Infinity) ? run : { ...run, seen_ms: now_ms };
