import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { figuresOf, NO_OWN_FIGURES } from '@/core/case';
import { drawPractice, testsLeft, testTaken } from '@/core/practice';
import { drawJobPractice, JOB_DRIVE } from '@/job/practiceJobs';
import { listBin, putBackDeleted } from '@/storage/bin';
import { rowProblem } from '@/storage/backup/rowCheck';
import { database } from '@/storage/database';
import { addPractice, changePractice, deletePractice, listPractices, loadPractice } from '@/storage/practices';
import { loadDemo } from '@/features/demo/loadDemo';
import { emptyStore, good, serveDemo } from './storeSupport';

const FIGURES = figuresOf(NO_OWN_FIGURES);
const SHEET = drawPractice('clear', 3);

describe('practice cases in the store', () => {
  beforeEach(emptyStore);

  it('keeps a case with its steps and the log of its drive', async () => {
    const id = await good(addPractice(SHEET));
    const item = testsLeft(SHEET, FIGURES)[0]!.id;
    const trace = { time_s: Float64Array.of(0, 1), channels: { ect_c: Float64Array.of(5, 6) } };
    await good(changePractice(id, (s) => testTaken(s, item, { id: 'a', at: 1 }), { a: trace }));
    const kept = await loadPractice(id);
    expect(kept?.ok && kept.value.sheet.steps).toMatchObject([{ kind: 'test', item }]);
    expect(kept?.ok && kept.value.traces.a!.channels.ect_c[1]).toBe(6);
    expect(rowProblem('practice', await database().practice.get(id))).toBeNull();
  });

  it('goes to the bin and comes back', async () => {
    const id = await good(addPractice(SHEET));
    const binned = await good(deletePractice(id, 'A case'));
    expect(await listPractices()).toEqual([]);
    expect((await listBin())[0]).toMatchObject({ kind: 'practice', label: 'A case' });
    await good(putBackDeleted(binned));
    expect(await listPractices()).toHaveLength(1);
  });

  it('leaves a case of another version where it is', async () => {
    const id = await good(addPractice({ ...SHEET, schema: 'varmek-practice/9' } as never));
    expect(await listPractices()).toEqual([]);
    expect(await loadPractice(id)).toMatchObject({ ok: false });
    expect((await changePractice(id, (s) => s)).ok).toBe(false);
    expect(await database().practice.count()).toBe(1);
  });

  it('refuses a row of a backup that no practice wrote', async () => {
    const id = await good(addPractice(SHEET));
    const row = (await database().practice.get(id))!;
    expect(rowProblem('practice', { ...row, sheet: { ...SHEET, vehicle: {} } })).toMatch(/sheet/);
    expect(rowProblem('practice', { ...row, traces: { a: { time_s: [1] } } })).toMatch(/traces/);
  });
});

describe('a case from the shop’s own jobs', () => {
  it('is drawn from those whose truth is known, without a name in it', async () => {
    await emptyStore();
    serveDemo();
    await good(loadDemo());
    for (const job of await database().jobs.toArray()) {
      await database().entries.add({
        ...{ id: `hose ${job.id}`, jobId: job.id, kind: 'check', at: job.createdAt + 1 },
        ...{ item: 'hose-top-2min', answer: 'warm', minute: null },
      } as never);
    }
    const found = (await drawJobPractice(FIGURES, () => 0))!;
    const vehicles = await database().vehicles.toArray();
    const text = JSON.stringify(found.sheet);
    for (const { plate, vehicle } of vehicles) {
      expect(text).not.toContain(plate);
      expect(text).not.toContain(vehicle.label);
    }
    expect(found.sheet.source.kind).toBe('job');
    for (const trace of Object.values(found.traces)) expect(Object.keys(trace).sort()).toEqual(['channels', 'time_s']);
    expect(Object.keys(found.traces).every((k) => k === JOB_DRIVE)).toBe(true);
  });

  it('is none in a shop without such a job', async () => {
    await emptyStore();
    expect(await drawJobPractice(FIGURES, () => 0)).toBeNull();
  });
});
