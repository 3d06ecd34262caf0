'use client';

import { format, parseISO } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { Link } from '@/ui/Link';
import { useJob } from '@/job/JobProvider';
import { earlierClosings } from '@/storage/closings';
import { useUnits } from '@/ui/units';

/** What was written for this visit when the vehicle was here before. Nothing where nothing was. */
export function NextTimeNotes() {
  const { job, vehicle } = useJob();
  const { show } = useUnits();
  const all = useLiveQuery(() => earlierClosings(vehicle.id, job.id), [vehicle.id, job.id]);
  const telling = (all ?? []).filter(
    ({ at, sheet }) =>
      at <= job.createdAt && (sheet.notesNext !== '' || sheet.nextDue.on !== '' || sheet.nextDue.at_km !== null),
  );
  if (telling.length === 0) return null;
  return (
    <section aria-labelledby="next-time-title" className="border-l-8 border-primary pl-4" data-testid="next-time">
      <h2 id="next-time-title" className="text-2xl type-sign">
        From the last time
      </h2>
      <ul>
        {telling.map(({ jobId, at, sheet: { notesNext, nextDue } }) => (
          <li key={jobId} className="mt-1">
            {notesNext !== '' && <p className="text-lg leading-snug font-semibold whitespace-pre-line">{notesNext}</p>}
            {(nextDue.on !== '' || nextDue.at_km !== null) && (
              <p>
                Due: {nextDue.what === '' ? 'service' : nextDue.what}{' '}
                {[
                  nextDue.on === '' ? '' : format(parseISO(nextDue.on), 'd MMM yyyy'),
                  nextDue.at_km === null ? '' : `at ${show('distance', nextDue.at_km)}`,
                ]
                  .filter((t) => t !== '')
                  .join(' or ')}
                {nextDue.source === '' ? '' : `, ${nextDue.source}`}
              </p>
            )}
            <p className="type-label">
              <Link href={`/jobs/${jobId}/report/close`} className="underline underline-offset-4">
                written {format(at, 'd MMM yyyy')}
              </Link>
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
