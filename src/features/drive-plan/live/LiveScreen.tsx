'use client';

import { format } from 'date-fns';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import { CAUTIONS } from '@/core/cautions';
import { MARKED, MARKS, type MarkId } from '@/core/case';
import { Cautions } from '@/job/Cautions';
import { importToJob } from '@/job/importToJob';
import { useJob } from '@/job/JobProvider';
import { useKeep } from '@/job/useKeep';
import { useWrite } from '@/job/useWrite';
import { addEntry } from '@/storage/entries';
import { putBack } from '@/storage/bin';
import { ChartLegend, laneLegend } from '@/ui/picture/ChartLegend';
import { ScaledPicture } from '@/ui/picture/ScaledPicture';
import { useToast } from '@/ui/Toasts';
import { useUnits } from '@/ui/units';
import { planLane, planTitle } from '../planLane';
import { checksOf, DueCheck } from '../DueCheck';
import { driveCautions } from '@/job/driveCautions';
import { clock } from '@/ui/clock';
import { usePlan } from '../usePlan';
import { usePlanPrediction } from '@/job/usePlanPrediction';
import { isQuiet } from './alarm';
import { Channels, latest, OwnMark, SourceChoice } from './LiveParts';
import { recordingFile } from './recordingFile';
import { StopAlarm } from './StopAlarm';
import { useLiveLog, type LiveStatus, type LiveView } from './useLiveLog';

const HEIGHT = 300;
/** Longer than a slow adapter takes for an answer, s. */
const SILENT_AFTER_S = 4;

const STATUS_TEXT: Readonly<Record<LiveStatus, string>> = {
  loading: '',
  elsewhere: 'Logged in another tab. Leave it there and it goes on here',
  idle: 'Not logging yet',
  connecting: 'Connecting',
  running: 'Logging',
  paused: 'Stopped; all of it is kept',
  lost: 'No answer from the adapter; all of it is kept',
};

/** Where logging stands; "kept" is said of what is kept alone. */
const statusText = ({ status, unkept }: LiveView): string =>
  unkept === null ? STATUS_TEXT[status] : STATUS_TEXT[status].replace('; all of it is kept', '');

