import 'fake-indexeddb/auto';
import { unzipSync, strFromU8, strToU8, zipSync } from 'fflate';
import { afterEach, describe, expect, it } from 'vitest';
import { readTrace, type LoggedSeries } from '@/core/formats';
import { startingVehicle } from '@/core/planning';
import { VEHICLE_PARAMETER_COUNT, type VehicleMemory } from '@/core/twin';
import { loadColumnChoices, saveColumnChoices } from '@/storage/columnChoices';
import { putBackDeleted } from '@/storage/bin';
import { database } from '@/storage/database';
import { packJob, unpackJob } from '@/storage/bundle/jobBundle';
import { changeVehicle } from '@/storage/changeVehicle';
import { addJob, deleteJob, loadJob } from '@/storage/jobs';
import { readMemory } from '@/storage/memoryFile';
import { addPhoto } from '@/storage/photos';
import { endRecording, keepRecording, openRecording, deleteRecording, startRecording } from '@/storage/recordings';
import { addTrace, loadTrace, replaceReading, setJudging } from '@/storage/traces';
import { addTriage, assignTriage, clearTriage, listTriage, settleTriage } from '@/storage/triage';
import { changeRun } from '@/storage/runs';
import { rowsOfJob } from '@/storage/tables';
import { addVehicle } from '@/storage/vehicles';
import { emptyStore, good } from './storeSupport';

const vehicle = startingVehicle({ fuel: 'diesel', displacement_l: 1.9, hybrid: false });
const LOG = `Zeit;Kühlmittel [°C]\n${Array.from({ length: 60 }, (_, t) => `${t};${20 + t}`).join('\n')}\n`;

afterEach(emptyStore);

async function jobWithLog() {
  const car = await good(addVehicle({ plate: 'Van 5', vehicle }));
  const said = { kind: 'check', item: 'hose-top-2min', answer: 'warm', minute: 2, at: 7 };
  const job = await good(addJob({ vehicleId: car.id, complaint: 'weak heater' }, [said]));
  const read = readTrace(LOG);
  if (!read.ok) throw new Error(read.error.message);
  const { trace, report } = read.value;
  const fields = { jobId: job.id, vehicleId: car.id, fileName: 'fahrt.csv', raw: new Blob([LOG]), trace, report };
  const record = await good(addTrace({ ...fields, options: { otherwise: ['out-of-order'] } }));
  return { car, job, record };
}

async function packed(jobId: string): Promise<Blob> {
  const { job, vehicle: car } = (await loadJob(jobId))!;
  return packJob(job, car, await rowsOfJob(jobId));
}

/** A job file with its main part changed. */
async function changedMain(
  file: Blob,
  change: (main: Record<string, unknown>) => Record<string, unknown>,
): Promise<Blob> {
  const files = unzipSync(new Uint8Array(await file.arrayBuffer()));
  const main = JSON.parse(strFromU8(files['job.json']!)) as Record<string, unknown>;
  return new Blob([zipSync({ ...files, 'job.json': strToU8(JSON.stringify(change(main))) }) as BlobPart]);
}

describe('column choices', () => {
  const mapping = { 0: { channel: 'time_s', unit: 's' }, 2: { channel: 'ect_c', unit: '°F' } } as const;

  it('are kept under the headers of the file', async () => {
    await good(saveColumnChoices(['a', 'b', 'c'], { mapping, numbers: { decimalComma: true, grouped: false } }));
    const choices = { mapping, numbers: { decimalComma: true, grouped: false } };
    expect(await loadColumnChoices()).toEqual([{ headers: ['a', 'b', 'c'], choices }]);
  });

  it('a broken entry counts as none', async () => {
    await database().settings.put({
      key: 'columns:a\u001fb',
      value: { choices: [{ column: 0, channel: 'nonsense' }] },
    });
    expect(await loadColumnChoices()).toEqual([]);
  });
});

describe('another reading of a trace', () => {
  it('replaces the samples and sends the trace to the judge again', async () => {
    const { record } = await jobWithLog();
    await good(setJudging(record.id, { state: 'done' }));
    const trace = { ...record.trace, channels: { ect_c: record.trace.channels.ect_c.map((v) => v + 1) } };
    await good(replaceReading(record.id, { trace }));
    const now = await loadTrace(record.id);
    expect(now!.trace.channels.ect_c[0]).toBe(21);
    expect(now!.judging).toEqual({ state: 'wanted' });
    expect(now!.report).toEqual(record.report);
  });
});

