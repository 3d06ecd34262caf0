import 'fake-indexeddb/auto';
import { addDays, format } from 'date-fns';
import { beforeEach, describe, expect, it } from 'vitest';
import { newProof } from '@/core/case';
import { startingVehicle } from '@/core/planning';
import { newSheet } from '@/core/repair';
import { calendarFile } from '@/job/calendarFile';
import { loadAgenda, type AgendaDay } from '@/storage/agenda';
import { packJob, unpackJob } from '@/storage/bundle/jobBundle';
import { keepOpenedJob } from '@/storage/bundle/keepOpenedJob';
import { changeClosing, earlierClosings, loadClosing, undoClosing } from '@/storage/closings';
import { database } from '@/storage/database';
import { listDueVehicles } from '@/storage/dueVehicles';
import { addEntry, giveProof, undoEntries } from '@/storage/entries';
import { addJob, loadEntries, loadJob, setStanding } from '@/storage/jobs';
import { listJobIds, loadPapers } from '@/storage/pastJobs';
import { signVerdict, undoVerdict } from '@/storage/proofs';
import { changeRepair } from '@/storage/repairs';
import { rowsOfJob } from '@/storage/tables';
import { addVehicle, listVehicleWorks } from '@/storage/vehicles';
import { emptyStore, good } from './storeSupport';

const CAR = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const DAY_MS = 86_400_000;

async function aJob(more: { readonly vehicleId?: string; readonly createdAt?: number } = {}) {
  const vehicleId = more.vehicleId ?? (await good(addVehicle({ plate: 'Ferry 1', vehicle: CAR }))).id;
  return good(addJob({ complaint: 'slow warm-up', ...more, vehicleId }));
}
const noteOf = async (jobId: string) =>
  ((await loadClosing(jobId))?.sheet as { notesNext?: string } | undefined)?.notesNext;

beforeEach(emptyStore);

describe('the closing of a job', () => {
  it('begins with the first change; two at once lose nothing, and each is undone alone', async () => {
    const { id } = await aJob();
    expect(await loadClosing(id)).toBeUndefined();
    const [note, km] = await Promise.all([
      good(changeClosing(id, (s) => ({ ...s, notesNext: 'long screw on top' }))),
      good(changeClosing(id, (s) => ({ ...s, odometer_km: 9000 }))),
    ]);
    expect((await loadClosing(id))!.sheet).toMatchObject({ notesNext: 'long screw on top', odometer_km: 9000 });
    await good(undoClosing(note));
    expect((await loadClosing(id))!.sheet).toMatchObject({ notesNext: '', odometer_km: 9000 });
    await good(undoClosing(km));
    expect((await loadClosing(id))!.sheet).toMatchObject({ odometer_km: null });
  });

  it('of another version is kept as it came, and not written over', async () => {
    const { id } = await aJob();
    const odd = { nextDue: { on: 'when the ice melts' } };
    await database().closings.put({ id, jobId: id, updatedAt: 1, sheet: odd });
    const refused = await changeClosing(id, (s) => ({ ...s, by: 'me' }));
    expect(!refused.ok && refused.error.message).toMatch(/another version.*kept as it came/);
    expect((await loadClosing(id))!.sheet).toEqual(odd);
    expect((await loadPapers(id)).closing).toBeNull();
  });

  it('notes come up at the next arrival of that vehicle only, latest first', async () => {
    const first = await aJob();
    const second = await aJob({ vehicleId: first.vehicleId });
    const other = await aJob();
    const third = await aJob({ vehicleId: first.vehicleId });
    const close = (id: string, notesNext: string, handedOverAt: number) =>
      good(changeClosing(id, (s) => ({ ...s, notesNext, handedOverAt })));
    await close(first.id, 'old', 100);
    await close(second.id, 'newer', 200);
    await close(other.id, 'another car', 300);
    expect((await earlierClosings(first.vehicleId, third.id)).map((c) => c.sheet.notesNext)).toEqual(['newer', 'old']);
    expect(await earlierClosings(first.vehicleId, second.id)).toHaveLength(1);
  });

  it('travels with its job, once, with the verdict and its drives under their new ids', async () => {
    const { id } = await aJob();
    await good(changeClosing(id, (s) => ({ ...s, notesNext: 'mirror needed' })));
    await good(signVerdict(id, newProof({ item: 'verdict', answer: 'proven', by: 'R. H.' }), { state: 'finished' }));
    const { job, vehicle } = (await loadJob(id))!;
    const opened = await unpackJob(await packJob(job, vehicle, await rowsOfJob(id)));
    if (!opened.ok) throw new Error(opened.error);
    const here = await good(
      keepOpenedJob({ ...opened.value, closings: [...opened.value.closings, ...opened.value.closings] }, [], null),
    );
    expect(await noteOf(here)).toBe('mirror needed');
    expect((await rowsOfJob(here)).closings).toHaveLength(1);
    const verdict = (await loadEntries(here)).find((e) => e.kind === 'proof');
    expect(verdict).toMatchObject({ item: 'verdict', answer: 'proven', by: 'R. H.' });
    expect((await loadJob(here))!.job.state).toBe('finished');
  });
});

