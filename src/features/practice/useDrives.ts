'use client';

import { useEffect, useEffectEvent, useState } from 'react';
import type { Figures } from '@/core/case';
import { bareFinding, type DriveStep } from '@/core/practice';
import type { PracticeKept } from '@/storage/practices';
import { judgeInWorker } from '@/workers/client';
import type { PracticeInHand } from './usePractice';

/**
 * Judges each drive of a case that waits for it, in a worker: what Varmek made of it is shown with the answer. Taken up
 * again after a reload. @returns how far it is; null while none waits
 */
export function useDrives(kept: PracticeKept | null, figures: Figures | undefined, put: PracticeInHand['put']) {
  const [share, setShare] = useState<number | null>(null);
  const waiting = kept?.sheet.steps.find((s): s is DriveStep => s.kind === 'drive' && s.finding === null) ?? null;
  const trace = waiting && kept?.traces[waiting.id];
  const judge = useEffectEvent(() => {
    if (!waiting || !trace || !figures || !kept) return undefined;
    let live = true;
    const { id } = waiting;
    const settings = {
      ...{ memory: null, outside_c: kept.sheet.ambient_c },
      ...{ baseRates: figures.baseRates, monitors: figures.monitors },
    };
    const { result, cancel } = judgeInWorker(trace, kept.sheet.vehicle, settings, ({ done, of }) => {
      if (live) setShare(done / of);
    });
    void result.then((judged) => {
      if (!live) return;
      setShare(null);
      if (!judged.ok) return;
      const finding = bareFinding(judged.value);
      put((s) => ({
        ...s,
        steps: s.steps.map((step) => (step.id === id && step.kind === 'drive' ? { ...step, finding } : step)),
      }));
    });
    return () => {
      live = false;
      cancel();
    };
  });
  const key = waiting?.id;
  const ready = figures !== undefined && trace !== undefined && trace !== null;
  useEffect(() => judge(), [key, ready]);
  return waiting ? (share ?? 0) : null;
}