describe('a recording', () => {
  it('is kept row by row, found again, ended and put back', async () => {
    const { id: jobId } = await good(addJob({ vehicleId: 'van', complaint: '' }));
    const begun = await good(startRecording(jobId, 'adapter'));
    const rows = [{ time_s: 0, values: { ect_c: 12 } }];
    const marks = [{ time_s: 0, text: 'heater hot' }];
    await good(keepRecording(begun, { rows, marks }));
    expect(await openRecording(jobId)).toMatchObject({ id: begun.id, rows, marks });
    const thrown = await good(deleteRecording(begun.id));
    expect(await openRecording(jobId)).toBeUndefined();
    await good(putBackDeleted(thrown));
    expect(await openRecording(jobId)).toMatchObject({ rows });
    // Another tab took it away while this one went on: it is there again with the next rows, unless its job is gone.
    await good(endRecording(begun.id));
    await good(keepRecording(begun, { rows, marks }));
    expect(await openRecording(jobId)).toMatchObject({ id: begun.id, rows });
    await good(deleteJob(jobId));
    const late = await keepRecording(begun, { rows, marks });
    expect(!late.ok && late.error.kind).toBe('refused');
    expect(await database().recordings.count()).toBe(0);
  });
});

describe('the batch', () => {
  it('keeps its order, forgets an outcome that came for another vehicle, and is cleared with a way back', async () => {
    const raw = new Blob(['x']);
    await good(addTriage(['b.csv', 'a.csv'].map((fileName) => ({ fileName, raw, vehicleId: null }))));
    const [first, second] = await listTriage();
    expect([first!.fileName, second!.fileName]).toEqual(['b.csv', 'a.csv']);
    await good(assignTriage(first!.id, 'van'));
    await good(settleTriage(first!, { state: 'refused', message: 'late' }));
    expect((await listTriage())[0]!.outcome).toEqual({ state: 'waiting' });
    await good(settleTriage({ ...first!, vehicleId: 'van' }, { state: 'refused', message: 'no time' }));
    expect((await listTriage())[0]!.outcome).toEqual({ state: 'refused', message: 'no time' });
    const cleared = await good(clearTriage());
    expect(await listTriage()).toEqual([]);
    expect(cleared.count).toBe(2);
    await good(putBackDeleted(cleared.binId));
    expect(await listTriage()).toHaveLength(2);
  });
});

