import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { NO_OWN_FIGURES } from '@/core/case';
import { readTrace } from '@/core/formats';
import { judgeNow } from '@/core/judge';
import { startingVehicle } from '@/core/planning';
import { BLEED_PROCEDURES } from '@/core/procedure';
import { newSheet } from '@/core/repair';
import { BIN_DAYS, daysLeft, deleteForGood, emptyOldBin, listBin, putBack } from '@/storage/bin';
import { changeVehicle } from '@/storage/changeVehicle';
import { database } from '@/storage/database';
import { addEntry, giveAnswer, setMeasured, setNote } from '@/storage/entries';
import { addJob, caseChanged, deleteJob, loadEntries, loadJob, setStanding, changeJobText } from '@/storage/jobs';
import { changeFigures, judgeAllDue, judgeAllIsDue, loadFigures } from '@/storage/figures';
import { FIGURES_SCOPE, jobScope, procedureScope, vehicleScope } from '@/storage/journal/journalMiddleware';
import { findSteps, pruneJournal, redoStep, undoStep } from '@/storage/journal/undoStep';
import { addPhoto, deletePhoto, listPhotos } from '@/storage/photos';
import { deleteProcedure, loadDraft, putProcedure } from '@/storage/procedures';
import { changeRepair, enterRepair } from '@/storage/repairs';
import { saveSettings } from '@/storage/settings';
import { addTrace, deleteTrace, loadTrace, nextToJudge, putFinding } from '@/storage/traces';
import { addVehicle, deleteVehicle, loadVehicle } from '@/storage/vehicles';
import { emptyStore, good } from './storeSupport';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const BELT = { kind: 'check', item: 'look-belt', answer: 'sound', minute: null } as const;

afterEach(async () => {
  vi.useRealTimers();
  await emptyStore();
});

async function aJob() {
  const car = await good(addVehicle({ vehicle, plate: 'Van 7' }));
  const job = await good(addJob({ vehicleId: car.id, complaint: 'cold' }));
  return { car, job, scope: jobScope(job.id) };
}

async function aTrace(jobId: string, vehicleId: string) {
  const raw = new Blob(['time_s,ect_c\n0,10\n60,20\n120,30\n']);
  const read = readTrace(await raw.text());
  if (!read.ok) throw new Error(read.error.message);
  return good(addTrace({ jobId, vehicleId, fileName: 'a.csv', raw, ...read.value }));
}

/** Lets the clock run so that what is typed next is another change. */
const later = () => vi.setSystemTime(Date.now() + 10_000);

