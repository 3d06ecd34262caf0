'use client';

import { useCallback, useMemo } from 'react';
import { newSheet, type RepairSheet } from '@/core/repair';
import { changeRepair, undoRepair } from '@/storage/repairs';
import { useJob } from './JobProvider';
import { useKeep } from './useKeep';

/** Fields to change, or what they become from what stands. */
type Fields<T> = Partial<T> | ((now: T) => Partial<T>);

/** The repair of the open job, with the way to change it. */
export interface RepairInHand {
  /** What stands, or what a repair begins with. */
  readonly sheet: RepairSheet;
  readonly begun: boolean;
  /** Changes it where it is kept; said and undone where words are given. */
  readonly change: (to: (sheet: RepairSheet) => RepairSheet, says?: string) => void;
  /** Changes fields of one part of it; what follows from what stands is given as a function of it. */
  readonly put: <K extends keyof RepairSheet>(part: K, to: Fields<RepairSheet[K]>, says?: string) => void;
}

/** Follows the repair of the open job. */
export function useRepair(): RepairInHand {
  const { job, vehicle, repair } = useJob();
  const keep = useKeep();
  const first = useMemo(() => newSheet(vehicle.vehicle), [vehicle.vehicle]);
  const change = useCallback(
    (to: (sheet: RepairSheet) => RepairSheet, says?: string) =>
      keep(() => changeRepair(job.id, first, to), says === undefined ? {} : { says, undo: undoRepair }),
    [first, job.id, keep],
  );
  const put = useCallback(
    <K extends keyof RepairSheet>(part: K, to: Fields<RepairSheet[K]>, says?: string) =>
      change((s) => {
        const fields = typeof to === 'function' ? to(s[part]) : to;
        return { ...s, [part]: { ...(s[part] as object), ...(fields as object) } };
      }, says),
    [change],
  );
  return { sheet: repair ?? first, begun: repair !== null, change, put };
}
