'use client';

import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { coolantState, outsideGiven_c } from '@/core/case';
import type { DriveLook, LookOptions } from '@/core/desk';
import type { DriveMark } from '@/core/drive';
import { stopLimit_c } from '@/core/limits';
import type { Finding } from '@/core/judge';
import { useJob } from './JobProvider';
import type { TraceRecord } from '@/storage/records';
import { lookInWorker } from '@/workers/client';
import type { DeskMark } from './deskMarks';

/** A measured drive, or why there is none yet. */
export type LookState =
  | { readonly state: 'working' }
  | { readonly state: 'failed'; readonly message: string }
  | { readonly state: 'ready'; readonly look: DriveLook };

/** Marks that figures are read from. */
function figureMarks(marks: readonly DeskMark[]): DriveMark[] {
  return marks.flatMap(({ mark, at_s, value }) =>
    mark === 'fan-on' || mark === 'fan-off' || mark === 'vent' ? [{ kind: mark, at_s, value_c: value }] : [],
  );
}

/** Measures a drive in a worker; again when something that it is measured by changes. */
export function useDriveLook(
  record: TraceRecord | null,
  finding: Finding | null,
  marks: readonly DeskMark[],
): LookState {
  const { vehicle, entries, figures } = useJob();
  const [found, setFound] = useState<{ readonly key: string; readonly state: LookState } | null>(null);
  const options = useMemo((): LookOptions | null => {
    if (!record) return null;
    const state = coolantState(entries, vehicle.vehicle, figures.altitude_m);
    return {
      memory: vehicle.goodTraceIds.includes(record.id) ? null : vehicle.memory,
      outside_c: outsideGiven_c(entries, record.importedAt),
      opening: finding?.opening ?? null,
      belowRating_k: figures.monitors.belowRating_k,
      limit_c: stopLimit_c(vehicle.vehicle, state),
      marks: figureMarks(marks),
    };
  }, [record, finding, vehicle, entries, figures, marks]);
  const key =
    record && options ? `${record.id} ${finding?.log ?? ''} ${JSON.stringify([options, vehicle.vehicle])}` : '';
  const measure = useEffectEvent(() => {
    if (!record || !options) return undefined;
    let live = true;
    const running = lookInWorker(record.trace, vehicle.vehicle, options);
    void running.result.then((result) => {
      if (!live) return;
      if (result.ok) setFound({ key, state: { state: 'ready', look: result.value } });
      else if (result.error.kind === 'bug') {
        setFound({ key, state: { state: 'failed', message: result.error.message } });
      }
    });
    return () => {
      live = false;
      running.cancel();
    };
  });
  // The key holds all that it depends on: a new query result made from the same must not measure again.
  useEffect(() => measure(), [key]);
  // While something small changes the old figures stay.
  const same = found !== null && record !== null && found.key.startsWith(record.id);
  return same ? found.state : { state: 'working' };
}
