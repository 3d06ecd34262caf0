'use client';

import { format } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo, useState } from 'react';
import { compareLooks, type Comparison, type DriveLook, type FeatureChange } from '@/core/desk';
import { ALIGNED_FROM_C, ALIGNMENTS, type DriveAlignment } from '@/core/drive';
import { useJob } from '@/job/JobProvider';
import type { TraceRecord } from '@/storage/records';
import { listOtherDrives } from '@/storage/otherDrives';
import { ChartLegend, laneLegend } from '@/ui/picture/ChartLegend';
import { ScaledPicture, type PictureScale } from '@/ui/picture/ScaledPicture';
import { useUnits } from '@/ui/units';
import { driveOverlay, OVERLAY_LOOKS } from '@/job/driveOverlay';
import { useFeatureFigure } from '@/job/useFeatureFigure';
import { useOtherLooks } from './useOtherLooks';

const ALIGNED: Readonly<Record<DriveAlignment, string>> = {
  start: 'start of the drive',
  temperature: `${ALIGNED_FROM_C} °C`,
  opening: 'opening',
  heat: 'heat put in',
};
const CONDITION = {
  outside: 'Outside',
  start: 'Start',
  load: 'Mean fuel power',
  speed: 'Mean speed',
  heater: 'Cabin blower',
  length: 'Engine ran for',
  gearing: 'Gearing, else another car',
} as const;
const BECAME = { better: 'better', worse: 'worse', different: 'changed', same: 'as before' } as const;