/** Logs a warm-up from an adapter straight into the job, the prediction beside it. */
export function LiveScreen() {
  const { job, vehicle: record, case: found } = useJob();
  const { vehicle } = record;
  const { plan, error, scale } = usePlan();
  const prediction = usePlanPrediction(vehicle, error === null ? plan : null, found.now);
  const toast = useToast();
  const keep = useKeep();
  const write = useWrite();
  const router = useRouter();
  const { showTemperature } = useUnits();
  const complain = useCallback((text: string) => toast({ kind: 'error', text }), [toast]);
  const tellLeft = useCallback(
    (rows: number) => toast({ kind: 'info', text: `Logging stopped as its screen was left: ${rows} rows are kept.` }),
    [toast],
  );
  const log = useLiveLog(job.id, vehicle, plan, complain, keep, tellLeft);
  const { view, start, pause, mark, keepRows } = log;
  const [quietAt, setQuietAt] = useState<number | null>(null);
  const lane = useMemo(() => {
    const readings = {
      time_s: view.rows.map((r) => r.time_s),
      values: view.rows.map((r) => r.values.ect_c ?? NaN),
    };
    return prediction.last && planLane(prediction.last, plan.limit_c, readings);
  }, [view.rows, prediction.last, plan.limit_c]);
  const ect = latest(view.rows, 'ect_c');
  const elapsed_s = view.rows.at(-1)?.time_s ?? 0;
  const over = ect !== null && ect >= plan.limit_c;
  const isLogging = view.status === 'running' || view.status === 'connecting';
  const isHere = view.status !== 'loading' && view.status !== 'elsewhere';
  const silent = view.silent_s > SILENT_AFTER_S;

  const simulated = view.source === 'simulated adapter';
  const finish = async () => {
    const { rows, marks } = await keepRows();
    const fileName = `${simulated ? 'simulated' : 'live'} ${format(Date.now(), 'yyyy-MM-dd HH.mm')}.csv`;
    const raw = new Blob([recordingFile(rows, marks)], { type: 'text/csv' });
    const kept = await write(importToJob({ jobId: job.id, vehicleId: record.id, fileName, simulated }, raw));
    if (!kept) return;
    await log.finished();
    router.push(`/jobs/${job.id}`);
  };
  const touch = (item: MarkId) => {
    mark(MARKS[item]);
    keep(() => addEntry(job.id, { kind: 'check', item, answer: MARKED, minute: elapsed_s / 60 }));
  };
  const say = (text: string) => {
    mark(text);
    keep(() =>
      addEntry(job.id, { kind: 'note', stage: 'drive', text: `Minute ${(elapsed_s / 60).toFixed(1)}: ${text}` }),
    );
  };
  const throwAway = async () => {
    const thrown = await log.throwAway();
    if (thrown === null) return;
    toast({
      kind: 'info',
      text: `A recording of ${clock(elapsed_s)} was thrown away.`,
      action: {
        label: 'Undo',
        run: () => void putBack(thrown).then((back) => (back.ok ? location.reload() : complain(back.error.message))),
      },
    });
  };
  return (
    <div className="pb-10">
      {over && (
        <StopAlarm
          ect_c={ect}
          limit_c={plan.limit_c}
          quiet={isQuiet(view.rows, quietAt, plan.limit_c)}
          onQuiet={() => setQuietAt(elapsed_s)}
        />
      )}
      <div className="px-5 pt-3">
        <div className="flex flex-wrap items-center gap-x-8 gap-y-2">
          <p className={`w-56 text-8xl type-sign ${silent ? 'text-error line-through' : ''}`} data-testid="live-ect">
            {ect === null ? '–' : showTemperature(ect)}
          </p>
          <div className="min-w-56 flex-1">
            <p className="text-3xl type-sign" role="timer">
              {clock(elapsed_s)}
            </p>
            {view.unkept !== null && (
              <p role="alert" className="font-bold text-error" data-testid="unkept">
                {view.unkept} What came last is on this screen alone, and is tried again every second.
              </p>
            )}
            {silent ? (
              <p role="alert" className="font-bold text-error">
                No answer for {Math.floor(view.silent_s)} s: this figure is old. Watch the gauge, check the plug.
              </p>
            ) : (
              <p aria-live="polite" className={view.status === 'lost' ? 'font-bold text-error' : ''}>
                {statusText(view)}
              </p>
            )}
            <p className="type-label">
              {simulated && <strong className="bg-warning px-1 text-warning-content">Simulated, not a car</strong>}{' '}
              {view.rows.length} rows, {view.counts.refusals} refused, {view.counts.dropped} without answer
            </p>
          </div>
          {isLogging ? (
            <button type="button" className="btn btn-lg" onClick={pause}>
              Stop logging
            </button>
          ) : (
            isHere && <SourceChoice key={view.source} onStart={(s) => void start(s)} going={view.source} />
          )}
          {view.rows.length > 0 && !isLogging && isHere && (
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
        <p className="mt-2 border-l-4 border-warning pl-3 text-sm leading-snug font-semibold">
          For the passenger, or at standstill. {CAUTIONS['driver-drives']} Stop at {showTemperature(plan.limit_c)}.
        </p>
        <Cautions className="mt-1" of={driveCautions(plan.phases)} />
        <div className="mt-4 grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_18rem]">
          <div>
            <ScaledPicture
              scale={scale}
              height={HEIGHT}
              testId="live-chart"
              lane={lane}
              title={prediction.last ? planTitle(prediction.last) : ''}
            />
            {lane && <ChartLegend entries={laneLegend(lane)} />}
          </div>
          <div className="space-y-4">
            <DueCheck checks={checksOf(plan, prediction.last)} elapsed_s={elapsed_s} />
            <section aria-label="Marks">
              <div className="grid grid-cols-2 gap-2">
                {(Object.keys(MARKS) as MarkId[]).map((item) => (
                  <button
                    key={item}
                    type="button"
                    className="btn h-14"
                    disabled={view.rows.length === 0}
                    onClick={() => touch(item)}
                  >
                    {MARKS[item]}
                  </button>
                ))}
              </div>
              <div className="mt-2">
                <OwnMark onMark={say} />
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
