import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it } from 'vitest';
import { judgeNow } from '@/core/judge';
import { readTrace } from '@/core/formats';
import { startingVehicle } from '@/core/planning';
import { giveAnswer, restoreAnswers, setDerivedAnswers, takeAnswerBack } from '@/storage/answers';
import { database } from '@/storage/database';
import { addJob, deleteJob, listJobs, loadJob, restoreJob, updateCold } from '@/storage/jobs';
import { addPhoto, deletePhoto, listPhotos, restorePhoto } from '@/storage/photos';
import {
  DEFAULT_SETTINGS,
  loadOverheatingOrder,
  loadSettings,
  saveOverheatingOrder,
  saveSettings,
} from '@/storage/settings';
import { toStorageError } from '@/storage/storageError';
import {
  addTrace,
  deleteTrace,
  judgeAgain,
  listVehicleTraces,
  nextToJudge,
  putFinding,
  restoreTrace,
  setJudging,
} from '@/storage/traces';
import { addVehicle, loadVehicle, updateVehicle } from '@/storage/vehicles';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const LOG = `time_s,ect_c\n${Array.from({ length: 900 }, (_, t) => `${t},${Math.round(88 - 80 * Math.exp(-t / 200))}`).join('\n')}\n`;

afterEach(async () => {
  await Promise.all(database().tables.map((t) => t.clear()));
});

/** Unwraps a result that must be good. */
async function good<T>(
  result: Promise<{ ok: true; value: T } | { ok: false; error: { message: string } }>,
): Promise<T> {
  const r = await result;
  if (!r.ok) throw new Error(r.error.message);
  return r.value;
}

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
  it('keeps a trace whole, the raw file too', async () => {
    const { job, trace } = await jobWithTrace();
    const detail = await loadJob(job.id);
    expect(detail!.traces[0]!.trace.channels.ect_c).toEqual(trace.trace.channels.ect_c);
    expect(detail!.traces[0]!.fileName).toBe('a.csv');
    expect((await listJobs())[0]).toMatchObject({ traces: 1, vehicle: { plate: 'A' } });
  });

  it('hands traces to the judge until each has its finding', async () => {
    const { job, car, trace } = await jobWithTrace();
    expect((await nextToJudge())!.trace.id).toBe(trace.id);
    await setJudging(trace.id, { state: 'stopped' });
    expect(await nextToJudge()).toBeNull();
    await setJudging(trace.id, { state: 'wanted' });
    const finding = judgeNow(trace.trace, vehicle);
    await good(putFinding(trace, { ...car, updatedAt: car.updatedAt - 1 }, finding));
    expect((await nextToJudge())!.trace.id).toBe(trace.id);
    await good(putFinding(trace, car, finding));
    expect(await nextToJudge()).toBeNull();
    expect((await listVehicleTraces(car.id))[0]!.finding).not.toBeNull();
    await good(judgeAgain(car.id));
    expect((await nextToJudge())!.waiting).toBe(1);
    expect((await loadJob(job.id))!.findings).toEqual([]);
  });

  it('deletes a job with all that belongs to it, and puts it back', async () => {
    const { job } = await jobWithTrace();
    await good(addPhoto({ jobId: job.id, stage: 'arrival', caption: 'p', image: new Blob(['x']) }));
    const deleted = await good(deleteJob(job.id));
    expect(await loadJob(job.id)).toBeNull();
    expect(await listPhotos(job.id, 'arrival')).toEqual([]);
    await good(restoreJob(deleted));
    expect((await loadJob(job.id))!.traces).toHaveLength(1);
    expect(await listPhotos(job.id, 'arrival')).toHaveLength(1);
  });

  it('takes a trace away and back', async () => {
    const { job, trace } = await jobWithTrace();
    const deleted = await good(deleteTrace(trace.id));
    expect((await loadJob(job.id))!.traces).toEqual([]);
    await good(restoreTrace(deleted));
    expect((await loadJob(job.id))!.traces).toHaveLength(1);
  });

  it('gives, replaces, takes back and restores answers', async () => {
    const { job } = await jobWithTrace();
    const answers = async () => (await loadJob(job.id))!.job.answers.map((a) => [a.itemId, a.answer]);
    await giveAnswer(job.id, { itemId: 'look-level-low', answer: 0 });
    await giveAnswer(job.id, { itemId: 'look-level-low', answer: 1, detail: 'again' });
    expect(await answers()).toEqual([['look-level-low', 1]]);
    const before = await good(takeAnswerBack(job.id, 'look-level-low'));
    expect(await answers()).toEqual([]);
    await restoreAnswers(job.id, before);
    expect(await answers()).toEqual([['look-level-low', 1]]);
    await setDerivedAnswers(job.id, ['soak-agreement'], [{ itemId: 'soak-agreement', answer: 0, detail: '' }]);
    await setDerivedAnswers(job.id, ['soak-agreement'], []);
    expect(await answers()).toEqual([['look-level-low', 1]]);
  });

  it('two readings typed at once are both kept', async () => {
    const { job } = await jobWithTrace();
    await Promise.all([updateCold(job.id, { soakEct_c: -9 }), updateCold(job.id, { soakOutside_c: 4 })]);
    expect((await loadJob(job.id))!.job.cold).toMatchObject({ soakEct_c: -9, soakOutside_c: 4 });
  });

  it('photos, vehicles and settings', async () => {
    const { job, car } = await jobWithTrace();
    const photo = await good(addPhoto({ jobId: job.id, stage: 'arrival', caption: 'p', image: new Blob(['x']) }));
    await deletePhoto(photo.id);
    expect(await listPhotos(job.id, 'arrival')).toEqual([]);
    await restorePhoto(photo);
    expect(await listPhotos(job.id, 'arrival')).toHaveLength(1);
    await updateVehicle(car.id, { mileage_km: 5 });
    expect((await loadVehicle(car.id))!.mileage_km).toBe(5);
    expect(await loadSettings()).toEqual(DEFAULT_SETTINGS);
    await saveSettings({ pressure: 'psi' });
    expect((await loadSettings()).pressure).toBe('psi');
    await database().settings.put({ key: 'shop', value: { pressure: 'furlong' } });
    expect(await loadSettings()).toEqual(DEFAULT_SETTINGS);
    expect(await loadOverheatingOrder()).toBeNull();
    await saveOverheatingOrder(['b', 'a']);
    expect(await loadOverheatingOrder()).toEqual(['b', 'a']);
  });

  it('turns the store’s errors into what to do', () => {
    const named = (name: string) => Object.assign(new Error('x'), { name });
    expect(toStorageError(named('QuotaExceededError')).kind).toBe('full');
    expect(toStorageError(named('SecurityError')).kind).toBe('blocked');
    expect(toStorageError(named('NotFoundError')).kind).toBe('missing');
    expect(toStorageError('odd')).toMatchObject({ kind: 'other' });
  });
});
