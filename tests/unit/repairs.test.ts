import 'fake-indexeddb/auto';
import { afterAll, beforeEach, describe, expect, it } from 'vitest';
import { readEntry } from '@/core/case';
import { BLEED_PROCEDURES, NOT_BEGUN, started, stepEnded, stepsOf, withReading, type Run } from '@/core/procedure';
import { newSheet, readSheet, type RepairSheet } from '@/core/repair';
import { startingVehicle } from '@/core/planning';
import { packJob, unpackJob } from '@/storage/bundle/jobBundle';
import { keepOpenedJob } from '@/storage/bundle/keepOpenedJob';
import { putBackDeleted } from '@/storage/bin';
import { database } from '@/storage/database';
import { addJob, deleteJob, loadEntries, loadJob } from '@/storage/jobs';
import { addPhoto, listJobPhotos } from '@/storage/photos';
import { deleteProcedure, listProcedures, loadDraft, putProcedure } from '@/storage/procedures';
import {
  beginRepair,
  changeRepair,
  enterRepair,
  loadRepair,
  openRepairs,
  undoEntered,
  undoRepair,
} from '@/storage/repairs';
import { changeRun, loadRun, shelveRun, undoRun } from '@/storage/runs';
import { rowsOfJob } from '@/storage/tables';
import { addVehicle } from '@/storage/vehicles';
import type { Result } from '@/core/base';
import { emptyStore, good } from './storeSupport';

function valueOf<T>(result: Result<T, unknown>): T {
  if (!result.ok) throw new Error(String(result.error));
  return result.value;
}

afterAll(emptyStore);

const CAR = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const FIRST = newSheet(CAR);

async function aJob(): Promise<string> {
  const vehicle = await good(addVehicle({ plate: `Car ${crypto.randomUUID()}`, vehicle: CAR }));
  return (await good(addJob({ vehicleId: vehicle.id, complaint: 'slow warm-up' }))).id;
}

const sheetOf = async (jobId: string): Promise<RepairSheet> => valueOf(readSheet((await loadRepair(jobId))!.sheet));
const capOff = (s: RepairSheet): RepairSheet => ({ ...s, strip: { ...s.strip, capOff: true } });

beforeEach(async () => {
  await Promise.all(database().tables.map((t) => t.clear()));
});

describe('the repair of a job', () => {
  it('begins with the first change, two at once lose nothing, and each is undone', async () => {
    const id = await aJob();
    expect(await loadRepair(id)).toBeUndefined();
    const jar = (label: string) => (s: RepairSheet) => ({
      ...s,
      drain: { ...s.drain, jars: [...s.drain.jars, { id: label, at: 1, label, looks: '' }] },
    });
    const [one] = await Promise.all(['a', 'b', 'c'].map((l) => changeRepair(id, FIRST, jar(l))));
    expect((await sheetOf(id)).drain.jars.map((j) => j.label).sort()).toEqual(['a', 'b', 'c']);
    const changed = await good(changeRepair(id, FIRST, capOff));
    expect((await sheetOf(id)).strip.capOff).toBe(true);
    await good(undoRepair(changed));
    expect((await sheetOf(id)).strip.capOff).toBe(false);
    // Taking back the first of three leaves the other two.
    await good(undoRepair(valueOf(one!)));
    expect((await sheetOf(id)).drain.jars.map((j) => j.label).sort()).toEqual(['b', 'c']);
  });

  it('that nothing has changed since its beginning is none any more', async () => {
    const id = await aJob();
    await good(undoRepair(await good(changeRepair(id, FIRST, capOff))));
    expect(await loadRepair(id)).toBeUndefined();
  });

  it('another one is begun beside it, and taken back', async () => {
    const id = await aJob();
    await good(changeRepair(id, FIRST, capOff));
    await new Promise((r) => setTimeout(r, 3));
    const second = await good(beginRepair(id, FIRST));
    expect((await sheetOf(id)).strip.capOff).toBe(false);
    await good(undoRepair(second));
    expect((await sheetOf(id)).strip.capOff).toBe(true);
  });

  it('one of another version is not written over', async () => {
    const id = await aJob();
    const strange = { ...FIRST, plan: { ...FIRST.plan, works: ['teleported'] } };
    await database().repairs.add({ id: 'x', jobId: id, startedAt: 1, updatedAt: 1, sheet: strange });
    const refused = await changeRepair(id, FIRST, capOff);
    expect(refused.ok ? '' : refused.error.message).toContain('another version');
    expect((await loadRepair(id))!.sheet).toEqual(strange);
    expect((await openRepairs()).size).toBe(0);
  });

  it('goes with its job, and comes back with it', async () => {
    const id = await aJob();
    await good(changeRepair(id, FIRST, capOff));
    expect([...(await openRepairs()).keys()]).toEqual([id]);
    const deleted = await good(deleteJob(id));
    expect(await loadRepair(id)).toBeUndefined();
    await good(putBackDeleted(deleted));
    expect((await sheetOf(id)).strip.capOff).toBe(true);
    await good(changeRepair(id, FIRST, (s) => ({ ...s, closedAt: 5 })));
    expect((await openRepairs()).size).toBe(0);
  });

  it('enters work and sheet together: all or nothing', async () => {
    const id = await aJob();
    const work = { kind: 'work', work: 'replaced-thermostat', detail: '88', benchPassed: false } as const;
    const note = (s: RepairSheet): RepairSheet => ({ ...s, written: { 'replaced-thermostat': 1 } });
    const entered = await good(enterRepair(id, FIRST, [work], note));
    expect((await loadEntries(id)).map((e) => e.kind)).toEqual(['work']);
    expect((await sheetOf(id)).written).toEqual({ 'replaced-thermostat': 1 });
    await good(undoEntered(entered));
    expect(await loadEntries(id)).toEqual([]);
    expect(await loadRepair(id)).toBeUndefined();
    const failing = await enterRepair(id, FIRST, [work], () => {
      throw new Error('the disk is full');
    });
    expect(failing.ok).toBe(false);
    expect(await loadEntries(id)).toEqual([]);
  });
});

