import 'fake-indexeddb/auto';
import { addDays, format } from 'date-fns';
import { Dexie } from 'dexie';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { readEntry, type Entry } from '@/core/case';
import { CATALOGUE } from '@/core/evidence';
import { readTrace } from '@/core/formats';
import { parameterIndex, VEHICLE_PARAMETERS, type VehicleMemory, type VehicleParameterName } from '@/core/twin';
import { VarmekDatabase } from '@/storage/database';
import { readMemory } from '@/storage/memoryFile';
import { widenMemory } from '@/storage/migrations/widenMemory';
import { unpackJob } from '@/storage/bundle/jobBundle';
import { ANSWERS_BY_NUMBER } from '@/storage/migrations/answerKeys';
import { oldStore, revived, tablesOf } from '../fixtures/stores/oldStores';
import { good } from './storeSupport';

let opened = 0;

async function migrated(version: number): Promise<VarmekDatabase> {
  const name = `shop-${opened++}-of-${version}`;
  const old = new Dexie(name);
  old.version(version).stores(tablesOf(version));
  for (const [table, rows] of Object.entries(oldStore(version).tables)) {
    await old.table(table).bulkAdd(rows.map((r) => revived(r)));
  }
  old.close();
  return new VarmekDatabase(name);
}

const inOldJob = oldStore(2).tables.jobs![0]! as {
  answers: { itemId: string; answer: number; at: number; detail: string }[];
  codes: { code: string; freezeFrame: string }[];
  cold: Record<string, unknown>;
  [field: string]: unknown;
};

/** Every value of the old cold look and where it must stand now. */
const READINGS: readonly (readonly [old: string, name: string, value: string])[] = [
  ['level_mm', 'level', 'above_mark_mm'],
  ['levelAt_c', 'level', 'at_c'],
  ['freeze_c', 'coolant', 'freezes_c'],
  ['coolantYears', 'coolant', 'age_years'],
  ['capRated_kpa', 'cap', 'stamped_kpa'],
  ['capMeasured_kpa', 'cap', 'releases_kpa'],
  ['soak_h', 'soak', 'stood_h'],
  ['soakEct_c', 'soak', 'ect_c'],
  ['soakIat_c', 'soak', 'iat_c'],
  ['soakOutside_c', 'soak', 'outside_c'],
  ['soakProbe_c', 'soak', 'probe_c'],
  ['unplugged_c', 'rails', 'unplugged_c'],
  ['bridged_c', 'rails', 'bridged_c'],
  ['ohmCold_c', 'resistance', 'cold_c'],
  ['ohmCold_ohm', 'resistance', 'cold_ohm'],
  ['ohmWarm_c', 'resistance', 'warm_c'],
  ['ohmWarm_ohm', 'resistance', 'warm_ohm'],
];

