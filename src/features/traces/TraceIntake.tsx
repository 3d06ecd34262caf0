'use client';

import { usePathname, useRouter } from 'next/navigation';
import { useMemo, useState, type ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';
import { useHotkeys } from 'react-hotkeys-hook';
import { CHANNELS, logPrint, type ChannelName } from '@/core/base';
import type { ImportError, ReadOptions, ReadTrace } from '@/core/formats';
import { keepLog } from '@/job/importToJob';
import { useJob } from '@/job/JobProvider';
import { useKeep } from '@/job/useKeep';
import { useWrite } from '@/job/useWrite';
import { isLooseBench } from '@/storage/benches';
import { putBackDeleted } from '@/storage/bin';
import { deleteTrace } from '@/storage/traces';
import type { TraceRecord } from '@/storage/records';
import { OpenFilesContext } from '@/ui/openFiles';
import { ShowImportContext } from '@/ui/showImport';
import { ColumnMapping } from './ColumnMapping';
import { ImportedStrip } from './ImportedStrip';
import { ImportReportDialog, type ShownImport } from './ImportReportDialog';
import { useImport, type FileInProgress } from './useImport';
import { useTriageColumns } from './useTriageColumns';

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

function Progress({ reading, onStop }: { reading: FileInProgress; onStop: () => void }) {
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
      {error.question && error.question.guesses.length > 0 && (
        <ColumnMapping question={error.question} onChoose={onChoose} />
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

/** A log that may be a second one of the drive that is here. */
interface Doubtful {
  readonly file: File;
  readonly read: ReadTrace;
  readonly beside: TraceRecord;
}

/** True for a log of temperatures only: a thermocouple's log of the same drive looks like one. */
const onlyTemperatures = ({ trace }: ReadTrace): boolean =>
  Object.keys(trace.channels).every((name) => CHANNELS[name as ChannelName].quantity === 'temperature');

function SecondOrAnother({
  doubtful,
  onDrive,
  onBeside,
  onClose,
}: {
  doubtful: Doubtful;
  onDrive: () => void;
  onBeside: () => void;
  onClose: () => void;
}) {
  return (
    <div role="alert" className="border-b-2 border-warning px-5 py-4" data-testid="second-or-another">
      <p className="text-xl type-sign">{doubtful.file.name}: another drive, or a second log of the one before?</p>
      <p className="mt-1">
        It holds temperatures only. A drive of its own is judged as coolant; a second log (hose, housing, heater) is
        laid beside {doubtful.beside.fileName}.
      </p>
      <div className="mt-3 flex gap-3">
        <button type="button" className="btn btn-primary" onClick={onDrive}>
          Another drive
        </button>
        <button type="button" className="btn" onClick={onBeside}>
          A second log of that drive
        </button>
        <button type="button" className="btn btn-ghost" onClick={onClose}>
          Neither
        </button>
      </div>
    </div>
  );
}

/** Takes logs for a job; a bench test that belongs to none takes no drive. */
export function TraceIntake({ children }: { children: ReactNode }) {
  return isLooseBench(useJob().job) ? children : <JobIntake>{children}</JobIntake>;
}

/** Takes log files: dropped anywhere on the job, or chosen. What cannot be read says what, where and how to mend it. */
function JobIntake({ children }: { children: ReactNode }) {
  const { job, traces } = useJob();
  const keep = useKeep();
  const write = useWrite();
  const router = useRouter();
  const here = usePathname();
  const { reading, read, stop } = useImport();
  // Of several files dropped at once each may have its question: they are asked one after the other.
  const [refusals, setRefusals] = useState<readonly Refused[]>([]);
  const [doubts, setDoubts] = useState<readonly Doubtful[]>([]);
  const [refused] = refusals;
  const [doubtful] = doubts;
  const closeRefused = () => setRefusals((all) => all.slice(1));
  const closeDoubtful = () => setDoubts((all) => all.slice(1));
  const [imported, setImported] = useState<string | null>(null);
  const [shown, setShown] = useState<ShownImport | null>(null);

  const store = async (file: File, taken: ReadTrace) => {
    const place = { jobId: job.id, vehicleId: job.vehicleId, fileName: file.name };
    const kept = await write(keepLog(place, file, taken));
    if (kept) setImported(kept.id);
  };
  const take = async (file: File, options: ReadOptions) => {
    const result = await read(file, file.name, options);
    if (!result.ok) return setRefusals((all) => [...all, { file, error: result.error }]);
    const [beside] = traces;
    const twin = traces.some((t) => logPrint(t.trace) === logPrint(result.value.trace));
    if (beside && !twin && onlyTemperatures(result.value)) {
      return setDoubts((all) => [...all, { file, read: result.value, beside }]);
    }
    await store(file, result.value);
  };
  useTriageColumns((file) => void take(file, {}));

  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: true,
    onDrop: (files) => {
      setRefusals([]);
      void (async () => {
        for (const file of files) await take(file, {});
      })();
    },
  });
  useHotkeys('o', open, { preventDefault: true });
  const justImported = traces.find((t) => t.id === imported);
  const twin = useMemo(() => {
    if (!justImported) return null;
    const print = logPrint(justImported.trace);
    return traces.find((t) => t !== justImported && logPrint(t.trace) === print) ?? null;
  }, [traces, justImported]);
  return (
    <div {...getRootProps()} className="relative min-h-[calc(100dvh-3.5rem)]">
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
          twin={twin}
          onLook={here === `/jobs/${job.id}` ? null : () => router.push(`/jobs/${job.id}`)}
          onReport={() => setShown({ traceId: justImported.id, second: null })}
          onUndo={() =>
            keep(() => deleteTrace(justImported.id), { says: 'The log was taken back.', undo: putBackDeleted })
          }
          onClose={() => setImported(null)}
        />
      )}
      {doubtful && (
        <SecondOrAnother
          doubtful={doubtful}
          onDrive={() => {
            closeDoubtful();
            void store(doubtful.file, doubtful.read);
          }}
          onBeside={() => {
            closeDoubtful();
            setShown({ traceId: doubtful.beside.id, second: doubtful.file });
          }}
          onClose={closeDoubtful}
        />
      )}
      {refused && (
        <RefusedPanel
          key={`${refused.file.name} ${refusals.length}`}
          refused={refused}
          onChoose={(options) => {
            closeRefused();
            void take(refused.file, options);
          }}
          onOther={open}
          onClose={closeRefused}
        />
      )}
      <ImportReportDialog shown={shown} onClose={() => setShown(null)} />
      <OpenFilesContext value={open}>
        <ShowImportContext value={(traceId) => setShown({ traceId, second: null })}>{children}</ShowImportContext>
      </OpenFilesContext>
    </div>
  );
}
