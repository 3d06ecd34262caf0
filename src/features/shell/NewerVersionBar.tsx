'use client';

import { useOfflineCopy } from './useOfflineCopy';

/** Says that a newer version is here, and takes it over on a word. */
export function NewerVersionBar() {
  const newer = useOfflineCopy();
  if (!newer) return null;
  return (
    <div
      role="status"
      data-testid="newer-version"
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-base-content/30 bg-base-200 px-5 py-2 print:hidden"
    >
      <p className="min-w-0 flex-1 basis-72 leading-snug">
        <strong>A newer Varmek is here.</strong> It comes by itself once every tab was closed. Taken over now, all tabs
        load anew: keep open forms first.
      </p>
      <button type="button" className="btn" onClick={newer.takeOver}>
        Take it over now
      </button>
    </div>
  );
}