describe.each([1, 2])('a store of version %d', (version) => {
  it('is opened with every field of its job accounted for', async () => {
    const db = await migrated(version);
    const job = (await db.jobs.toArray())[0]! as unknown as Record<string, unknown>;
    const records = await db.entries.toArray();
    const entries = records.map(({ jobId: _job, ...r }): Entry => readEntry(r, { id: r.id, at: r.at }));
    // What stays on the job stays as it was; what was known moved into entries.
    const old = oldStore(version).tables.jobs![0]!;
    const { answers: _answers, codes: _codes, cold: _cold, stopwatch, lookAgainOn: _day, ...stays } = old;
    expect(job).toEqual({ ...stays, revision: 0 });
    expect(stays.state).toBe('to-prove');
    expect(await db.runs.toArray()).toEqual(
      stopwatch
        ? [{ id: `${String(old.id)} drive`, jobId: old.id, procedure: 'drive', ...stopwatch, ended_s: {} }]
        : [],
    );
    for (const [old, name, value] of READINGS) {
      const entry = entries.find((e) => e.kind === 'measurement' && e.name === name);
      expect(entry?.kind === 'measurement' && entry.values[value], old).toBe(inOldJob.cold[old]);
    }
    expect(entries.find((e) => e.kind === 'measurement' && e.name === 'coolant')).toMatchObject({
      text: 'green, clear',
    });
    expect(Object.keys(inOldJob.cold).sort()).toEqual(
      [...READINGS.map(([old]) => old), 'coolantColour', 'notes'].sort(),
    );
    expect(entries.filter((e) => e.kind === 'note').map((e) => e.kind === 'note' && e.text)).toContain(
      'seep at the hose',
    );
    expect(entries.filter((e) => e.kind === 'code').map((e) => e.kind === 'code' && [e.code, e.freezeFrame])).toEqual(
      expect.arrayContaining([
        ['P0128', '61 °C, 80 km/h'],
        ['U1234', ''],
      ]),
    );
    db.close();
  });

  it('keeps every answer by its key; those that readings gave are told by the readings, an unknown one is kept', async () => {
    const db = await migrated(version);
    const records = await db.entries.toArray();
    const answered = Object.fromEntries(
      records.filter((r) => typeof r.item === 'string').map((r) => [r.item as string, r]),
    );
    expect(answered['complaint-slow-warm-up']).toMatchObject({ kind: 'statement', answer: 'yes' });
    expect(answered['look-level-low']).toMatchObject({ kind: 'check', answer: 'at-the-mark', minute: null });
    expect(answered['hose-top-2min']).toMatchObject({ kind: 'check', answer: 'warm', minute: 2.3 });
    expect(answered['bench-thermostat']).toMatchObject({ answer: 'as-stamped' });
    expect(answered['item-of-another-shop']).toMatchObject({ answer: '1' });
    for (const derived of ['soak-agreement', 'look-cap-weak', 'sender-resistance', 'unplug-rails', 'code-P0128']) {
      expect(answered[derived], derived).toBeUndefined();
    }
    const known = inOldJob.answers.filter((a) => answered[a.itemId]);
    for (const a of known) expect(answered[a.itemId]).toMatchObject({ at: a.at });
    db.close();
  });

  it('has a drive for each trace, judged again, and everything else as it was', async () => {
    const db = await migrated(version);
    const [trace] = await db.traces.toArray();
    const drives = (await db.entries.toArray()).filter((e) => e.kind === 'drive');
    expect(drives).toMatchObject([{ traceId: trace!.id, at: trace!.importedAt, leftOut: '' }]);
    expect(trace!.judging).toEqual({ state: 'wanted' });
    expect(await trace!.raw.text()).toMatch(/^time_s,ect_c/);
    expect(trace!.report).toMatchObject({ rows: 400, cleaning: expect.any(Array) as unknown });
    expect(await db.findings.count()).toBe(0);
    const { tables } = oldStore(version);
    expect(await db.vehicles.toArray()).toEqual(tables.vehicles!.map(revived));
    expect(await db.photos.count()).toBe(1);
    expect(await db.settings.toArray()).toEqual(tables.settings);
    expect(await db.recordings.count()).toBe(version === 1 ? 0 : 1);
    expect(await db.triage.count()).toBe(version === 1 ? 0 : 1);
    db.close();
  });
});

describe('a store of version 4', () => {
  it('is judged again, its reports name the marks of their files, and everything else is as it was', async () => {
    const db = await migrated(4);
    const { tables } = oldStore(4);
    expect(await db.findings.count()).toBe(0);
    for (const { raw, options, report, judging } of await db.traces.toArray()) {
      expect(judging).toEqual({ state: 'wanted' });
      const again = readTrace(await raw.text(), options);
      expect(again.ok && again.value.report).toEqual(report);
      expect(report.marks).toEqual([]);
    }
    expect((await db.triage.toArray()).map((t) => t.outcome)).toEqual([{ state: 'waiting' }]);
    for (const name of ['vehicles', 'jobs', 'entries', 'runs', 'settings'] as const) {
      expect(await db.table(name).toArray(), name).toEqual(tables[name]!.map(revived));
    }
    db.close();
  });
});

describe('a store of version 3', () => {
  const { tables } = oldStore(3);

  it('has its choices about logs by a kind each, its clocks told apart, and is judged again', async () => {
    const db = await migrated(3);
    const traces = Object.fromEntries((await db.traces.toArray()).map((t) => [t.fileName, t]));
    expect(traces['back.csv']!.options).toEqual({ otherwise: ['clock-set-back', 'clock-set-forward', 'gap'] });
    expect(traces['back.csv']!.report.cleaning.map((c) => c.kind)).toEqual(['clock-set-back']);
    expect(traces['forward.csv']!.report.cleaning.map((c) => c.kind)).toEqual(['clock-set-forward']);
    expect(traces['forward.csv']!.options).toEqual({});
    for (const { raw, trace, options, report, judging } of Object.values(traces)) {
      // The file read by the choices as they stand now gives the same trace and the same report.
      const again = readTrace(await raw.text(), options);
      expect(again.ok && again.value.trace).toEqual(trace);
      expect(again.ok && again.value.report).toEqual(report);
      expect(judging).toEqual({ state: 'wanted' });
    }
    expect(await db.findings.count()).toBe(0);
    expect((await db.triage.toArray()).map((t) => t.outcome)).toEqual([{ state: 'waiting' }]);
    db.close();
  });

  it('has a day only on a job to look at again, and the stopwatch as a run', async () => {
    const db = await migrated(3);
    const jobs = Object.fromEntries((await db.jobs.toArray()).map((j) => [j.complaint, j]));
    const old = Object.fromEntries(tables.jobs!.map((j) => [String(j.complaint), j]));
    const aWeekOn = format(addDays(Number(old['slow heater']!.updatedAt), 7), 'yyyy-MM-dd');
    expect(jobs['slow heater']).toMatchObject({ state: 'look-again', lookAgainOn: aWeekOn });
    expect(jobs['gauge low']).toMatchObject({ state: 'look-again', lookAgainOn: '2031-02-03' });
    for (const [complaint, job] of Object.entries(jobs)) {
      const { stopwatch: _stopwatch, lookAgainOn: _day, ...stays } = old[complaint]!;
      expect(job).toMatchObject(stays);
      expect(job).not.toHaveProperty('stopwatch');
    }
    expect(jobs['old one']).toEqual(expect.not.objectContaining({ lookAgainOn: expect.anything() as unknown }));
    expect(await db.runs.toArray()).toEqual([
      {
        ...{ id: `${jobs['slow heater']!.id} drive`, jobId: jobs['slow heater']!.id, procedure: 'drive' },
        ...{ runningSince: 1_900_000_000_000, elapsed_s: 12.5, ended_s: {} },
      },
    ]);
    db.close();
  });

  it('has everything else as it was', async () => {
    const db = await migrated(3);
    for (const table of ['vehicles', 'entries', 'settings', 'recordings', 'summaries'] as const) {
      expect(await db.table(table).toArray(), table).toEqual(tables[table]!.map(revived));
    }
    expect(await db.photos.count()).toBe(1);
    db.close();
  });
});

