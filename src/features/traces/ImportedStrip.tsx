'use client';

import { X } from 'lucide-react';
import type { TraceRecord } from '@/storage/records';

/** A log that was just kept: what it is, and what can be done with it at once. */
export function ImportedStrip({
  record,
  twin,
  onLook,
  onReport,
  onUndo,
  onClose,
}: {
  record: TraceRecord;
  /** A trace of this job with the very same readings; null without one. */
  twin: TraceRecord | null;
  /** Goes to the trace; null where it is in sight. */
  onLook: (() => void) | null;
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
        {cleaned > 0 && <strong>{cleaned === 1 ? 'One thing to know.' : `${cleaned} things to know.`}</strong>}{' '}
        {twin && <strong>The same log as {twin.fileName} on this job: it counts once.</strong>}
      </span>
      {onLook && (
        <button type="button" className="btn btn-primary btn-sm" onClick={onLook}>
          Look at the trace
        </button>
      )}
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
