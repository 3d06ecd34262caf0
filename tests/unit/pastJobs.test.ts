import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { newProof, SHIPPED_FIGURES } from '@/core/case';
import { readTrace } from '@/core/formats';
import { startingVehicle } from '@/core/planning';
import { caseOfJob } from '@/job/caseOfJob';
import { countPastJobs, inSight, isWhole, NOTHING_COUNTED, type PastJobs } from '@/job/countPastJobs';
import { soundCase } from '@/job/soundFindings';
import { changeClosing } from '@/storage/closings';
import { database } from '@/storage/database';
import { addEntry } from '@/storage/entries';
import { addJob, loadJob } from '@/storage/jobs';
import { watchPastJobs } from '@/storage/pastJobs';
import { addTrace, judgeTracesAgain, nextToJudge, setJudging } from '@/storage/traces';
import { signVerdict } from '@/storage/proofs';
import { addVehicle } from '@/storage/vehicles';
import { emptyStore, good } from './storeSupport';

const WORK = { kind: 'work', work: 'replaced-thermostat', detail: '', benchPassed: false } as const;

async function aJob(createdAt = 1) {
  const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
  const { id } = await good(addVehicle({ plate: 'Ferry 1', vehicle }));
  return good(addJob({ complaint: 'slow warm-up', vehicleId: id, createdAt }));
}

/** Every report of a count. */
async function counted(live: () => boolean = () => true): Promise<PastJobs[]> {
  const told: PastJobs[] = [];
  await countPastJobs(SHIPPED_FIGURES, live, (now) => told.push(now));
  return told;
}

beforeEach(emptyStore);

describe('watching the jobs that are counted', () => {
  it('calls at every change of an entry, a closing, a verdict, until it is ended', async () => {
    const { id } = await aJob();
    let seen = 0;
    const end = watchPastJobs(
      () => (seen += 1),
      (error) => expect.unreachable(String(error)),
    );
    const afterNext = async (change: () => Promise<unknown>) => {
      const before = seen;
      await change();
      await expect.poll(() => seen).toBeGreaterThan(before);
    };
    await expect.poll(() => seen).toBe(1);
    await afterNext(() =>
      good(addEntry(id, { kind: 'work', work: 'replaced-thermostat', detail: '', benchPassed: false })),
    );
    await afterNext(() => good(changeClosing(id, (s) => ({ ...s, notesNext: 'long screw' }))));
    await afterNext(() => good(changeClosing(id, (s) => ({ ...s, notesNext: 'longer screw' }))));
    await afterNext(() =>
      good(signVerdict(id, newProof({ item: 'verdict', answer: 'proven' }), { state: 'finished' })),
    );
    end();
    const left = seen;
    await aJob();
    expect(seen).toBe(left);
  });
});

describe('counting over all jobs', () => {
  it('of an empty shop is whole at once', async () => {
    expect(await counted()).toEqual([{ jobs: [], done: 0, total: 0, unread: [] }]);
  });

  it('reports every eight jobs, oldest first, and the whole once', async () => {
    for (let i = 0; i < 17; i++) await aJob(100 - i);
    const told = await counted();
    expect(told.map((t) => t.done)).toEqual([8, 16, 17]);
    expect(told.map(isWhole)).toEqual([false, false, true]);
    const arrivals = told.at(-1)!.jobs.map((j) => j.arrivedAt);
    expect(arrivals).toEqual([...arrivals].sort((a, b) => a - b));
    // What was reported before does not grow afterwards.
    expect(told[0]!.jobs).toHaveLength(8);
  });

  it('whose number divides evenly reports the whole only once', async () => {
    for (let i = 0; i < 8; i++) await aJob(i);
    expect((await counted()).map((t) => t.done)).toEqual([8]);
  });

  it('ends once nobody looks any more', async () => {
    for (let i = 0; i < 9; i++) await aJob(i);
    let asked = 0;
    expect(await counted(() => ++asked < 3)).toEqual([]);
    expect(asked).toBe(3);
  });

  it('an entry of another time moves nothing, a record that cannot be worked out leaves only its own job out', async () => {
    const [odd, broken, good1] = [await aJob(1), await aJob(2), await aJob(3)];
    await database().entries.put({ id: 'odd', jobId: odd.id, at: 5, kind: 'smelled', of: { what: 'fish' } });
    await good(addEntry(good1.id, WORK));
    await good(addEntry(broken.id, { kind: 'drive', traceId: 't', leftOut: '' }));
    const finding = { traceId: 't', jobId: broken.id, finding: { verdict: 'toString' } };
    await database().findings.put(finding as never);
    const last = (await counted()).at(-1)!;
    expect(last.jobs.map((j) => j.jobId)).toEqual([odd.id, good1.id]);
    expect(last.jobs[1]!.works).toMatchObject([{ work: 'replaced-thermostat' }]);
    expect(last.unread.map((u) => u.jobId)).toEqual([broken.id]);
    expect(last.unread[0]!.why).not.toBe('');
    expect(isWhole(last)).toBe(true);
  });

  it('a job opens without a finding that no version wrote, and its drive is judged again', async () => {
    const { id: jobId, vehicleId } = await aJob();
    const read = readTrace('time_s,ect_c\n0,10\n60,20\n120,30\n');
    if (!read.ok) throw new Error(read.error.message);
    const trace = await good(addTrace({ jobId, vehicleId, fileName: 'a.csv', raw: new Blob(['']), ...read.value }));
    const kept = { traceId: trace.id, jobId, judgedAt: 1 };
    const findings = [{ ...kept, finding: { verdict: 'toString' } as never }];
    await database().findings.bulkPut(findings);
    const detail = (await loadJob(jobId))!;
    expect(() => caseOfJob(detail, findings, SHIPPED_FIGURES)).toThrow();
    const { case: found, broken } = soundCase(detail, findings, SHIPPED_FIGURES);
    expect(broken).toEqual([trace.id]);
    expect(found.now).toEqual(caseOfJob(detail, [], SHIPPED_FIGURES).now);
    await good(setJudging(trace.id, { state: 'done' }));
    await good(judgeTracesAgain(broken));
    expect((await nextToJudge())!.trace.id).toBe(trace.id);
    expect(await database().findings.count()).toBe(0);
  });

  it('a database that fails is told, not counted as an odd record', async () => {
    await aJob();
    const closed = new DOMException('The connection was lost.', 'InvalidStateError');
    const { entries } = database();
    const where = entries.where.bind(entries);
    entries.where = () => {
      throw closed;
    };
    await expect(counted()).rejects.toBe(closed);
    entries.where = where;
  });
});

describe('what is in sight', () => {
  const whole: PastJobs = { jobs: [], done: 15, total: 15, unread: [] };
  const half: PastJobs = { jobs: [], done: 8, total: 16, unread: [] };

  it('of a first count is how far it is, of later ones the last whole', () => {
    expect(inSight(NOTHING_COUNTED, half)).toBe(half);
    expect(inSight(half, whole)).toBe(whole);
    expect(inSight(whole, half)).toBe(whole);
    const next = { ...whole, done: 16, total: 16 };
    expect(inSight(whole, next)).toBe(next);
  });
});