describe('a store of version 4', () => {
  it('gets room for repairs and procedures, and keeps what it had', async () => {
    const db = await migrated(4);
    expect(await db.repairs.count()).toBe(0);
    expect(await db.procedures.count()).toBe(0);
    expect(await db.jobs.count()).toBe(oldStore(4).tables.jobs!.length);
    await db.repairs.add({ id: 'r', jobId: 'j', startedAt: 1, updatedAt: 1, sheet: {} });
    expect(await db.repairs.where('jobId').equals('j').count()).toBe(1);
    db.close();
  });
});

describe('a store of version 8', () => {
  it('is as it was, entry by entry, with room for a bin, steps to undo and a restore', async () => {
    const db = await migrated(8);
    for (const [table, rows] of Object.entries(oldStore(8).tables)) {
      expect(await db.table(table).toArray(), table).toEqual(rows.map(revived));
    }
    expect(await (await db.traces.toArray())[0]!.raw.text()).toMatch(/^time_s/);
    for (const table of ['bin', 'journal', 'staged']) expect(await db.table(table).count(), table).toBe(0);
    // A change from now on can be undone.
    const [job] = await db.jobs.toArray();
    await db.jobs.update(job!.id, { complaint: 'changed' });
    expect(await db.journal.toArray()).toMatchObject([
      { table: 'jobs', key: job!.id, before: { complaint: 'slow heater' }, after: { complaint: 'changed' } },
    ]);
    db.close();
  });
});

describe.each([5, 6, 7])('a store of version %d', (version) => {
  it('is as it was, entry by entry; its logs are judged again', async () => {
    const db = await migrated(version);
    for (const [table, rows] of Object.entries(oldStore(version).tables)) {
      const now = (await db.table<object>(table).toArray()).map((row) =>
        table === 'traces' ? { ...row, judging: { state: 'done' } } : row,
      );
      expect(now, table).toEqual(rows.map(revived));
    }
    expect((await db.traces.toArray()).map((t) => t.judging)).toEqual([{ state: 'wanted' }]);
    expect((await db.entries.toArray()).map((e) => e.kind).sort()).toEqual(
      ['check', 'code', 'drive', 'measurement', 'note', 'statement'].sort(),
    );
    db.close();
  });
});

describe.each([9, 10])('a store of version %d', (version) => {
  it('is as it was with its bin and its steps to undo, which still work', async () => {
    const db = await migrated(version);
    const { tables } = oldStore(version);
    expect(Object.keys(tables)).toEqual(expect.arrayContaining(['bin', 'journal']));
    for (const [table, rows] of Object.entries(tables)) {
      expect(await db.table(table).toArray(), table).toEqual(rows.map(revived));
    }
    const steps = await db.journal.count();
    await db.jobs.update((await db.jobs.toArray())[0]!.id, { complaint: 'changed' });
    expect(await db.journal.count()).toBe(steps + 1);
    db.close();
  });
});

