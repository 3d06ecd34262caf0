'use client';

import { writeQueue, type WaitingView } from '@/storage/writeQueue';

/** What could not be kept: how much, why, that it is held here, and the ways on. */
export function UnsavedBar({ waiting }: { waiting: WaitingView }) {
  const { count, why } = waiting;
  if (count === 0) return null;
  return (
    <div
      role="alert"
      data-testid="unsaved"
      className="sticky top-0 z-40 flex flex-wrap items-center gap-x-4 gap-y-2 bg-error px-5 py-2 text-error-content print:hidden"
    >
      <p className="text-xl type-sign whitespace-nowrap">{count === 1 ? '1 change' : `${count} changes`} not kept</p>
      <p className="min-w-0 flex-1 basis-72 leading-snug">
        {why} This tab holds {count === 1 ? 'it' : 'them'} and goes on trying: leave it open.
      </p>
      <button type="button" className="btn" onClick={() => void writeQueue.tryAgain()}>
        Try now
      </button>
      <button
        type="button"
        className="btn border-error-content bg-transparent text-error-content"
        onClick={() => writeQueue.letGo()}
      >
        Let {count === 1 ? 'it' : 'them'} go
      </button>
    </div>
  );
}
