'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { useJob } from '@/job/JobProvider';
import { openRecording } from '@/storage/recordings';
import { seenIn, type WarmUpSeen } from './warmUpSeen';

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
