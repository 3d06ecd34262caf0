import type { WaterReading } from '@/core/bench';

/** True for a temperature of a thermometer's log: nothing was seen of the valve at that moment. */
export const isLogged = (r: WaterReading): boolean => r.lift_mm === null && r.state === null;

/** Readings in order of time, without two at one moment: what a person saw goes before the log's reading of then. */
export function inOrderOfTime(readings: readonly WaterReading[]): WaterReading[] {
  const seen = new Set(readings.filter((r) => !isLogged(r)).map((r) => r.t_s));
  return readings.filter((r) => !isLogged(r) || !seen.has(r.t_s)).sort((a, b) => a.t_s - b.t_s);
}
