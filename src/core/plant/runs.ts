import type { Cause } from '../base';
import type { PlantRun } from './simulate';

function rms(a: Float64Array, b: Float64Array, high_c: number): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) {
    // Readings beyond the boiling point are clipped: nobody logs on past it.
    const d = Math.min(high_c, a[i]!) - Math.min(high_c, b[i]!);
    sum += d * d;
  }
  return Math.sqrt(sum / Math.max(1, a.length));
}

/** Effect of a fault on what was logged, K RMS: on the gauge for a gauge fault, else on the control unit's reading. */
export function effectOf(run: PlantRun, sound: PlantRun, cause: Cause): number {
  const name = cause === 'gauge-sender-fault' ? 'gauge_c' : 'ect_c';
  return rms(run[name], sound[name], 140);
}

/** The first `n` entries of a run. */
export function cutRun(run: PlantRun, n: number): PlantRun {
  const cut = { ...run };
  for (const key of Object.keys(run) as (keyof PlantRun)[]) cut[key] = run[key].slice(0, n);
  return cut;
}
