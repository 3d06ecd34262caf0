import type { HandCheck } from '@/core/planning';
import type { PlanRecord, StopwatchRecord } from '@/storage/records';

/** Time run so far, s. */
export const elapsedAt = (watch: StopwatchRecord, now_ms: number): number =>
  watch.elapsed_s + (watch.runningSince === null ? 0 : Math.max(0, now_ms - watch.runningSince) / 1000);

/** Seconds as minutes and seconds. */
export function clock(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

/** Phase of a drive at a time, how long it lasts on, and what follows; null when the drive is over. */
export function phaseAt(phases: PlanRecord['phases'], elapsed_s: number) {
  let end_s = 0;
  for (const [i, phase] of phases.entries()) {
    end_s += phase.duration_s;
    if (elapsed_s < end_s) return { phase, left_s: end_s - elapsed_s, next: phases[i + 1] ?? null };
  }
  return null;
}

/** Time before its minute at which a check moves to the front, s. */
const AHEAD_S = 45;

/**
 * The observation to ask for now: the first whose time has come or is near, else the next to come; null when none is
 * left.
 *
 * @param open observations without an answer, in the order of their times
 */
export function dueCheck(open: readonly HandCheck[], elapsed_s: number): { check: HandCheck; isDue: boolean } | null {
  const due = open.find((c) => elapsed_s >= c.at_s - AHEAD_S);
  const check = due ?? open[0];
  return check ? { check, isDue: due !== undefined } : null;
}
