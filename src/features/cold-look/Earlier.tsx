'use client';

import { format } from 'date-fns';
import { earlierReadings, valuesOf, type MeasurementEntry, type MeasurementName } from '@/core/case';
import { useJob } from '@/job/JobProvider';
import { useKeep } from '@/job/useKeep';
import { beginNewReading, undoEntries } from '@/storage/entries';
import { useUnits } from '@/ui/units';
import { PLACE } from './place';

/** Earlier readings of a measurement, and a way to take it again without losing what stands. */
export function Earlier({ name, reading }: { name: MeasurementName; reading: MeasurementEntry | null }) {
  const { job, entries } = useJob();
  const keep = useKeep();
  const { show } = useUnits();
  const earlier = earlierReadings(entries, name, reading?.id ?? '');
  const valued = (e: MeasurementEntry): string =>
    Object.entries(e.values)
      .map(([value, si]) => {
        const spec = valuesOf(name)[value];
        if (!spec) return '';
        return `${spec.label.toLowerCase()} ${spec.family ? show(spec.family, si) : `${si} ${spec.unit}`}`;
      })
      .join(', ');
  const taken = reading !== null && Object.keys(reading.values).length > 0;
  return (
    <div className="mt-1 text-sm">
      {earlier.map((e) => (
        <p key={e.id} className="type-label">
          {format(e.at, 'd MMM HH:mm')}: {valued(e)}
        </p>
      ))}
      {taken && (
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          onClick={() =>
            keep(() => beginNewReading(job.id, name, PLACE), {
              says: 'The reading is kept; type the new one.',
              undo: undoEntries,
            })
          }
        >
          Take it again
        </button>
      )}
    </div>
  );
}