function Conditions({ comparison }: { comparison: Comparison }) {
  const { show } = useUnits();
  const shown = (unit: string, v: number | null, difference = false) => {
    if (v === null) return 'not known';
    if (unit === '°C') return show(difference ? 'temperatureDifference' : 'temperature', v);
    if (unit === 'km/h') return show('speed', v);
    return `${v.toFixed(unit === 'min' ? 0 : 1)} ${unit}`;
  };
  return (
    <table className="mt-2 w-full text-sm" data-testid="compare-conditions">
      <thead>
        <tr className="text-right text-xs">
          <td />
          <th scope="col" className="font-normal">
            other
          </th>
          <th scope="col" className="font-normal">
            this
          </th>
          <th scope="col" className="font-normal">
            may differ by
          </th>
        </tr>
      </thead>
      <tbody>
        {comparison.conditions.map((c) => (
          <tr
            key={c.condition}
            className={`border-b border-base-content/15 text-right ${c.agrees === false ? 'font-bold text-error' : ''}`}
          >
            <th scope="row" className="py-0.5 text-left font-[inherit]">
              {c.agrees === false ? '✕ ' : ''}
              {CONDITION[c.condition]}
            </th>
            <td>{shown(c.unit, c.before)}</td>
            <td>{shown(c.unit, c.after)}</td>
            <td>{shown(c.unit, c.tolerance, true)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Change({ change }: { change: FeatureChange }) {
  const figure = useFeatureFigure()(change.unit);
  const at = (v: number) => figure.value(v).toFixed(figure.digits);
  return (
    <tr className="border-b border-base-content/15 text-right">
      <th scope="row" className="py-0.5 text-left font-normal">
        {change.label}
      </th>
      <td>{at(change.before)}</td>
      <td className="font-semibold">{at(change.after)}</td>
      <td className="pl-2 text-xs whitespace-nowrap">{figure.unit}</td>
      <td className={`pl-2 ${change.became === 'same' ? 'type-label' : 'font-bold'}`}>{BECAME[change.became]}</td>
    </tr>
  );
}

/** What to say of a comparison before any figure. */
function verdict(comparison: Comparison): string {
  if (comparison.comparable) return 'The two can be compared.';
  const differ = comparison.conditions.filter((c) => c.agrees === false);
  const names = differ.map((c) => CONDITION[c.condition].toLowerCase()).join(', ');
  return differ.length > 0
    ? `Not comparable: ${names} ${differ.length === 1 ? 'differs' : 'differ'} by too much. What changed below says nothing of the car.`
    : 'Not comparable: the outside temperature of one of them is not known.';
}

/** This drive over another: before and after, or another car of the kind. */
export function ComparePanel({ record, look, scale }: { record: TraceRecord; look: DriveLook; scale: PictureScale }) {
  const { vehicle } = useJob();
  const others = useLiveQuery(() => listOtherDrives(vehicle, record.id), [vehicle.id, record.id]);
  const [chosen, setChosen] = useState<string | null>(null);
  const [by, setBy] = useState<DriveAlignment>('start');
  const [also, setAlso] = useState<readonly string[]>([]);
  const otherId = chosen ?? others?.[0]?.id ?? null;
  const measured = useOtherLooks(otherId === null ? [] : [otherId, ...also.filter((id) => id !== otherId)]);
  const other = measured.find((m) => m.drive.record.id === otherId) ?? null;
  const comparison = useMemo(() => other && compareLooks(other.look, look), [other, look]);
  const laid =
    other &&
    driveOverlay(
      { look, name: record.fileName },
      measured.map((m) => ({ look: m.look, name: m.drive.record.fileName })),
      by,
    );
  const further = (others ?? []).filter((o) => o.id !== otherId);
  if (others?.length === 0) {
    return (
      <p className="leading-snug">
        There is no other drive of this vehicle or its kind yet. Log one after the repair, in like weather and on a like
        road, and lay it over this one.
      </p>
    );
  }
  return (
    <div data-testid="compare">
      <div className="flex flex-wrap gap-3">
        <label className="text-sm">
          <span className="block type-label">Other drive</span>
          <select className="select select-sm" value={otherId ?? ''} onChange={(e) => setChosen(e.target.value)}>
            {others?.map((o) => (
              <option key={o.id} value={o.id}>
                {o.sameVehicle ? '' : `${o.plate}: `}
                {o.fileName}, {format(o.importedAt, 'd MMM yyyy')}
              </option>
            ))}
          </select>
        </label>
        <label className="text-sm">
          <span className="block type-label">Laid over each other by</span>
          <select className="select select-sm" value={by} onChange={(e) => setBy(e.target.value as DriveAlignment)}>
            {ALIGNMENTS.map((a) => (
              <option key={a} value={a}>
                {ALIGNED[a]}
              </option>
            ))}
          </select>
        </label>
      </div>
      {further.length > 0 && (
        <div className="mt-2 flex flex-wrap items-center gap-x-4 text-sm" role="group" aria-label="Lay over as well">
          <span className="type-label">Lay over as well</span>
          {further.slice(0, 6).map((o) => (
            <label key={o.id} className="flex min-h-8 items-center gap-1.5">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={also.includes(o.id)}
                disabled={!also.includes(o.id) && also.length >= OVERLAY_LOOKS.length - 1}
                onChange={(e) => setAlso(e.target.checked ? [...also, o.id] : also.filter((id) => id !== o.id))}
              />
              {o.sameVehicle ? '' : `${o.plate}: `}
              {o.fileName}
            </label>
          ))}
        </div>
      )}
      {!other || !comparison ? (
        <p className="mt-3 type-label">Measuring the other drive.</p>
      ) : (
        <>
          <p
            className={`mt-3 text-lg leading-snug font-semibold ${comparison.comparable ? '' : 'text-error'}`}
            data-testid="comparable"
          >
            {verdict(comparison)}
          </p>
          <div className="grid grid-cols-1 gap-x-8 lg:grid-cols-[minmax(0,1fr)_30rem]">
            {laid ? (
              <div className="mt-3">
                <ScaledPicture
                  scale={scale}
                  height={300}
                  testId="compare-picture"
                  lane={laid.lane}
                  title="Both drives over each other"
                  range={laid.range}
                  across={by === 'heat' ? 'MJ' : 'min'}
                />
                <ChartLegend entries={laneLegend(laid.lane)} />
                {laid.missing.length > 0 && (
                  <p className="text-sm">
                    Not laid over by {ALIGNED[by]}: {laid.missing.join(', ')}.
                  </p>
                )}
              </div>
            ) : (
              <p className="mt-3">
                They cannot be laid over each other by {ALIGNED[by]}: one of them{' '}
                {by === 'heat'
                  ? 'logged nothing that tells the heat'
                  : by === 'opening'
                    ? 'shows no opening'
                    : 'never came to it'}
                .
              </p>
            )}
            <div>
              <Conditions comparison={comparison} />
              <table className="mt-4 w-full text-sm" data-testid="compare-changes">
                <thead>
                  <tr className="text-right text-xs">
                    <td />
                    <th scope="col" className="font-normal">
                      other
                    </th>
                    <th scope="col" className="font-normal">
                      this
                    </th>
                    <td />
                    <td />
                  </tr>
                </thead>
                <tbody>
                  {comparison.changes.map((c) => (
                    <Change key={c.name} change={c} />
                  ))}
                </tbody>
              </table>
            </div>
          </div>
        </>
      )}
    </div>
  );
}
