import { describe, expect, it } from 'vitest';
import { CAUSES, type Cause } from '../base';
import { pricesFor } from '../case';
import { startingVehicle } from '../planning';
import {
  coolantFit,
  extrasFor,
  isThermostat,
  missingParts,
  newSheet,
  openSigns,
  opensSystem,
  partDoubts,
  pickList,
  readSheet,
  refitList,
  stillInside,
  connectorTally,
  blockers,
  type LedgerLine,
  type PlannedPart,
  type RepairSheet,
  type StripItem,
} from '.';
import { BLEED_PROCEDURES } from '../procedure';

const CAR = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const SHEET = newSheet(CAR);
let made = 0;
const id = () => `id-${made++}`;
const odds = (p: Partial<Record<Cause, number>>) => CAUSES.map((cause) => ({ cause, probability: p[cause] ?? 0 }));

describe('parts of the plan', () => {
  const plan = { ...SHEET.plan, works: ['replaced-thermostat', 'replaced-sender'] as const };
  const parts = missingParts(plan, CAR, id);

  it('come with the work, the seal as a line of its own, the rating as the car expects', () => {
    expect(parts.map((p) => p.name)).toEqual([
      ...['Thermostat', 'Seal of the thermostat', 'Coolant temperature sender', 'Seal of the sender'],
    ]);
    expect(parts[0]).toMatchObject({
      rated_c: CAR.thermostat.rated_c,
      sealIncluded: null,
      work: 'replaced-thermostat',
    });
    expect(missingParts({ ...plan, parts }, CAR, id)).toEqual([]);
    expect(parts.map(isThermostat)).toEqual([true, false, false, false]);
    expect(new Set(parts.map((p) => p.id)).size).toBe(4);
  });

  it('are doubted where something is not known or does not fit', () => {
    const part: PlannedPart = parts[0]!;
    expect(partDoubts(part, CAR).join(' ')).toMatch(/Seal included\?.*Vent valve present\?/);
    const known = { ...part, sealIncluded: true, vent: true };
    expect(partDoubts(known, CAR)).toEqual([]);
    expect(partDoubts({ ...known, vent: false }, CAR)[0]).toContain('air stays');
    expect(partDoubts({ ...known, rated_c: null }, CAR)[0]).toContain('stamp');
    const heated = { ...CAR, thermostat: { ...CAR.thermostat, heated: true, heated_rated_c: 80 } };
    expect(partDoubts({ ...known, build: 'insert' }, heated)[0]).toContain('no element');
    expect(partDoubts({ ...known, deposit: 8 }, CAR)).toEqual(['Deposit paid: send the old part back.']);
    expect(partDoubts({ ...known, deposit: 8, depositBackAt: 1 }, CAR)).toEqual([]);
  });

  it('are laid out with tools and consumables, the seal not twice', () => {
    const about = { mileage_km: 150_000, raise: true, coolantLine: '3 × 1.5 l' };
    const list = pickList({ ...plan, parts, ownTools: ['long six-lobe E10'] }, about);
    const names = (group: string) => list.find((g) => g.name === group)?.lines.map((l) => l.says) ?? [];
    expect(names('Parts')).toHaveLength(4);
    expect(names('Coolant')).toEqual(['3 × 1.5 l']);
    expect(names('Tools')).toEqual(expect.arrayContaining(['long six-lobe E10', 'Trolley jack, stands, chocks']));
    expect(names('Have ready, may break')).toContain('Plastic necks');
    const along = parts.map((p) => (isThermostat(p) ? { ...p, sealIncluded: true } : p));
    const without = pickList({ ...plan, parts: along }, { ...about, mileage_km: null, coolantLine: null });
    expect(without.find((g) => g.name === 'Parts')!.lines.map((l) => l.says)).not.toContain('Seal of the thermostat');
    expect(without.find((g) => g.name === 'Coolant')).toBeUndefined();
    expect(without.find((g) => g.name === 'Have ready, may break')!.lines.map((l) => l.says)).not.toContain(
      'Plastic necks',
    );
  });

  it('a wire mended opens no cooling system', () => {
    expect(opensSystem(['mended-wiring'])).toBe(false);
    expect(opensSystem(['mended-wiring', 'replaced-sender'])).toBe(true);
    const list = pickList(
      { ...SHEET.plan, works: ['mended-wiring'] },
      { mileage_km: null, raise: false, coolantLine: null },
    );
    expect(list.flatMap((g) => g.lines.map((l) => l.says))).not.toContain('Funnel');
  });
});

