import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { caseOf, readEntry, type Entry } from '@/core/case';
import type { DriveEvidence } from '@/core/evidence';
import { judgeNow, learnVehicle, remarksText, verdictText } from '@/core/judge';
import { parseVehicle, readTrace } from '@/core/formats';

const FOLDER = path.join(import.meta.dirname, '..', '..', 'public', 'demo');
const garage = JSON.parse(readFileSync(path.join(FOLDER, 'garage.json'), 'utf8')) as {
  vehicles: { id: string; vehicle: object }[];
  jobs: {
    id: string;
    vehicle: string;
    trace: string | null;
    drives: { file: string; after_h: number }[];
    entries: (Record<string, unknown> & { after_h: number })[];
  }[];
};

function load(jobId: string, file?: string) {
  const job = garage.jobs.find((j) => j.id === jobId)!;
  const vehicle = parseVehicle({
    schema: 'varmek-vehicle/1',
    ...garage.vehicles.find((v) => v.id === job.vehicle)!.vehicle,
  });
  const read = readTrace(readFileSync(path.join(FOLDER, file ?? job.trace!), 'utf8'));
  if (!vehicle.ok || !read.ok) throw new Error(`${jobId} cannot be loaded`);
  return { vehicle: vehicle.value, trace: read.value.trace };
}

/** A job of the demo with its entries and drives in order of time, as the loader puts them. */
function repaired(jobId: string) {
  const job = garage.jobs.find((j) => j.id === jobId)!;
  const drives = new Map<string, DriveEvidence>();
  const { vehicle } = load(jobId, job.drives[0]!.file);
  const driven = job.drives.map(({ file, after_h }): Entry => {
    drives.set(file, judgeNow(load(jobId, file).trace, vehicle));
    return { kind: 'drive', id: file, at: after_h, traceId: file, leftOut: '' };
  });
  const entries = job.entries.map(({ after_h, clearedAfter_h: _c, traceFile: _t, beforeFile: _b, ...e }, i) =>
    readEntry({ ...e, at: after_h }, { id: `e${i}`, at: 0 }),
  );
  return caseOf({ vehicle, senderPoints: [], entries: [...entries, ...driven], drives });
}

describe('demo garage', () => {
  it.each([
    ['demo-gritter', 'thermostat-stuck-open'],
    ['demo-nurse', 'insufficient-heat'],
    ['demo-harbour', 'sender-reads-low'],
    ['demo-library', 'thermostat-leaking'],
    ['demo-ferry-early', 'thermostat-opens-early'],
    ['demo-harbour-good', 'healthy'],
  ])('%s is %s', (jobId, cause) => {
    const { vehicle, trace } = load(jobId);
    const finding = judgeNow(trace, vehicle);
    expect(finding.verdict.cause).toBe(cause);
    expect(finding.verdict.grade).not.toBe('inconclusive');
    expect(finding.why).toHaveLength(3);
    expect(finding.why.map(remarksText).join(' ')).toMatch(/\d/);
    expect(finding.next.length).toBeGreaterThan(0);
  });

  it.each([
    ['demo-parcel', 'healthy', true],
    ['demo-school', 'healthy', true],
    ['demo-quay', 'sender-reads-low', true],
    ['demo-clinic', 'healthy', false],
  ] as const)('%s after its work is %s; which work it was can be told: %s', (jobId, cause, separable) => {
    const found = repaired(jobId);
    expect(found.now[0]!.cause).toBe(cause);
    expect(found.now[0]!.probability).toBeGreaterThan(0.6);
    expect(found.separability!.separable).toBe(separable);
    expect(found.unknown).toEqual([]);
    expect(found.unproven).toBe(false);
  });

  it('the hot start cannot tell and says what to log', () => {
    const { vehicle, trace } = load('demo-ferry-short');
    const finding = judgeNow(trace, vehicle);
    expect(finding.verdict.grade).toBe('inconclusive');
    expect(verdictText(finding)).toMatch(/^Cannot tell from this trace/);
    expect(finding.next[0]!.test).toMatch(/Log a full warm-up/);
    const entries: Entry[] = [{ kind: 'drive', id: 'd', at: 1, traceId: 't', leftOut: '' }];
    const found = caseOf({ vehicle, senderPoints: [], entries, drives: new Map([['t', finding]]) });
    expect(found.next[0]!.item.id).toBe('cold-start-log');
    expect(found.lines).toEqual([]);
    expect(found.drives[0]!.why).toMatch(/Hot start/);
  });

  it('a known-good trace narrows the vehicle and sharpens a later judgement', () => {
    const known = load('demo-harbour-good');
    const memory = learnVehicle(known.trace, known.vehicle);
    expect(Math.min(...memory.sd)).toBeLessThan(0.8);
    expect(memory.heatSource).toBe('air-flow');
    const later = load('demo-harbour');
    const finding = judgeNow(later.trace, later.vehicle, { memory });
    expect(finding.verdict.cause).toBe('sender-reads-low');
    expect(finding.memory!.band_k).toBeLessThan(finding.memory!.bandWithout_k);
    const again = learnVehicle(known.trace, known.vehicle, memory);
    again.sd.forEach((sd, i) => expect(sd).toBeLessThanOrEqual(memory.sd[i]!));
  });
});
