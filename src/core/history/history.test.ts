import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BASE_RATES } from '@/core/evidence';
import { madeHistory, madePastJob } from '../../../tests/support/madeHistory';
import {
  counted,
  partRecords,
  plannedAgainstTaken,
  reliabilityOf,
  suggestedRates,
  testRecords,
  wasRight,
  type PastJob,
} from '.';

/** Forty jobs, worked out by hand below. */
const FORTY = madeHistory([
  { cause: 'thermostat-stuck-open', claimed: 0.97, jobs: 12, right: 12, really: 'sender-reads-low' },
  { cause: 'sender-reads-low', claimed: 0.96, jobs: 8, right: 6, really: 'thermostat-opens-early' },
  { cause: 'thermostat-opens-early', claimed: 0.85, jobs: 10, right: 7, really: 'sender-reads-low' },
  { cause: 'insufficient-heat', claimed: 0.7, jobs: 6, right: 5, really: 'thermostat-leaking' },
  { cause: 'flow-restricted', claimed: 0.55, jobs: 4, right: 1, really: 'low-coolant-or-air' },
]);

describe('forty jobs', () => {
  const found = reliabilityOf(FORTY);

  it('counts all of them: 31 of 40 were right', () => {
    expect(found.all).toMatchObject({ n: 40, hits: 31, few: false });
    expect(found.all.share).toBeCloseTo(0.775, 9);
    // Wilson at 90 %: middle (0.775 + 2.7057/80) / (1 + 2.7057/40) = 0.7576, half 0.1062.
    expect(found.all.low).toBeCloseTo(0.651, 2);
    expect(found.all.high).toBeCloseTo(0.864, 2);
  });

  it('by grade: 18 of 20 confirmed, 7 of 10 likely, 6 of 10 suspected', () => {
    expect(found.byGrade.map((g) => [g.grade, g.right.hits, g.right.n])).toEqual([
      ['confirmed', 18, 20],
      ['likely', 7, 10],
      ['suspect', 6, 10],
    ]);
    // Claimed on average: (12 x 0.97 + 8 x 0.96) / 20.
    expect(found.byGrade[0]!.claimed).toBeCloseTo(0.966, 9);
  });

  it('by cause, the most frequent first', () => {
    expect(found.byCause.map((c) => [c.cause, c.right.hits, c.right.n])).toEqual([
      ['thermostat-stuck-open', 12, 12],
      ['thermostat-opens-early', 7, 10],
      ['sender-reads-low', 6, 8],
      ['insufficient-heat', 5, 6],
      ['flow-restricted', 1, 4],
    ]);
    expect(found.byCause.at(-1)!.right.few).toBe(true);
  });

  it('by bin of what was claimed, and how far off it is', () => {
    expect(found.bins.map((b) => [b.right.hits, b.right.n])).toEqual([
      [1, 4],
      [5, 6],
      [7, 10],
      [18, 20],
    ]);
    // 4 x |0.55 - 0.25| + 6 x |0.7 - 0.8333| + 10 x |0.85 - 0.7| + 20 x |0.966 - 0.9| = 1.2 + 0.8 + 1.5 + 1.32 = 4.82.
    expect(found.miscalibration).toBeCloseTo(4.82 / 40, 6);
  });

  it('another cause that leads to the same act is right; a sender for a thermostat is not', () => {
    const [job] = FORTY;
    const truth = (cause: 'thermostat-leaking' | 'sender-reads-low') => ({
      ...job!,
      truth: { causes: [cause], by: 'fault-found' as const },
    });
    expect(wasRight(truth('thermostat-leaking'))).toBe(true);
    expect(wasRight(truth('sender-reads-low'))).toBe(false);
  });

  it('jobs without a truth do not count, and say why; those that could not tell stand apart', () => {
    const extra = [
      madePastJob({ jobId: 'x', noTruth: 'not separable' }),
      madePastJob({ jobId: 'y', noTruth: 'not separable' }),
      madePastJob({ jobId: 'z' }),
      { ...FORTY[0]!, jobId: 'q', first: { ...FORTY[0]!.first!, claimed: null, grade: 'inconclusive' as const } },
    ];
    const more = reliabilityOf([...FORTY, ...extra]);
    expect(more.all.n).toBe(40);
    expect(more.couldNotTell).toBe(1);
    expect(more.notCounted).toEqual({ 'not separable': 2, 'no verdict yet': 1 });
  });

  it('four jobs are too few to say', () => {
    const few = reliabilityOf(FORTY.slice(0, 4));
    expect(few.all.few).toBe(true);
    expect(few.miscalibration).toBeNull();
    expect(reliabilityOf([]).all).toMatchObject({ n: 0, share: null, few: true });
  });
});

describe('a share of a count', () => {
  it('holds the observed share, narrows with n, and is never outside of 0 and 1', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), fc.double({ min: 0, max: 1, noNaN: true }), (n, p) => {
        const hits = Math.round(p * n);
        const { low, high, share } = counted(hits, n);
        expect(low).toBeGreaterThanOrEqual(0);
        expect(high).toBeLessThanOrEqual(1);
        expect(low).toBeLessThanOrEqual(share! + 1e-12);
        expect(high).toBeGreaterThanOrEqual(share! - 1e-12);
        const four = counted(4 * hits, 4 * n);
        expect(four.high - four.low).toBeLessThan(high - low);
      }),
    );
  });
});