describe('coolant by its approval text', () => {
  it('colour decides nothing; the text does, however it is written', () => {
    expect(coolantFit('KV 17-B', 'kv17b')).toMatchObject({ fits: true });
    expect(coolantFit('KV 17-B', 'KV 18')).toMatchObject({
      fits: false,
      says: expect.stringContaining('do not mix') as string,
    });
    expect(coolantFit('', 'KV 18')).toMatchObject({ fits: null });
    expect(coolantFit('KV 18', '')).toMatchObject({
      fits: null,
      says: expect.stringContaining('Colour is dye') as string,
    });
  });
});

describe('what is done along', () => {
  const now = odds({ 'thermostat-leaking': 0.5, 'sender-reads-low': 0.3, 'flow-restricted': 0.1, healthy: 0.1 });
  const prices = pricesFor(CAR);
  const all = extrasFor(['replaced-thermostat'], now, prices);
  const of = (extra: string) => all.find((e) => e.extra.id === extra)!;

  it('confounds as much as both could have been it', () => {
    // A new seal cures the same leak.
    expect(of('seal').shared).toContain('thermostat-leaking');
    expect(of('seal').confounds).toBeCloseTo(0.5, 6);
    // A sender has causes of its own: afterwards either may have been it.
    expect(of('sender').own).toContain('sender-reads-low');
    expect(of('sender').confounds).toBeCloseTo(0.3, 6);
    expect(of('pump').confounds).toBeCloseTo(0.1, 6);
    expect(of('hoses').confounds).toBe(0);
  });

  it('costs parts and time; what is planned anyway is no extra', () => {
    expect(of('pump').cost).toBeCloseTo(prices.pump + 1.5 * prices.labourPerHour, 6);
    expect(all.some((e) => e.extra.id === 'thermostat')).toBe(false);
    expect(extrasFor(['replaced-sender'], now, prices).some((e) => e.extra.id === 'sender')).toBe(false);
  });
});

const item = (kind: StripItem['kind'], backAt: number | null = null): StripItem => ({
  ...{ id: id(), kind, name: kind, at: 0, label: '', place: '', thread: '', head_mm: null, length_mm: null },
  ...{ torque_nm: null, torqueSource: '', note: '', photoId: null, backAt },
});
const drained = (l: number): LedgerLine => ({
  ...{ id: id(), at: 0, kind: 'drained', l, measuredBy: 'jug', where: '', pct: null },
});

