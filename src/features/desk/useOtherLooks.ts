'use client';

import { useEffect, useState } from 'react';
import type { DriveLook } from '@/core/desk';
import { stopLimit_c, unmeasured } from '@/core/limits';
import { useJob } from '@/job/JobProvider';
import { loadDrive, type LoadedDrive } from '@/storage/otherDrives';
import { lookInWorker } from '@/workers/client';

/** A drive with its figures. */
export interface MeasuredDrive {
  readonly drive: LoadedDrive;
  readonly look: DriveLook;
}

/** The other drives and their figures, each measured once; those still being measured are left out. */
export function useOtherLooks(ids: readonly string[]): readonly MeasuredDrive[] {
  const { figures } = useJob();
  const [found, setFound] = useState<ReadonlyMap<string, MeasuredDrive>>(new Map());
  const { belowRating_k } = figures.monitors;
  const missing = ids.find((id) => !found.has(id)) ?? null;
  useEffect(() => {
    if (missing === null) return undefined;
    let live = true;
    let cancel = () => undefined as void;
    void loadDrive(missing).then(async (drive) => {
      if (!drive || !live) return;
      const { vehicle } = drive.vehicle;
      const running = lookInWorker(drive.record.trace, vehicle, {
        memory: drive.vehicle.memory,
        opening: drive.finding?.opening ?? null,
        belowRating_k,
        limit_c: stopLimit_c(vehicle, unmeasured(vehicle)),
      });
      cancel = running.cancel;
      const result = await running.result;
      if (live && result.ok) setFound((was) => new Map(was).set(missing, { drive, look: result.value }));
    });
    return () => {
      live = false;
      cancel();
    };
  }, [missing, belowRating_k]);
  return ids.flatMap((id) => found.get(id) ?? []);
}
