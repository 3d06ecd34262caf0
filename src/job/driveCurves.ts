import { sinceStart_s, type Trace } from '@/core/base';
import type { CompanionLog } from '@/storage/records';
import { besideColour } from '@/ui/colours';
import type { Curve } from '@/ui/picture/lane';

/** The engine's reading of a drive on its own time. */
export const measuredCurve = (trace: Trace): Curve => ({
  ...{ label: 'measured', colour: 'var(--trace)', width: 2.5, logged: true },
  ...{ time_s: sinceStart_s(trace), values: trace.channels.ect_c },
});

/** Curves of a second log, on the time of the drive that it lies beside. */
export function besideCurves({ series, alignment }: Pick<CompanionLog, 'series' | 'alignment'>): Curve[] {
  const time_s = series.time_s.map((t) => t + alignment.offset_s);
  return series.columns.map((c, i) => ({
    ...{ label: c.header, colour: besideColour(i), width: 1.5, logged: true },
    ...{ time_s, values: c.values_c },
  }));
}
