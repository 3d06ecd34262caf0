/** A step of a procedure. */
export interface Step<Kind extends string = string> {
  readonly kind: Kind;
  /** How long it is planned to last, s. */
  readonly duration_s: number;
}

/** A procedure under way: plain data that outlives a reload. Times of the run stand while it is paused. */
export interface Run {
  /** When it was started last, ms since 1970; null while it stands. */
  readonly runningSince: number | null;
  /** What had run before, s. */
  readonly elapsed_s: number;
  /** When steps were ended by hand before their time, s of the run, by the number of the step. */
  readonly ended_s: Readonly<Record<number, number>>;
}

/** A run that has not begun. */
export const NOT_BEGUN: Run = { runningSince: null, elapsed_s: 0, ended_s: {} };

/** Time run so far, s. @param now_ms ms since 1970; a clock that was set back adds nothing */
export const elapsedAt = (run: Run, now_ms: number): number =>
  run.elapsed_s + (run.runningSince === null ? 0 : Math.max(0, now_ms - run.runningSince) / 1000);

/** The run going on; one that runs is left as it is. */
export const started = (run: Run, now_ms: number): Run =>
  run.runningSince === null ? { ...run, runningSince: now_ms } : run;

/** The run standing still. */
export const paused = (run: Run, now_ms: number): Run => ({
  ...run,
  runningSince: null,
  elapsed_s: elapsedAt(run, now_ms),
});

/** Where a run stands in its steps. */
export interface Standing<S extends Step> {
  /** Number of the step. */
  readonly at: number;
  readonly step: S;
  readonly left_s: number;
  /** The step after it; null for the last. */
  readonly next: S | null;
}

/** The step a run is in; null when all are over. */
export function standingAt<S extends Step>(steps: readonly S[], run: Run, now_ms: number): Standing<S> | null {
  const elapsed_s = elapsedAt(run, now_ms);
  let end_s = 0;
  for (const [at, { duration_s }] of asRun(steps, run).entries()) {
    end_s += duration_s;
    if (elapsed_s < end_s) {
      return { at, step: steps[at]!, left_s: end_s - elapsed_s, next: steps[at + 1] ?? null };
    }
  }
  return null;
}

/** The run with its present step ended by hand: those after it begin earlier by what was left of it. */
export function stepEnded(steps: readonly Step[], run: Run, now_ms: number): Run {
  const here = standingAt(steps, run, now_ms);
  return here ? { ...run, ended_s: { ...run.ended_s, [here.at]: elapsedAt(run, now_ms) } } : run;
}

/** The steps as long as they were before they were ended by hand, or are still planned. */
export function asRun<S extends Step>(steps: readonly S[], run: Run): S[] {
  let from_s = 0;
  return steps.map((step, at) => {
    // Steps may have been changed since one was ended: none ends before it begins.
    const end_s = Math.max(from_s, Math.min(from_s + step.duration_s, run.ended_s[at] ?? Infinity));
    const duration_s = end_s - from_s;
    from_s = end_s;
    return { ...step, duration_s };
  });
}
