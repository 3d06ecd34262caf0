'use client';

import { useSearchParams } from 'next/navigation';
import { useEffect, useEffectEvent, useRef } from 'react';
import { loadTriage } from '@/storage/triage';

/** Takes up a log of the batch whose columns a person must choose: the job's address names it. */
export function useTriageColumns(take: (file: File) => void): void {
  const wanted = useSearchParams().get('log');
  const taken = useRef<string | null>(null);
  const takeUp = useEffectEvent((file: File) => take(file));
  useEffect(() => {
    if (wanted === null || taken.current === wanted) return;
    taken.current = wanted;
    void loadTriage(wanted).then((record) => {
      if (record) takeUp(new File([record.raw], record.fileName.split('/').pop() ?? record.fileName));
    });
  }, [wanted]);
}
