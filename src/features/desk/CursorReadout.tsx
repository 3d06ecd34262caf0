'use client';

import { useMemo } from 'react';
import type { Finding } from '@/core/judge';
import { markLabel } from '@/job/entryWords';
import { measuredCurve } from '@/job/driveCurves';
import type { TraceRecord } from '@/storage/records';
import { readAt } from '@/ui/picture/lane';
import { useCursor, type DriveView } from '@/ui/picture/useDriveView';
import { useUnits } from '@/ui/units';
import type { DeskMark } from '@/job/deskMarks';

/** Readings this near to the cursor are the ones at it, s; marks this near are named. */
const NEAR_S = 20;
const MARK_NEAR_S = 12;

/** The reading at the cursor, large, beside what a sound vehicle would have shown. */
export function CursorReadout({
  view,
  record,
  finding,
  marks,
}: {
  view: DriveView;
  record: TraceRecord;
  finding: Finding | null;
  marks: readonly DeskMark[];
}) {
  const at_s = useCursor(view.cursor);
  const { showTemperature, temperatureNumber, temperature, show } = useUnits();
  const measured = useMemo(() => measuredCurve(record.trace), [record.trace]);
  const at = (values: ArrayLike<number>, time_s: ArrayLike<number>) =>
    at_s === null ? null : readAt({ time_s, values }, at_s, NEAR_S);
  const reading = at(measured.values, measured.time_s);
  const curves = finding?.curves;
  const low = curves ? at(curves.healthyLow_c, curves.time_s) : null;
  const high = curves ? at(curves.healthyHigh_c, curves.time_s) : null;
  const near = at_s === null ? [] : marks.filter((m) => Math.abs(m.at_s - at_s) < MARK_NEAR_S);
  return (
    <div className="flex min-h-16 items-end gap-4 print:hidden" data-testid="readout">
      <p className="text-5xl type-sign leading-none whitespace-nowrap">
        {reading === null ? '–' : temperatureNumber(reading).toFixed(0)}
        <span className="text-xl"> {temperature}</span>
      </p>
      <div className="min-w-0 text-sm leading-tight">
        {at_s === null ? (
          <p>Move over the trace, or click into it and use the arrow keys.</p>
        ) : (
          <>
            <p className="font-bold">minute {(at_s / 60).toFixed(2)}</p>
            {low !== null && high !== null && (
              <p>
                sound {showTemperature(low)} to {showTemperature(high)}
              </p>
            )}
            {near.map((m) => (
              <p key={`${m.at_s} ${m.mark}`} className="truncate font-semibold">
                {markLabel(m, show)}
              </p>
            ))}
          </>
        )}
      </div>
    </div>
  );
}
