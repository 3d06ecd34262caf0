import { describe, expect, it } from 'vitest';
import { startingVehicle } from '@/core/planning';
import type { JobSummary } from '@/storage/jobs';
import type { JobStanding } from '@/storage/records';
import { standingOf } from '@/storage/jobStanding';
import { daysUntilLook, lookAgainText, matchesJob, orderJobs } from './jobOrder';

const NOW = new Date(2031, 4, 14, 16, 30).getTime();

const again = (lookAgainOn: string): JobStanding => ({ state: 'look-again', lookAgainOn });

function summary(id: string, standing: JobStanding = { state: 'to-look-at' }, complaint = ''): JobSummary {
  return {
    job: {
      id,
      vehicleId: 'v',
      complaint,
      ...standing,
      conditions: '',
      plan: null,
      createdAt: 0,
      updatedAt: 0,
      revision: 0,
    },
    vehicle: {
      id: 'v',
      plate: 'Ferry van 3',
      vehicle: { ...startingVehicle({ fuel: 'diesel', displacement_l: 2, hybrid: false }), label: 'Tall blue van' },
      memory: null,
      goodTraceIds: [],
    } as unknown as JobSummary['vehicle'],
    traces: 0,
    waiting: 0,
    summary: undefined,
  };
}
const ids = (jobs: readonly JobSummary[]): string[] => jobs.map((j) => j.job.id);

describe('the day to look again', () => {
  it.each([
    ['2031-05-11', -3, 'due 3 days ago'],
    ['2031-05-13', -1, 'due yesterday'],
    ['2031-05-14', 0, 'due today'],
    ['2031-05-15', 1, 'due tomorrow'],
    ['2031-06-02', 19, 'due 2 Jun'],
  ])('%s is %d days off: %s', (day, days, text) => {
    const { job } = summary('a', again(day));
    expect(daysUntilLook(job, NOW)).toBe(days);
    expect(lookAgainText(job, NOW)).toBe(text);
  });

  it('is there only for a job to look at again', () => {
    expect(daysUntilLook(summary('a', { state: 'to-prove' }).job, NOW)).toBeNull();
    expect(lookAgainText(summary('a').job, NOW)).toBeNull();
  });

  it('is a week off where none was named, or none that can be read', () => {
    for (const day of ['', 'soon', '2031-13-40', null, undefined]) {
      expect(standingOf('look-again', day, NOW)).toEqual(again('2031-05-21'));
    }
    expect(standingOf('look-again', '2031-06-02', NOW)).toEqual(again('2031-06-02'));
    expect(standingOf('to-prove', '2031-06-02', NOW)).toEqual({ state: 'to-prove' });
  });
});

describe('order of the jobs', () => {
  const jobs = [
    summary('latest'),
    summary('later', again('2031-05-20')),
    summary('today', again('2031-05-14')),
    summary('overdue', again('2031-05-02')),
    summary('oldest', { state: 'to-prove' }),
  ];

  it('puts what is due on top and leaves the rest as last touched', () => {
    expect(ids(orderJobs(jobs, 'all', NOW))).toEqual(['overdue', 'today', 'latest', 'later', 'oldest']);
  });

  it('goes by the day where only jobs to look at again are shown', () => {
    const shown = jobs.filter((j) => j.job.state === 'look-again');
    expect(ids(orderJobs(shown, 'look-again', NOW))).toEqual(['overdue', 'today', 'later']);
  });
});

describe('search', () => {
  const job = summary('a', { state: 'to-prove' }, 'Heater lukewarm on the hill');

  it('finds every word in vehicle or complaint, in any case and order', () => {
    for (const words of ['', 'ferry', 'HILL van', 'blue  lukewarm ']) expect(matchesJob(job, words, 'all')).toBe(true);
    for (const words of ['green', 'van coast']) expect(matchesJob(job, words, 'all')).toBe(false);
  });

  it('keeps to the chosen state', () => {
    expect(matchesJob(job, 'van', 'to-prove')).toBe(true);
    expect(matchesJob(job, 'van', 'look-again')).toBe(false);
  });
});