describe('undo', () => {
  it('takes the last step of a job back, whatever it was, step by step, and does it again', async () => {
    vi.useFakeTimers({ toFake: ['Date'] });
    const { job, scope } = await aJob();
    await good(giveAnswer(job.id, BELT));
    later();
    await good(changeJobText(job.id, 'complaint', () => 'cold heater'));
    later();
    await good(setStanding(job.id, { state: 'look-again', lookAgainOn: '2031-02-03' }));
    later();
    await good(changeRepair(job.id, newSheet(vehicle), (s) => ({ ...s, strip: { ...s.strip, capOff: true } })));
    const done = async () => ({
      entries: (await loadEntries(job.id)).filter((e) => e.takenBack !== true).length,
      complaint: (await loadJob(job.id))!.job.complaint,
      state: (await loadJob(job.id))!.job.state,
      repairs: await database().repairs.count(),
    });
    const all = await done();
    expect(all).toEqual({ entries: 1, complaint: 'cold heater', state: 'look-again', repairs: 1 });
    await good(undoStep(scope));
    expect(await done()).toEqual({ ...all, repairs: 0 });
    await good(undoStep(scope));
    expect(await done()).toEqual({ ...all, repairs: 0, state: 'to-look-at' });
    expect((await loadJob(job.id))!.job).not.toHaveProperty('lookAgainOn');
    await good(undoStep(scope));
    await good(undoStep(scope));
    expect(await done()).toEqual({ entries: 0, complaint: 'cold', state: 'to-look-at', repairs: 0 });
    expect(await good(undoStep(scope))).toBeNull();
    for (let i = 0; i < 4; i++) expect(await good(redoStep(scope))).not.toBeNull();
    expect(await good(redoStep(scope))).toBeNull();
    expect(await done()).toEqual(all);
  });

  it('takes figures of the shop back, and has judged again what was judged by them', async () => {
    vi.useFakeTimers({ toFake: ['Date'] });
    const { car, job } = await aJob();
    await aTrace(job.id, car.id);
    const judge = async () => {
      await good(judgeAllDue());
      const next = (await nextToJudge())!;
      await good(putFinding(next, judgeNow(next.trace.trace, vehicle)));
    };
    await judge();
    await good(changeFigures((own) => ({ ...own, altitude_m: 900 })));
    expect(await nextToJudge()).toBeNull();
    later();
    await good(changeFigures((own) => ({ ...own, baseRates: { healthy: 0.2 } })));
    await judge();
    await good(undoStep(FIGURES_SCOPE));
    expect((await loadFigures()).own).toMatchObject({ altitude_m: 900, baseRates: {} });
    expect(await judgeAllIsDue()).toBe(true);
    await judge();
    expect(await judgeAllIsDue()).toBe(false);
    await good(undoStep(FIGURES_SCOPE));
    expect((await loadFigures()).own).toEqual(NO_OWN_FIGURES);
    expect([await judgeAllIsDue(), await nextToJudge()]).toEqual([false, null]);
    await good(redoStep(FIGURES_SCOPE));
    expect((await loadFigures()).own.altitude_m).toBe(900);
    // Other settings are no step of anyone.
    await good(saveSettings({ temperature: '°F' }));
    expect(await database().journal.where('scope').notEqual(FIGURES_SCOPE).count()).toBe(0);
  });

  it('takes what was written into a procedure back; its making and its deletion are no steps', async () => {
    const own = { ...BLEED_PROCEDURES[0]!, id: 'ours', name: 'Ours' };
    const scope = procedureScope('ours');
    await good(putProcedure(own));
    expect(await good(undoStep(scope))).toBeNull();
    await good(putProcedure({ ...own, name: 'Ours, longer' }));
    await good(undoStep(scope));
    expect(await loadDraft('ours')).toMatchObject({ value: { name: 'Ours' } });
    await good(redoStep(scope));
    expect(await loadDraft('ours')).toMatchObject({ value: { name: 'Ours, longer' } });
    await good(deleteProcedure('ours', 'Ours'));
    expect((await findSteps(scope)).redo).toBeNull();
  });

  it('does nothing again after something else was done', async () => {
    const { job, scope } = await aJob();
    await good(giveAnswer(job.id, BELT));
    await good(undoStep(scope));
    expect((await findSteps(scope)).redo).toHaveLength(1);
    await good(setNote(job.id, 'cold-look', () => 'seep'));
    expect((await findSteps(scope)).redo).toBeNull();
  });

  it('takes what one word changed as one step: two answers that replace each other, a repair with its entries', async () => {
    const { job, scope } = await aJob();
    await good(giveAnswer(job.id, BELT));
    await good(giveAnswer(job.id, { ...BELT, answer: 'worn' }));
    expect((await findSteps(scope)).undo).toHaveLength(2);
    await good(undoStep(scope));
    const live = (await loadEntries(job.id)).filter((e) => e.takenBack !== true);
    expect(live).toMatchObject([{ answer: 'sound' }]);
    const note = { kind: 'note', stage: 'repair', text: 'filled' } as const;
    await good(enterRepair(job.id, newSheet(vehicle), [note], (s) => ({ ...s, closedAt: 5 })));
    await good(undoStep(scope));
    expect(await database().repairs.count()).toBe(0);
    expect((await loadEntries(job.id)).some((e) => e.kind === 'note')).toBe(false);
  });

  it('takes typing in one place as one step, and a later figure as another', async () => {
    vi.useFakeTimers({ toFake: ['Date'] });
    const { job, scope } = await aJob();
    const type = (outside_c: number) => good(setMeasured(job.id, { name: 'outside', place: 'plan' }, { outside_c }));
    const shown = async () => (await database().entries.toArray()).map((e) => e.values);
    await type(7);
    later();
    for (const v of [1, 12, 12.5]) await type(v);
    later();
    await type(3);
    await good(undoStep(scope));
    expect(await shown()).toEqual([{ outside_c: 12.5 }]);
    await good(undoStep(scope));
    expect(await shown()).toEqual([{ outside_c: 7 }]);
    await good(undoStep(scope));
    expect(await shown()).toEqual([]);
  });

  it('leaves what another tab changed in the same row since', async () => {
    const { job, scope } = await aJob();
    await good(changeJobText(job.id, 'complaint', () => 'cold heater'));
    await database().transaction('rw', database().jobs, database().journal, () =>
      database().jobs.update(job.id, { conditions: 'in frost' }),
    );
    const journal = await database().journal.where('scope').equals(scope).sortBy('id');
    // As if the first change had come last.
    await database().journal.update(journal.at(-1)!.id!, { undone: true });
    await good(undoStep(scope));
    expect((await loadJob(job.id))!.job).toMatchObject({ complaint: 'cold', conditions: 'in frost' });
  });

  it('judges again what followed from the change', async () => {
    const { job, car } = await aJob();
    const trace = await aTrace(job.id, car.id);
    await good(putFinding((await nextToJudge())!, judgeNow(trace.trace, vehicle)));
    await good(changeVehicle(car.id, { vehicle: { ...vehicle, label: 'Other' } }, false));
    await good(undoStep(vehicleScope(car.id)));
    expect((await loadVehicle(car.id))!.vehicle.label).toBe(vehicle.label);
    expect((await loadTrace(trace.id))!.judging).toEqual({ state: 'wanted' });
    expect(await database().findings.count()).toBe(0);
  });

  it('writes nothing of what only follows, of a job that is made, of a log that is kept', async () => {
    const { job, car, scope } = await aJob();
    await aTrace(job.id, car.id);
    await database().transaction('rw', database().jobs, () => caseChanged(job.id));
    expect((await findSteps(scope)).undo).toBeNull();
    expect(await database().journal.count()).toBe(0);
  });

  it('writes nothing of a change that failed', async () => {
    const { job, scope } = await aJob();
    const db = database();
    const failing = db.transaction('rw', db.entries, db.jobs, db.traces, db.findings, async () => {
      await addEntry(job.id, { kind: 'note', stage: 'x', text: 'y' });
      throw new Error('the power went');
    });
    await expect(failing).rejects.toThrow('the power went');
    expect((await findSteps(scope)).undo).toBeNull();
    expect(await loadEntries(job.id)).toEqual([]);
  });

  it('forgets what is old, and the oldest of too much', async () => {
    const { job, scope } = await aJob();
    await good(giveAnswer(job.id, BELT));
    await good(pruneJournal(Date.now()));
    expect((await findSteps(scope)).undo).not.toBeNull();
    await good(pruneJournal(Date.now() + 31 * 24 * 3_600_000));
    expect((await findSteps(scope)).undo).toBeNull();
    const row = { group: 'g', at: Date.now(), table: 'entries', key: 'k', before: null, after: null };
    await database().journal.bulkAdd(Array.from({ length: 2003 }, (_, i) => ({ ...row, scope: String(i) })));
    await good(pruneJournal(Date.now()));
    expect(await database().journal.count()).toBe(2000);
    expect(await database().journal.orderBy('id').first()).toMatchObject({ scope: '3' });
  });
});

