import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { loadDemo } from '@/features/demo/loadDemo';
import { readSheet, type RepairSheet } from '@/core/repair';
import type { RepairRecord } from '@/storage/records';
import { listJobs, loadDrives, loadJob } from '@/storage/jobs';
import { loadClosing } from '@/storage/closings';
import { changeRepair, loadRepair } from '@/storage/repairs';
import { deleteTrace } from '@/storage/traces';
import { listVehicles } from '@/storage/vehicles';
import { emptyStore, serveDemo } from './storeSupport';

function readable(record: RepairRecord): RepairSheet {
  const read = readSheet(record.sheet);
  if (!read.ok) throw new Error(read.error);
  return read.value;
}

afterEach(async () => {
  vi.unstubAllGlobals();
  await emptyStore();
});

describe('the demo garage', () => {
  it('is loaded through the same import as a user’s file', async () => {
    serveDemo();
    expect(await loadDemo()).toEqual({ ok: true, value: undefined });
    const jobs = await listJobs();
    expect(jobs).toHaveLength(15);
    expect(await listVehicles()).toHaveLength(11);
    expect(jobs.every((j) => j.vehicle !== undefined)).toBe(true);
    const bench = (await loadJob('demo-ferry-early'))!.entries.filter((e) => e.kind === 'bench');
    expect(bench.map((e) => e.kind === 'bench' && e.test?.of)).toEqual(['thermostat']);
    const gritter = await loadDrives('demo-gritter');
    expect((await loadJob('demo-gritter'))!.entries.map((e) => e.kind)).toContain('drive');
    expect(gritter.traces[0]!.report.rows).toBe(1800);
    expect(gritter.traces[0]!.judging).toEqual({ state: 'wanted' });
    expect(await gritter.traces[0]!.raw.text()).toMatch(/^time_s,ect_c/);
    // A job at its proof: two drives, its work between them, the verdict that speaks of them, its closing.
    const school = (await loadJob('demo-school'))!.entries;
    const { traces } = await loadDrives('demo-school');
    expect(traces).toHaveLength(2);
    expect(school.filter((e) => e.kind === 'unknown')).toEqual([]);
    expect(school.map((e) => e.kind).filter((k) => k === 'drive' || k === 'work')).toEqual(['drive', 'work', 'drive']);
    const signed = school.find((e) => e.kind === 'proof' && e.item === 'verdict')!;
    const idOf = (file: string) => traces.find((t) => t.fileName === file)!.id;
    expect(signed).toMatchObject({ traceId: idOf('school-after.csv'), beforeId: idOf('school-before.csv') });
    expect((await loadClosing('demo-school'))!.sheet).toMatchObject({ by: 'R. Halden' });
    // A new arrival has no trace yet.
    expect((await loadDrives('demo-arrival')).traces).toEqual([]);
  });

  it('a load that was broken off is taken up: jobs come whole or not at all', async () => {
    serveDemo(['school-after.csv']);
    expect((await loadDemo()).ok).toBe(false);
    expect(await loadJob('demo-school')).toBeNull();
    expect((await loadDrives('demo-school')).traces).toEqual([]);
    serveDemo();
    expect((await loadDemo()).ok).toBe(true);
    expect((await loadDrives('demo-school')).traces).toHaveLength(2);
    expect((await loadDrives('demo-parcel')).traces).toHaveLength(2);
    expect(await listJobs()).toHaveLength(15);
  });

  it('taken up again, it leaves alone what was worked on meanwhile', async () => {
    serveDemo(['ferry-short.csv']);
    expect((await loadDemo()).ok).toBe(false);
    const before = (await loadRepair('demo-ferry-early'))!;
    const put = await changeRepair('demo-ferry-early', readable(before), (sheet) => ({
      ...sheet,
      strip: { ...sheet.strip, counts: { ...sheet.strip.counts, plugs: { in: 1, out: 1 } } },
    }));
    expect(put.ok).toBe(true);
    // As if the reload had come before the drive was kept.
    const [drive] = (await loadDrives('demo-ferry-early')).traces;
    await deleteTrace(drive!.id);
    serveDemo();
    expect((await loadDemo()).ok).toBe(true);
    expect(readable((await loadRepair('demo-ferry-early'))!).strip.counts.plugs).toEqual({ in: 1, out: 1 });
    expect(await listJobs()).toHaveLength(15);
  });

  it('two tabs that load at once keep each job once', async () => {
    serveDemo();
    const both = await Promise.all([loadDemo(), loadDemo()]);
    expect(both.every((b) => b.ok)).toBe(true);
    expect(await listJobs()).toHaveLength(15);
    expect((await loadDrives('demo-school')).traces).toHaveLength(2);
  });

  it('says which file is missing from a broken build', async () => {
    serveDemo(['library.csv']);
    const loaded = await loadDemo();
    expect(!loaded.ok && loaded.error).toBe('library.csv is missing from this build (404)');
  });

  it('says so when the list itself is broken', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('{"schema":"other","vehicles":[],"jobs":[]}')));
    const loaded = await loadDemo();
    expect(!loaded.ok && loaded.error).toMatch(/schema must be one of/);
    expect(await listJobs()).toEqual([]);
  });
});
