import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { readTrace } from '@/core/formats';
import { startingVehicle } from '@/core/planning';
import { newSheet } from '@/core/repair';
import { previewStaged, restoreStaged } from '@/storage/backup/restoreStaged';
import { decodeRow, encodeRow } from '@/storage/backup/rowCode';
import { stageBackup } from '@/storage/backup/stageBackup';
import { writeBackup } from '@/storage/backup/writeBackup';
import { drawPractice } from '@/core/practice';
import { addPractice } from '@/storage/practices';
import { putProcedure } from '@/storage/procedures';
import { BLEED_PROCEDURES } from '@/core/procedure';
import { changeClosing } from '@/storage/closings';
import { database } from '@/storage/database';
import { loadBackupState, rememberBackup, tidyStore } from '@/storage/durability';
import { giveAnswer, setNote } from '@/storage/entries';
import { addJob, deleteJob, loadJob, setStanding, changeJobText } from '@/storage/jobs';
import { addPhoto } from '@/storage/photos';
import { keepRecording, startRecording } from '@/storage/recordings';
import { changeRepair } from '@/storage/repairs';
import { changeRun } from '@/storage/runs';
import { saveSettings } from '@/storage/settings';
import { BACKUP_TABLES } from '@/storage/tables';
import { addTrace } from '@/storage/traces';
import { addTriage } from '@/storage/triage';
import { addVehicle } from '@/storage/vehicles';
import { oldStore, revived } from '../fixtures/stores/oldStores';
import { emptyStore, good } from './storeSupport';

const vehicle = startingVehicle({ fuel: 'diesel', displacement_l: 2, hybrid: false });
const NOTHING = () => undefined;
const CSV = 'time_s,ect_c\n0,10\n60,\n120,30\n180,40\n';

/** A small shop with something in every table. */
async function aShop() {
  const car = await good(addVehicle({ vehicle, plate: 'Van 7', notes: 'žluťoučký <b>kůň</b>' }));
  const job = await good(addJob({ vehicleId: car.id, complaint: 'cold' }));
  const other = await good(addJob({ vehicleId: car.id, complaint: 'deleted' }));
  await good(giveAnswer(job.id, { kind: 'check', item: 'look-belt', answer: 'sound', minute: null }));
  const raw = new Blob([CSV], { type: 'text/csv' });
  const read = readTrace(CSV);
  if (!read.ok) throw new Error(read.error.message);
  const trace = await good(
    addTrace({ jobId: job.id, vehicleId: car.id, fileName: '../../a b.csv', raw, ...read.value }),
  );
  await database().findings.put({ traceId: trace.id, jobId: job.id, judgedAt: 5, finding: { odd: NaN } as never });
  await good(addPhoto({ jobId: job.id, stage: 'x', caption: 'p.png', image: new Blob(['é1'], { type: 'image/png' }) }));
  const recording = await good(startRecording(job.id, 'adapter'));
  await good(keepRecording(recording, { rows: [{ time_s: 0, values: { ect_c: 12 } }], marks: [] }));
  await good(changeRun(job.id, 'pot', (r) => ({ ...r, elapsed_s: 3, ended_s: { 0: 2 } })));
  await good(changeRepair(job.id, newSheet(vehicle), (s) => s));
  await good(changeClosing(job.id, (s) => s));
  await good(putProcedure({ ...BLEED_PROCEDURES[0]!, id: 'own', name: 'Ours' }));
  await good(addPractice(drawPractice('clear', 1)));
  await good(addTriage([{ fileName: 'b.csv', raw, vehicleId: car.id }]));
  await good(saveSettings({ pressure: 'psi' }));
  await good(addPhoto({ jobId: other.id, stage: 'x', caption: 'q', image: new Blob(['2'], { type: 'image/png' }) }));
  await good(deleteJob(other.id));
  return { car, job, trace };
}

