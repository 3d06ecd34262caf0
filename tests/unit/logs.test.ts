import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import type { ChannelName, Trace } from '@/core/base';
import { createFileReader, type ReadTrace } from '@/core/formats';
import type { ExpectedLog } from '../fixtures/expectedLog';

const FOLDER = path.join(import.meta.dirname, '..', 'fixtures', 'logs');

type Known = Readonly<Record<ChannelName | 'time_s', number>>;
const { known, files } = JSON.parse(readFileSync(path.join(FOLDER, 'expected.json'), 'utf8')) as {
  known: readonly Known[];
  files: readonly ExpectedLog[];
};

async function read(file: string, pieceBytes: number): Promise<ReadTrace> {
  const bytes = new Uint8Array(readFileSync(path.join(FOLDER, file)));
  const reader = createFileReader();
  for (let at = 0; at < bytes.length; at += pieceBytes) {
    const error = reader.push(bytes.subarray(at, at + pieceBytes));
    if (error) throw new Error(error.message);
  }
  const result = await reader.finish();
  if (!result.ok) throw new Error(`${result.error.code}: ${result.error.message}`);
  return result.value;
}

/** Samples of a channel with their times. */
const samplesOf = (trace: Trace, channel: ChannelName): [number, number][] =>
  [...(trace.channels[channel] ?? [])]
    .map((value, i): [number, number] => [trace.time_s[i]!, value])
    .filter(([, value]) => Number.isFinite(value));

describe('sample logs', () => {
  it('are many', () => expect(files.length).toBeGreaterThan(40));

  it.each(files.map((f) => [f.file, f] as const))('%s gives the known series', async (file, expected) => {
    const { trace, report } = await read(file, 1 << 20);
    for (const channel of expected.channels) {
      const wanted = known.filter((_, i) => channel !== 'ect_c' || !expected.missing.includes(i));
      const found = samplesOf(trace, channel);
      expect(found.length, channel).toBe(wanted.length);
      found.forEach(([time, value], i) => {
        expect(Math.abs(time - expected.stretch * wanted[i]!.time_s), `time of ${channel} ${i}`).toBeLessThanOrEqual(
          expected.timeTolerance_s,
        );
        expect(Math.abs(value - wanted[i]![channel]), `${channel} at ${time} s`).toBeLessThanOrEqual(
          expected.tolerance,
        );
      });
    }
    expect(report.cleaning.map((c) => c.kind)).toEqual(expected.cleaning);
  });

  it.each(['utf-16-big.csv', 'bom-crlf.csv', 'packed.csv.gz', 'workbook.xlsx', 'lines.ndjson', 'columns.json'])(
    '%s reads the same in pieces of any size',
    async (file) => {
      const whole = await read(file, 1 << 20);
      for (const size of [1, 7, 1000]) expect((await read(file, size)).trace).toEqual(whole.trace);
    },
  );
});
