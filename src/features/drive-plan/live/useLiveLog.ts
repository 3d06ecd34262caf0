'use client';

import { useEffect, useEffectEvent, useRef, useState } from 'react';
import type { Cause, Result, Vehicle } from '@/core/base';
import { DEMO_CAUSES } from './demoCauses';
import { deleteRecording, endRecording, keepRecording, openRecording, startRecording } from '@/storage/recordings';
import type { PlanRecord, RecordedMark, RecordedRow, RecordingRecord } from '@/storage/records';
import type { StorageError } from '@/storage/storageError';
import type { Keep } from '@/job/useKeep';
import { alone } from '@/ui/alone';
import { simulateInWorker } from '@/workers/planClient';
import { pollAdapter, type PollCounts } from './pollAdapter';
import { webSerial, type SerialPortLike } from './serialPort';
import { SimulatedPort } from './simulatedPort';

/** Where readings come from. */
export type LiveSource =
  | { readonly kind: 'serial' }
  | { readonly kind: 'simulated'; readonly cause: Cause | 'surprise'; readonly speed: number };

export type LiveStatus = 'loading' | 'elsewhere' | 'idle' | 'connecting' | 'running' | 'paused' | 'lost';

/** What the screen shows of a log being made. */
export interface LiveView {
  readonly status: LiveStatus;
  /** Where the recording under way comes from; null before the first row: the two are never mixed. */
  readonly source: RecordingRecord['source'] | null;
  readonly rows: readonly RecordedRow[];
  readonly marks: readonly RecordedMark[];
  readonly counts: PollCounts;
  /** How long the adapter has not answered while it was asked, s. */
  readonly silent_s: number;
  /** Why what came last is on this screen alone; null where all of it is kept. */
  readonly unkept: string | null;
}

const NOTHING: PollCounts = { answers: 0, refusals: 0, dropped: 0 };
/** How often the screen is drawn and the recording kept, ms. */
const DRAW_EVERY_MS = 250;
const KEEP_EVERY_MS = 1000;

interface Session {
  record: RecordingRecord | null;
  rows: RecordedRow[];
  marks: RecordedMark[];
  counts: PollCounts;
  stop: AbortController | null;
  /** When the adapter answered last, by the clock that nobody sets, ms. */
  answered_ms: number;
  keptRows: number;
  keptMarks: number;
  unkept: string | null;
  /** Marks whose writing has ended: a mark is shown once it is kept, or its failure was told. */
  settledMarks: number;
}

const empty = (): Session => ({
  record: null,
  rows: [],
  marks: [],
  counts: NOTHING,
  stop: null,
  answered_ms: 0,
  keptRows: 0,
  keptMarks: 0,
  unkept: null,
  settledMarks: 0,
});