/** Everything that a backup holds, blobs as their bytes. */
async function wholeShop(): Promise<Record<string, unknown[]>> {
  const plain = async (v: unknown): Promise<unknown> => {
    if (v instanceof Blob) return { blob: await v.text(), type: v.type };
    if (Array.isArray(v)) return Promise.all(v.map(plain));
    if (typeof v !== 'object' || v === null || ArrayBuffer.isView(v)) return v;
    return Object.fromEntries(await Promise.all(Object.entries(v).map(async ([k, x]) => [k, await plain(x)])));
  };
  const tables = BACKUP_TABLES.map(async (name) => [name, (await plain(await database().table(name).toArray())) as []]);
  return Object.fromEntries(await Promise.all(tables)) as Record<string, unknown[]>;
}

const restored = async (file: Blob, way: 'merge' | 'replace') => {
  const staged = await stageBackup(file, NOTHING);
  if (!staged.ok) throw new Error(staged.error);
  await restoreStaged(way, NOTHING);
};

/** The backup with its files changed. */
async function altered(file: Blob, change: (files: Record<string, Uint8Array>) => void): Promise<Blob> {
  const files = unzipSync(new Uint8Array(await file.arrayBuffer()));
  change(files);
  return new Blob([zipSync(files) as BlobPart]);
}

const textOf = (files: Record<string, Uint8Array>, name: string) => strFromU8(files[name]!);

beforeEach(emptyStore);
afterEach(emptyStore);

