/** A step of a procedure. */
export interface Step<Kind extends string = string> {
  readonly kind: Kind;
  /** How long it is planned to last, s; null: until a person says that it is over. */
  readonly duration_s: number | null;
  /** When it is over a person says whether to go back to the step of that number, or on. */
  readonly backTo?: number | null;
}

/** Said at the end of a step that can be repeated. */
export type Turn = 'again' | 'on';

/** Something read or seen while a procedure ran. */
export interface RunReading {
  /** From the start of the run, s. */
  readonly at_s: number;
  readonly what: 'level' | 'temperature' | 'opening' | 'fan-on' | 'fan-off' | 'bubbles' | 'no-bubbles' | 'topped-up';
  /** mm above the mark, °C or l; null where seeing it is all. */
  readonly value: number | null;
}

/** A procedure under way: plain data that outlives a reload. Times of the run stand while it is paused. */
export interface Run {
  /** When it was started last, ms since 1970; null while it stands. */
  readonly runningSince: number | null;
  /** What had run before, s. */
  readonly elapsed_s: number;
  /** When steps were ended by hand before their time, s of the run, by the number of their place in the walk. */
  readonly ended_s: Readonly<Record<number, number>>;
  /** Whether a step that can be repeated led back, by its place. */
  readonly turns?: Readonly<Record<number, Turn>> | undefined;
  readonly readings?: readonly RunReading[] | undefined;
  /** Latest time at which somebody watched it run, ms since 1970: a clock before it was set back. */
  readonly seen_ms?: number | null | undefined;
}

/** A run that has not begun. */
export const NOT_BEGUN: Run = { runningSince: null, elapsed_s: 0, ended_s: {} };

/** Time run so far, s. @param now_ms ms since 1970; before the run was last seen the clock was set back: it stands */
export const elapsedAt = (run: Run, now_ms: number): number =>
  run.elapsed_s +
  (run.runningSince === null ? 0 : Math.max(0, Math.max(now_ms, run.seen_ms ?? -Infinity) - run.runningSince) / 1000);

/** The run going on; one that runs is left as it is. */
export const started = (run: Run, now_ms: number): Run =>
  run.runningSince === null ? { ...run, runningSince: now_ms, seen_ms: now_ms } : run;

/** The run standing still. */
export function paused(run: Run, now_ms: number): Run {
  const { seen_ms: _seen, ...rest } = run;
  return { ...rest, runningSince: null, elapsed_s: elapsedAt(run, now_ms) };
}

/** A stretch of a run: one step, each time that it comes. */
export interface Place<S extends Step> {
  /** Number in the walk; without repeats that of the step. */
  readonly at: number;
  readonly index: number;
  readonly step: S;
  /** How often this step came before. */
  readonly lap: number;
  readonly from_s: number;
  /** When it ends; null while it waits for a person. */
  readonly to_s: number | null;
}

/** Places that a walk may have: a procedure that is repeated for ever ends somewhere. */
const MOST_PLACES = 5000;

/**
 * The places of a run in order: as it went, then as it is planned without further repeats, up to the first that waits
 * for a person; what comes after that has no time yet.
 */
export function walkOf<S extends Step>(steps: readonly S[], run: Run): Place<S>[] {
  const places: Place<S>[] = [];
  const laps = new Map<number, number>();
  let index = 0;
  let from_s = 0;
  while (index < steps.length && places.length < MOST_PLACES) {
    const at = places.length;
    const step = steps[index]!;
    const { duration_s } = step;
    const ended_s = run.ended_s[at];
    const planned = duration_s === null ? null : from_s + duration_s;
    // Steps may have been changed since one was ended: none ends before it begins.
    const to_s = ended_s === undefined ? planned : Math.max(from_s, Math.min(planned ?? Infinity, ended_s));
    const lap = laps.get(index) ?? 0;
    laps.set(index, lap + 1);
    places.push({ at, index, step, lap, from_s, to_s });
    if (to_s === null) break;
    from_s = to_s;
    index = run.turns?.[at] === 'again' && step.backTo != null ? step.backTo : index + 1;
  }
  return places;
}

/** Where a run stands in its steps. */
export interface Standing<S extends Step> extends Place<S> {
  /** Time left; null while it waits for a person. */
  readonly left_s: null extends S['duration_s'] ? number | null : number;
  /** Time in this step, s. */
  readonly since_s: number;
  /** The step after it, unless it is repeated; null for the last. */
  readonly next: S | null;
}

/** The step a run is in; null when all are over. */
export function standingAt<S extends Step>(steps: readonly S[], run: Run, now_ms: number): Standing<S> | null {
  const elapsed_s = elapsedAt(run, now_ms);
  for (const place of walkOf(steps, run)) {
    const { to_s, from_s, index } = place;
    if (to_s === null || elapsed_s < to_s) {
      return {
        ...place,
        left_s: (to_s === null ? null : to_s - elapsed_s) as Standing<S>['left_s'],
        since_s: Math.max(0, elapsed_s - from_s),
        next: steps[index + 1] ?? null,
      };
    }
  }
  return null;
}

/** The run with its present step ended by hand: those after it begin earlier by what was left of it. */
export function stepEnded(steps: readonly Step[], run: Run, now_ms: number, turn: Turn = 'on'): Run {
  const here = standingAt(steps, run, now_ms);
  if (!here) return run;
  const ended = { ...run, ended_s: { ...run.ended_s, [here.at]: elapsedAt(run, now_ms) } };
  return turn === 'on' ? ended : { ...ended, turns: { ...run.turns, [here.at]: turn } };
}

/** The run with the step before its present one open again, or its present one begun anew where it is the first. */
export function stepBack(steps: readonly Step[], run: Run, now_ms: number): Run {
  const here = standingAt(steps, run, now_ms);
  const places = walkOf(steps, run);
  const last = here ? here.at - 1 : places.length - 1;
  const target = places[Math.max(0, last)];
  if (!target) return run;
  const before = (record: Readonly<Record<number, unknown>> | undefined) =>
    Object.fromEntries(Object.entries(record ?? {}).filter(([at]) => Number(at) < target.at));
  // A timed step goes on with what was left of it when it was ended, or from its beginning when it ran out.
  const wasEnded = run.ended_s[target.at] !== undefined;
  const elapsed_s = wasEnded ? target.to_s! : target.from_s;
  return {
    ...run,
    elapsed_s,
    runningSince: run.runningSince === null ? null : now_ms,
    seen_ms: run.runningSince === null ? null : now_ms,
    ended_s: before(run.ended_s) as Record<number, number>,
    turns: before(run.turns) as Record<number, Turn>,
  };
}

/** The run with a reading taken now. */
export const withReading = (run: Run, reading: Omit<RunReading, 'at_s'>, now_ms: number): Run => ({
  ...run,
  readings: [...(run.readings ?? []), { ...reading, at_s: elapsedAt(run, now_ms) }],
});

/** The steps as long as they were before they were ended by hand, or are still planned; for steps without repeats. */
export function asRun<S extends Step>(steps: readonly S[], run: Run): S[] {
  return walkOf(steps, run).map(({ step, from_s, to_s }) => ({
    ...step,
    duration_s: to_s === null ? step.duration_s : to_s - from_s,
  }));
}
