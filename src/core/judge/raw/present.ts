import type { Trace } from '../../base';

/** Rows that hold a coolant reading. */
export function present(trace: Trace): number[] {
  const out: number[] = [];
  const ect = trace.channels.ect_c;
  for (let i = 0; i < ect.length; i++) if (Number.isFinite(ect[i]!)) out.push(i);
  return out;
}