describe('a backup of the shop', () => {
  it('gives every row of every table back into an empty browser, blobs and figures too', async () => {
    await aShop();
    const before = await wholeShop();
    for (const table of BACKUP_TABLES) expect(before[table]!.length, table).toBeGreaterThan(0);
    const shares: number[] = [];
    const file = await writeBackup((share) => shares.push(share), 77);
    expect(shares.at(-1)).toBe(1);
    await emptyStore();
    await restored(file, 'replace');
    expect(await wholeShop()).toEqual(before);
    expect(await database().staged.count()).toBe(0);
    expect(await database().journal.count()).toBe(0);
  });

  it('made by version 9 comes back whole: it had no practice', async () => {
    const { tables } = oldStore(9);
    for (const [name, rows] of Object.entries(tables)) await database().table(name).bulkPut(rows.map(revived));
    const before = await wholeShop();
    expect(before.closings).toHaveLength(1);
    const file = await altered(await writeBackup(NOTHING, 77), (files) => {
      const main = JSON.parse(textOf(files, 'backup.json')) as { tables: { name: string }[] };
      const known = main.tables.filter((t) => t.name !== 'practice');
      expect(known).toHaveLength(main.tables.length - 1);
      files['backup.json'] = strToU8(JSON.stringify({ ...main, storeVersion: 9, tables: known }));
    });
    await emptyStore();
    await restored(file, 'replace');
    expect(await wholeShop()).toEqual(before);
  });

  it('is a zip of readable files: rows as lines of JSON, logs and pictures as they came, no path leads out of it', async () => {
    await aShop();
    const files = unzipSync(new Uint8Array(await (await writeBackup(NOTHING, 77)).arrayBuffer()));
    const names = Object.keys(files);
    expect(names.filter((n) => n.split('/').some((s) => s === '..' || s === ''))).toEqual([]);
    const log = names.find((n) => n.startsWith('files/traces/'))!;
    expect(textOf(files, log)).toBe(CSV);
    const jobs = textOf(files, 'tables/jobs-0001.ndjson').trim().split('\n');
    expect(jobs.map((l) => (JSON.parse(l) as { complaint: string }).complaint)).toEqual(['cold']);
    expect(JSON.parse(textOf(files, 'backup.json'))).toMatchObject({ schema: 'varmek-backup/1', madeAt: 77 });
  });

  it('merges: adds what is missing, takes what is later, keeps what is only here, and says so before', async () => {
    const { job, car } = await aShop();
    const file = await writeBackup(NOTHING, 77);
    await good(changeJobText(job.id, 'complaint', () => 'changed here since'));
    await good(setNote(job.id, 'x', () => 'only here'));
    await database().vehicles.update(car.id, { plate: 'older here', updatedAt: 3 });
    await database().photos.clear();
    const staged = await stageBackup(file, NOTHING);
    expect(staged).toMatchObject({ ok: true, value: { madeAt: 77 } });
    const changes = Object.fromEntries((await previewStaged(NOTHING)).map((c) => [c.table, c]));
    expect(changes.photos).toMatchObject({ added: 1, same: 0, onlyHere: 0 });
    expect(changes.jobs).toMatchObject({ differing: 1, later: 0 });
    expect(changes.vehicles).toMatchObject({ differing: 1, later: 1 });
    expect(changes.entries).toMatchObject({ added: 0, onlyHere: 1 });
    const { revision } = (await loadJob(job.id))!.job;
    await restoreStaged('merge', NOTHING);
    const now = (await loadJob(job.id))!;
    expect(now.job.complaint).toBe('changed here since');
    expect(now.job.revision).toBe(revision + 1);
    expect(now.vehicle.plate).toBe('Van 7');
    expect(now.entries.some((e) => e.kind === 'note')).toBe(true);
    expect(await database().photos.count()).toBe(1);
  });

  it('taken in twice changes nothing the second time', async () => {
    await aShop();
    const file = await writeBackup(NOTHING, 77);
    await emptyStore();
    await restored(file, 'merge');
    const once = await wholeShop();
    await restored(file, 'merge');
    expect(await wholeShop()).toEqual(once);
  });

  it('replaces: what was only here is gone, and its steps with it', async () => {
    const { job } = await aShop();
    const file = await writeBackup(NOTHING, 77);
    await good(setStanding(job.id, { state: 'finished' }));
    await good(addJob({ vehicleId: job.vehicleId, complaint: 'only here' }));
    await restored(file, 'replace');
    expect((await database().jobs.toArray()).map((j) => j.complaint)).toEqual(['cold']);
    expect((await loadJob(job.id))!.job.state).toBe('to-look-at');
    expect(await database().journal.count()).toBe(0);
  });

  it('that fails in the middle of taking in leaves everything as it was', async () => {
    await aShop();
    const file = await writeBackup(NOTHING, 77);
    const before = await wholeShop();
    expect((await stageBackup(file, NOTHING)).ok).toBe(true);
    let calls = 0;
    const breaking = restoreStaged('replace', () => {
      if (++calls === 3) throw new Error('the power went');
    });
    await expect(breaking).rejects.toThrow('the power went');
    expect(await wholeShop()).toEqual(before);
  });
});

