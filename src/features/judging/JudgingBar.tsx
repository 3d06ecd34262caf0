'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useEffectEvent, useState } from 'react';
import { causeName, type JudgeProgress } from '@/core/diagnosis';
import { nextToJudge, putFinding, setJudging } from '@/storage/traces';
import { useToast } from '@/ui/Toasts';
import { judgeInWorker } from '@/workers/client';

interface Running {
  readonly plate: string;
  readonly progress: JudgeProgress | null;
  readonly cancel: () => void;
}

/**
 * Judges every trace that waits, one after the other, and shows how far it is. It stands once, in the shell, so that a
 * judgement goes on while the user moves between screens and is taken up again after a reload.
 */
export function JudgingBar() {
  const next = useLiveQuery(nextToJudge, []);
  const toast = useToast();
  const [running, setRunning] = useState<Running | null>(null);
  const traceId = next?.trace.id;
  const updatedAt = next?.vehicle.updatedAt;

  const judgeNext = useEffectEvent(() => {
    if (!next) return undefined;
    const { trace, vehicle } = next;
    let live = true;
    const judgement = judgeInWorker(
      trace.trace,
      vehicle.vehicle,
      vehicle.goodTraceIds.includes(trace.id) ? null : vehicle.memory,
      (progress) => {
        if (live) setRunning({ plate: vehicle.plate, progress, cancel });
      },
    );
    const cancel = () => {
      judgement.cancel();
      void setJudging(trace.id, { state: 'stopped' });
    };
    void judgement.result.then(async (result) => {
      if (!live) return;
      setRunning(null);
      if (result.ok) {
        const saved = await putFinding(trace, vehicle, result.value);
        if (!saved.ok) toast({ kind: 'error', text: saved.error.message });
      } else if (result.error.kind === 'bug') {
        await setJudging(trace.id, { state: 'failed', message: result.error.message });
        toast({ kind: 'error', text: `Judging ${trace.fileName} failed: ${result.error.message}. The trace is kept.` });
      }
    });
    return () => {
      live = false;
      judgement.cancel();
      setRunning(null);
    };
  });
  // One judgement per trace: a new query result for the same trace and vehicle must not restart it.
  useEffect(() => judgeNext(), [traceId, updatedAt]);

  if (!running?.progress) return null;
  const { done, of, doing } = running.progress;
  const more = (next?.waiting ?? 1) - 1;
  return (
    <div role="status" className="flex items-center gap-3 text-sm">
      <span className="hidden whitespace-nowrap lg:inline">
        {running.plate}: trying {causeName(doing).toLowerCase()}
        {more > 0 ? `, ${more} more waiting` : ''}
      </span>
      <progress className="progress w-28 progress-primary" value={done} max={of} aria-label="Judging" />
      <button type="button" className="btn btn-sm" onClick={running.cancel}>
        Stop
      </button>
    </div>
  );
}
