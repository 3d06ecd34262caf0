'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { jobFromLog } from '@/job/importToJob';
import { useKeep } from '@/job/useKeep';
import { useWrite } from '@/job/useWrite';
import { addJob } from '@/storage/jobs';
import { putBackDeleted } from '@/storage/bin';
import { addTriage, assignTriage, clearTriage, listTriage, rememberJob } from '@/storage/triage';
import { listVehicles } from '@/storage/vehicles';
import { saveFile } from '@/ui/saveFile';
import { useToast } from '@/ui/Toasts';
import { TriageTable } from './TriageTable';
import { takeFile } from './takeFile';
import { triageRow, triageTable, vehicleByName, type TriageRow } from './triageView';
import { useTriageQueue } from './useTriageQueue';

function Empty({ onChoose, onFolder }: { onChoose: () => void; onFolder: () => void }) {
  return (
    <div className="max-w-2xl py-10">
      <p className="text-2xl type-sign">Drop a folder of logs here</p>
      <p className="mt-2 text-lg leading-snug">
        Each log is judged on its own, several at a time, and lands in one table: vehicle, finding, grade and the codes
        that the drive would have set. A zip of several logs is unpacked. A log whose file name holds the name of a
        vehicle finds that vehicle by itself.
      </p>
      <div className="mt-5 flex gap-3">
        <button type="button" className="btn btn-primary" onClick={onChoose}>
          Choose logs
        </button>
        <button type="button" className="btn" onClick={onFolder}>
          Choose a folder
        </button>
      </div>
    </div>
  );
}

/** A folder of logs, judged in parallel and shown as one table. */
export function TriageScreen() {
  const records = useLiveQuery(listTriage, []);
  const vehicles = useLiveQuery(listVehicles, []);
  const [fallback, setFallback] = useState('');
  const folder = useRef<HTMLInputElement>(null);
  const toast = useToast();
  const router = useRouter();
  const keep = useKeep();
  const write = useWrite();
  const complain = useCallback((text: string) => toast({ kind: 'error', text }), [toast]);
  useTriageQueue(records, vehicles, complain);

  const take = async (files: readonly File[]) => {
    const logs = await Promise.all(files.map(takeFile));
    await write(
      addTriage(
        logs.flat().map((log) => ({
          ...log,
          vehicleId: vehicleByName(log.fileName, vehicles ?? []) ?? (fallback || null),
        })),
      ),
    );
  };
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: true,
    onDrop: (files) => void take(files),
  });
  const assign = useCallback(
    (row: TriageRow, vehicleId: string) => {
      keep(() => assignTriage(row.record.id, vehicleId));
    },
    [keep],
  );
  const openJob = useCallback(
    async (row: TriageRow) => {
      const { id, outcome, vehicleId, fileName, raw, jobId } = row.record;
      // One log, one job: the second time it is the same one.
      if (jobId !== undefined) return router.push(`/jobs/${jobId}`);
      if (vehicleId === null) return;
      const place = { vehicleId, fileName };
      if (outcome.state === 'judged') {
        const opened = await write(jobFromLog(place, raw, outcome));
        if (opened === null) return;
        await write(rememberJob(id, opened));
        return router.push(`/jobs/${opened}`);
      }
      // Its columns are chosen on the job: the address names the log.
      const job = await write(addJob({ vehicleId, complaint: `Log ${fileName}` }));
      if (job === null) return;
      await write(rememberJob(id, job.id));
      router.push(`/jobs/${job.id}?log=${id}`);
    },
    [write, router],
  );
  const rows = useMemo(() => (records ?? []).map((r) => triageRow(r, vehicles ?? [])), [records, vehicles]);
  if (!records || !vehicles) return <p className="p-8 type-label">Loading</p>;
  const waiting = rows.filter((r) => r.record.outcome.state === 'waiting' && r.vehicle !== '').length;
  const clear = () =>
    write(clearTriage(), {
      says: ({ count }) => `${count} logs taken off the table.`,
      undo: ({ binId }) => putBackDeleted(binId),
    });
  return (
    <div {...getRootProps()} className="relative min-h-[calc(100dvh-3.5rem)] px-5 py-6">
      <input {...getInputProps()} aria-label="Logs" data-testid="triage-files" />
      <input
        ref={folder}
        type="file"
        className="hidden"
        aria-label="Folder of logs"
        multiple
        {...{ webkitdirectory: '' }}
        onChange={(e) => void take([...(e.target.files ?? [])])}
      />
      {isDragActive && (
        <div className="absolute inset-0 z-40 grid place-items-center border-8 border-dashed border-primary bg-base-100/90">
          <p className="text-4xl type-sign">Drop the folder to judge its logs</p>
        </div>
      )}
      <div className="flex flex-wrap items-center gap-4">
        <h1 className="text-4xl type-sign">Many logs</h1>
        {waiting > 0 && (
          <span role="status" className="flex items-center gap-3">
            <progress
              className="progress w-40 progress-primary"
              max={rows.length}
              value={rows.length - waiting}
              aria-label="Judging the logs"
            />
            {waiting} to judge
          </span>
        )}
        <div className="flex-1" />
        <label className="flex items-center gap-2">
          <span className="type-label">Vehicle where the name does not tell</span>
          <select
            className="select w-44"
            aria-label="Vehicle where the name does not tell"
            value={fallback}
            onChange={(e) => setFallback(e.target.value)}
          >
            <option value="">ask me</option>
            {vehicles.map((v) => (
              <option key={v.id} value={v.id}>
                {v.plate}
              </option>
            ))}
          </select>
        </label>
        {rows.length > 0 && (
          <>
            <button type="button" className="btn" onClick={open}>
              Add logs
            </button>
            <button type="button" className="btn" onClick={() => saveFile('triage.csv', triageTable(rows), 'text/csv')}>
              Save the table
            </button>
            <button type="button" className="btn" onClick={() => void clear()}>
              Clear
            </button>
          </>
        )}
      </div>
      {rows.length === 0 ? (
        <Empty onChoose={open} onFolder={() => folder.current?.click()} />
      ) : (
        <TriageTable rows={rows} vehicles={vehicles} onAssign={assign} onOpen={(row) => void openJob(row)} />
      )}
    </div>
  );
}