/** Logs a warm-up live into a recording that survives a reload and a pulled plug. */
export function useLiveLog(
  jobId: string,
  vehicle: Vehicle,
  plan: PlanRecord,
  onError: (message: string) => void,
  hold: Keep,
  onLeft: (rows: number) => void,
) {
  const session = useRef<Session>(empty());
  const [view, setView] = useState<LiveView>({
    status: 'loading',
    source: null,
    rows: [],
    marks: [],
    counts: NOTHING,
    silent_s: 0,
    unkept: null,
  });

  const show = (status?: LiveStatus) => {
    const { record, rows, counts, unkept } = session.current;
    const marks = session.current.marks.slice(0, session.current.settledMarks);
    const source = record?.source ?? null;
    const { answered_ms } = session.current;
    setView((v) => {
      const now = status ?? v.status;
      const silent_s = now === 'running' ? (performance.now() - answered_ms) / 1000 : 0;
      return { status: now, source, rows: [...rows], marks, counts, silent_s, unkept };
    });
  };

  const keep = async (): Promise<Pick<Session, 'rows' | 'marks'>> => {
    const s = session.current;
    if (!s.record || (s.keptRows === s.rows.length && s.keptMarks === s.marks.length)) return s;
    const marks = s.marks.length;
    s.keptRows = s.rows.length;
    s.keptMarks = marks;
    const kept = await keepRecording(s.record, s);
    s.settledMarks = Math.max(s.settledMarks, marks);
    s.unkept = kept.ok ? null : kept.error.message;
    // What was not kept is tried again with the next rows, or without any.
    if (!kept.ok) s.keptRows = -1;
    return s;
  };

  const takeUp = useEffectEvent((record: RecordingRecord | null) => {
    if (record) {
      const { rows, marks } = record;
      const kept = { keptRows: rows.length, keptMarks: marks.length, settledMarks: marks.length };
      session.current = { ...empty(), record, rows: [...rows], marks: [...marks], ...kept };
    }
    show(record ? 'paused' : 'idle');
  });
  const leave = useEffectEvent(async () => {
    const s = session.current;
    const wasRunning = s.stop !== null && !s.stop.signal.aborted;
    s.stop?.abort();
    await keep();
    const { record } = s;
    if (record && s.unkept !== null) hold(() => keepRecording(record, s));
    else if (wasRunning) onLeft(s.rows.length);
  });
  const isElsewhere = useEffectEvent(() => show('elsewhere'));
  // One tab logs a job at a time: another waits until this one is left, and takes up what it kept.
  useEffect(
    () =>
      alone(`recording of ${jobId}`, {
        waits: () => isElsewhere(),
        begin: async () => takeUp((await openRecording(jobId)) ?? null),
        end: () => leave(),
      }),
    [jobId],
  );

  const running = view.status === 'running';
  const isUnkept = view.unkept !== null;
  const draw = useEffectEvent(() => show());
  const save = useEffectEvent(() => void keep());
  useEffect(() => {
    if (!running && !isUnkept) return;
    const drawing = setInterval(() => draw(), DRAW_EVERY_MS);
    const keeping = setInterval(() => save(), KEEP_EVERY_MS);
    // A tab that is closed by mistake ends a drive that is not driven again.
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => {
      clearInterval(drawing);
      clearInterval(keeping);
      window.removeEventListener('beforeunload', ask);
    };
  }, [running, isUnkept]);

  const openPort = async (source: LiveSource, now_s: () => number): Promise<SerialPortLike | null> => {
    if (source.kind === 'serial') return (await webSerial()?.requestPort()) ?? null;
    const seed = session.current.record!.startedAt % 10_000;
    const cause = source.cause === 'surprise' ? DEMO_CAUSES[seed % DEMO_CAUSES.length]! : source.cause;
    const drive = await simulateInWorker(vehicle, plan, cause, seed).result;
    if (!drive.ok) throw new Error(drive.error.kind === 'bug' ? drive.error.message : 'stopped');
    return new SimulatedPort(drive.value, now_s, source.speed);
  };

  const start = async (source: LiveSource) => {
    const s = session.current;
    const origin = source.kind === 'serial' ? ('adapter' as const) : ('simulated adapter' as const);
    if (s.record && s.record.source !== origin) {
      return onError(`This recording comes from the ${s.record.source}. Finish it or throw it away first.`);
    }
    show('connecting');
    try {
      if (!s.record) {
        const begun = await startRecording(jobId, origin);
        if (!begun.ok) {
          onError(begun.error.message);
          return show('idle');
        }
        s.record = begun.value;
      }
      const { startedAt } = s.record;
      const resumedAt_s = s.rows.at(-1)?.time_s ?? 0;
      const from = performance.now();
      // A real drive goes on while the plug is out; a simulated one waits. From then on a clock that nobody sets counts.
      const begun_s = source.kind === 'serial' ? Math.max(resumedAt_s, (Date.now() - startedAt) / 1000) : resumedAt_s;
      const pace = source.kind === 'serial' ? 1 : source.speed;
      const now_s = () => begun_s + ((performance.now() - from) / 1000) * pace;
      const port = await openPort(source, now_s);
      if (!port) return show('idle');
      s.stop = new AbortController();
      s.answered_ms = performance.now();
      show('running');
      const end = await pollAdapter(port, {
        now_s,
        speed: pace,
        signal: s.stop.signal,
        onAnswer: () => {
          s.answered_ms = performance.now();
        },
        onRow: (row, counts) => {
          s.rows.push(row);
          s.counts = counts;
        },
      });
      await keep();
      show(end === 'lost' ? 'lost' : 'paused');
    } catch (error) {
      // Come to without being loaded: only a page loaded for it may speak to an adapter.
      if (error instanceof DOMException && error.name === 'SecurityError') return location.reload();
      const why = error instanceof Error ? error.message : String(error);
      onError(`The adapter could not be read: ${why}. Check its plug and try again; what was recorded is kept.`);
      show(s.rows.length > 0 ? 'lost' : 'idle');
    }
  };

  const mark = (text: string) => {
    const s = session.current;
    s.marks.push({ time_s: s.rows.at(-1)?.time_s ?? 0, text });
    void keep().then(() => show());
  };

  /** Empties the screen once the recording is out of the store, whichever way. */
  const close = async <T>(out: (id: string) => Promise<Result<T, StorageError>>): Promise<T | null> => {
    const s = session.current;
    s.stop?.abort();
    const ended = s.record ? await out(s.record.id) : null;
    if (ended && !ended.ok) onError(ended.error.message);
    if (!ended?.ok) return null;
    session.current = empty();
    show('idle');
    return ended.value;
  };

  const pause = () => session.current.stop?.abort();
  const finished = () => close(endRecording);
  const throwAway = () => close(deleteRecording);
  return { view, start, pause, mark, finished, throwAway, keepRows: keep };
}
