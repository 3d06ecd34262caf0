import 'fake-indexeddb/auto';
import { putBackDeleted } from '@/storage/bin';
import { beforeEach, describe, expect, it } from 'vitest';
import { newSenderBench, newThermostatBench, readingsOf, type SenderBench } from '@/core/bench';
import { benchTests, type BenchRef } from '@/core/case';
import { startingVehicle } from '@/core/planning';
import { addLooseBench, attachBench, detachBench, isLooseBench, listLooseBenches } from '@/storage/benches';
import { addEntry, changeBench, undoEntries } from '@/storage/entries';
import { addJob, deleteJob, listJobs, loadEntries, loadJob } from '@/storage/jobs';
import { addPhoto, listPhotos } from '@/storage/photos';
import { changeRun } from '@/storage/runs';
import { addVehicle, listVehicles } from '@/storage/vehicles';
import { emptyStore, good } from './storeSupport';

const VEHICLE = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const OLD: BenchRef = { of: 'sender', which: 'engine', part: 'old' };
const [READING] = readingsOf([{ true_c: 20, of: 'ohm', value: 2500 }]);
const withReading = (now: unknown): SenderBench => {
  const test = (now as SenderBench | null) ?? newSenderBench('engine', []);
  return { ...test, readings: [...test.readings, READING!] };
};
const standing = async (jobId: string, ref: BenchRef = OLD) => benchTests(await loadEntries(jobId), ref);
const readings = async (jobId: string): Promise<number[]> =>
  (await standing(jobId)).map((e) => (e.test.of === 'sender' ? e.test.readings.length : -1));

async function newJob() {
  const car = await good(addVehicle({ plate: 'A', vehicle: VEHICLE }));
  return good(addJob({ vehicleId: car.id, complaint: 'slow' }));
}

beforeEach(emptyStore);

describe('a bench test of a job', () => {
  it('grows in place, is undone reading by reading, and begins anew when asked', async () => {
    const job = await newJob();
    await good(changeBench(job.id, OLD, withReading));
    const second = await good(changeBench(job.id, OLD, withReading));
    expect(await readings(job.id)).toEqual([2]);
    await good(undoEntries(second));
    expect(await readings(job.id)).toEqual([1]);
    await good(changeBench(job.id, OLD, (now) => ({ ...withReading(now), readings: [] }), true));
    expect(await readings(job.id)).toEqual([0, 1]);
  });

  it('two tabs at once lose no reading', async () => {
    const job = await newJob();
    await good(changeBench(job.id, OLD, withReading));
    await Promise.all(Array.from({ length: 6 }, () => good(changeBench(job.id, OLD, withReading))));
    expect(await readings(job.id)).toEqual([7]);
  });

  it('keeps the two senders, the old part and the new one, and the thermostat apart', async () => {
    const job = await newJob();
    await good(changeBench(job.id, OLD, withReading));
    await good(changeBench(job.id, { ...OLD, which: 'gauge' }, () => newSenderBench('gauge', [])));
    await good(changeBench(job.id, { ...OLD, part: 'new' }, withReading));
    await good(changeBench(job.id, { of: 'thermostat', part: 'old' }, () => newThermostatBench(88, null, 0)));
    expect(await loadEntries(job.id)).toHaveLength(4);
    expect(await readings(job.id)).toEqual([1]);
    expect(await standing(job.id, { of: 'thermostat', part: 'old' })).toHaveLength(1);
    expect(await standing(job.id, { of: 'thermostat', part: 'new' })).toHaveLength(0);
  });

  it('work ends what stands: the next test is one of the car as it is then', async () => {
    const job = await newJob();
    await good(changeBench(job.id, OLD, withReading));
    await good(addEntry(job.id, { kind: 'work', work: 'replaced-sender', detail: '', benchPassed: false }));
    expect(await readings(job.id)).toEqual([]);
    await good(changeBench(job.id, OLD, withReading));
    expect(await readings(job.id)).toEqual([1]);
    expect(await loadEntries(job.id)).toHaveLength(3);
  });

  it('one that a newer version wrote is kept as it came and is not written over', async () => {
    const job = await newJob();
    const strange = { of: 'viscosity', figure: 3 };
    await good(
      addEntry(job.id, { kind: 'bench', item: '', answer: '', part: 'old', text: '', test: strange as never }),
    );
    await good(changeBench(job.id, OLD, withReading));
    const entries = await loadEntries(job.id);
    const kept = entries.find((e) => e.kind === 'unknown');
    expect(kept?.kind === 'unknown' && kept.original.test).toEqual(strange);
    expect(await readings(job.id)).toEqual([1]);
  });
});

describe('a bench test without a job', () => {
  const loose = () => good(addLooseBench('From the shelf', VEHICLE));

  it('is listed apart; neither jobs nor vehicles know of it', async () => {
    const bench = await loose();
    await loose();
    expect(isLooseBench(bench)).toBe(true);
    expect((await listLooseBenches()).map((b) => b.job.complaint)).toEqual(['From the shelf', 'From the shelf']);
    expect(await listJobs()).toEqual([]);
    expect(await listVehicles()).toEqual([]);
    expect((await loadJob(bench.id))!.vehicle.plate).toBe('Bench');
  });

  it('goes into a job with photos and its own times, and comes out again whole', async () => {
    const job = await newJob();
    const bench = await loose();
    await good(changeBench(bench.id, OLD, withReading));
    await good(addPhoto({ jobId: bench.id, stage: 'bench', caption: '', image: new Blob(['x']) }));
    await good(changeRun(bench.id, 'pot', (run) => ({ ...run, elapsed_s: 60 })));
    const [before] = await loadEntries(bench.id);
    const attached = await good(attachBench(bench.id, job.id));
    expect(await listLooseBenches()).toEqual([]);
    expect((await loadEntries(job.id)).map((e) => e.at)).toEqual([before!.at]);
    expect(await readings(job.id)).toEqual([1]);
    expect(await listPhotos(job.id, 'bench')).toHaveLength(1);
    expect((await loadJob(job.id))!.job.revision).toBeGreaterThan(0);
    await good(detachBench(attached!));
    expect(await loadEntries(job.id)).toEqual([]);
    expect(await readings(bench.id)).toEqual([1]);
    expect(await listLooseBenches()).toHaveLength(1);
  });

  it('does not go into a job that is gone, and is deleted and put back like one', async () => {
    const bench = await loose();
    await good(changeBench(bench.id, OLD, withReading));
    expect(await good(attachBench(bench.id, 'gone'))).toBeNull();
    expect(await readings(bench.id)).toEqual([1]);
    const deleted = await good(deleteJob(bench.id));
    expect(await listLooseBenches()).toEqual([]);
    await good(putBackDeleted(deleted));
    expect(await readings(bench.id)).toEqual([1]);
  });
});
