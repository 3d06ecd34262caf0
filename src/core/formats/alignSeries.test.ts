import { describe, expect, it } from 'vitest';
import { drawScenario } from '../plant';
import { alignByClock, alignByCurve, createSeriesReader, layBeside, type LoggedSeries } from './index';

async function readSeries(text: string): Promise<LoggedSeries> {
  const reader = createSeriesReader();
  const error = reader.push(new TextEncoder().encode(text));
  const read = error ? { ok: false as const, error } : await reader.finish();
  if (!read.ok) throw new Error(`${read.error.code}: ${read.error.message}`);
  return read.value;
}

/** A thermocouple log of a drive: housing a little behind the coolant, hose at the radiator's outlet, begun earlier. */
function thermocouples(drive: ReturnType<typeof drawScenario>, early_s: number, clockAt_s: number | null): string {
  const { time_s, channels } = drive.trace;
  const rows = [];
  for (let t = -early_s; t < time_s.at(-1)! - 60; t += 3) {
    const at = (lag: number) =>
      Math.max(
        0,
        time_s.findIndex((s) => s >= t - lag),
      );
    const housing = channels.ect_c[at(12)]! - 2 + 0.3 * Math.sin(t);
    const hose = channels.rad_out_c![at(0)]!;
    const time = t + early_s;
    const stamp =
      clockAt_s === null ? String(time) : new Date(1000 * (Math.floor(clockAt_s) + time)).toISOString().slice(11, 19);
    rows.push(`${stamp};${housing.toFixed(1)};${hose.toFixed(1)};12,6`);
  }
  return `Time;Housing (°C);Lower hose (°C);Battery (V)\n${rows.join('\n')}\n`;
}

const SEEDS = [41, 42, 43, 44];
const drives = SEEDS.map((seed) =>
  drawScenario({ seed, cause: 'healthy', channelSet: 'full', extraChannels: ['rad_out_c'], ambient_c: 5 }),
);

describe('two logs of one drive', () => {
  it('reads every temperature of a log that is no control unit’s', async () => {
    const series = await readSeries(thermocouples(drives[0]!, 100, null));
    expect(series.columns.map((c) => [c.header, c.channel])).toEqual([
      ['Housing (°C)', null],
      ['Lower hose (°C)', 'rad_out_c'],
    ]);
  });

  it('are laid on one time by their clocks, over midnight too', async () => {
    const series = await readSeries(thermocouples(drives[0]!, 0, 86_390));
    const found = alignByClock({ clock: { kind: 'day', start_s: 20 }, length_s: 1800 }, series);
    expect(found).toMatchObject({ offset_s: -30, by: 'clock' });
    expect(alignByClock({ clock: null, length_s: 1800 }, series)).toBeNull();
  });

  it.each(drives.map((d) => [d.seed, d] as const))('or by their curves, drive %d', async (_, drive) => {
    const series = await readSeries(thermocouples(drive, 137, null));
    const found = alignByCurve(drive.trace, series)!;
    expect(found.match).toBeGreaterThan(0.95);
    // The housing lags by 12 s, and its log began 137 s before the drive.
    expect(Math.abs(found.offset_s + 137)).toBeLessThan(25);
  });

  it('finds nothing in curves that have nothing in common', async () => {
    const flat = await readSeries(`time,Hose (°C)\n${Array.from({ length: 900 }, (_, t) => `${t},20`).join('\n')}\n`);
    expect(alignByCurve(drives[0]!.trace, flat)).toBeNull();
  });

  it('a column becomes a channel, empty where the second log did not run', async () => {
    const drive = drives[0]!;
    const series = await readSeries(thermocouples(drive, 137, null));
    const channels = { ...drive.trace.channels };
    delete channels.rad_out_c;
    const merged = layBeside({ ...drive.trace, channels }, series, -137, { 1: 'rad_out_c' });
    const differences = merged.channels.rad_out_c!.map((v, i) => Math.abs(v - drive.trace.channels.rad_out_c![i]!));
    expect(Math.max(...differences.filter(Number.isFinite))).toBeLessThan(4);
    expect(merged.channels.rad_out_c!.at(-1)).toBeNaN();
  });

  it.each([
    ['a,b\nx,y\nz,w\n', /No header|No time|no-header/],
    ['time,volts (V)\n0,1\n1,2\n2,3\n3,4\n', /No column of this log holds temperatures/],
  ])('%j is refused', async (text, message) => {
    await expect(readSeries(text)).rejects.toThrow(message);
  });
});