describe('a memory learned against the priors of before', () => {
  const old: VehicleMemory = {
    mean: VEHICLE_PARAMETERS.slice(0, 20).map((p) => (p.name === 'metal' ? -0.7 : p.name === 'opening' ? 0.5 : 0)),
    sd: VEHICLE_PARAMETERS.slice(0, 20).map((p) => (p.name === 'metal' || p.name === 'opening' ? 0.5 : 1)),
    heatSource: 'load',
  };
  const at = (m: VehicleMemory, name: VehicleParameterName) => {
    const i = parameterIndex(name);
    return [m.mean[i]!, m.sd[i]!] as const;
  };

  it('is of the same vehicle told against those of now', () => {
    const now = widenMemory(old);
    expect(now.mean).toHaveLength(VEHICLE_PARAMETERS.length);
    const [mean, sd] = at(now, 'metal');
    // 69 kJ/K and a fifth then, 60 and a quarter now: the metal itself stays.
    expect(60 * Math.exp(0.25 * mean)).toBeCloseTo(69 * Math.exp(0.2 * -0.7), 6);
    expect(0.25 * sd).toBeCloseTo(0.2 * 0.5, 9);
    expect(at(now, 'opening')).toEqual([0.5, 0.5]);
    expect(at(now, 'heater')).toEqual([0, 1]);
    expect(at(now, 'heatingBase')).toEqual([0, 1]);
    expect(now.heatSource).toBe('load');
  });

  it('is told anew once: one of now stays as it is', () => {
    expect(widenMemory(widenMemory(old))).toEqual(widenMemory(old));
  });

  it('is taken from a file of then, and one that fits no model counts as none', () => {
    expect(readMemory(old)).toEqual(widenMemory(old));
    expect(readMemory({ ...old, mean: old.mean.slice(3) })).toBeNull();
    expect(readMemory({ ...old, sd: old.sd.map(() => -1) })).toBeNull();
  });

  it('is told anew in the store, whose findings are made again', async () => {
    const db = await migrated(4);
    const vehicles = await db.vehicles.toArray();
    for (const { memory } of vehicles) {
      if (memory) expect(memory.mean).toHaveLength(VEHICLE_PARAMETERS.length);
    }
    expect(await db.findings.count()).toBe(0);
    const traces = await db.traces.toArray();
    expect(traces.length).toBeGreaterThan(0);
    expect(traces.some((t) => t.judging.state === 'done')).toBe(false);
    db.close();
  });
});

describe('answers that were kept by number', () => {
  it('still exist under their keys', () => {
    for (const [id, keys] of Object.entries(ANSWERS_BY_NUMBER)) {
      const item = CATALOGUE.find((i) => i.id === id);
      expect(item, id).toBeDefined();
      for (const key of keys) expect(item!.answers.map((a) => a.key)).toContain(key);
    }
  });
});

describe('a job file of the old kind', () => {
  const old = oldStore(2).tables;
  const { plate, notes, variant, mileage_km, senderPoints, parts, memory, vehicle } = old.vehicles![0]! as Record<
    string,
    unknown
  >;
  const { id: _id, vehicleId: _v, updatedAt: _u, ...job } = inOldJob;
  const file = (change: object = {}) => {
    const main = {
      schema: 'varmek-job/1',
      job: { ...job, ...change },
      vehicle: {
        ...{ plate, notes, variant, mileage_km, senderPoints, parts, memory },
        vehicle: { schema: 'varmek-vehicle/1', ...(vehicle as object) },
      },
      traces: [{ file: 'logs/01 a.csv', fileName: 'a.csv', importedAt: 9, options: {}, second: null }],
      photos: [],
    };
    const files = { 'job.json': strToU8(JSON.stringify(main)), 'logs/01 a.csv': strToU8('time_s,ect_c\n0,1\n1,2\n') };
    expect(Object.keys(unzipSync(zipSync(files)))).toHaveLength(2);
    return new Blob([zipSync(files) as BlobPart]);
  };

  it('is opened with its answers, readings, codes and log as entries', async () => {
    const bundle = await good(unpackJob(file()));
    const kinds = bundle.entries.map((e) => e.kind);
    expect(kinds).toEqual(expect.arrayContaining(['statement', 'check', 'measurement', 'code', 'note', 'drive']));
    const drive = bundle.entries.find((e) => e.kind === 'drive')!;
    expect(drive).toMatchObject({ traceId: bundle.traces[0]!.id, at: 9 });
    expect(bundle.job).toMatchObject({ complaint: 'slow heater', conditions: 'on cold mornings' });
    expect(bundle.job.standing).toEqual({ state: 'to-prove' });
    expect(bundle.repairs).toEqual([]);
  });

  it('with an item of another shop keeps it as an entry that is not understood', async () => {
    const bundle = await good(unpackJob(file({ answers: [{ itemId: 'x-ray', answer: 2, at: 1, detail: '' }] })));
    const entry = bundle.entries.find((e) => e.item === 'x-ray')!;
    expect(readEntry(entry, { id: '', at: 0 }).kind).toBe('unknown');
  });
});
