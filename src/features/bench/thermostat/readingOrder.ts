import type { WaterReading } from '@/core/bench';

/** True for a temperature of a thermometer's log: nothing was seen of the valve at that moment. */
export const isLogged = (r: WaterReading): boolean => r.lift_mm === null && r.state === null;

/** A logged temperature gives way to what was seen at its very moment by this much, s: both are kept. */
const GIVES_WAY_S = 0.01;

/** Readings in order of time; no two stand at one moment. */
export function inOrderOfTime(readings: readonly WaterReading[]): WaterReading[] {
  const seen = new Set(readings.filter((r) => !isLogged(r)).map((r) => r.t_s));
  return readings
    .map((r) => (isLogged(r) && seen.has(r.t_s) ? { ...r, t_s: r.t_s - GIVES_WAY_S } : r))
    .sort((a, b) => a.t_s - b.t_s);
}
