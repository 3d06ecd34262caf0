'use client';

import { differenceInCalendarDays, format, parseISO } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { listDueVehicles } from '@/storage/dueVehicles';
import { useUnits } from '@/ui/units';

/** Vehicles whose next date or distance was written down, the nearest first. */
export function VehiclesDue() {
  const due = useLiveQuery(listDueVehicles, []);
  const { show } = useUnits();
  const [now] = useState(() => Date.now());
  return (
    <section aria-labelledby="due-title">
      <h2 id="due-title" className="text-2xl type-sign">
        Vehicles due
      </h2>
      {due?.length === 0 && <p className="mt-1">None: the next date is written down when a job is closed.</p>}
      <ul className="mt-2" data-testid="vehicles-due">
        {due?.map((d) => {
          const days = d.on === '' ? null : differenceInCalendarDays(parseISO(d.on), now);
          const left_km = d.at_km === null || d.mileage_km === null ? null : d.at_km - d.mileage_km;
          const late = (days !== null && days <= 0) || (left_km !== null && left_km <= 0);
          return (
            <li key={d.jobId} className="flex flex-wrap items-baseline gap-x-4 border-t border-base-content/15 py-1">
              <Link href={`/vehicles/${d.vehicleId}`} className="tap font-semibold underline underline-offset-4">
                {d.plate}
              </Link>
              <span className="flex-1">{d.what === '' ? 'Next service' : d.what}</span>
              <span className={late ? 'font-bold text-error' : ''}>
                {[
                  d.on === '' ? '' : format(parseISO(d.on), 'd MMM yyyy'),
                  d.at_km === null ? '' : `at ${show('distance', d.at_km)}`,
                ]
                  .filter((t) => t !== '')
                  .join(' or ')}
                {late ? ', due' : ''}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
