import { differenceInCalendarDays, parseISO } from 'date-fns';
import type { AgendaDay } from '@/storage/agenda';

/** Days ahead that are shown; the calendar file holds all. */
const SHOWN_DAYS = 7;

/** Days of one job that are due, together. */
export interface DueJob {
  readonly first: AgendaDay;
  readonly in: number;
  readonly says: string;
}

/** What is due soon, one line per job, the most pressing first. */
export function dueJobs(days: readonly AgendaDay[], now: number): DueJob[] {
  const byJob = new Map<string, AgendaDay[]>();
  for (const d of days) {
    const left = differenceInCalendarDays(parseISO(d.on), now);
    // A warranty that has ended asks for nothing any more.
    if (left > SHOWN_DAYS || (d.kind === 'warranty' && left < 0)) continue;
    byJob.set(d.jobId, [...(byJob.get(d.jobId) ?? []), d]);
  }
  return [...byJob.values()].map((of) => ({
    first: of[0]!,
    in: differenceInCalendarDays(parseISO(of[0]!.on), now),
    says: of.map((d) => d.says.toLowerCase()).join(', '),
  }));
}

/** Days from today in words; empty for a day that is better named. */
export const inWords = (days: number): string =>
  days < 0 ? `${-days} ${days === -1 ? 'day' : 'days'} late` : days === 0 ? 'today' : days === 1 ? 'tomorrow' : '';
