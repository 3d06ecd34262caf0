'use client';

import { useState } from 'react';
import { causeName, type Finding } from '@/core/diagnosis';
import type { TraceRecord, VehicleRecord } from '@/storage/records';
import { judgeAgain } from '@/storage/traces';
import { updateVehicle } from '@/storage/vehicles';
import { useToast } from '@/ui/Toasts';
import { useUnits } from '@/ui/units';
import { learnInWorker } from '@/workers/client';

/** The vehicle's memory: what it did to this finding, or the offer to remember this trace as known good. */
export function MemoryNote({
  record,
  vehicle,
  finding,
}: {
  record: TraceRecord;
  vehicle: VehicleRecord;
  finding: Finding;
}) {
  const { show } = useUnits();
  const toast = useToast();
  const [busy, setBusy] = useState(false);
  const learn = async () => {
    setBusy(true);
    const learned = await learnInWorker(record.trace, vehicle.vehicle, vehicle.memory);
    setBusy(false);
    if (!learned.ok) return toast({ kind: 'error', text: `Learning failed: ${learned.error.message}.` });
    const { memory, goodTraceIds } = vehicle;
    await updateVehicle(vehicle.id, { memory: learned.value, goodTraceIds: [...goodTraceIds, record.id] });
    await judgeAgain(vehicle.id);
    toast({
      kind: 'info',
      text: `${vehicle.plate} remembers this trace. Its other traces are judged again.`,
      action: {
        label: 'Undo',
        run: () => void updateVehicle(vehicle.id, { memory, goodTraceIds }).then(() => judgeAgain(vehicle.id)),
      },
    });
  };
  if (vehicle.goodTraceIds.includes(record.id)) {
    return (
      <p className="mt-4">This trace is kept as known good: later traces of {vehicle.plate} are judged against it.</p>
    );
  }
  const { memory } = finding;
  const sound = finding.verdict.cause === 'healthy' && finding.verdict.grade !== 'inconclusive';
  return (
    <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2" data-testid="memory">
      {memory && (
        <p>
          Judged against {vehicle.plate}&rsquo;s own good traces: the band of a sound vehicle narrowed from{' '}
          {show('temperatureDifference', memory.bandWithout_k)} to {show('temperatureDifference', memory.band_k)}.
          Without them: {causeName(memory.without.cause).toLowerCase()} {Math.round(100 * memory.without.probability)}{' '}
          %.
        </p>
      )}
      {sound && (
        <button type="button" className="btn" disabled={busy} onClick={() => void learn()}>
          {busy ? 'Learning' : 'Keep this trace as known good'}
        </button>
      )}
    </div>
  );
}
