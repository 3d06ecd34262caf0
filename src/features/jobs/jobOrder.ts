import { differenceInCalendarDays, format, parseISO } from 'date-fns';
import type { JobSummary } from '@/storage/jobs';
import type { JobStanding, JobState } from '@/storage/records';

/** Days from today to the day a job is to be looked at again; null for one that is not. Below 0: overdue. */
export const daysUntilLook = (job: JobStanding, now: number): number | null =>
  job.state === 'look-again' ? differenceInCalendarDays(parseISO(job.lookAgainOn), now) : null;

/** The day to look again in words. */
export function lookAgainText(job: JobStanding, now: number): string | null {
  const days = daysUntilLook(job, now);
  if (job.state !== 'look-again' || days === null) return null;
  if (days < -1) return `due ${-days} days ago`;
  if (days < 2) return ['due yesterday', 'due today', 'due tomorrow'][days + 1]!;
  return `due ${format(parseISO(job.lookAgainOn), 'd MMM')}`;
}

/**
 * Order of the jobs list: what was to be looked at again by today stands first, longest overdue on top; the rest as
 * last touched. In the list of jobs to look at again alone, all go by their day.
 *
 * @param jobs latest first
 */
export function orderJobs(jobs: readonly JobSummary[], shown: JobState | 'all', now: number): JobSummary[] {
  const rank = ({ job }: JobSummary): number => {
    const days = daysUntilLook(job, now);
    if (shown === 'look-again') return days ?? Infinity;
    return days !== null && days <= 0 ? days : Infinity;
  };
  return jobs
    .map((job, at) => ({ job, at, rank: rank(job) }))
    .sort((a, b) => (a.rank === b.rank ? a.at - b.at : a.rank - b.rank))
    .map(({ job }) => job);
}

/** True when every word typed is found in a job's vehicle or complaint, and its state is the chosen one. */
export function matchesJob(summary: JobSummary, words: string, state: JobState | 'all'): boolean {
  if (state !== 'all' && summary.job.state !== state) return false;
  const { vehicle, job } = summary;
  const text = `${vehicle?.plate ?? ''} ${vehicle?.vehicle.label ?? ''} ${job.complaint}`.toLowerCase();
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}
