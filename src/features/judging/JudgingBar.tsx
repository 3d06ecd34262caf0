'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useEffectEvent, useState } from 'react';
import { causeName } from '@/core/evidence';
import type { JudgeProgress } from '@/core/judge';
import { judgeAllDue, judgeAllIsDue } from '@/storage/figures';
import { nextToJudge, putFinding, setJudging } from '@/storage/traces';
import { useFigures } from '@/job/useFigures';
import { useKeep } from '@/job/useKeep';
import { useWrite } from '@/job/useWrite';
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
  const shop = useFigures();
  const toast = useToast();
  const keep = useKeep();
  const write = useWrite();
  const [running, setRunning] = useState<Running | null>(null);
  const isAllDue = useLiveQuery(judgeAllIsDue, []) ?? false;
  const markAll = useEffectEvent(() => keep(judgeAllDue));
  // After a change of the shop's figures; one that was broken off is begun anew on the next visit.
  useEffect(() => {
    if (isAllDue) markAll();
  }, [isAllDue]);
  const traceId = next?.trace.id;
  const basis = next && shop ? `${next.vehicle.updatedAt} ${next.outside_c} ${shop.changedAt}` : null;

  const judgeNext = useEffectEvent(() => {
    if (!next || !shop) return undefined;
    const { trace, vehicle, outside_c } = next;
    let live = true;
    const judgement = judgeInWorker(
      trace.trace,
      vehicle.vehicle,
      {
        memory: vehicle.goodTraceIds.includes(trace.id) ? null : vehicle.memory,
        outside_c,
        baseRates: shop.figures.baseRates,
        monitors: shop.figures.monitors,
      },
      (progress) => {
        if (live) setRunning({ plate: vehicle.plate, progress, cancel });
      },
    );
    const cancel = () => {
      judgement.cancel();
      keep(() => setJudging(trace.id, { state: 'stopped' }));
    };
    void judgement.result.then(async (result) => {
      if (!live) return;
      setRunning(null);
      if (result.ok) {
        const saved = await write(putFinding(next, result.value));
        // A finding that cannot be kept must not be made again and again.
        if (saved === null) await write(setJudging(trace.id, { state: 'stopped' }));
      } else if (result.error.kind === 'bug') {
        await write(setJudging(trace.id, { state: 'failed', message: result.error.message }));
        toast({ kind: 'error', text: `Judging ${trace.fileName} failed: ${result.error.message}. The trace is kept.` });
      }
    });
    return () => {
      live = false;
      judgement.cancel();
      setRunning(null);
    };
  });
  // One judgement per trace: a new query result made from the same must not restart it.
  useEffect(() => judgeNext(), [traceId, basis]);

  if (!running?.progress) return null;
  const { done, of, doing } = running.progress;
  const more = (next?.waiting ?? 1) - 1;
  return (
    <div role="status" className="flex min-w-0 items-center gap-3 text-sm">
      <span className="hidden min-w-0 truncate 2xl:inline">
        {running.plate}: trying {causeName(doing).toLowerCase()}
        {more > 0 ? `, ${more} more waiting` : ''}
      </span>
      <progress
        className="progress w-16 shrink-0 progress-primary max-[22rem]:hidden lg:w-24"
        value={done}
        max={of}
        aria-label="Judging"
        title={`${running.plate}: trying ${causeName(doing).toLowerCase()}`}
      />
      <button type="button" className="btn btn-sm" onClick={running.cancel}>
        Stop
      </button>
    </div>
  );
}
