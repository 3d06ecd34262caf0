'use client';

import { CHANNELS } from '@/core/base';
import { withoutParameter, writeCanLog, writeTrace, writeTraceJson } from '@/core/formats';
import type { TraceRecord } from '@/storage/records';
import { saveBlob, saveFile } from '@/ui/saveFile';

/** Saves a trace in open formats, and its file as it came. */
export function ExportButtons({ record }: { record: TraceRecord }) {
  const name = record.fileName.replace(/\.[^.]*$/, '');
  const lost = withoutParameter(record.trace).map((c) => CHANNELS[c].label.toLowerCase());
  const kinds = [
    { label: 'CSV', save: () => saveFile(`${name} canonical.csv`, writeTrace(record.trace), 'text/csv') },
    { label: 'JSON', save: () => saveFile(`${name}.json`, writeTraceJson(record.trace), 'application/json') },
    { label: 'CAN log', save: () => saveFile(`${name}.log`, writeCanLog(record.trace), 'text/plain') },
    { label: 'The file as it came', save: () => saveBlob(record.fileName, record.raw) },
  ];
  return (
    <div className="flex flex-wrap items-center gap-2">
      <span className="type-label">Save as</span>
      {kinds.map((kind) => (
        <button key={kind.label} type="button" className="btn" onClick={kind.save}>
          {kind.label}
        </button>
      ))}
      {lost.length > 0 && <span className="type-label">A CAN log leaves out {lost.join(', ')}.</span>}
    </div>
  );
}
