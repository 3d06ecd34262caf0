'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { watchOpening, type OpeningSeen } from '@/core/drive';
import { useJob } from '@/job/JobProvider';
import { openRecording } from '@/storage/recordings';

/** Fan command above which it runs, %. */
const RUNS_PCT = 30;

/** What a log of the bleeding shows, from its first sample. */
export interface WarmUpSeen {
  readonly from: 'live log' | string;
  readonly live: boolean;
  /** When it began, ms since 1970; null for a file without a clock here. */
  readonly startedAt: number | null;
  readonly last_c: number;
  readonly top_c: number;
  readonly length_s: number;
  readonly opening: OpeningSeen | null;
  readonly fanOn_s: number | null;
  readonly fanOff_s: number | null;
}

function seenIn(
  time_s: ArrayLike<number>,
  ect_c: ArrayLike<number>,
  more: {
    readonly rpm: ArrayLike<number> | null;
    readonly fan_pct: ArrayLike<number> | null;
    readonly opens_c: number;
  },
): Omit<WarmUpSeen, 'from' | 'live' | 'startedAt'> | null {
  const present = Array.from(ect_c).filter(Number.isFinite);
  if (present.length < 2) return null;
  const t0 = time_s[0]!;
  const edge = (rising: boolean, from: number): number | null => {
    const { fan_pct } = more;
    if (!fan_pct) return null;
    for (let i = 1; i < fan_pct.length; i++) {
      if (time_s[i]! - t0 < from) continue;
      const [was, is] = [fan_pct[i - 1]! > RUNS_PCT, fan_pct[i]! > RUNS_PCT];
      if (rising ? is && !was : was && !is) return time_s[i]! - t0;
    }
    return null;
  };
  const fanOn_s = edge(true, 0);
  return {
    last_c: present.at(-1)!,
    top_c: present.reduce((a, b) => Math.max(a, b)),
    length_s: time_s[time_s.length - 1]! - t0,
    opening: watchOpening(time_s, ect_c, { opens_c: more.opens_c, rpm: more.rpm }),
    fanOn_s,
    fanOff_s: fanOn_s === null ? null : edge(false, fanOn_s),
  };
}

/**
 * What a live log, or one that was imported since coolant went in, shows of the bleeding. @param since ms since 1970
 */
export function useWarmUpSeen(since: number | null): WarmUpSeen | null {
  const { job, traces, vehicle } = useJob();
  const recording = useLiveQuery(() => openRecording(job.id), [job.id]);
  const { rated_c, heated_rated_c } = vehicle.vehicle.thermostat;
  const opens_c = heated_rated_c ?? rated_c;
  const trace = since === null ? undefined : traces.find((t) => t.importedAt >= since);
  return useMemo(() => {
    if (recording && recording.rows.length > 1) {
      const column = (name: 'ect_c' | 'rpm' | 'fan_pct') => recording.rows.map((r) => r.values[name] ?? NaN);
      const has = (name: 'rpm' | 'fan_pct') => recording.rows.some((r) => r.values[name] !== undefined);
      const found = seenIn(
        recording.rows.map((r) => r.time_s),
        column('ect_c'),
        { rpm: has('rpm') ? column('rpm') : null, fan_pct: has('fan_pct') ? column('fan_pct') : null, opens_c },
      );
      return found && { ...found, from: 'live log', live: true, startedAt: recording.startedAt };
    }
    if (!trace) return null;
    const { time_s, channels } = trace.trace;
    const found = seenIn(time_s, channels.ect_c, {
      rpm: channels.rpm ?? null,
      fan_pct: channels.fan_pct ?? null,
      opens_c,
    });
    return found && { ...found, from: trace.fileName, live: false, startedAt: null };
  }, [recording, trace, opens_c]);
}