describe('a job that lies open', () => {
  const ids = (sheet: RepairSheet | null, place: number | null = null) => openSigns(sheet, CAR, place).map((s) => s.id);
  const strip = (to: Partial<RepairSheet['strip']>): RepairSheet => ({ ...SHEET, strip: { ...SHEET.strip, ...to } });
  const drain = (...lines: LedgerLine[]): RepairSheet => ({ ...SHEET, drain: { ...SHEET.drain, lines } });

  it('has its signs, and none when nothing is open or it is closed', () => {
    expect(ids(null)).toEqual([]);
    expect(ids(SHEET)).toEqual([]);
    expect(ids(strip({ capOff: true }))).toEqual(['cap-off']);
    expect(ids({ ...strip({ capOff: true }), closedAt: 1 })).toEqual([]);
  });

  it('no coolant stops the start; a little short is said', () => {
    expect(openSigns(drain(drained(4)), CAR)).toEqual([{ id: 'no-coolant', says: 'No coolant', noStart: true }]);
    expect(openSigns(drain(drained(0.6)), CAR)).toEqual([{ id: 'low', says: 'Coolant 0.6 l short', noStart: false }]);
    expect(ids(drain(drained(0.2)))).toEqual([]);
    expect(ids(drain(drained(4), { ...drained(4), kind: 'added', pct: 50 }))).toEqual([]);
  });

  it('thermostat out, plugs off, rags in, something fell, parts off', () => {
    expect(ids(strip({ items: [item('thermostat')] }))).toEqual(['no-valve']);
    expect(ids(strip({ items: [item('thermostat', 5)] }))).toEqual([]);
    expect(openSigns(strip({ items: [item('connector'), item('connector', 5)] }), CAR)[0]!.says).toBe('1 unplugged');
    const counts = { ...SHEET.strip.counts, rags: { in: 2, out: 1 }, tools: { in: 3, out: 0 } };
    expect(openSigns(strip({ counts }), CAR)).toEqual([
      { id: 'rags', says: '1 rag still in', noStart: true },
      { id: 'tools', says: '3 tools still in', noStart: false },
    ]);
    const dropped = [{ id: 'a', what: 'short bolt', at: 0, foundAt: null }];
    expect(openSigns(strip({ dropped }), CAR)[0]).toMatchObject({ says: 'Dropped: short bolt', noStart: true });
    expect(ids(strip({ dropped: [{ ...dropped[0]!, foundAt: 3 }] }))).toEqual([]);
    expect(openSigns(strip({ items: [item('hose'), item('bolt')] }), CAR)[0]).toMatchObject({
      says: '2 parts off',
      noStart: true,
    });
    expect(blockers(strip({ items: [item('hose')] }), CAR)).toHaveLength(1);
  });

  it('a pinched hose hangs out its sign only while the procedure stands there', () => {
    const procedure = BLEED_PROCEDURES.find((p) => p.id === 'timed-holds')!;
    const sheet = { ...SHEET, bleed: { ...SHEET.bleed, procedure } };
    expect(ids(sheet)).toEqual([]);
    expect(ids(sheet, 1)).toEqual(['clamp']);
    expect(ids(sheet, 2)).toEqual([]);
  });

  it('goes together in reverse, plugs and counts tallied', () => {
    const items = [item('hose'), item('bolt', 9), item('connector'), item('thermostat')];
    expect(refitList(items).map((i) => i.kind)).toEqual(['thermostat', 'connector', 'hose']);
    expect(connectorTally(items)).toEqual({ off: 1, back: 0 });
    expect(stillInside({ ...SHEET.strip.counts, plugs: { in: 2, out: 2 } })).toEqual([]);
  });
});

describe('a sheet from outside', () => {
  it('comes through a file as it was', () => {
    const procedure = BLEED_PROCEDURES[1]!;
    const full: RepairSheet = {
      ...SHEET,
      plan: {
        ...SHEET.plan,
        works: ['replaced-thermostat'],
        parts: missingParts({ ...SHEET.plan, works: ['replaced-thermostat'] }, CAR, id),
      },
      strip: { ...SHEET.strip, items: [item('bolt', 4)], capOff: true },
      drain: { ...SHEET.drain, lines: [drained(2)] },
      bleed: { ...SHEET.bleed, procedure, bubbles: [true, false] },
      written: { 'replaced-thermostat': 7 },
    };
    expect(readSheet(JSON.parse(JSON.stringify(full)))).toEqual({ ok: true, value: full });
  });

  it('is completed where fields are missing, and refused by its field where one cannot be', () => {
    expect(readSheet({})).toMatchObject({
      ok: true,
      value: { closedAt: null, strip: { items: [], softHousing: true } },
    });
    expect(readSheet(undefined)).toMatchObject({ ok: true });
    const error = (sheet: unknown) => {
      const read = readSheet(sheet);
      return read.ok ? '' : read.error;
    };
    expect(error({ plan: { works: ['flown'] } })).toContain('plan.works[0]');
    expect(error({ drain: { lines: [{ id: 'a', at: 1, kind: 'drained', l: -3 }] } })).toContain('drain.lines[0].l');
    expect(error({ bleed: { procedure: { id: 'x', use: 'bleed', steps: [] } } })).toContain('cannot be run');
    expect(error({ strip: { seated: { a: 'yes' } } })).toContain('strip.seated');
    expect(error({ drain: { lines: 'none' } })).not.toBe('');
  });
});