describe('a file that is no whole backup', () => {
  const refusals = async (file: Blob): Promise<string> => {
    const before = await wholeShop();
    const staged = await stageBackup(file, NOTHING);
    expect(staged.ok).toBe(false);
    expect(await wholeShop()).toEqual(before);
    expect(await database().staged.count()).toBe(0);
    return staged.ok ? '' : staged.error;
  };
  let file: Blob;
  beforeEach(async () => {
    await aShop();
    file = await writeBackup(NOTHING, 77);
  });

  it('is refused cut off anywhere', async () => {
    for (const share of [0, 0.1, 0.5, 0.9, 0.999]) {
      expect(await refusals(file.slice(0, Math.floor(file.size * share)))).toMatch(/whole backup|damaged/);
    }
  });

  it('is refused with any byte of its content altered, or read as it was', async () => {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const before = await wholeShop();
    await fc.assert(
      fc.asyncProperty(fc.nat(bytes.length - 1), fc.integer({ min: 1, max: 255 }), async (at, by) => {
        const changed = bytes.slice();
        changed[at] = changed[at]! ^ by;
        const staged = await stageBackup(new Blob([changed]), NOTHING);
        if (!staged.ok) return;
        await restoreStaged('replace', NOTHING);
        expect(await wholeShop()).toEqual(before);
      }),
      { numRuns: 60 },
    );
  });

  it('is refused by name: of another kind, newer, with a table of another, with rows missing', async () => {
    expect(await refusals(new Blob(['time_s,ect_c\n0,1\n']))).toContain('no whole backup');
    expect(await refusals(new Blob([zipSync({ 'job.json': strToU8('{}') }) as BlobPart]))).toContain('no backup.json');
    const manifest = (change: object) =>
      altered(file, (files) => {
        const was = JSON.parse(textOf(files, 'backup.json')) as object;
        files['backup.json'] = strToU8(JSON.stringify({ ...was, ...change }));
      });
    expect(await refusals(await manifest({ schema: 'varmek-backup/2' }))).toContain('newer Varmek');
    expect(await refusals(await manifest({ storeVersion: 99 }))).toContain('newer Varmek');
    expect(await refusals(await manifest({ storeVersion: 8 }))).toContain('never was');
    expect(await refusals(await manifest({ schema: 'varmek-job/3' }))).toContain('no backup of Varmek');
    expect(await refusals(await manifest({ tables: [{ name: 'robots', rows: 0, parts: 0 }] }))).toContain('robots');
    expect(await refusals(await manifest({ tables: 7 }))).toContain('damaged');
    const less = await altered(file, (files) => {
      files['tables/jobs-0001.ndjson'] = strToU8('');
    });
    expect(await refusals(less)).toContain('1 rows of jobs and holds 0');
    const gone = await altered(file, (files) => {
      delete files[Object.keys(files).find((n) => n.startsWith('files/photos/'))!];
    });
    expect(await refusals(gone)).toMatch(/files\/photos\/.* is missing/);
  });

  it('is refused with rows that no screen could show, with their place', async () => {
    const line = (table: string, change: (row: Record<string, unknown>) => unknown) =>
      altered(file, (files) => {
        const name = `tables/${table}-0001.ndjson`;
        const row = JSON.parse(textOf(files, name).split('\n')[0]!) as Record<string, unknown>;
        files[name] = strToU8(`${JSON.stringify(change(row))}\n`);
      });
    const cases: [string, (row: Record<string, unknown>) => unknown, RegExp][] = [
      ['jobs', (r) => ({ ...r, createdAt: 'noon' }), /jobs-0001.ndjson, line 1: .*createdAt/],
      ['jobs', (r) => ({ ...r, state: 'toString' }), /state/],
      ['vehicles', (r) => ({ ...r, vehicle: {} }), /vehicle/],
      ['traces', (r) => ({ ...r, trace: { time_s: [], channels: {} } }), /trace/],
      ['traces', (r) => ({ ...r, jobId: undefined }), /belongs to no job/],
      [
        'photos',
        (r) => ({ ...r, image: { $blob: [(r.image as { $blob: string[] }).$blob[0], 'text/html'] } }),
        /image/,
      ],
      ['entries', () => [1, 2], /no record/],
      ['entries', () => 'text', /no record/],
      ['entries', (r) => ({ ...r, at: { $number: 'NaN' } }), /at cannot/],
      ['bin', (r) => ({ ...r, rows: { jobs: [{}] } }), /rows/],
      ['runs', (r) => ({ ...r, ended_s: { $f64: '!' } }), /holds what it cannot/],
    ];
    for (const [table, change, wording] of cases) expect(await refusals(await line(table, change))).toMatch(wording);
    for (const key of ['__proto__', 'constructor', 'toString']) {
      const hostile = await altered(file, (files) => {
        files['tables/entries-0001.ndjson'] = strToU8(`{"id":"a","jobId":"b","at":1,"kind":"x","${key}":{"y":1}}\n`);
      });
      expect(await refusals(hostile)).toMatch(/a field is called toString|names 2 rows of entries and holds 1/);
    }
    expect(({} as { y?: number }).y).toBeUndefined();
  });

  it('is refused where it would unpack to more than any shop holds', async () => {
    const packed = zipSync({ 'backup.json': new Uint8Array(1_000_000) });
    expect(packed.length).toBeLessThan(2000);
    expect(await refusals(new Blob([packed as BlobPart]))).toContain('unpacks to more than any shop holds');
    // A directory that lies: one part says that it unpacks to 3 GB.
    const bytes = new Uint8Array(await file.arrayBuffer());
    const view = new DataView(bytes.buffer);
    const entry = view.getUint32(bytes.length - 22 + 16, true);
    view.setUint32(entry + 24, 3_000_000_000, true);
    expect(await refusals(new Blob([bytes]))).toContain('unpacks to more than any shop holds');
  });
});