describe('what is shown after the work', () => {
  const live = async (id: string) => (await loadEntries(id)).filter((e) => e.kind === 'proof' && e.takenBack !== true);

  it('the same answer again takes it back, another one replaces it', async () => {
    const { id } = await aJob();
    await good(giveProof(id, newProof({ item: 'leaks-hot', answer: 'dry' })));
    const drip = await good(giveProof(id, newProof({ item: 'leaks-hot', answer: 'drip' })));
    expect(await live(id)).toMatchObject([{ answer: 'drip' }]);
    await good(undoEntries(drip));
    expect(await live(id)).toMatchObject([{ answer: 'dry' }]);
    await good(giveProof(id, newProof({ item: 'leaks-hot', answer: 'dry' })));
    expect(await live(id)).toEqual([]);
  });

  it('days later it is another look, and the earlier one stays', async () => {
    const { id } = await aJob();
    await good(addEntry(id, { ...newProof({ item: 'leaks-hot', answer: 'damp' }), at: Date.now() - 3 * DAY_MS }));
    await good(giveProof(id, newProof({ item: 'leaks-hot', answer: 'dry' })));
    expect((await live(id)).map((e) => e.kind === 'proof' && e.answer)).toEqual(['damp', 'dry']);
  });

  it('a verdict and where the job stands go together, and come back together', async () => {
    const { id } = await aJob();
    await good(setStanding(id, { state: 'look-again', lookAgainOn: '2031-01-02' }));
    const signed = await good(signVerdict(id, newProof({ item: 'verdict', answer: 'proven' }), { state: 'finished' }));
    expect((await loadJob(id))!.job.state).toBe('finished');
    await good(undoVerdict(signed));
    expect(await live(id)).toEqual([]);
    expect((await loadJob(id))!.job).toMatchObject({ state: 'look-again', lookAgainOn: '2031-01-02' });
  });

  it('on a full disk neither is kept', async () => {
    const { id } = await aJob();
    const full = (): never => {
      throw Object.assign(new Error('no room'), { name: 'QuotaExceededError' });
    };
    database().jobs.hook('updating', full);
    const refused = await signVerdict(id, newProof({ item: 'verdict', answer: 'proven' }), { state: 'finished' });
    database().jobs.hook('updating').unsubscribe(full);
    expect(refused.ok).toBe(false);
    expect(await live(id)).toEqual([]);
    expect((await loadJob(id))!.job.state).toBe('to-look-at');
  });
});