describe('a job file', () => {
  it('carries repair, its photos, and the run of a procedure, and opens elsewhere where it stood', async () => {
    const id = await aJob();
    const photo = await good(
      addPhoto({ jobId: id, stage: 'repair', caption: 'seat', image: new Blob(['x'], { type: 'image/png' }) }),
    );
    const own = { ...BLEED_PROCEDURES[0]!, id: 'own', name: 'Ours' };
    await good(
      changeRepair(id, FIRST, (s) => ({
        ...s,
        bleed: { ...s.bleed, procedure: own },
        strip: {
          ...s.strip,
          items: [
            {
              ...{ id: 'i', kind: 'bolt', name: 'Bolt 1', at: 1, label: '1', place: '', thread: 'M6', head_mm: 10 },
              ...{ length_mm: 30, torque_nm: 9, torqueSource: '', note: '', photoId: photo.id, backAt: null },
            },
          ],
        },
      })),
    );
    await good(
      changeRun(id, 'bleed', () =>
        withReading(stepEnded(stepsOf(own), started(NOT_BEGUN, 0), 90_000), { what: 'fan-on', value: null }, 95_000),
      ),
    );
    const detail = (await loadJob(id))!;
    const file = await packJob(detail.job, detail.vehicle, await rowsOfJob(id));
    const bundle = await good(unpackJob(file));
    const there = await good(keepOpenedJob(bundle, [], null));
    const sheet = await sheetOf(there);
    expect(sheet.bleed.procedure).toEqual(own);
    const [copied] = await listJobPhotos(there);
    expect(sheet.strip.items[0]!.photoId).toBe(copied!.id);
    expect(copied!.id).not.toBe(photo.id);
    const run = (await loadRun(there, 'bleed'))!;
    const before = (await loadRun(id, 'bleed'))!;
    expect({ ...run, id: '', jobId: '' }).toEqual({ ...before, id: '', jobId: '' });
    expect(run).toMatchObject({
      ended_s: { 0: 90 },
      readings: [{ what: 'fan-on', at_s: 95, value: null }],
      seen_ms: 0,
    });
  });

  it('a strange sheet spoils nothing of the job', async () => {
    const id = await aJob();
    await database().repairs.add({
      id: 'x',
      jobId: id,
      startedAt: 1,
      updatedAt: 1,
      sheet: { plan: { works: ['teleported'] } },
    });
    const detail = (await loadJob(id))!;
    const bundle = await good(unpackJob(await packJob(detail.job, detail.vehicle, await rowsOfJob(id))));
    const there = await good(keepOpenedJob(bundle, [], null));
    expect((await loadRepair(there))!.sheet).toEqual({ plan: { works: ['teleported'] } });
  });
});

describe('runs', () => {
  it('one change is taken back, what was read after it stays', async () => {
    const id = await aJob();
    const read = (what: 'fan-on' | 'fan-off') => (r: Run) =>
      withReading({ ...r, elapsed_s: 7 }, { what, value: null }, 0);
    const before = await good(changeRun(id, 'bleed', read('fan-on')));
    const after = (await loadRun(id, 'bleed'))!;
    await good(changeRun(id, 'bleed', read('fan-off')));
    await good(undoRun(id, 'bleed', before, after));
    expect((await loadRun(id, 'bleed'))!.readings).toEqual([{ what: 'fan-off', value: null, at_s: 7 }]);
  });

  it('one that is over is put aside and another begins', async () => {
    const id = await aJob();
    await good(changeRun(id, 'bleed', (r) => ({ ...r, elapsed_s: 50, turns: { 3: 'again' } })));
    await good(shelveRun(id, 'bleed', Date.UTC(2026, 0, 5)));
    expect(await loadRun(id, 'bleed')).toBeUndefined();
    const rows = (await rowsOfJob(id)).runs;
    expect(rows).toMatchObject([
      { procedure: 'bleed of 2026-01-05T00:00:00.000Z', elapsed_s: 50, turns: { 3: 'again' } },
    ]);
    await good(shelveRun(id, 'bleed', 1));
  });
});

describe('procedures of the shop', () => {
  it('are kept unfinished too, listed when they can be run, deleted with undo', async () => {
    const own = { ...BLEED_PROCEDURES[0]!, id: 'own', name: '' };
    expect(await good(putProcedure(own))).toBeNull();
    expect(await listProcedures()).toEqual([]);
    expect(valueOf((await loadDraft('own'))!)).toEqual(own);
    expect(await loadDraft('nowhere')).toBeNull();
    const before = await good(putProcedure({ ...own, name: 'Ours' }));
    expect(before?.procedure).toEqual(own);
    expect((await listProcedures()).map((p) => p.name)).toEqual(['Ours']);
    const gone = await good(deleteProcedure('own', 'Ours'));
    expect(await listProcedures()).toEqual([]);
    await good(putBackDeleted(gone));
    expect((await listProcedures()).map((p) => p.name)).toEqual(['Ours']);
    await database().procedures.put({ id: 'odd', updatedAt: 1, procedure: { schema: 9 } });
    expect((await listProcedures()).map((p) => p.name)).toEqual(['Ours']);
    expect((await loadDraft('odd'))!.ok).toBe(false);
  });

  it('entries that a repair writes are read by this version', () => {
    const proof = { kind: 'proof', text: 'Filled and bled' };
    expect(readEntry(proof, { id: 'a', at: 1 })).toMatchObject({ kind: 'proof' });
  });
});
