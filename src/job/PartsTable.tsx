import type { RepairSheet } from '@/core/repair';
import { WideTable } from '@/ui/WideTable';
import { useUnits } from '@/ui/units';

const YES = (v: boolean | null): string => (v === null ? '?' : v ? 'yes' : 'no');

/** The parts of a repair on paper, with what is in doubt of each as "?". */
export function PartsTable({ parts, className }: { parts: RepairSheet['plan']['parts']; className?: string }) {
  const { showTemperature } = useUnits();
  if (parts.length === 0) return null;
  return (
    <WideTable label="Parts">
      <table className={className} data-testid="paper-parts">
        <thead>
          <tr>
            <th>Part</th>
            <th>Rated</th>
            <th>Build</th>
            <th>Source</th>
            <th>Seal along</th>
            <th>Vent</th>
            <th>Warranty</th>
            <th>Note</th>
          </tr>
        </thead>
        <tbody>
          {parts.map((p) => (
            <tr key={p.id}>
              <th>{p.name}</th>
              <td>{p.rated_c === null ? '' : showTemperature(p.rated_c)}</td>
              <td>{p.build ?? ''}</td>
              <td>{p.source === null ? '?' : p.source === 'maker' ? 'maker’s' : 'other'}</td>
              <td>{p.rated_c === null ? '' : YES(p.sealIncluded)}</td>
              <td>{p.rated_c === null ? '' : YES(p.vent)}</td>
              <td>{p.warrantyUntil}</td>
              <td>{p.note}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </WideTable>
  );
}
