'use client';

import { useEffect, useEffectEvent, useRef, useState } from 'react';
import type { Cause, Vehicle } from '@/core/base';
import { DEMO_CAUSES } from './demoCauses';
import { endRecording, keepRecording, openRecording, startRecording } from '@/storage/recordings';
import type { PlanRecord, RecordedMark, RecordedRow, RecordingRecord } from '@/storage/records';
import { simulateInWorker } from '@/workers/planClient';
import { pollAdapter, type PollCounts } from './pollAdapter';
import { webSerial, type SerialPortLike } from './serialPort';
import { SimulatedPort } from './simulatedPort';

/** Where readings come from. */
export type LiveSource =
  | { readonly kind: 'serial' }
  | { readonly kind: 'simulated'; readonly cause: Cause | 'surprise'; readonly speed: number };

export type LiveStatus = 'loading' | 'idle' | 'connecting' | 'running' | 'paused' | 'lost';

/** What the screen shows of a log being made. */
export interface LiveView {
  readonly status: LiveStatus;
  /** Where the recording under way comes from; null before the first row: the two are never mixed. */
  readonly source: RecordingRecord['source'] | null;
  readonly rows: readonly RecordedRow[];
  readonly marks: readonly RecordedMark[];
  readonly counts: PollCounts;
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
  keptRows: number;
  keptMarks: number;
  /** Marks whose writing has ended: a mark is shown once it is kept, or its failure was told. */
  settledMarks: number;
}

const empty = (): Session => ({
  record: null,
  rows: [],
  marks: [],
  counts: NOTHING,
  stop: null,
  keptRows: 0,
  keptMarks: 0,
  settledMarks: 0,
});

/** Logs a warm-up live into a recording that survives a reload and a pulled plug. */
export function useLiveLog(jobId: string, vehicle: Vehicle, plan: PlanRecord, onError: (message: string) => void) {
  const session = useRef<Session>(empty());
  const [view, setView] = useState<LiveView>({
    status: 'loading',
    source: null,
    rows: [],
    marks: [],
    counts: NOTHING,
  });

  const show = (status?: LiveStatus) => {
    const { record, rows, counts } = session.current;
    const marks = session.current.marks.slice(0, session.current.settledMarks);
    const source = record?.source ?? null;
    setView((v) => ({ status: status ?? v.status, source, rows: [...rows], marks, counts }));
  };

  const keep = async (): Promise<Pick<Session, 'rows' | 'marks'>> => {
    const s = session.current;
    if (!s.record || (s.keptRows === s.rows.length && s.keptMarks === s.marks.length)) return s;
    const marks = s.marks.length;
    s.keptRows = s.rows.length;
    s.keptMarks = marks;
    const kept = await keepRecording(s.record.id, s);
    s.settledMarks = Math.max(s.settledMarks, marks);
    if (!kept.ok) {
      // What was not kept is tried again with the next rows.
      s.keptRows = -1;
      onError(kept.error.message);
    }
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
  const leave = useEffectEvent(() => {
    session.current.stop?.abort();
    void keep();
  });
  useEffect(() => {
    let live = true;
    void openRecording(jobId).then((record) => {
      if (live) takeUp(record ?? null);
    });
    return () => {
      live = false;
      leave();
    };
  }, [jobId]);

  const running = view.status === 'running';
  const draw = useEffectEvent(() => show());
  const save = useEffectEvent(() => void keep());
  useEffect(() => {
    if (!running) return;
    const drawing = setInterval(() => draw(), DRAW_EVERY_MS);
    const keeping = setInterval(() => save(), KEEP_EVERY_MS);
    return () => {
      clearInterval(drawing);
      clearInterval(keeping);
    };
  }, [running]);

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
        if (!begun.ok) throw new Error(begun.error.message);
        s.record = begun.value;
      }
      const { startedAt } = s.record;
      const resumedAt_s = s.rows.at(-1)?.time_s ?? 0;
      const from = performance.now();
      // A real drive goes on while the plug is out; a simulated one waits.
      const now_s =
        source.kind === 'serial'
          ? () => (Date.now() - startedAt) / 1000
          : () => resumedAt_s + ((performance.now() - from) / 1000) * source.speed;
      const port = await openPort(source, now_s);
      if (!port) return show('idle');
      s.stop = new AbortController();
      show('running');
      const end = await pollAdapter(port, {
        now_s,
        speed: source.kind === 'serial' ? 1 : source.speed,
        signal: s.stop.signal,
        onRow: (row, counts) => {
          s.rows.push(row);
          s.counts = counts;
        },
      });
      await keep();
      show(end === 'lost' ? 'lost' : 'paused');
    } catch (error) {
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

  const discard = async (): Promise<RecordingRecord | undefined> => {
    const s = session.current;
    s.stop?.abort();
    const ended = s.record ? await endRecording(s.record.id) : null;
    session.current = empty();
    show('idle');
    if (ended && !ended.ok) onError(ended.error.message);
    return ended?.ok ? ended.value : undefined;
  };

  const pause = () => session.current.stop?.abort();
  return { view, start, pause, mark, discard, keep };
}