describe('the bin', () => {
  it('keeps what was deleted with its day, and gives it back whole', async () => {
    const { job, car } = await aJob();
    const trace = await aTrace(job.id, car.id);
    await good(addPhoto({ jobId: job.id, stage: 'arrival', caption: 'p', image: new Blob(['picture']) }));
    await good(deleteJob(job.id));
    const [item] = await listBin();
    expect(item).toMatchObject({ kind: 'job', label: 'Van 7: cold' });
    expect(item).not.toHaveProperty('rows');
    expect(daysLeft(item!, Date.now())).toBe(BIN_DAYS);
    // Its vehicle may go too: a copy comes back with the job.
    await good(deleteVehicle(car.id));
    await good(putBack(item!.id));
    expect((await loadVehicle(car.id))!.plate).toBe('Van 7');
    expect(await (await loadTrace(trace.id))!.raw.text()).toMatch(/^time_s/);
    expect(await (await listPhotos(job.id, 'arrival'))[0]!.image.text()).toBe('picture');
    expect((await listBin()).map((i) => i.kind)).toEqual(['vehicle']);
    const again = await putBack(item!.id);
    expect(!again.ok && again.error.message).toContain('no longer in the bin');
  });

  it('gives a photo back only into a job that is here', async () => {
    const { job } = await aJob();
    const photo = await good(addPhoto({ jobId: job.id, stage: 'arrival', caption: 'p', image: new Blob(['x']) }));
    const photoBin = (await good(deletePhoto(photo.id)))!;
    const jobBin = (await good(deleteJob(job.id)))!;
    const early = await putBack(photoBin);
    expect(!early.ok && early.error.message).toContain('Put the job back first');
    expect(await listBin()).toHaveLength(2);
    await good(putBack(jobBin));
    await good(putBack(photoBin));
    expect(await listPhotos(job.id, 'arrival')).toHaveLength(1);
  });

  it('says null of what was not here, and leaves what stands in its place', async () => {
    expect(await good(deleteTrace('gone'))).toBeNull();
    const { car } = await aJob();
    const { car: other } = await aJob();
    await database().jobs.clear();
    const binId = (await good(deleteVehicle(car.id)))!;
    await database().vehicles.put({ ...other, id: car.id, plate: 'newer' });
    await good(putBack(binId));
    expect((await loadVehicle(car.id))!.plate).toBe('newer');
  });

  it('is emptied of what had its time, and by hand', async () => {
    const { job } = await aJob();
    const binId = (await good(deleteJob(job.id)))!;
    expect(await good(emptyOldBin(Date.now() + 29 * 24 * 3_600_000))).toBe(0);
    expect(await good(emptyOldBin(Date.now() + 31 * 24 * 3_600_000))).toBe(1);
    const { job: second } = await aJob();
    await good(deleteForGood((await good(deleteJob(second.id)))!));
    expect(await listBin()).toEqual([]);
    expect(binId).not.toBe('');
  });
});
