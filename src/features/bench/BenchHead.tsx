'use client';

/** How much was taken, and a way to begin another test without losing it. */
export function BenchHead({
  what,
  count,
  earlier,
  onAgain,
}: {
  what: string;
  count: number;
  earlier: number;
  onAgain: () => void;
}) {
  if (count === 0 && earlier === 0) return null;
  return (
    <p className="flex flex-wrap items-center gap-3 text-sm">
      <span className="type-label">
        {count} {what}
        {earlier > 0 && `, ${earlier} earlier ${earlier === 1 ? 'test' : 'tests'} in the chronicle`}
      </span>
      {count > 0 && (
        <button type="button" className="btn btn-sm print:hidden" onClick={onAgain}>
          Test it again
        </button>
      )}
    </p>
  );
}
