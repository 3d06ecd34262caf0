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
