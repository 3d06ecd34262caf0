'use client';

import { useEffect, useRef } from 'react';
import type { TriageRecord, VehicleRecord } from '@/storage/records';
import { settleTriage } from '@/storage/triage';
import { importInWorker, judgeInWorker } from '@/workers/client';

/** Workers at once: one core stays for the page. */
const workersAtOnce = (): number => Math.max(1, Math.min(8, (navigator.hardwareConcurrency || 2) - 1));

async function judge(record: TriageRecord, vehicle: VehicleRecord): Promise<TriageRecord['outcome']> {
  const read = await importInWorker(record.raw);
  if (!read.ok) {
    return { state: 'refused', message: read.error.message, asksColumns: read.error.code === 'needs-mapping' };
  }
  const { trace, report } = read.value;
  const judged = await judgeInWorker(trace, vehicle.vehicle, { memory: vehicle.memory }, () => undefined).result;
  if (judged.ok) return { state: 'judged', trace, report, options: {}, finding: judged.value };
  return { state: 'refused', message: judged.error.kind === 'bug' ? judged.error.message : 'Stopped.' };
}

/** Judges the logs that wait and have a vehicle, several at a time. A reload takes up what was not finished. */
export function useTriageQueue(
  records: readonly TriageRecord[] | undefined,
  vehicles: readonly VehicleRecord[] | undefined,
  onError: (message: string) => void,
): void {
  const running = useRef(new Set<string>());
  const tell = useRef(onError);
  useEffect(() => {
    tell.current = onError;
  });
  useEffect(() => {
    for (const record of records ?? []) {
      if (running.current.size >= workersAtOnce()) return;
      const vehicle = vehicles?.find((v) => v.id === record.vehicleId);
      const key = `${record.id} ${record.vehicleId}`;
      if (record.outcome.state !== 'waiting' || !vehicle || running.current.has(key)) continue;
      running.current.add(key);
      void judge(record, vehicle).then(async (outcome) => {
        running.current.delete(key);
        const kept = await settleTriage(record, outcome);
        if (!kept.ok) tell.current(kept.error.message);
      });
    }
  }, [records, vehicles]);
}
