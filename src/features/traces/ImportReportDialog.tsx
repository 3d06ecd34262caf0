'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { CHANNELS } from '@/core/base';
import {
  type Cleaning,
  type CleaningKind,
  type ImportQuestion,
  type ImportReport,
  type ReadOptions,
} from '@/core/formats';
import { loadTrace, replaceReading } from '@/storage/traces';
import type { TraceRecord } from '@/storage/records';
import { Dialog } from '@/ui/Dialog';
import { laidBeside } from '@/job/laidBeside';
import { useWrite } from '@/job/useWrite';
import { useToast } from '@/ui/Toasts';
import { ColumnMapping } from './ColumnMapping';
import { ExportButtons } from './ExportButtons';
import { SecondLog } from './SecondLog';
import { useImport } from './useImport';

const CONFIDENCE_MARK = { sure: 'sure', likely: 'likely', unsure: 'unsure' } as const;

function Columns({ report }: { report: ImportReport }) {
  return (
    <table className="table table-sm">
      <thead className="text-base-content">
        <tr>
          <th scope="col">Column in the file</th>
          <th scope="col">Read as</th>
          <th scope="col">Unit</th>
          <th scope="col">How sure</th>
        </tr>
      </thead>
      <tbody>
        {report.columns.map((c) => (
          <tr key={c.column}>
            <th scope="row" className="break-words whitespace-normal">
              {c.header}
            </th>
            <td>{c.channel === 'time_s' ? 'Time' : CHANNELS[c.channel].label}</td>
            <td>{c.unit}</td>
            <td className={c.confidence === 'sure' ? '' : 'font-bold'}>
              {CONFIDENCE_MARK[c.confidence]}: {c.why}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Lines({ cleaning }: { cleaning: Cleaning }) {
  const shown = cleaning.lines.slice(0, 8).join(', ');
  const more = cleaning.count > 8 ? ` and ${cleaning.count - Math.min(8, cleaning.lines.length)} more` : '';
  return <span className="type-label">{cleaning.lines.length === 1 ? `line ${shown}` : `lines ${shown}${more}`}</span>;
}

function CleaningList({ report, onTurn }: { report: ImportReport; onTurn: (kind: CleaningKind) => void }) {
  if (report.cleaning.length === 0) {
    return <p className="mt-1">Nothing had to be cleaned: every row stands as it was logged.</p>;
  }
  return (
    <ul className="mt-1 divide-y divide-base-content/15" data-testid="cleaning">
      {report.cleaning.map((c) => (
        <li key={`${c.kind} ${c.what}`} className="flex items-center gap-4 py-2">
          <span className="flex-1">
            {c.what} <Lines cleaning={c} />
          </span>
          {c.otherwise && (
            <button type="button" className="btn btn-sm" onClick={() => onTurn(c.kind)}>
              {c.otherwise}
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

function Report({ record, beside, onDone }: { record: TraceRecord; beside: File | null; onDone: () => void }) {
  const toast = useToast();
  const write = useWrite();
  const { reading, read } = useImport();
  const [question, setQuestion] = useState<ImportQuestion | null>(null);
  const [second, setSecond] = useState(beside !== null);
  const { report, options } = record;
  const again = async (change: ReadOptions) => {
    const result = await read(record.raw, record.fileName, change);
    if (!result.ok) return toast({ kind: 'error', text: result.error.message });
    const before = { trace: record.trace, report, options, companion: record.companion ?? null };
    const { trace: alone, report: now, options: chosen } = result.value;
    const companion = record.companion ? { ...record.companion, alone } : null;
    const trace = laidBeside(alone, companion);
    await write(replaceReading(record.id, { trace, report: now, options: chosen, companion }), {
      says: `${record.fileName} was read again: ${now.rows} rows.`,
      undo: () => replaceReading(record.id, before),
    });
  };
  const turn = (kind: CleaningKind) => {
    const otherwise = new Set(options.otherwise);
    if (!otherwise.delete(kind)) otherwise.add(kind);
    void again({ ...options, otherwise: [...otherwise] });
  };
  const askColumns = async () => {
    const result = await read(record.raw, record.fileName, options);
    if (!result.ok) return setQuestion(result.error.question);
    const { guesses, previews } = result.value;
    setQuestion({ guesses, previews, numbersOpen: false });
  };
  if (second) return <SecondLog record={record} first={beside} onDone={() => setSecond(false)} />;
  if (question) {
    return (
      <ColumnMapping
        question={question}
        chosen={Object.fromEntries(report.columns.map((c) => [c.column, { channel: c.channel, unit: unitChoice(c) }]))}
        onChoose={(change) => {
          setQuestion(null);
          void again({ ...options, ...change });
          onDone();
        }}
      />
    );
  }
  return (
    <>
      <p className="text-lg">
        <strong>{report.rows}</strong> rows over <strong>{Math.round(report.duration_s / 60)} min</strong>,{' '}
        {report.format}
        {reading && <span className="loading ml-3 loading-sm loading-spinner" aria-label="Reading again" />}
      </p>
      <Columns report={report} />
      {report.ignored.length > 0 && <p className="mt-1 text-sm break-words">Left out: {report.ignored.join(', ')}</p>}
      <h3 className="mt-4 text-xl type-sign">Cleaning</h3>
      <CleaningList report={report} onTurn={turn} />
      {report.notes.length > 0 && (
        <ul className="mt-3 list-disc pl-5 text-sm">
          {report.notes.map((n) => (
            <li key={n}>{n}</li>
          ))}
        </ul>
      )}
      <div className="mt-5 flex flex-wrap gap-3">
        <button type="button" className="btn btn-primary" onClick={() => void askColumns()}>
          Change the columns
        </button>
        <button type="button" className="btn" onClick={() => setSecond(true)}>
          {record.companion ? `Second log: ${record.companion.fileName}` : 'Add a second log of this drive'}
        </button>
        <ExportButtons record={record} />
      </div>
    </>
  );
}

/** Units that describe how cells were understood are no choices. */
const unitChoice = ({ channel, unit }: { channel: string; unit: string }): string | null =>
  channel === 'time_s' && (unit === 'clock' || unit === 'date and time') ? null : unit;

/** A trace whose import is looked at, with a second log to lay beside it; null without one. */
export interface ShownImport {
  readonly traceId: string;
  readonly second: File | null;
}

/** How a trace was read from its file, and what else could be done with it. */
export function ImportReportDialog({ shown, onClose }: { shown: ShownImport | null; onClose: () => void }) {
  const traceId = shown?.traceId ?? null;
  const record = useLiveQuery(() => (traceId === null ? undefined : loadTrace(traceId)), [traceId]);
  return (
    <Dialog
      title={record ? `How ${record.fileName} was read` : 'Import report'}
      open={traceId !== null}
      onClose={onClose}
      wide
    >
      {record && shown && <Report key={record.id} record={record} beside={shown.second} onDone={onClose} />}
    </Dialog>
  );
}