describe('base rates that a history suggests', () => {
  const suggested = suggestedRates(FORTY, BASE_RATES);
  const of = (cause: string) => suggested.rates.find((r) => r.cause === cause)!;

  it('weigh thirty cars of the present rates against the forty seen', () => {
    expect(suggested).toMatchObject({ n: 40, few: false });
    // Seen: 12 stuck open.
    const total = Object.values(BASE_RATES).reduce((a, b) => a + b, 0);
    expect(of('thermostat-stuck-open').seen).toBe(12);
    expect(of('thermostat-stuck-open').suggested).toBeCloseTo((30 * (0.09 / total) + 12) / 70, 9);
    expect(of('sender-slow').suggested).toBeLessThan(of('sender-slow').now);
    expect(suggested.rates.reduce((s, r) => s + r.suggested, 0)).toBeCloseTo(1, 9);
  });

  it('share a truth of several causes among them as the present rates do', () => {
    const cured = madePastJob({
      jobId: 'c',
      truth: { causes: ['thermostat-stuck-open', 'thermostat-leaking'], by: 'cured' },
    });
    const { rates } = suggestedRates([cured], BASE_RATES);
    const seen = (c: string) => rates.find((r) => r.cause === c)!.seen;
    expect(seen('thermostat-stuck-open')).toBeCloseTo(2 / 3, 9);
    expect(seen('thermostat-leaking')).toBeCloseTo(1 / 3, 9);
  });

  it('nine cars suggest nothing yet', () => expect(suggestedRates(FORTY.slice(0, 9), BASE_RATES).few).toBe(true));
});

describe('parts that came back', () => {
  const YEAR_MS = 365.25 * 86_400_000;
  const fitted = (jobId: string, vehicleId: string, at: number, source: 'maker' | 'other'): PastJob =>
    madePastJob({
      ...{ jobId, vehicleId },
      works: [{ work: 'replaced-thermostat', at }],
      parts: [
        { name: 'Thermostat', work: 'replaced-thermostat', source, rated_c: 88, at },
        { name: 'Seal', work: 'replaced-thermostat', source, rated_c: null, at },
      ],
    });

  it('by source and rating, where the same work was done again within two years', () => {
    const jobs = [
      fitted('1', 'a', 0, 'other'),
      fitted('2', 'a', 0.5 * YEAR_MS, 'maker'),
      fitted('3', 'b', 0, 'other'),
      fitted('4', 'c', 0, 'maker'),
      fitted('5', 'c', 3 * YEAR_MS, 'maker'),
    ];
    expect(partRecords(jobs).map((p) => [p.source, p.rated_c, p.cameBack.hits, p.cameBack.n])).toEqual([
      ['other', 88, 1, 2],
      ['maker', 88, 0, 3],
    ]);
  });

  it('within one job as well: a part that had to be done again', () => {
    const again = {
      ...fitted('1', 'a', 0, 'other'),
      works: [0, 5].map((at) => ({ work: 'replaced-thermostat' as const, at })),
    };
    expect(partRecords([again])[0]!.cameBack).toMatchObject({ hits: 1, n: 1, few: true });
  });
});

describe('planned against taken', () => {
  const job = (i: number, planned: number | null, taken: number | null, first: 'replaced-pump' | 'replaced-sender') =>
    madePastJob({ jobId: `${i}`, minutes: { planned, taken }, works: [{ work: first, at: 0 }] });

  it('counts jobs of which both are known; the ratio is the middle one', () => {
    const jobs = [
      job(1, 100, 120, 'replaced-pump'),
      job(2, 100, 300, 'replaced-pump'),
      job(3, 60, 60, 'replaced-sender'),
      job(4, 40, 50, 'replaced-sender'),
      job(5, 80, 88, 'replaced-sender'),
      job(6, null, 70, 'replaced-sender'),
      job(7, 30, null, 'replaced-sender'),
    ];
    const { minutes, byWork, cost } = plannedAgainstTaken(jobs);
    expect(minutes).toEqual({ n: 5, planned: 380, taken: 618, ratio: 1.2, few: false });
    expect(byWork.map((w) => [w.work, w.n, w.ratio])).toEqual([
      ['replaced-sender', 3, 1.1],
      ['replaced-pump', 2, 2.1],
    ]);
    expect(byWork[0]!.few).toBe(true);
    expect(cost).toMatchObject({ n: 0, ratio: null, few: true });
  });
});

describe('tests by what they changed', () => {
  it('each with how often the act was another one after it', () => {
    const jobs = [
      madePastJob({
        jobId: '1',
        tests: [
          { test: 'drive', changed: true },
          { test: 'soak', changed: false },
        ],
      }),
      madePastJob({
        jobId: '2',
        tests: [
          { test: 'drive', changed: false },
          { test: 'drive', changed: true },
        ],
      }),
    ];
    expect(testRecords(jobs).map((t) => [t.test, t.changed.hits, t.changed.n])).toEqual([
      ['drive', 2, 3],
      ['soak', 0, 1],
    ]);
  });
});
