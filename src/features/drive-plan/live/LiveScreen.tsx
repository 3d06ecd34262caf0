'use client';

import { format } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import { caseOdds, vehicleScale } from '@/core/diagnosis';
import { loadJob, type JobDetail } from '@/storage/jobs';
import { restoreRecording } from '@/storage/recordings';
import { addTrace } from '@/storage/traces';
import { ChartLegend } from '@/ui/ChartLegend';
import { ScaledPicture } from '@/ui/ScaledPicture';
import { useToast } from '@/ui/Toasts';
import { useUnits } from '@/ui/units';
import { importInWorker } from '@/workers/client';
import { PlanChart } from '../PlanChart';
import { liveLegend } from '../curveLook';
import { DueCheck } from '../DueCheck';
import { firstPlan } from '../planFields';
import { clock } from '../stopwatch';
import { usePlanPrediction } from '../usePlanPrediction';
import { Channels, latest, OwnMark, SourceChoice } from './LiveParts';
import { recordingFile } from './recordingFile';
import { StopAlarm } from './StopAlarm';
import { useLiveLog, type LiveStatus } from './useLiveLog';

const HEIGHT = 300;
const MARKS = ['Top hose warm', 'Heater hot', 'Fan on', 'Needle in its place'] as const;

const STATUS_TEXT: Readonly<Record<LiveStatus, string>> = {
  loading: '',
  idle: 'Not logging yet',
  connecting: 'Connecting',
  running: 'Logging',
  paused: 'Stopped; all of it is kept',
  lost: 'No answer from the adapter; all of it is kept',
};

function LiveLog({ detail }: { detail: JobDetail }) {
  const { job, vehicle: record } = detail;
  const { vehicle } = record;
  const plan = job.plan ?? firstPlan(vehicle, job.cold?.soakOutside_c ?? null);
  const odds = caseOdds(vehicle, job.answers, null);
  const prediction = usePlanPrediction(vehicle, plan, odds.causes);
  const toast = useToast();
  const router = useRouter();
  const { showTemperature } = useUnits();
  const complain = useCallback((text: string) => toast({ kind: 'error', text }), [toast]);
  const { view, start, pause, mark, discard, keep } = useLiveLog(job.id, vehicle, plan, complain);
  const [quietAt, setQuietAt] = useState<number | null>(null);
  const scale = useMemo(() => vehicleScale(vehicle, plan.ambient_c), [vehicle, plan.ambient_c]);
  const measured = useMemo(
    () =>
      view.rows
        .filter((r) => r.values.ect_c !== undefined)
        .map((r) => ({ minute: r.time_s / 60, value: r.values.ect_c! })),
    [view.rows],
  );
  const ect = latest(view.rows, 'ect_c');
  const elapsed_s = view.rows.at(-1)?.time_s ?? 0;
  const over = ect !== null && ect >= plan.limit_c;
  const isLogging = view.status === 'running' || view.status === 'connecting';

  const finish = async () => {
    await keep();
    const name = `live ${format(Date.now(), 'yyyy-MM-dd HH.mm')}.csv`;
    const raw = new Blob([recordingFile(view.rows, view.marks)], { type: 'text/csv' });
    const read = await importInWorker(raw);
    if (!read.ok) return complain(`${read.error.message} The recording is kept; log on.`);
    const { trace, report } = read.value;
    const kept = await addTrace({
      jobId: job.id,
      vehicleId: record.id,
      fileName: name,
      raw,
      trace,
      report,
      options: {},
    });
    if (!kept.ok) return complain(kept.error.message);
    await discard();
    router.push(`/jobs/${job.id}`);
  };
  const throwAway = async () => {
    const thrown = await discard();
    if (!thrown) return;
    toast({
      kind: 'info',
      text: `A recording of ${clock(elapsed_s)} was thrown away.`,
      action: { label: 'Undo', run: () => void restoreRecording(thrown).then(() => location.reload()) },
    });
  };
  return (
    <div className="pb-10">
      {over && (
        <StopAlarm ect_c={ect} limit_c={plan.limit_c} quiet={quietAt !== null} onQuiet={() => setQuietAt(elapsed_s)} />
      )}
      <div className="px-5 pt-3">
        <div className="flex flex-wrap items-center gap-x-8 gap-y-2">
          <p className="w-56 text-8xl type-sign" data-testid="live-ect">
            {ect === null ? '–' : showTemperature(ect)}
          </p>
          <div className="min-w-56 flex-1">
            <p className="text-3xl type-sign" role="timer">
              {clock(elapsed_s)}
            </p>
            <p aria-live="polite" className={view.status === 'lost' ? 'font-bold text-error' : ''}>
              {STATUS_TEXT[view.status]}
            </p>
            <p className="type-label">
              {view.rows.length} rows, {view.counts.refusals} refused, {view.counts.dropped} without answer
            </p>
          </div>
          {isLogging ? (
            <button type="button" className="btn btn-lg" onClick={pause}>
              Stop logging
            </button>
          ) : (
            view.status !== 'loading' && <SourceChoice onStart={(s) => void start(s)} resume={view.rows.length > 0} />
          )}
          {view.rows.length > 0 && !isLogging && (
            <>
              <button type="button" className="btn btn-primary" onClick={() => void finish()}>
                Finish and judge
              </button>
              <button type="button" className="btn btn-ghost" onClick={() => void throwAway()}>
                Throw away
              </button>
            </>
          )}
        </div>
        <p className="mt-2 border-l-4 border-warning pl-3 text-sm leading-snug">
          For the passenger, or at standstill. Driver never operates phone, camera or laptop. Stop at{' '}
          {showTemperature(plan.limit_c)}. Run engines outdoors or with extraction; carbon monoxide kills.
        </p>
        <div className="mt-4 grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_18rem]">
          <div>
            <ScaledPicture scale={scale} height={HEIGHT} testId="live-chart">
              {(width) =>
                prediction.last && (
                  <PlanChart
                    prediction={prediction.last}
                    width={width}
                    height={HEIGHT}
                    limit_c={plan.limit_c}
                    measured={measured}
                  />
                )
              }
            </ScaledPicture>
            {prediction.last && <ChartLegend entries={liveLegend(prediction.last)} />}
          </div>
          <div className="space-y-4">
            <DueCheck job={job} plan={plan} elapsed_s={elapsed_s} />
            <section aria-label="Marks">
              <div className="grid grid-cols-2 gap-2">
                {MARKS.map((text) => (
                  <button
                    key={text}
                    type="button"
                    className="btn h-14"
                    disabled={view.rows.length === 0}
                    onClick={() => mark(text)}
                  >
                    {text}
                  </button>
                ))}
              </div>
              <div className="mt-2">
                <OwnMark onMark={mark} />
              </div>
              <ul className="mt-2 text-sm" data-testid="marks">
                {view.marks.slice(-4).map((m) => (
                  <li key={`${m.time_s} ${m.text}`}>
                    <strong>{clock(m.time_s)}</strong> {m.text}
                  </li>
                ))}
              </ul>
            </section>
            <Channels rows={view.rows} />
          </div>
        </div>
        <Link href={`/jobs/${job.id}/drive`} className="btn mt-4">
          Back to the plan
        </Link>
      </div>
    </div>
  );
}

/** Logs a warm-up from an adapter straight into the job, the prediction beside it. */
export function LiveScreen({ jobId }: { jobId: string }) {
  const detail = useLiveQuery(() => loadJob(jobId), [jobId]);
  return detail ? <LiveLog detail={detail} /> : null;
}
