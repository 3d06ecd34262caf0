import { describe, expect, it } from 'vitest';
import type { Trace } from '@/core/base';
import type { RecordedRow } from '@/storage/records';
import { pollAdapter, type PollCounts } from './pollAdapter';
import { SimulatedPort } from './simulatedPort';
import type { SerialPortLike } from './serialPort';

const drive: Trace = {
  time_s: Float64Array.from({ length: 100 }, (_, i) => i),
  channels: { ect_c: Float64Array.from({ length: 100 }, (_, i) => 10 + i / 2), rpm: new Float64Array(100).fill(850) },
};
const SPEED = 400;

async function poll(port: (now_s: () => number) => SerialPortLike, until: number) {
  const from = performance.now();
  const now_s = () => ((performance.now() - from) / 1000) * SPEED;
  const stop = new AbortController();
  const rows: RecordedRow[] = [];
  let counts: PollCounts = { answers: 0, refusals: 0, dropped: 0 };
  const end = await pollAdapter(port(now_s), {
    now_s,
    speed: SPEED,
    signal: stop.signal,
    onAnswer: () => undefined,
    onRow: (row, so) => {
      rows.push(row);
      counts = so;
      if (rows.length >= until) stop.abort();
    },
  });
  return { end, rows, counts };
}

describe('polling a serial adapter', () => {
  it('logs what the vehicle has, and asks for the rest once only', async () => {
    const { end, rows, counts } = await poll((now_s) => new SimulatedPort(drive, now_s, SPEED), 25);
    expect(end).toBe('stopped');
    const last = rows.findLast((r) => r.values.ect_c !== undefined)!;
    expect(last.values.ect_c).toBeGreaterThan(10);
    expect(rows.some((r) => r.values.rpm === 850)).toBe(true);
    expect(Object.keys(rows[0]!.values).sort()).not.toContain('iat_c');
    // Six parameters are refused for good; beyond that only the few that were busy.
    expect(counts.refusals).toBeLessThan(6 + 0.2 * counts.answers);
    expect(counts.answers).toBeGreaterThan(30);
  });

  it('a pulled plug ends it as lost, with the rows so far', async () => {
    const { end, rows } = await poll((now_s) => {
      const port = new SimulatedPort(drive, now_s, SPEED);
      setTimeout(() => void port.close(), 250);
      return port;
    }, 1e9);
    expect(end).toBe('lost');
    expect(rows.length).toBeGreaterThan(1);
  });

  it('an adapter that never answers is lost, not waited for', async () => {
    const silent: SerialPortLike = {
      readable: new ReadableStream(),
      writable: new WritableStream(),
      open: () => Promise.resolve(),
      close: () => Promise.resolve(),
    };
    const { end, rows } = await poll(() => silent, 1);
    expect(end).toBe('lost');
    expect(rows).toEqual([]);
  });
});