describe('a job as a file', () => {
  it('holds readable files and gives the job back, its second log too', async () => {
    const { job, record } = await jobWithLog();
    await good(
      addPhoto({ jobId: job.id, stage: 'arrival', caption: 'cap', image: new Blob(['jpg'], { type: 'image/jpeg' }) }),
    );
    const series: LoggedSeries = {
      time_s: Float64Array.of(0, 1, 2),
      columns: [{ header: 'Hose', channel: null, values_c: Float64Array.of(1, 2, 3) }],
      clock: null,
    };
    const companion = {
      fileName: 'hose.csv',
      raw: new Blob(['hose']),
      series,
      alignment: { offset_s: -12, by: 'hand', match: 0 },
      channels: { 0: 'rad_out_c' },
      alone: record.trace,
    } as const;
    await good(replaceReading(record.id, { trace: record.trace, companion }));
    const blob = await packed(job.id);
    const files = unzipSync(new Uint8Array(await blob.arrayBuffer()));
    expect(Object.keys(files).sort()).toEqual([
      'job.json',
      'logs/01 beside hose.csv',
      'logs/01 canonical.csv',
      'logs/01 fahrt.csv',
      'photos/01.jpeg',
      'vehicle.json',
    ]);
    expect(strFromU8(files['logs/01 fahrt.csv']!)).toBe(LOG);
    const back = await good(unpackJob(blob));
    expect(back.job).toMatchObject({ complaint: 'weak heater' });
    expect(back.entries.map((e) => [e.kind, e.at])).toContainEqual(['check', 7]);
    expect(back.vehicle).toMatchObject({ plate: 'Van 5', vehicle });
    expect(await back.traces[0]!.raw.text()).toBe(LOG);
    expect(back.traces[0]).toMatchObject({ fileName: 'fahrt.csv', options: { otherwise: ['out-of-order'] } });
    expect(back.traces[0]!.second).toMatchObject({
      fileName: 'hose.csv',
      alignment: companion.alignment,
      channels: { 0: 'rad_out_c' },
    });
    expect(back.photos[0]).toMatchObject({ stage: 'arrival', caption: 'cap' });
    expect(back.photos[0]!.image.type).toBe('image/jpeg');
  });

  const zip = (files: Record<string, string>) =>
    new Blob([zipSync(Object.fromEntries(Object.entries(files).map(([n, t]) => [n, strToU8(t)]))) as BlobPart]);

  it.each<[string, Blob, RegExp]>([
    ['no zip', new Blob(['hello']), /cannot be opened/],
    ['a zip of something else', zip({ 'a.csv': LOG }), /holds no job.json/],
    ['broken JSON', zip({ 'job.json': '{' }), /[Nn]ot valid JSON/],
    ['another schema', zip({ 'job.json': '{"schema":"other/1"}' }), /no job of Varmek/],
    ['a newer job', zip({ 'job.json': '{"schema":"varmek-job/9"}' }), /saved by a newer Varmek/],
    ['prototype keys only', zip({ 'job.json': '{"__proto__":{"schema":"varmek-job/1"}}' }), /no job of Varmek/],
  ])('%s is refused', async (_, blob, message) => {
    const read = await unpackJob(blob);
    expect(!read.ok && read.error).toMatch(message);
  });

  it('is refused where a digit of a log was altered, cut off, or where it unpacks to too much', async () => {
    const { job } = await jobWithLog();
    const blob = await packed(job.id);
    // Stored, not packed, so that the digits stand in the file as they are.
    const stored = zipSync(unzipSync(new Uint8Array(await blob.arrayBuffer())), { level: 0 });
    const read = await unpackJob(new Blob([stored as BlobPart]));
    expect(read.ok).toBe(true);
    const at = strFromU8(stored, true).indexOf('\n10;30\n');
    expect(at).toBeGreaterThan(0);
    stored[at + 1] = '7'.charCodeAt(0);
    const altered = await unpackJob(new Blob([stored as BlobPart]));
    expect(!altered.ok && altered.error).toContain('its checksum is wrong');
    for (const share of [0.3, 0.9, 0.999]) {
      const cut = await unpackJob(blob.slice(0, Math.floor(share * blob.size)));
      expect(!cut.ok && cut.error).toMatch(/cannot be opened/);
    }
    const bytes = new Uint8Array(await blob.arrayBuffer());
    const view = new DataView(bytes.buffer);
    view.setUint32(view.getUint32(bytes.length - 22 + 16, true) + 24, 3_000_000_000, true);
    const bomb = await unpackJob(new Blob([bytes]));
    expect(!bomb.ok && bomb.error).toContain('unpacks to more than any job holds');
  });

  it('takes the memory of the vehicle and a running stopwatch along, of a file of today and of the kind before', async () => {
    const { car, job } = await jobWithLog();
    const memory: VehicleMemory = {
      mean: Array.from({ length: VEHICLE_PARAMETER_COUNT }, (_, i) => i / 10),
      sd: Array.from({ length: VEHICLE_PARAMETER_COUNT }, () => 0.5),
      heatSource: 'load',
    };
    await good(changeVehicle(car.id, { memory }, false));
    const run = { runningSince: 1_900_000_000_000, elapsed_s: 12.5, ended_s: {} };
    await good(changeRun(job.id, 'drive', () => run));
    const file = await packed(job.id);
    const back = await good(unpackJob(file));
    expect(back.vehicle.memory).toEqual(memory);
    expect(back.runs).toEqual([{ procedure: 'drive', ...run }]);
    const { ended_s: _none, ...stopwatch } = run;
    const before = await changedMain(file, (main) => ({
      ...{ ...main, schema: 'varmek-job/2', runs: undefined },
      job: { ...(main.job as object), state: 'look-again', lookAgainOn: '', stopwatch },
      traces: (main.traces as object[]).map((t) => ({ ...t, options: { leave: ['clock-jump', 'gap'] } })),
    }));
    const old = await good(unpackJob(before));
    expect(old.runs).toEqual(back.runs);
    expect(old.job.standing).toMatchObject({ state: 'look-again', lookAgainOn: expect.stringMatching(/^\d{4}-/) });
    expect(old.traces[0]!.options).toEqual({ otherwise: ['clock-set-back', 'clock-set-forward', 'gap'] });
  });

  it.each<[string, unknown]>([
    ['none', null],
    ['of a model with other parameters', { mean: [0, 1], sd: [1, 1], heatSource: null }],
    [
      'with a spread of nothing',
      { mean: Array(VEHICLE_PARAMETER_COUNT).fill(0), sd: Array(VEHICLE_PARAMETER_COUNT).fill(0), heatSource: null },
    ],
    [
      'with words for numbers',
      { mean: Array(VEHICLE_PARAMETER_COUNT).fill('0'), sd: Array(VEHICLE_PARAMETER_COUNT).fill(1), heatSource: null },
    ],
    [
      'from an unknown source of heat',
      { mean: Array(VEHICLE_PARAMETER_COUNT).fill(0), sd: Array(VEHICLE_PARAMETER_COUNT).fill(1), heatSource: 'sun' },
    ],
  ])('a memory %s counts as none', (_, value) => expect(readMemory(value)).toBeNull());

  it('a log that is named but missing is told', async () => {
    const { job } = await jobWithLog();
    const blob = await packed(job.id);
    const files = unzipSync(new Uint8Array(await blob.arrayBuffer()));
    delete files['logs/01 fahrt.csv'];
    const read = await unpackJob(new Blob([zipSync(files) as BlobPart]));
    expect(!read.ok && read.error).toMatch(/logs\/01 fahrt.csv is missing/);
  });
});
