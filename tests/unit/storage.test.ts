import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { judgeNow } from '@/core/judge';
import { readTrace } from '@/core/formats';
import { startingVehicle } from '@/core/planning';
import type { Entry } from '@/core/case';
import { started } from '@/core/procedure';
import { changeVehicle } from '@/storage/changeVehicle';
import { database } from '@/storage/database';
import {
  addEntry,
  beginNewReading,
  changeEntry,
  deleteEntry,
  giveAnswer,
  setMeasured,
  setNote,
  takeBack,
  undoEntries,
} from '@/storage/entries';
import { changeFigures, judgeAllDue, loadFigures } from '@/storage/figures';
import { addJob, changePlan, deleteJob, listJobs, loadDrives, loadJob, putSummary, setStanding } from '@/storage/jobs';
import { addPhoto, deletePhoto, listPhotos } from '@/storage/photos';
import { startRecording } from '@/storage/recordings';
import { newSheet } from '@/core/repair';
import { changeClosing } from '@/storage/closings';
import { changeRepair } from '@/storage/repairs';
import { changeRun, loadRun } from '@/storage/runs';
import { putBack, putBackDeleted } from '@/storage/bin';
import { DEFAULT_SETTINGS, loadOrder, loadSettings, saveOrder, saveSettings } from '@/storage/settings';
import { toStorageError } from '@/storage/storageError';
import { JOB_TABLE_NAMES, rowsOfJob, SHOP_TABLES } from '@/storage/tables';
import { addTrace, deleteTrace, listVehicleTraces, nextToJudge, putFinding, setJudging } from '@/storage/traces';
import { addVehicle, changeParts, deleteVehicle, listVehicleJobs, loadVehicle } from '@/storage/vehicles';
import { emptyStore, good } from './storeSupport';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const LOG = `time_s,ect_c\n${Array.from({ length: 900 }, (_, t) => `${t},${Math.round(88 - 80 * Math.exp(-t / 200))}`).join('\n')}\n`;

afterEach(emptyStore);

async function jobWithTrace() {
  const car = await good(addVehicle({ plate: 'A', vehicle }));
  const job = await good(addJob({ vehicleId: car.id, complaint: 'cold' }));
  const read = readTrace(LOG);
  if (!read.ok) throw new Error(read.error.message);
  const raw = new Blob([LOG]);
  const reading = { trace: read.value.trace, report: read.value.report, options: {} };
  const trace = await good(addTrace({ jobId: job.id, vehicleId: car.id, fileName: 'a.csv', raw, ...reading }));
  return { car, job, trace };
}

