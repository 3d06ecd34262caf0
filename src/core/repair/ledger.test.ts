import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { INSTRUMENTS, ledgerOf, type Flow, type LedgerStart } from '.';

const START: LedgerStart = { capacity_l: 6.5, start_l: null, start_pct: 30 };
const out = (l: number, sd_l = 0): Flow => ({ kind: 'drained', l, sd_l });
const add = (l: number, pct: number, sd_l = 0): Flow => ({ kind: 'added', l, sd_l, pct });

function state(start: LedgerStart, flows: readonly Flow[]) {
  const read = ledgerOf(start, flows);
  if (!read.ok) throw new Error(read.error.message);
  return read.value;
}

describe('the ledger', () => {
  it('adds up by hand: 6.5 l of 30 %, 4 out, 2.5 of concentrate and 1.3 of water in', () => {
    const now = state(START, [out(4, 0.1), add(2.5, 100, 0.05), add(1.3, 0)]);
    expect(now.inside_l).toBeCloseTo(6.3, 9);
    expect(now.inside_sd_l).toBeCloseTo(Math.hypot(0.1, 0.05), 6);
    // 0.75 l of the old glycol and 2.5 l new, in 6.3 l.
    expect(now.pct).toBeCloseTo((100 * 3.25) / 6.3, 9);
    expect(now.missing_l).toBeCloseTo(0.2, 9);
    expect(now.renewed_share).toBeCloseTo(3.8 / 6.3, 9);
    expect(now.old_l).toBeCloseTo(2.5, 9);
  });

  it('equal in and out is level, not renewal', () => {
    const now = state({ capacity_l: 8, start_l: 8, start_pct: 50 }, [out(4), add(4, 50)]);
    expect(now).toMatchObject({ inside_l: 8, missing_l: 0 });
    expect(now.renewed_share).toBeCloseTo(0.5, 9);
    expect(now.pct).toBeCloseTo(50, 9);
  });

  it('what is drawn off after the filling is mixed with the new', () => {
    const now = state({ capacity_l: 8, start_l: 4, start_pct: 0 }, [add(4, 100), { kind: 'drawn-off', l: 2, sd_l: 0 }]);
    expect(now.pct).toBeCloseTo(50, 9);
    expect(now.renewed_share).toBeCloseTo(0.5, 9);
    expect(now.old_l).toBeCloseTo(3, 9);
  });

  it('an unknown old strength widens the answer to all that it can be', () => {
    const now = state({ ...START, start_pct: null }, [out(4), add(4, 100)]);
    // 2.5 l of the old are left: none of it glycol, or all.
    expect(now.pct_low).toBeCloseTo((100 * 4) / 6.5, 6);
    expect(now.pct_high).toBeCloseTo(100, 6);
    expect(now.pct).toBeGreaterThan(now.pct_low!);
    expect(now.pct).toBeLessThan(now.pct_high!);
  });

  it('carries the uncertainty of the jug into the strength', () => {
    const sure = state(START, [out(4), add(4, 100)]);
    expect(sure.pct_low).toBe(sure.pct_high);
    const loose = state(START, [out(4, 0.4), add(4, 100, 0.1)]);
    // d pct / d out at 4 l out and 4 l in: the glycol of the old 2.5 l and the whole of 6.5 l both move.
    const at = (o: number, a: number) => (100 * (0.3 * (6.5 - o) + a)) / (6.5 - o + a);
    const sd = Math.hypot((at(4.4, 4) - at(3.6, 4)) / 2, (at(4, 4.1) - at(4, 3.9)) / 2);
    expect(loose.pct! - loose.pct_low!).toBeCloseTo(2 * sd, 4);
    expect(loose.inside_sd_l).toBeCloseTo(Math.hypot(0.4, 0.1), 6);
  });

  it('names the line that cannot be, and allows what its measuring allows', () => {
    expect(ledgerOf(START, [out(4), out(3)])).toMatchObject({ ok: false, error: { at: 1 } });
    const read = ledgerOf(START, [out(4), out(3)]);
    expect(!read.ok && read.error.message).toContain('at most 2.50 l were inside');
    expect(state(START, [out(6.6, 0.1)]).inside_l).toBe(0);
    expect(state(START, [out(6.6, 0.1)])).toMatchObject({ pct: null, renewed_share: null, missing_l: 6.5 });
  });

  it('starts from nothing where nothing is said, and asks where that cannot be', () => {
    const nothing: LedgerStart = { capacity_l: null, start_l: null, start_pct: null };
    const now = state(nothing, [add(2, 100), add(2, 0)]);
    expect(now).toMatchObject({ inside_l: 4, missing_l: null, renewed_share: 1 });
    expect(now.pct).toBeCloseTo(50, 9);
    expect([now.pct_low, now.pct_high]).toEqual([now.pct, now.pct]);
    expect(ledgerOf(nothing, [out(1)])).toMatchObject({ ok: false, error: { at: null } });
  });

  it('never loses a drop, and new plus old is all of it', () => {
    const flow = fc.oneof(
      fc.record({
        kind: fc.constantFrom('drained', 'spilled', 'drawn-off'),
        l: fc.double({ min: 0, max: 1, noNaN: true }),
      }),
      fc.record({
        kind: fc.constant('added'),
        l: fc.double({ min: 0, max: 3, noNaN: true }),
        pct: fc.double({ min: 0, max: 100, noNaN: true }),
      }),
    );
    fc.assert(
      fc.property(fc.array(flow, { maxLength: 8 }), (list) => {
        const flows = list.map((f) => ({ ...f, sd_l: 0 })) as Flow[];
        const read = ledgerOf({ capacity_l: 10, start_l: 10, start_pct: 40 }, flows);
        const net = flows.reduce((s, f) => s + (f.kind === 'added' ? f.l : -f.l), 10);
        if (!read.ok) return;
        expect(read.value.inside_l).toBeCloseTo(Math.max(0, net), 6);
        if (read.value.pct === null) return;
        expect(read.value.pct).toBeGreaterThanOrEqual(-1e-9);
        expect(read.value.pct).toBeLessThanOrEqual(100 + 1e-9);
        expect(read.value.renewed_share! * read.value.inside_l + read.value.old_l).toBeCloseTo(read.value.inside_l, 6);
      }),
    );
  });

  it('an eye is worse than a jug, a jug than a scale', () => {
    for (const l of [0.1, 1, 5]) {
      expect(INSTRUMENTS.eye.sd(l)).toBeGreaterThan(INSTRUMENTS.jug.sd(l));
      expect(INSTRUMENTS.jug.sd(l)).toBeGreaterThan(INSTRUMENTS.scale.sd(l));
    }
  });
});
