import { describe, expect, it } from 'vitest';
import type { AgendaDay } from '@/storage/agenda';
import { dueJobs, inWords } from './dueJobs';

const NOW = new Date(2027, 2, 10, 9).getTime();
const day = (jobId: string, on: string, more: Partial<AgendaDay> = {}): AgendaDay => ({
  ...{ jobId, on, plate: jobId, complaint: '', kind: 'leaks', says: 'Look for leaks again' },
  ...more,
});

describe('what is due soon', () => {
  it('stands one line per job, with all of its days, the most pressing first', () => {
    const level = day('a', '2027-03-09', { kind: 'level', says: 'Cold level' });
    const found = dueJobs([level, day('b', '2027-03-10'), day('a', '2027-03-12')], NOW);
    expect(found.map((d) => [d.first.jobId, d.in, d.says])).toEqual([
      ['a', -1, 'cold level, look for leaks again'],
      ['b', 0, 'look for leaks again'],
    ]);
  });

  it('leaves out what is further than a week, and a warranty that has ended', () => {
    expect(dueJobs([day('a', '2027-03-17')], NOW)).toHaveLength(1);
    expect(dueJobs([day('a', '2027-03-18')], NOW)).toEqual([]);
    expect(dueJobs([day('a', '2027-03-01', { kind: 'warranty' })], NOW)).toEqual([]);
    expect(dueJobs([day('a', '2027-03-15', { kind: 'warranty' })], NOW)).toHaveLength(1);
  });

  it('says how late it is', () => {
    expect([-3, -1, 0, 1, 4].map(inWords)).toEqual(['3 days late', '1 day late', 'today', 'tomorrow', '']);
  });
});
