import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseJson } from '../formats';
import { startingVehicle } from '../planning';
import { BLEED_PROCEDURES, procedureErrors, readDraft, readProcedure, readProcedureFile } from '../procedure';
import { strangeKey } from '../base';
import { readEntry } from '../case';
import { insideNow, ledgerOf, mixFor, newSheet, openSigns, readSheet, worksDone, type Flow } from '.';

const CAR = startingVehicle({ fuel: 'diesel', displacement_l: 1.9, hybrid: false });

/** Puts a value at the end of a path into a copy of plain data. */
function withAt(data: unknown, path: readonly (string | number)[], value: unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  if (Array.isArray(data)) return data.map((v: unknown, i) => (i === key ? withAt(v, rest, value) : v));
  const record = data as Record<string, unknown>;
  return { ...record, [key]: withAt(record[key], rest, value) };
}

/** Every path to a value in plain data. */
function pathsOf(data: unknown): (string | number)[][] {
  if (typeof data !== 'object' || data === null) return [[]];
  const entries: [string | number, unknown][] = Array.isArray(data)
    ? data.map((v: unknown, i) => [i, v])
    : Object.entries(data);
  return [[], ...entries.flatMap(([key, v]) => pathsOf(v).map((rest) => [key, ...rest]))];
}

const SHEET = {
  ...newSheet(CAR),
  bleed: { ...newSheet(CAR).bleed, procedure: BLEED_PROCEDURES[1]!, bubbles: [true] },
  drain: {
    ...newSheet(CAR).drain,
    lines: [{ id: 'l', at: 1, kind: 'drained', l: 3, measuredBy: 'jug', where: '', pct: null }],
  },
};

/** Any value as it comes out of a file of ours: through the one door for JSON. */
const anything = fc.jsonValue().map((value) => {
  const read = parseJson(JSON.stringify(value));
  if (!read.ok) throw new Error(read.error.message);
  return read.value;
});

describe('whatever a file or a store holds', () => {
  it('is read as a sheet or refused with words, and never thrown at a screen', () => {
    fc.assert(
      fc.property(anything, (value) => {
        const read = readSheet(value);
        if (!read.ok) return void expect(read.error.length).toBeGreaterThan(0);
        // What was read can be shown.
        openSigns(read.value, CAR);
        worksDone(read.value);
        expect(insideNow(read.value.drain, CAR.coolant.volume_l)).toHaveProperty('ok');
      }),
    );
  });

  it('one field of a sheet gone wrong is refused, or leaves a sheet that can be shown', () => {
    const paths = pathsOf(SHEET);
    fc.assert(
      fc.property(fc.constantFrom(...paths), fc.jsonValue({ maxDepth: 1 }), (path, value) => {
        const read = readSheet(withAt(SHEET, path, value));
        if (!read.ok) return void expect(read.error.length).toBeGreaterThan(0);
        openSigns(read.value, CAR, 2);
        worksDone(read.value);
        expect(insideNow(read.value.drain, CAR.coolant.volume_l)).toHaveProperty('ok');
      }),
      { numRuns: 400 },
    );
  });

  it('is read as a procedure that can be run, or refused with words', () => {
    const [, procedure] = BLEED_PROCEDURES;
    const paths = pathsOf(procedure);
    const mutated = fc
      .tuple(fc.constantFrom(...paths), fc.jsonValue({ maxDepth: 1 }))
      .map(([path, value]) => withAt(procedure, path, value));
    fc.assert(
      fc.property(fc.oneof(anything, mutated), (value) => {
        const read = readProcedure(value);
        if (read.ok) expect(procedureErrors(read.value)).toEqual([]);
        else expect(read.error.length).toBeGreaterThan(0);
        const draft = readDraft(value);
        if (draft.ok) procedureErrors(draft.value);
        expect(readProcedureFile(value)).toHaveProperty('ok');
      }),
      { numRuns: 400 },
    );
  });
});

describe('names that every object has', () => {
  it('are found wherever they stand, and make an entry one that is not understood', () => {
    expect(strangeKey({ a: [{ b: 1 }, { toString: 0 }] })).toBe('toString');
    expect(strangeKey({ a: ['toString'], length: 3 })).toBeNull();
    expect(readSheet({ strip: { constructor: 1 } })).toEqual({ ok: false, error: 'unknown field: constructor' });
    const note = { kind: 'note', text: 'x', valueOf: 1 };
    expect(readEntry(note, { id: 'n', at: 1 })).toMatchObject({ kind: 'unknown', original: note });
  });
});

describe('volumes that nobody has measured before', () => {
  const litres = fc.double({ min: 0, max: 50, noNaN: true });
  const pct = fc.double({ min: 0, max: 100, noNaN: true });

  it('a ledger answers with figures, or names the line that cannot be', () => {
    const flow = fc.oneof(
      fc.record({ kind: fc.constant('drained' as const), l: litres, sd_l: fc.double({ min: 0, max: 2, noNaN: true }) }),
      fc.record({
        kind: fc.constant('added' as const),
        l: litres,
        sd_l: fc.double({ min: 0, max: 2, noNaN: true }),
        pct,
      }),
    );
    fc.assert(
      fc.property(fc.option(litres), fc.option(pct), fc.array(flow, { maxLength: 6 }), (start_l, start_pct, flows) => {
        const read = ledgerOf({ capacity_l: 10, start_l, start_pct }, flows as Flow[]);
        if (!read.ok) return void expect(read.error.at).not.toBeNull();
        const { inside_l, inside_sd_l, pct: now, pct_low, pct_high, renewed_share } = read.value;
        for (const v of [inside_l, inside_sd_l]) expect(v).toBeGreaterThanOrEqual(0);
        if (now === null) return void expect([pct_low, pct_high, renewed_share]).toEqual([null, null, null]);
        expect(pct_low!).toBeLessThanOrEqual(now + 1e-9);
        expect(pct_high!).toBeGreaterThanOrEqual(now - 1e-9);
        expect(renewed_share!).toBeGreaterThanOrEqual(-1e-9);
        expect(renewed_share!).toBeLessThanOrEqual(1 + 1e-9);
      }),
    );
  });

  it('a mix answers with volumes that are none below nothing', () => {
    fc.assert(
      fc.property(
        litres,
        fc.double({ min: 0, max: 1, noNaN: true }),
        pct,
        pct,
        pct,
        (capacity, share, residual_pct, target_pct, add) => {
          const capacity_l = capacity + 0.5;
          const task = { capacity_l, residual_l: share * capacity_l, residual_pct, target_pct, add_pct: add + 0.1 };
          const answer = mixFor(task);
          if (answer.reachable) return void expect(Math.min(answer.add_l, answer.water_l)).toBeGreaterThanOrEqual(0);
          if (answer.drain_more_l === null) return;
          expect(answer.drain_more_l).toBeGreaterThan(0);
          expect(answer.drain_more_l).toBeLessThanOrEqual(task.residual_l + 1e-9);
        },
      ),
    );
  });
});
