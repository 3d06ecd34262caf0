'use client';

import { format, parseISO } from 'date-fns';
import { CalendarDays } from 'lucide-react';
import { Link } from '@/ui/Link';
import { calendarFile } from '@/job/calendarFile';
import type { AgendaDay } from '@/storage/agenda';
import { saveFile } from '@/ui/saveFile';
import { useToast } from '@/ui/Toasts';
import { dueJobs, inWords } from './dueJobs';

const SHOWN = 4;
/** Stages on which a day is dealt with. */
const PLACE: Readonly<Partial<Record<AgendaDay['kind'], string>>> = {
  level: '/prove',
  leaks: '/prove',
  'look-again': '/prove',
  exception: '/repair',
  deposit: '/report/close',
  warranty: '/report/close',
  service: '/report/close',
};

/** What is due over all jobs in the coming days, and all of it as a file for a calendar. */
export function DueDays({ days, now }: { days: readonly AgendaDay[]; now: number }) {
  const toast = useToast();
  const [next] = days;
  if (!next) return null;
  const near = dueJobs(days, now);
  const save = () => {
    const file = calendarFile(days);
    if (file.ok) saveFile('Varmek due days.ics', file.value, 'text/calendar');
    else toast({ kind: 'error', text: file.error });
  };
  return (
    <section
      aria-label="Due days"
      className="mt-4 flex items-start gap-6 max-sm:flex-col max-sm:gap-1"
      data-testid="due-days"
    >
      <ul className="min-w-0 flex-1 md:columns-2 md:gap-x-8">
        {near.slice(0, SHOWN).map((d) => (
          <li key={d.first.jobId} className="break-inside-avoid">
            <Link
              href={`/jobs/${d.first.jobId}${PLACE[d.first.kind] ?? ''}`}
              className="flex min-h-8 items-baseline gap-2 underline-offset-4 hover:underline bay:min-h-11 bay:items-center"
            >
              <strong className={`whitespace-nowrap ${d.in <= 0 ? 'text-error' : ''}`}>
                {inWords(d.in) || format(parseISO(d.first.on), 'EEE d MMM')}
              </strong>
              <span className="lg:truncate">
                {d.first.plate}: {d.says}
              </span>
            </Link>
          </li>
        ))}
        {near.length > SHOWN && <li className="type-label">and {near.length - SHOWN} more within a week</li>}
        {near.length === 0 && (
          <li className="type-label">
            Nothing due within a week; next {format(parseISO(next.on), 'd MMM yyyy')}, {next.plate}
          </li>
        )}
      </ul>
      <button type="button" className="btn btn-ghost btn-sm" onClick={save}>
        <CalendarDays aria-hidden className="size-4" /> Calendar file
      </button>
    </section>
  );
}
