import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Trace } from '../base';
import { readTrace, withoutParameter, writeCanLog, writeTable, writeTrace, writeTraceJson } from './index';

const value = fc.integer({ min: -39, max: 140 });
/** A coolant that moves as coolants do: what leaps about is asked about. */
const walk = (steps: readonly number[]): Float64Array => {
  let at = 20;
  return Float64Array.from(steps, (step) => (at = Math.max(-39, Math.min(140, at + step))));
};
const traces = fc
  .array(
    fc.record({
      ect: fc.integer({ min: -4, max: 4 }),
      iat: fc.option(value, { nil: NaN }),
      rpm: fc.integer({ min: 500, max: 6000 }),
    }),
    {
      minLength: 4,
      maxLength: 30,
    },
  )
  .map((rows): Trace => ({
    time_s: Float64Array.from(rows, (_, i) => 0.5 * i),
    channels: {
      ect_c: walk(rows.map((r) => r.ect)),
      ...(rows.some((r) => Number.isFinite(r.iat)) ? { iat_c: Float64Array.from(rows, (r) => r.iat) } : {}),
      rpm: Float64Array.from(rows, (r) => r.rpm),
    },
  }));

const back = (text: string): Trace => {
  const read = readTrace(text);
  if (!read.ok) throw new Error(read.error.message);
  return read.value.trace;
};

describe('what is written is read back', () => {
  it('as CSV and as JSON, sample by sample', () => {
    fc.assert(
      fc.property(traces, (trace) => {
        expect(back(writeTrace(trace))).toEqual(trace);
        expect(back(writeTraceJson(trace))).toEqual(trace);
      }),
    );
  });

  it('JSON keeps every digit', () => {
    const trace = { time_s: Float64Array.of(0, 1 / 3, 2), channels: { ect_c: Float64Array.of(Math.PI, -1e-7, 90) } };
    expect(back(writeTraceJson(trace))).toEqual(trace);
  });

  it('as a CAN log, in the steps of the parameters', () => {
    fc.assert(
      fc.property(traces, (trace) => {
        const again = back(writeCanLog(trace));
        expect([...again.time_s]).toEqual([...trace.time_s]);
        expect([...again.channels.ect_c]).toEqual([...trace.channels.ect_c]);
        expect([...again.channels.rpm!]).toEqual([...trace.channels.rpm!]);
      }),
    );
  });

  it('says what a CAN log cannot carry', () => {
    const ect = Float64Array.of(1, 2, 3);
    expect(withoutParameter({ time_s: ect, channels: { ect_c: ect, gauge_c: ect, fan_pct: ect } })).toEqual([
      'gauge_c',
      'fan_pct',
    ]);
  });
});

describe('tables for spreadsheets', () => {
  it.each(['=1+1', '+cmd', '-cmd', '@SUM(A1)', '\tx'])('%j is made harmless', (cell) => {
    expect(writeTable(['a', 'b'], [[cell, 5]])).toMatch(new RegExp(`^a,b\\r\\n"?'`));
  });
});
