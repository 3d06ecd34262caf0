import type { RepairSheet } from '@/core/repair';

/** Figures that were taken from papers, each with where it stands. */
export function ReferencesTable({
  references,
  className,
}: {
  references: RepairSheet['plan']['references'];
  className?: string;
}) {
  if (references.length === 0) return null;
  return (
    <table className={className} data-testid="paper-references">
      <thead>
        <tr>
          <th>Figure from papers</th>
          <th>Value</th>
          <th>Source</th>
        </tr>
      </thead>
      <tbody>
        {references.map((r) => (
          <tr key={r.id}>
            <th>{r.what}</th>
            <td>
              <strong>{r.value}</strong>
            </td>
            <td>
              {r.source}
              {r.page === '' ? '' : `, page ${r.page}`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
