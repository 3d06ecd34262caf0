'use client';

import { useState } from 'react';
import { causeName } from '@/core/evidence';
import type { Finding } from '@/core/judge';
import type { TraceRecord, VehicleRecord } from '@/storage/records';
import { useWrite } from '@/job/useWrite';
import { changeVehicle } from '@/storage/changeVehicle';
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
  const write = useWrite();
  const [busy, setBusy] = useState(false);
  const learn = async () => {
    setBusy(true);
    const learned = await learnInWorker(record.trace, vehicle.vehicle, vehicle.memory);
    setBusy(false);
    if (!learned.ok) {
      const why = learned.error.kind === 'bug' ? learned.error.message : 'it was stopped';
      return toast({ kind: 'error', text: `Learning failed: ${why}.` });
    }
    await write(
      changeVehicle(vehicle.id, { memory: learned.value, goodTraceIds: [...vehicle.goodTraceIds, record.id] }, true),
      {
        says: `${vehicle.plate} remembers this trace. Its other traces are judged again.`,
        undo: (before) => changeVehicle(vehicle.id, before, true),
      },
    );
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