describe('store', () => {
  it('keeps a trace whole, the raw file too, and enters the drive', async () => {
    const { job, trace } = await jobWithTrace();
    const { traces } = await loadDrives(job.id);
    expect(traces[0]!.trace.channels.ect_c).toEqual(trace.trace.channels.ect_c);
    expect(traces[0]!.fileName).toBe('a.csv');
    expect((await loadJob(job.id))!.entries).toMatchObject([
      { kind: 'drive', traceId: trace.id, at: trace.importedAt },
    ]);
    expect((await listJobs())[0]).toMatchObject({ traces: 1, waiting: 1, vehicle: { plate: 'A' } });
  });

  it('hands traces to the judge until each has its finding', async () => {
    const { job, car, trace } = await jobWithTrace();
    const next = (await nextToJudge())!;
    expect(next.trace.id).toBe(trace.id);
    await good(setJudging(trace.id, { state: 'stopped' }));
    expect(await nextToJudge()).toBeNull();
    await good(setJudging(trace.id, { state: 'wanted' }));
    const finding = judgeNow(trace.trace, vehicle);
    // Judged from other data than stand now: the trace goes on waiting.
    await good(putFinding({ ...next, vehicle: { ...car, updatedAt: car.updatedAt - 1 } }, finding));
    await good(putFinding({ ...next, outside_c: 5 }, finding));
    expect((await nextToJudge())!.trace.id).toBe(trace.id);
    await good(putFinding(next, finding));
    expect(await nextToJudge()).toBeNull();
    expect((await listVehicleTraces(car.id))[0]!.finding).not.toBeNull();
    await good(changeFigures((own) => ({ ...own, baseRates: { healthy: 0.2 } })));
    await good(judgeAllDue());
    expect((await nextToJudge())!.waiting).toBe(1);
    await good(changeVehicle(car.id, { mileage_km: 5 }, true));
    expect((await loadDrives(job.id)).findings).toEqual([]);
  });

  it('keeps the order of the list while the judge works; only a person moves a job up', async () => {
    const { job, car, trace } = await jobWithTrace();
    await database().jobs.update(job.id, { updatedAt: 7 });
    const other = await good(addJob({ vehicleId: car.id, complaint: 'later' }));
    const order = async () => (await listJobs()).map((j) => j.job.id);
    const revision = async () => (await loadJob(job.id))!.job.revision;
    const before = await revision();
    await good(putFinding((await nextToJudge())!, judgeNow(trace.trace, vehicle)));
    await good(changeVehicle(car.id, { mileage_km: 5 }, true));
    expect(await revision()).toBe(before + 2);
    expect((await loadJob(job.id))!.job.updatedAt).toBe(7);
    expect(await order()).toEqual([other.id, job.id]);
    await database().jobs.update(other.id, { updatedAt: 8 });
    await good(giveAnswer(job.id, { kind: 'check', item: 'look-belt', answer: 'sound', minute: null }));
    expect(await order()).toEqual([job.id, other.id]);
  });

  it('a finding of a trace that is gone meanwhile is not kept', async () => {
    const { trace } = await jobWithTrace();
    const next = (await nextToJudge())!;
    await good(deleteTrace(trace.id));
    await good(putFinding(next, judgeNow(trace.trace, vehicle)));
    expect(await database().findings.count()).toBe(0);
  });

  it('an outside temperature that someone types reaches the judge where the log has none', async () => {
    const { job, trace } = await jobWithTrace();
    const first = (await nextToJudge())!;
    expect(first.outside_c).toBeNull();
    await good(putFinding(first, judgeNow(trace.trace, vehicle)));
    const change = await good(setMeasured(job.id, { name: 'soak', place: 'cold-look' }, { outside_c: -3 }));
    expect((await nextToJudge())!.outside_c).toBe(-3);
    await good(undoEntries(change));
    expect((await nextToJudge())!.outside_c).toBeNull();
  });

  it('deletes a job with all that belongs to it, recordings too, and puts it back', async () => {
    const { job } = await jobWithTrace();
    await good(addPhoto({ jobId: job.id, stage: 'arrival', caption: 'p', image: new Blob(['x']) }));
    await good(startRecording(job.id, 'adapter'));
    await good(changeRun(job.id, 'drive', (run) => started(run, 5)));
    await good(changeRepair(job.id, newSheet(vehicle), (s) => s));
    await good(changeClosing(job.id, (s) => s));
    await good(
      putSummary({ jobId: job.id, basis: '', text: '', share: null, family: 'sound', empty: true, expected: false }),
    );
    const finding = judgeNow((await loadDrives(job.id)).traces[0]!.trace, vehicle);
    await good(putFinding((await nextToJudge())!, finding));
    const before = await rowsOfJob(job.id);
    for (const table of JOB_TABLE_NAMES) expect(before[table].length, table).toBeGreaterThan(0);
    const deleted = await good(deleteJob(job.id));
    expect(await loadJob(job.id)).toBeNull();
    for (const table of JOB_TABLE_NAMES) expect((await rowsOfJob(job.id))[table], table).toEqual([]);
    await good(putBackDeleted(deleted));
    expect(await loadJob(job.id)).not.toBeNull();
    for (const table of JOB_TABLE_NAMES) {
      expect((await rowsOfJob(job.id))[table], table).toHaveLength(before[table].length);
    }
  });

  it('a run is changed from where it stands, not from where a screen saw it', async () => {
    const { job } = await jobWithTrace();
    const done = () => changeRun(job.id, 'drive', (run) => ({ ...run, elapsed_s: run.elapsed_s + 10 }));
    const [first, second] = await Promise.all([good(done()), good(done())]);
    expect([first.elapsed_s, second.elapsed_s]).toEqual([0, 10]);
    expect(await loadRun(job.id, 'drive')).toMatchObject({ elapsed_s: 20, jobId: job.id });
    await good(changeRun(job.id, 'drive', () => second));
    expect(await loadRun(job.id, 'drive')).toMatchObject({ elapsed_s: 10 });
  });

  it('a state that takes the day off says which it was', async () => {
    const { job } = await jobWithTrace();
    const again = { state: 'look-again', lookAgainOn: '2031-02-03' } as const;
    expect(await good(setStanding(job.id, again))).toEqual({ state: 'to-look-at' });
    expect(await good(setStanding(job.id, { state: 'finished' }))).toEqual(again);
    expect((await loadJob(job.id))!.job).not.toHaveProperty('lookAgainOn');
    await good(setStanding(job.id, again));
    expect((await loadJob(job.id))!.job).toMatchObject(again);
    expect(await good(setStanding('gone', again))).toBeNull();
  });

  it('every table that belongs to jobs stands in the registry', () => {
    const owned = database().tables.filter((t) => 'jobId' in t.schema.idxByName || t.schema.primKey.name === 'jobId');
    expect(owned.map((t) => t.name).sort()).toEqual([...JOB_TABLE_NAMES].sort());
    const known = [...JOB_TABLE_NAMES, ...Object.keys(SHOP_TABLES)];
    expect(known.sort()).toEqual(
      database()
        .tables.map((t) => t.name)
        .sort(),
    );
  });

  it('takes a trace away with its entry, and back', async () => {
    const { job, trace } = await jobWithTrace();
    const deleted = await good(deleteTrace(trace.id));
    expect((await loadDrives(job.id)).traces).toEqual([]);
    expect((await loadJob(job.id))!.entries).toEqual([]);
    await good(putBackDeleted(deleted));
    expect((await loadDrives(job.id)).traces).toHaveLength(1);
    expect((await loadJob(job.id))!.entries).toHaveLength(1);
  });

  it('photos, vehicles and settings', async () => {
    const { job, car } = await jobWithTrace();
    const photo = await good(addPhoto({ jobId: job.id, stage: 'arrival', caption: 'p', image: new Blob(['x']) }));
    const deleted = await good(deletePhoto(photo.id));
    expect(await listPhotos(job.id, 'arrival')).toEqual([]);
    await good(putBackDeleted(deleted));
    expect(await listPhotos(job.id, 'arrival')).toHaveLength(1);
    const before = await good(changeVehicle(car.id, { mileage_km: 5 }, false));
    expect((await loadVehicle(car.id))!.mileage_km).toBe(5);
    expect(before).toEqual({ mileage_km: null });
    expect(await loadSettings()).toEqual(DEFAULT_SETTINGS);
    await good(saveSettings({ pressure: 'psi' }));
    expect((await loadSettings()).pressure).toBe('psi');
    await database().settings.put({ key: 'shop', value: { pressure: 'furlong' } });
    expect(await loadSettings()).toEqual(DEFAULT_SETTINGS);
    expect(await loadOrder('overheating-order')).toBeNull();
    await good(saveOrder('overheating-order', ['b', 'a']));
    expect(await loadOrder('overheating-order')).toEqual(['b', 'a']);
  });

  it('a vehicle lists its jobs, and is deleted only when none stands on it', async () => {
    const { job, car } = await jobWithTrace();
    expect((await listVehicleJobs(car.id)).map((j) => j.id)).toEqual([job.id]);
    expect(await good(deleteVehicle(car.id))).toBeNull();
    await good(deleteJob(job.id));
    const gone = (await good(deleteVehicle(car.id)))!;
    expect(await loadVehicle(car.id)).toBeUndefined();
    await good(putBack(gone));
    expect((await loadVehicle(car.id))!.plate).toBe('A');
  });

  it('two tabs that change parts and plan at once lose nothing', async () => {
    const { car, job } = await jobWithTrace();
    const part = (name: string) => ({ part: name, when: '', detail: '' });
    await Promise.all(['Cap', 'Pump'].map((p) => good(changeParts(car.id, (all) => [part(p), ...all]))));
    expect((await loadVehicle(car.id))!.parts.map((p) => p.part).sort()).toEqual(['Cap', 'Pump']);
    const first = { phases: [], ambient_c: 5, heater_pct: 0, startExcess_k: 0, limit_c: 100 };
    await Promise.all([
      good(changePlan(job.id, first, { ambient_c: -8 })),
      good(changePlan(job.id, first, { heater_pct: 60 })),
    ]);
    expect((await loadJob(job.id))!.job.plan).toMatchObject({ ambient_c: -8, heater_pct: 60 });
  });

  it('keeps the shop’s own figures, and takes unreadable ones for none', async () => {
    expect((await loadFigures()).changedAt).toBe(0);
    await good(changeFigures((own) => ({ ...own, altitude_m: 900 })));
    await good(changeFigures((own) => ({ ...own, prices: { sender: 7 } })));
    expect((await loadFigures()).own).toMatchObject({ altitude_m: 900, prices: { sender: 7 } });
    await database().settings.put({ key: 'figures', value: { file: { schema: 'x' }, changedAt: 5 } });
    expect((await loadFigures()).own.altitude_m).toBe(0);
  });

  it('turns the store’s errors into what to do', () => {
    const named = (name: string) => Object.assign(new Error('x'), { name });
    expect(toStorageError(named('QuotaExceededError')).kind).toBe('full');
    expect(toStorageError(named('SecurityError')).kind).toBe('blocked');
    expect(toStorageError(named('NotFoundError')).kind).toBe('missing');
    expect(toStorageError('odd')).toMatchObject({ kind: 'other' });
  });
});

