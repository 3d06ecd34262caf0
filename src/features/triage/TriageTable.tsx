'use client';

import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFn_alphanumeric,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo } from 'react';
import type { VehicleRecord } from '@/storage/records';
import { Said } from '@/ui/units';
import { GRADE_ORDER, openWords, type TriageRow } from './triageView';

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric },
});
const helper = createColumnHelper<typeof features, TriageRow>();

const ARIA_SORT = { asc: 'ascending', desc: 'descending' } as const;

/** The batch as a table that sorts by any column. */
export function TriageTable({
  rows,
  vehicles,
  onAssign,
  onOpen,
}: {
  rows: readonly TriageRow[];
  vehicles: readonly VehicleRecord[];
  onAssign: (row: TriageRow, vehicleId: string) => void;
  onOpen: (row: TriageRow) => void;
}) {
  const columns = useMemo(
    () =>
      helper.columns([
        helper.accessor('file', {
          header: 'Log',
          sortFn: 'alphanumeric',
          cell: ({ row }) => <span className="block min-w-36">{row.original.file}</span>,
        }),
        helper.accessor('vehicle', {
          header: 'Vehicle',
          sortFn: 'alphanumeric',
          cell: ({ row }) => (
            <select
              className="select w-40 select-sm"
              aria-label={`Vehicle of ${row.original.file}`}
              value={row.original.record.vehicleId ?? ''}
              onChange={(e) => onAssign(row.original, e.target.value)}
            >
              <option value="" disabled>
                choose
              </option>
              {vehicles.map((v) => (
                <option key={v.id} value={v.id}>
                  {v.plate}
                </option>
              ))}
            </select>
          ),
        }),
        helper.accessor('finding', {
          header: 'Finding',
          sortFn: 'alphanumeric',
          cell: ({ row }) => <span className="text-lg type-sign">{row.original.finding}</span>,
        }),
        helper.accessor((r) => r.probability ?? -1, {
          id: 'probability',
          header: 'Odds',
          cell: ({ row }) =>
            row.original.probability === null ? '' : `${Math.round(100 * row.original.probability)} %`,
        }),
        helper.accessor((r) => GRADE_ORDER.indexOf(r.grade), {
          id: 'grade',
          header: 'Grade',
          cell: ({ row }) => row.original.grade,
        }),
        helper.accessor('codes', { header: 'Codes', sortFn: 'alphanumeric' }),
        helper.accessor('remark', {
          header: 'Next',
          sortFn: 'alphanumeric',
          cell: ({ row }) => (
            <span className="line-clamp-2 text-sm">
              <Said>{row.original.remark}</Said>
            </span>
          ),
        }),
        helper.display({
          id: 'open',
          header: '',
          cell: ({ row }) =>
            openWords(row.original) && (
              <button type="button" className="btn whitespace-nowrap btn-sm" onClick={() => onOpen(row.original)}>
                {openWords(row.original)}
              </button>
            ),
        }),
      ]),
    [vehicles, onAssign, onOpen],
  );
  const data = useMemo(() => [...rows], [rows]);
  const table = useTable({
    features,
    columns,
    data,
    enableSortingRemoval: false,
    initialState: { sorting: [{ id: 'grade', desc: false }] },
    getRowId: (row) => row.record.id,
  });
  return (
    <table className="table" aria-label="Judged logs">
      <thead className="text-base-content">
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map((header) => {
              const sorted = header.column.getIsSorted();
              return (
                <th key={header.id} scope="col" aria-sort={sorted ? ARIA_SORT[sorted] : undefined} className="px-2">
                  {header.column.getCanSort() ? (
                    <button
                      type="button"
                      className="flex min-h-11 items-center gap-1 font-bold"
                      onClick={header.column.getToggleSortingHandler()}
                    >
                      <table.FlexRender header={header} />
                      {sorted === 'asc' && <ArrowUp aria-hidden className="size-4" />}
                      {sorted === 'desc' && <ArrowDown aria-hidden className="size-4" />}
                    </button>
                  ) : (
                    <span className="sr-only">Open</span>
                  )}
                </th>
              );
            })}
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map((row) => (
          <tr key={row.id}>
            {row.getAllCells().map((cell) => (
              <td key={cell.id} className="px-2 break-words">
                <table.FlexRender cell={cell} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
