'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';
import { useHotkeys } from 'react-hotkeys-hook';
import type { ImportError, ReadOptions } from '@/core/formats';
import { loadJob } from '@/storage/jobs';
import { addTrace, deleteTrace } from '@/storage/traces';
import type { TraceRecord } from '@/storage/records';
import { OpenFilesContext } from '@/ui/openFiles';
import { ShowImportContext } from '@/ui/showImport';
import { useToast } from '@/ui/Toasts';
import { ColumnMapping } from './ColumnMapping';
import { ImportReportDialog } from './ImportReportDialog';
import { useImport, type Reading } from './useImport';

interface Refused {
  readonly file: File;
  readonly error: ImportError;
}

function where(error: ImportError): string {
  const parts = [
    error.line === null ? null : `line ${error.line}`,
    error.column === null ? null : `column ${error.column}`,
  ];
  return parts.filter((p) => p !== null).join(', ');
}

function Progress({ reading, onStop }: { reading: Reading; onStop: () => void }) {
  return (
    <div role="status" className="flex items-center gap-4 border-b border-base-content/20 px-5 py-3">
      <span className="font-semibold">Reading {reading.name}</span>
      <progress
        className="progress w-72 progress-primary"
        max={1}
        value={reading.share}
        aria-label="Reading the file"
      />
      <button type="button" className="btn btn-sm" onClick={onStop}>
        Stop reading
      </button>
    </div>
  );
}

/** What was just read, in one line. */
function ImportedStrip({
  record,
  onReport,
  onUndo,
  onClose,
}: {
  record: TraceRecord;
  onReport: () => void;
  onUndo: () => void;
  onClose: () => void;
}) {
  const { rows, duration_s, format, columns, cleaning, notes } = record.report;
  const cleaned = cleaning.length + notes.length;
  const channels = columns.filter((c) => c.channel !== 'time_s').length;
  return (
    <div
      role="status"
      data-testid="imported"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-base-content/20 px-5 py-2"
    >
      <span>
        <strong>{record.fileName}</strong>: {rows} rows, {Math.round(duration_s / 60)} min, {channels}{' '}
        {channels === 1 ? 'channel' : 'channels'}, {format}.{' '}
        {cleaned > 0 && <strong>{cleaned === 1 ? 'One thing to know.' : `${cleaned} things to know.`}</strong>}
      </span>
      <button type="button" className="btn btn-sm" onClick={onReport}>
        Import report
      </button>
      <button type="button" className="btn btn-sm" onClick={onUndo}>
        Take the log back
      </button>
      <button type="button" className="btn btn-square btn-ghost btn-sm" aria-label="Close this line" onClick={onClose}>
        <X aria-hidden className="size-4" />
      </button>
    </div>
  );
}

function RefusedPanel({
  refused,
  onChoose,
  onOther,
  onClose,
}: {
  refused: Refused;
  onChoose: (options: ReadOptions) => void;
  onOther: () => void;
  onClose: () => void;
}) {
  const { error, file } = refused;
  const asks = error.code === 'needs-mapping';
  return (
    <div
      role="alert"
      className={`border-b-2 px-5 py-4 ${asks ? 'border-warning' : 'border-error'}`}
      data-testid="import-error"
    >
      <p className="text-xl type-sign">
        {file.name} {asks ? 'needs a word from you' : 'was not read'}
      </p>
      <p className="mt-1 text-lg">{error.message}</p>
      {where(error) && <p className="type-label">At {where(error)}. Nothing on this job was changed.</p>}
      {error.guesses && error.guesses.length > 0 && (
        <ColumnMapping guesses={error.guesses} numbersOpen={error.numbersOpen} onChoose={onChoose} />
      )}
      <div className="mt-3 flex gap-3">
        <button type="button" className={asks ? 'btn' : 'btn btn-primary'} onClick={onOther}>
          Choose another file
        </button>
        <button type="button" className="btn" onClick={onClose}>
          Close
        </button>
      </div>
    </div>
  );
}

/** Takes log files: dropped anywhere on the job, or chosen. What cannot be read says what, where and how to mend it. */
export function TraceIntake({ jobId, children }: { jobId: string; children: ReactNode }) {
  const detail = useLiveQuery(() => loadJob(jobId), [jobId]);
  const toast = useToast();
  const router = useRouter();
  const { reading, read, stop } = useImport();
  const [refused, setRefused] = useState<Refused | null>(null);
  const [imported, setImported] = useState<string | null>(null);
  const [shown, setShown] = useState<string | null>(null);

  const take = async (file: File, options: ReadOptions | null) => {
    if (!detail) return;
    setRefused(null);
    const result = await read(file, file.name, options);
    if (!result.ok) return setRefused({ file, error: result.error });
    const { trace, report } = result.value.read;
    const kept = await addTrace({
      jobId,
      vehicleId: detail.job.vehicleId,
      fileName: file.name,
      // A copy: the file itself may be gone from its disk tomorrow.
      raw: new Blob([await file.arrayBuffer()], { type: file.type || 'text/csv' }),
      trace,
      report,
      options: result.value.options,
    });
    if (!kept.ok) return toast({ kind: 'error', text: kept.error.message });
    setImported(kept.value.id);
    router.push(`/jobs/${jobId}`);
  };

  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: true,
    onDrop: (files) => {
      void (async () => {
        for (const file of files) await take(file, null);
      })();
    },
  });
  useHotkeys('o', open, { preventDefault: true });
  const justImported = detail?.traces.find((t) => t.id === imported);
  return (
    <div {...getRootProps()} className="relative min-h-[calc(100dvh-13rem)]">
      <input {...getInputProps()} aria-label="Log file" data-testid="log-file" />
      {isDragActive && (
        <div className="absolute inset-0 z-40 grid place-items-center border-8 border-dashed border-primary bg-base-100/90">
          <p className="text-4xl type-sign">Drop the log to judge it</p>
        </div>
      )}
      {reading && <Progress reading={reading} onStop={stop} />}
      {justImported && (
        <ImportedStrip
          record={justImported}
          onReport={() => setShown(justImported.id)}
          onUndo={() => void deleteTrace(justImported.id)}
          onClose={() => setImported(null)}
        />
      )}
      {refused && (
        <RefusedPanel
          refused={refused}
          onChoose={(options) => void take(refused.file, options)}
          onOther={open}
          onClose={() => setRefused(null)}
        />
      )}
      <ImportReportDialog traceId={shown} onClose={() => setShown(null)} />
      <OpenFilesContext value={open}>
        <ShowImportContext value={setShown}>{children}</ShowImportContext>
      </OpenFilesContext>
    </div>
  );
}