describe('a restore that was broken off', () => {
  it('is cleared away on arrival; with none the turn is left to a backup that is opened just then', async () => {
    const request = vi.fn((_name: string, _how: object, held: (lock: object) => unknown) => Promise.resolve(held({})));
    vi.stubGlobal('navigator', { locks: { request } });
    try {
      await good(tidyStore(Date.now()));
      expect(request).not.toHaveBeenCalled();
      await database().staged.add({ table: 'jobs', row: { id: 'half' } });
      await good(tidyStore(Date.now()));
      expect(request).toHaveBeenCalledOnce();
      expect(await database().staged.count()).toBe(0);
    } finally {
      vi.unstubAllGlobals();
    }
  });
});

describe('the reminder of a backup', () => {
  const DAY = 24 * 3_600_000;
  it('comes with much done since, or with anything done since an old one', async () => {
    await aShop();
    const now = Date.now();
    const state = await loadBackupState(now);
    expect(state).toMatchObject({ at: null, due: false });
    expect(state.since).toBeGreaterThan(2);
    const row = { group: 'g', scope: 's', table: 'entries', key: 'k', before: null, after: null };
    await database().journal.bulkAdd(Array.from({ length: 60 }, () => ({ ...row, at: now })));
    expect((await loadBackupState(now)).due).toBe(true);
    await good(rememberBackup(now + 1));
    expect(await loadBackupState(now + 2)).toEqual({ at: now + 1, since: 0, due: false });
    expect((await loadBackupState(now + 30 * DAY)).due).toBe(false);
    await database().journal.add({ ...row, at: now + 5 });
    expect((await loadBackupState(now + 2 * DAY)).due).toBe(false);
    expect(await loadBackupState(now + 8 * DAY)).toMatchObject({ since: 1, due: true });
  });
});

describe('a row as a line of JSON', () => {
  it('comes back as it was, whatever it holds', () => {
    const leaf = fc.oneof(
      fc.string(),
      fc.double(),
      fc.boolean(),
      fc.constant(null),
      fc.array(fc.double()).map((a) => Float64Array.from(a)),
    );
    const names = fc.oneof(fc.string(), fc.constantFrom('$f64', '$blob', '$record', '$'));
    const row = fc.letrec((tie) => ({
      value: fc.oneof(leaf, fc.array(tie('value'), { maxLength: 3 }), tie('record')),
      record: fc.dictionary(
        names.filter((n) => !(n in Object.prototype)),
        tie('value'),
        { maxKeys: 4 },
      ),
    })).record;
    const none = () => new Blob([]);
    fc.assert(
      fc.property(row, (value) => {
        const line = JSON.stringify(encodeRow(value, () => 'x'));
        // A dictionary of the generator has no prototype; the row that comes back has one.
        expect(decodeRow(JSON.parse(line), none)).toEqual(structuredClone(value));
      }),
    );
  });

  it('holds nothing that it could not give back', () => {
    expect(() => encodeRow({ when: new Date(0) }, () => 'x')).toThrow(TypeError);
    expect(() => encodeRow({ f: () => 1 }, () => 'x')).toThrow(TypeError);
    const deep = JSON.parse('{"a":'.repeat(200) + '1' + '}'.repeat(200)) as unknown;
    expect(() => decodeRow(deep, () => new Blob([]))).toThrow('nested too deep');
  });
});
