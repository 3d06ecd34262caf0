import { describe, expect, it } from 'vitest';
import { startingVehicle } from '@/core/planning';
import type { JobSummary } from '@/storage/jobs';
import type { JobState } from '@/storage/records';
import { daysUntilLook, lookAgainText, matchesJob, orderJobs } from './jobOrder';

const NOW = new Date(2031, 4, 14, 16, 30).getTime();

function summary(id: string, state: JobState = 'to-look-at', lookAgainOn = '', complaint = ''): JobSummary {
  return {
    job: {
      id,
      vehicleId: 'v',
      complaint,
      state,
      lookAgainOn,
      conditions: '',
      plan: null,
      stopwatch: null,
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
    const { job } = summary('a', 'look-again', day);
    expect(daysUntilLook(job, NOW)).toBe(days);
    expect(lookAgainText(job, NOW)).toBe(text);
  });

  it('counts only in its state, and not without a day or with a broken one', () => {
    expect(daysUntilLook(summary('a', 'to-prove', '2031-05-14').job, NOW)).toBeNull();
    expect(daysUntilLook(summary('a', 'look-again').job, NOW)).toBeNull();
    expect(daysUntilLook(summary('a', 'look-again', 'soon').job, NOW)).toBeNull();
    expect(lookAgainText(summary('a', 'look-again').job, NOW)).toBeNull();
  });
});

describe('order of the jobs', () => {
  const jobs = [
    summary('latest'),
    summary('later', 'look-again', '2031-05-20'),
    summary('today', 'look-again', '2031-05-14'),
    summary('open', 'look-again'),
    summary('overdue', 'look-again', '2031-05-02'),
    summary('oldest', 'to-prove'),
  ];

  it('puts what is due on top and leaves the rest as last touched', () => {
    expect(ids(orderJobs(jobs, 'all', NOW))).toEqual(['overdue', 'today', 'latest', 'later', 'open', 'oldest']);
  });

  it('goes by the day where only jobs to look at again are shown', () => {
    const again = jobs.filter((j) => j.job.state === 'look-again');
    expect(ids(orderJobs(again, 'look-again', NOW))).toEqual(['overdue', 'today', 'later', 'open']);
  });
});

describe('search', () => {
  const job = summary('a', 'to-prove', '', 'Heater lukewarm on the hill');

  it('finds every word in vehicle or complaint, in any case and order', () => {
    for (const words of ['', 'ferry', 'HILL van', 'blue  lukewarm ']) expect(matchesJob(job, words, 'all')).toBe(true);
    for (const words of ['green', 'van coast']) expect(matchesJob(job, words, 'all')).toBe(false);
  });

  it('keeps to the chosen state', () => {
    expect(matchesJob(job, 'van', 'to-prove')).toBe(true);
    expect(matchesJob(job, 'van', 'look-again')).toBe(false);
  });
});
