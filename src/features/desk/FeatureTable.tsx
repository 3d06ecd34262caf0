'use client';

import type { FeatureRow } from '@/core/desk';
import { useFeatureFigure } from '@/job/useFeatureFigure';

/** Where a figure lies against what is expected of a sound vehicle. */
function standing(row: FeatureRow): 'in' | 'below' | 'above' | null {
  if (!row.told || !row.expected) return null;
  const [low, high] = row.expected;
  const room = row.told.sd;
  if (row.told.value < low - room) return 'below';
  return row.told.value > high + room ? 'above' : 'in';
}

const STANDING = { in: '', below: '▼ below', above: '▲ above' } as const;

function Figure({ row, shown, onShow }: { row: FeatureRow; shown: boolean; onShow: (row: FeatureRow) => void }) {
  const figure = useFeatureFigure()(row.unit);
  const { told, expected } = row;
  const at = (v: number) => figure.value(v).toFixed(figure.digits);
  const stands = standing(row);
  return (
    <tr className={`border-b border-base-content/15 ${shown ? 'bg-primary/10' : ''}`}>
      <th scope="row" className="py-1 pr-2 text-left font-normal">
        {told ? (
          <button
            type="button"
            className={`text-left underline decoration-base-content/40 decoration-dotted underline-offset-4 ${shown ? 'font-semibold' : ''}`}
            aria-pressed={shown}
            title="Show where"
            onClick={() => onShow(row)}
          >
            {row.label}
          </button>
        ) : (
          row.label
        )}
      </th>
      {told ? (
        <>
          <td className="text-right whitespace-nowrap">
            <span className="text-base font-bold">{at(told.value)}</span>
            {told.sd > 0 && <span className="type-label"> ±{figure.sd(told.sd).toFixed(figure.digits)}</span>}{' '}
            <span className="type-label">{figure.unit}</span>
          </td>
          <td className="pl-3 text-right whitespace-nowrap">
            {expected ? `${at(expected[0])} to ${at(expected[1])}` : ''}
            {stands !== null && stands !== 'in' && <strong className="block text-xs">{STANDING[stands]}</strong>}
          </td>
        </>
      ) : (
        <td colSpan={2} className="py-1 text-right text-xs leading-tight text-base-content/80">
          {row.why}
        </td>
      )}
    </tr>
  );
}

/** Levels held in each kind of driving, for comparing at a glance. */
function HoldBands({ rows, onShow }: { rows: readonly FeatureRow[]; onShow: (row: FeatureRow) => void }) {
  const held = rows.filter((r) => r.name.startsWith('hold-') && r.told?.band);
  const figure = useFeatureFigure()('°C');
  if (held.length === 0) return null;
  const at = (v: number) => figure.value(v).toFixed(0);
  return (
    <table className="mt-4 w-full text-sm" data-testid="hold-bands">
      <caption className="text-left font-bold">Held once warm, {figure.unit}</caption>
      <thead>
        <tr className="text-right text-xs">
          <td />
          <th scope="col" className="font-normal">
            5 %
          </th>
          <th scope="col" className="font-normal">
            mean
          </th>
          <th scope="col" className="font-normal">
            95 %
          </th>
        </tr>
      </thead>
      <tbody>
        {held.map((r) => (
          <tr key={r.name} className="border-b border-base-content/15 text-right">
            <th scope="row" className="py-0.5 text-left font-normal">
              <button
                type="button"
                className="underline decoration-base-content/40 decoration-dotted underline-offset-4"
                title="Show where"
                onClick={() => onShow(r)}
              >
                {r.label.replace('Held ', '')}
              </button>
            </th>
            <td>{at(r.told!.band![0])}</td>
            <td className="font-bold">{figure.value(r.told!.value).toFixed(1)}</td>
            <td>{at(r.told!.band![1])}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Every figure of a drive beside what a sound vehicle would have shown; a click shows where it was read. */
export function FeatureTable({
  rows,
  shown,
  onShow,
}: {
  rows: readonly FeatureRow[];
  shown: string | null;
  onShow: (row: FeatureRow) => void;
}) {
  const told = rows.filter((r) => r.told && !r.name.startsWith('hold-'));
  const rest = rows.filter((r) => !r.told);
  return (
    <div>
      <table className="w-full text-sm" data-testid="features">
        <thead>
          <tr className="text-xs">
            <td />
            <th scope="col" className="text-right font-normal">
              this drive
            </th>
            <th scope="col" className="pl-3 text-right font-normal">
              sound vehicle
            </th>
          </tr>
        </thead>
        <tbody>
          {told.map((row) => (
            <Figure key={row.name} row={row} shown={row.name === shown} onShow={onShow} />
          ))}
        </tbody>
      </table>
      <HoldBands rows={rows} onShow={onShow} />
      {rest.length > 0 && (
        <details className="mt-4">
          <summary className="cursor-pointer font-semibold">{rest.length} that this drive does not tell</summary>
          <table className="mt-1 w-full text-sm">
            <tbody>
              {rest.map((row) => (
                <Figure key={row.name} row={row} shown={false} onShow={onShow} />
              ))}
            </tbody>
          </table>
        </details>
      )}
    </div>
  );
}