describe('days over all jobs', () => {
  it('stand earliest first, with the vehicle; those of a strange sheet are left out', async () => {
    const soon = await aJob();
    await good(addEntry(soon.id, { kind: 'work', work: 'replaced-thermostat', detail: '', benchPassed: false }));
    const later = await aJob();
    await good(setStanding(later.id, { state: 'look-again', lookAgainOn: '2050-05-06' }));
    await database().repairs.add({
      id: 'r',
      jobId: later.id,
      startedAt: 1,
      updatedAt: 1,
      sheet: { plan: { parts: 'none' } },
    });
    const agenda = await loadAgenda();
    expect(agenda.map((d) => [d.jobId, d.kind])).toEqual([
      [soon.id, 'level'],
      [soon.id, 'leaks'],
      [later.id, 'look-again'],
    ]);
    expect(agenda[0]).toMatchObject({ plate: 'Ferry 1', on: format(addDays(Date.now(), 1), 'yyyy-MM-dd') });
  });

  it('a review and a warranty of the repair stand among them', async () => {
    const job = await aJob();
    const sheet = newSheet(CAR);
    const exception = { id: 'e', kind: 'winter-cover' as const, risk: '', conditions: '', reviewOn: '2030-04-01' };
    await good(changeRepair(job.id, sheet, (s) => ({ ...s, plan: { ...s.plan, exceptions: [exception] } })));
    expect(await loadAgenda()).toMatchObject([{ kind: 'exception', on: '2030-04-01' }]);
  });

  it('vehicles are due by their latest closing, one line each', async () => {
    const first = await aJob();
    const second = await aJob({ vehicleId: first.vehicleId });
    const close = (id: string, on: string, handedOverAt: number) =>
      good(
        changeClosing(id, (s) => ({ ...s, handedOverAt, nextDue: { what: 'Coolant', on, at_km: null, source: '' } })),
      );
    await close(first.id, '2028-01-01', 100);
    await close(second.id, '2031-01-01', 200);
    expect(await listDueVehicles()).toMatchObject([{ plate: 'Ferry 1', on: '2031-01-01', what: 'Coolant' }]);
  });

  it('the jobs that the history goes through are those on a vehicle, and works are found over all of them', async () => {
    const first = await aJob({ createdAt: 200 });
    const second = await aJob({ vehicleId: first.vehicleId, createdAt: 100 });
    await good(addEntry(second.id, { kind: 'work', work: 'replaced-sender', detail: '', benchPassed: false, at: 150 }));
    const taken = await good(
      addEntry(first.id, { kind: 'work', work: 'replaced-pump', detail: '', benchPassed: false }),
    );
    await good(undoEntries(taken));
    expect(await listJobIds()).toEqual([second.id, first.id]);
    expect(await listVehicleWorks(first.vehicleId)).toEqual([{ work: 'replaced-sender', at: 150 }]);
  });
});

describe('the calendar file', () => {
  const day = (change: Partial<AgendaDay> = {}): AgendaDay => ({
    ...{
      jobId: 'j1',
      plate: 'Ferry 1',
      complaint: 'slow; heater, weak',
      kind: 'level',
      on: '2028-02-28',
      says: 'Cold level',
    },
    ...change,
  });
  const unfolded = (text: string) => text.replace(/\r\n[ \t]/g, '');

  it('holds one whole day per date, as RFC 5545 asks', () => {
    const file = calendarFile([day(), day({ kind: 'leaks', on: '2028-12-31', says: 'Look for leaks again' })]);
    if (!file.ok) throw new Error(file.error);
    const text = unfolded(file.value);
    expect(text).toMatch(/^BEGIN:VCALENDAR\r\nVERSION:2.0\r\n/);
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
    expect(text).toContain('DTSTART;VALUE=DATE:20280228');
    // The end of a whole day is the day after: over a leap day and a year's end.
    expect(text).toContain('DTEND;VALUE=DATE:20280229');
    expect(text).toContain('DTEND;VALUE=DATE:20290101');
    expect(text).toContain('SUMMARY:Ferry 1: Cold level');
    // Commas and semicolons of a text are escaped, lines end as the format asks and are no longer than 75 bytes.
    expect(text).toContain('DESCRIPTION:slow\\; heater\\, weak');
    expect(file.value.split('\r\n').every((l) => new TextEncoder().encode(l).length <= 75)).toBe(true);
  });

  it('exported again, a day that moved is the same event', () => {
    const uid = (d: AgendaDay) => {
      const file = calendarFile([d]);
      return file.ok ? /UID:(.*)/.exec(unfolded(file.value))![1] : null;
    };
    expect(uid(day())).toBe(uid(day({ on: '2028-03-05' })));
    expect(uid(day())).not.toBe(uid(day({ kind: 'leaks' })));
    expect(uid(day())).not.toBe(uid(day({ jobId: 'j2' })));
  });

  it('with nothing due there is none, and it says so', () => {
    expect(calendarFile([])).toEqual({ ok: false, error: 'No day is due: nothing to export.' });
  });
});
