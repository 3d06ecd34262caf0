import 'fake-indexeddb/auto';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { afterEach, describe, expect, it } from 'vitest';
import { layBeside } from '@/core/formats';
import { startingVehicle } from '@/core/planning';
import { openJob } from '@/job/jobFile';
import { packJob } from '@/storage/bundle/jobBundle';
import { changeVehicle } from '@/storage/changeVehicle';
import { changeClosing } from '@/storage/closings';
import { database } from '@/storage/database';
import { addEntry, giveAnswer, setMeasured } from '@/storage/entries';
import { addJob, changePlan, listJobs, loadDrives, loadJob, setStanding, changeJobText } from '@/storage/jobs';
import { addPhoto, listJobPhotos } from '@/storage/photos';
import { addTrace } from '@/storage/traces';
import { startRecording } from '@/storage/recordings';
import { changeRun, loadRun } from '@/storage/runs';
import { rowsOfJob } from '@/storage/tables';
import { addVehicle, listVehicles } from '@/storage/vehicles';
import { importInWorker, openSecondLog } from './coreClient';
import { emptyStore, good } from './storeSupport';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.4, hybrid: false });
const warm = (t: number): number => Math.round(86 - 80 * Math.exp(-t / 240));
const LOG = `time_s,ect_c,ambient_c\n${Array.from({ length: 1200 }, (_, t) => `${t},${warm(t)},6`).join('\n')}\n`;
const SECOND = `time (s),Housing (°C)\n${Array.from({ length: 1100 }, (_, t) => `${t},${warm(t) - 2}`).join('\n')}\n`;

afterEach(emptyStore);

/** A job with a log, a second log beside it, an answer, a plan, a photo. */
async function wholeJob() {
  const car = await good(addVehicle({ plate: 'Post 3', vehicle, parts: [{ part: 'Cap', when: '2029', detail: '' }] }));
  const job = await good(addJob({ vehicleId: car.id, complaint: 'slow heater', standing: { state: 'to-prove' } }));
  await good(giveAnswer(job.id, { kind: 'check', item: 'look-belt', answer: 'sound', minute: null }));
  await good(setMeasured(job.id, { name: 'soak', place: 'cold-look' }, { ect_c: 4, outside_c: 3, stood_h: 11 }));
  await good(addEntry(job.id, { kind: 'work', work: 'replaced-cap', detail: '110 kPa', benchPassed: false }));
  await good(changeJobText(job.id, 'conditions', () => 'on the hill'));
  await good(setStanding(job.id, { state: 'look-again', lookAgainOn: '2031-02-03' }));
  const plan = { phases: [], ambient_c: 3, heater_pct: 20, startExcess_k: 0, limit_c: 101, altitude_m: 900 };
  await good(changePlan(job.id, plan, {}));
  await good(changeRun(job.id, 'drive', () => ({ runningSince: null, elapsed_s: 12, ended_s: { 0: 7 } })));
  const later = { jobId: job.id, procedure: 'seance', runningSince: null, elapsed_s: 3, ended_s: {} };
  await database().runs.add({ id: `${job.id} seance`, ...later });
  await database().entries.add({ id: 'odd', jobId: job.id, at: 77, kind: 'seance', candles: 3 });
  await good(changeClosing(job.id, (s) => ({ ...s, notesNext: 'long screw on top', odometer_km: 81_000 })));
  await good(startRecording(job.id, 'simulated adapter'));
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
  const { job, vehicle: car } = (await loadJob(jobId))!;
  return packJob(job, car, await rowsOfJob(jobId));
}

describe('a job that moves to another shop', () => {
  it('arrives whole: vehicle, answers, log with its second one, photo', async () => {
    const { job } = await wholeJob();
    const before = { ...(await loadJob(job.id))!, ...(await loadDrives(job.id)) };
    const rows = await rowsOfJob(job.id);
    const file = await packed(job.id);
    await emptyStore();
    const id = await good(openJob(file));
    const after = { ...(await loadJob(id))!, ...(await loadDrives(id)) };
    // Every field of the job but what is its place here.
    const { id: _id, vehicleId: _v, updatedAt: _u, revision: _r, ...fields } = before.job;
    expect(after.job).toMatchObject(fields);
    expect(after.vehicle).toMatchObject({ plate: 'Post 3', vehicle, parts: [{ part: 'Cap' }] });
    const kinds = (list: typeof before.entries) => list.map((e) => e.kind).sort();
    expect(kinds(after.entries)).toEqual(kinds(before.entries));
    const driven = after.entries.find((e) => e.kind === 'drive')!;
    expect(driven.kind === 'drive' && driven.traceId).toBe(after.traces[0]!.id);
    const odd = after.entries.find((e) => e.kind === 'unknown')!;
    expect(odd.kind === 'unknown' && odd.original).toMatchObject({ kind: 'seance', candles: 3 });
    expect([...after.traces[0]!.trace.channels.ect_c]).toEqual([...before.traces[0]!.trace.channels.ect_c]);
    expect([...after.traces[0]!.trace.channels.rad_out_c!]).toEqual([...before.traces[0]!.trace.channels.rad_out_c!]);
    expect(after.traces[0]!.companion).toMatchObject({ fileName: 'hose.csv', alignment: { offset_s: 30, by: 'hand' } });
    expect(after.traces[0]!.judging).toEqual({ state: 'wanted' });
    expect(await listJobPhotos(id)).toHaveLength(1);
    expect((await rowsOfJob(id)).closings[0]!.sheet).toMatchObject({
      notesNext: 'long screw on top',
      odometer_km: 81_000,
    });
    expect((await rowsOfJob(id)).recordings[0]).toMatchObject({ source: 'simulated adapter' });
    expect(rows.recordings).toHaveLength(1);
    expect(await loadRun(id, 'drive')).toMatchObject({ jobId: id, elapsed_s: 12, ended_s: { 0: 7 } });
    expect((await rowsOfJob(id)).runs.map((r) => r.procedure).sort()).toEqual(['drive', 'seance']);
  });

  it('that cannot be kept whole is not kept at all', async () => {
    const { job } = await wholeJob();
    const file = await packed(job.id);
    await emptyStore();
    const full = (): never => {
      throw Object.assign(new Error('no room'), { name: 'QuotaExceededError' });
    };
    database().photos.hook('creating', full);
    const opened = await openJob(file);
    database().photos.hook('creating').unsubscribe(full);
    expect(!opened.ok && opened.error).toMatch(/storage is full/);
    expect(await listJobs()).toEqual([]);
    expect(await listVehicles()).toEqual([]);
    expect(await database().entries.count()).toBe(0);
    expect(await database().traces.count()).toBe(0);
  });

  it('joins the vehicle that is here already, and makes a new one where the data differ', async () => {
    const { car, job } = await wholeJob();
    const file = await packed(job.id);
    const again = await good(openJob(file));
    expect((await loadJob(again))!.vehicle.id).toBe(car.id);
    expect(await listJobs()).toHaveLength(2);
    await good(changeVehicle(car.id, { vehicle: { ...vehicle, coolant: { ...vehicle.coolant, volume_l: 9 } } }, true));
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
