import 'fake-indexeddb/auto';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { layBeside } from '@/core/formats';
import { startingVehicle } from '@/core/planning';
import { openJob } from '@/features/jobs/moveJob';
import { giveAnswer } from '@/storage/answers';
import { packJob } from '@/storage/jobBundle';
import { addJob, listJobs, loadJob, updateJob } from '@/storage/jobs';
import { addPhoto, listJobPhotos } from '@/storage/photos';
import { addTrace } from '@/storage/traces';
import { addVehicle, listVehicles, updateVehicle } from '@/storage/vehicles';
import { importInWorker, openSecondLog } from './coreClient';
import { emptyStore, good } from './storeSupport';

vi.mock('@/workers/client', () => import('./coreClient'));

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.4, hybrid: false });
const warm = (t: number): number => Math.round(86 - 80 * Math.exp(-t / 240));
const LOG = `time_s,ect_c,ambient_c\n${Array.from({ length: 1200 }, (_, t) => `${t},${warm(t)},6`).join('\n')}\n`;
const SECOND = `time (s),Housing (°C)\n${Array.from({ length: 1100 }, (_, t) => `${t},${warm(t) - 2}`).join('\n')}\n`;

afterEach(emptyStore);

/** A job with a log, a second log beside it, an answer, a plan, a photo. */
async function wholeJob() {
  const car = await good(addVehicle({ plate: 'Post 3', vehicle, parts: [{ part: 'Cap', when: '2029', detail: '' }] }));
  const job = await good(addJob({ vehicleId: car.id, complaint: 'slow heater', state: 'to-prove' }));
  await good(giveAnswer(job.id, { itemId: 'look-belt', answer: 1 }));
  await good(updateJob(job.id, { lookAgainOn: '2031-02-03' }));
  const raw = new Blob([LOG]);
  const read = await good(importInWorker(raw));
  const second = await good(openSecondLog(new Blob([SECOND]), read.trace, null));
  const alignment = { offset_s: 30, by: 'hand', match: 0 } as const;
  const channels = { 0: 'rad_out_c' } as const;
  await good(
    addTrace({
      jobId: job.id,
      vehicleId: car.id,
      fileName: 'monday.csv',
      raw,
      trace: layBeside(read.trace, second.series, alignment.offset_s, channels),
      report: read.report,
      options: {},
      companion: {
        fileName: 'hose.csv',
        raw: new Blob([SECOND]),
        series: second.series,
        alone: read.trace,
        alignment,
        channels,
      },
    }),
  );
  await good(
    addPhoto({ jobId: job.id, stage: 'arrival', caption: 'cap', at: 5, image: new Blob(['x'], { type: 'image/png' }) }),
  );
  return { car, job };
}

async function packed(jobId: string): Promise<Blob> {
  return packJob((await loadJob(jobId))!, await listJobPhotos(jobId));
}

describe('a job that moves to another shop', () => {
  it('arrives whole: vehicle, answers, log with its second one, photo', async () => {
    const { job } = await wholeJob();
    const before = (await loadJob(job.id))!;
    const file = await packed(job.id);
    await emptyStore();
    const id = await good(openJob(file));
    const after = (await loadJob(id))!;
    expect(after.job).toMatchObject({ complaint: 'slow heater', state: 'to-prove', lookAgainOn: '2031-02-03' });
    expect(after.job.answers.map((a) => a.itemId)).toEqual(['look-belt']);
    expect(after.vehicle).toMatchObject({ plate: 'Post 3', vehicle, parts: [{ part: 'Cap' }] });
    expect([...after.traces[0]!.trace.channels.ect_c]).toEqual([...before.traces[0]!.trace.channels.ect_c]);
    expect([...after.traces[0]!.trace.channels.rad_out_c!]).toEqual([...before.traces[0]!.trace.channels.rad_out_c!]);
    expect(after.traces[0]!.companion).toMatchObject({ fileName: 'hose.csv', alignment: { offset_s: 30, by: 'hand' } });
    expect(after.traces[0]!.judging).toEqual({ state: 'wanted' });
    expect(await listJobPhotos(id)).toHaveLength(1);
  });

  it('joins the vehicle that is here already, and makes a new one where the data differ', async () => {
    const { car, job } = await wholeJob();
    const file = await packed(job.id);
    const again = await good(openJob(file));
    expect((await loadJob(again))!.vehicle.id).toBe(car.id);
    expect(await listJobs()).toHaveLength(2);
    await good(updateVehicle(car.id, { vehicle: { ...vehicle, coolant: { ...vehicle.coolant, volume_l: 9 } } }));
    const third = await good(openJob(file));
    expect((await loadJob(third))!.vehicle.id).not.toBe(car.id);
    expect(await listVehicles()).toHaveLength(2);
  });

  it('with a log that cannot be read is refused by name, and nothing is kept', async () => {
    const { job } = await wholeJob();
    const files = unzipSync(new Uint8Array(await (await packed(job.id)).arrayBuffer()));
    files['logs/01 monday.csv'] = strToU8('no log at all');
    await emptyStore();
    const opened = await openJob(new Blob([zipSync(files) as BlobPart]));
    expect(!opened.ok && opened.error).toMatch(/^monday\.csv: /);
    expect(await listJobs()).toEqual([]);
    expect(await listVehicles()).toEqual([]);
  });
});
