import type { Shown } from './useRunning';

/** How far long work is, with the way to stop it, or why it failed. */
export function WorkLine({ work, doing }: { work: Shown; doing: string }) {
  if (work.error !== null) {
    return (
      <p role="alert" className="mt-3 max-w-2xl border-l-4 border-error pl-3">
        {work.error}
      </p>
    );
  }
  if (work.share === null) return null;
  return (
    <div role="status" className="mt-3 flex flex-wrap items-center gap-4">
      <span className="font-semibold">{doing}</span>
      <progress className="progress w-60 progress-primary" max={1} value={work.share} aria-label={doing} />
      <button type="button" className="btn" onClick={work.stop}>
        Stop
      </button>
    </div>
  );
}