describe('the chronicle', () => {
  let jobId = '';
  beforeEach(async () => {
    vi.useFakeTimers({ toFake: ['Date'], now: 1_900_000_000_000 });
    const car = await good(addVehicle({ plate: 'A', vehicle }));
    jobId = (await good(addJob({ vehicleId: car.id, complaint: '' }))).id;
  });
  afterEach(() => vi.useRealTimers());

  const later = (hours: number) => vi.setSystemTime(Date.now() + hours * 3_600_000);
  const live = async (): Promise<Entry[]> => (await loadJob(jobId))!.entries.filter((e) => e.takenBack !== true);
  const level = (answer: string) => giveAnswer(jobId, { kind: 'check', item: 'look-level-low', answer, minute: null });
  const answers = async () => (await live()).map((e) => (e.kind === 'check' ? e.answer : e.kind));

  it('an answer is given, corrected in the same sitting, taken back by giving it again, undone', async () => {
    await good(level('low'));
    await good(level('at-the-mark'));
    expect(await answers()).toEqual(['at-the-mark']);
    const change = await good(level('at-the-mark'));
    expect(await answers()).toEqual([]);
    await good(undoEntries(change));
    expect(await answers()).toEqual(['at-the-mark']);
  });

  it('Monday’s level stays when Tuesday’s is entered', async () => {
    await good(level('low'));
    await good(setMeasured(jobId, { name: 'level', place: 'cold-look' }, { above_mark_mm: -20 }));
    later(24);
    await good(level('at-the-mark'));
    await good(setMeasured(jobId, { name: 'level', place: 'cold-look' }, { above_mark_mm: 2 }));
    expect(await answers()).toEqual(['low', 'measurement', 'at-the-mark', 'measurement']);
    const read = (await live()).flatMap((e) => (e.kind === 'measurement' ? [e.values.above_mark_mm] : []));
    expect(read).toEqual([-20, 2]);
  });

  it('a reading is corrected while it is being taken, and taken again when asked', async () => {
    const soak = (values: Record<string, number | null>) =>
      good(setMeasured(jobId, { name: 'soak', place: 'cold-look' }, values));
    await Promise.all([soak({ ect_c: -9 }), soak({ outside_c: 4 })]);
    await soak({ ect_c: -8 });
    expect(await live()).toMatchObject([{ values: { ect_c: -8, outside_c: 4 } }]);
    await good(beginNewReading(jobId, 'soak', 'cold-look'));
    later(0.1);
    await soak({ ect_c: 5 });
    expect((await live()).map((e) => e.kind === 'measurement' && e.values)).toEqual([
      { ect_c: -8, outside_c: 4 },
      { ect_c: 5 },
    ]);
    await soak({ ect_c: null });
    expect(await live()).toHaveLength(1);
  });

  it('what is answered after work belongs to the car as it is then', async () => {
    await good(level('low'));
    later(1);
    await good(addEntry(jobId, { kind: 'work', work: 'topped-up-and-bled', detail: '', benchPassed: false }));
    later(1);
    await good(level('at-the-mark'));
    expect(await answers()).toEqual(['low', 'work', 'at-the-mark']);
  });

  it('an entry is taken back, counted again, moved in time, deleted and put back', async () => {
    await good(level('low'));
    const [entry] = await live();
    await good(takeBack(jobId, entry!.id));
    expect(await live()).toEqual([]);
    await good(takeBack(jobId, entry!.id, false));
    await good(changeEntry(jobId, entry!.id, { at: 5 }));
    expect((await live())[0]!.at).toBe(5);
    const gone = await good(deleteEntry(jobId, entry!.id));
    expect((await loadJob(jobId))!.entries).toEqual([]);
    await good(undoEntries(gone));
    expect((await live())[0]!.at).toBe(5);
  });

  it('a note is written, rewritten and emptied', async () => {
    await good(setNote(jobId, 'cold-look', () => 'seep'));
    await good(setNote(jobId, 'cold-look', (now) => `${now} at the hose`));
    expect(await live()).toMatchObject([{ kind: 'note', text: 'seep at the hose' }]);
    await good(setNote(jobId, 'cold-look', () => ''));
    expect(await live()).toEqual([]);
  });

  it('every change counts for the odds', async () => {
    const revision = async () => (await loadJob(jobId))!.job.revision;
    const from = await revision();
    await good(level('low'));
    await good(undoEntries(await good(level('at-the-mark'))));
    expect(await revision()).toBe(from + 3);
  });

  it('two tabs that answer at once lose nothing', async () => {
    const belt = giveAnswer(jobId, { kind: 'check', item: 'look-belt', answer: 'sound', minute: null });
    await Promise.all([good(level('low')), good(belt)]);
    expect((await live()).map((e) => e.kind === 'check' && e.item).sort()).toEqual(['look-belt', 'look-level-low']);
  });

  it('a failing write says so and changes nothing', async () => {
    const put = vi.spyOn(database().entries, 'put').mockImplementation(() => {
      throw Object.assign(new Error('no room'), { name: 'QuotaExceededError' });
    });
    const result = await level('low');
    put.mockRestore();
    expect(result).toMatchObject({ ok: false, error: { kind: 'full' } });
    expect(await live()).toEqual([]);
    expect((await loadJob(jobId))!.job.revision).toBe(0);
  });
});
