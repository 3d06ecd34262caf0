/**
 * Speed of the judge: median time per judged 30-minute trace at 1 Hz, batch throughput over all cores, import of a
 * million rows beside a bare parse. Steps of the twin alone are not timed: they depend on how the engine compiles the loop.
 * Usage: npm run bench
 */
import os from 'node:os';
import { median } from 'd3-array';
import { judgeNow } from '../src/core/judge';
import Papa from 'papaparse';
import { createFileReader } from '../src/core/formats';
import { drawBody, drivePhases, logRun, NO_FAULT, seededRandom, simulateDrive, type Phase } from '../src/core/plant';
import { startingVehicle } from '../src/core/planning';
import { runExam } from './exam/pool';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const phases: Phase[] = [
  { kind: 'town', duration_s: 600 },
  { kind: 'road', duration_s: 900 },
  { kind: 'idle', duration_s: 300 },
];

function trace(seed: number) {
  const random = seededRandom(seed);
  const conditions = { ambient_c: 0, engineStart_c: 0, coverFraction: 0 };
  const fault = { ...NO_FAULT, leakFraction: seed % 2 === 0 ? 0.4 : 0 };
  const run = simulateDrive(drawBody(vehicle, random), fault, drivePhases(phases, 50, random), conditions, random);
  const channels = ['ect_c', 'iat_c', 'ambient_c', 'speed_kmh', 'rpm', 'load_pct', 'maf_gps'] as const;
  return logRun(run, { channels, period_s: 1, jitter: 0, lost: 0, polled: false }, random);
}

function milliseconds(work: () => void): number {
  const started = performance.now();
  work();
  return performance.now() - started;
}

const say = (line: string) => process.stdout.write(`${line}\n`);

const traces = Array.from({ length: 12 }, (_, i) => trace(i + 1));
// The first judgements are slower: they are compiled on the way.
for (const t of traces.slice(0, 3)) judgeNow(t, vehicle);
const judged = traces.map((t) => milliseconds(() => judgeNow(t, vehicle)));
say(`judge: median ${median(judged)!.toFixed(0)} ms per 30-minute 1 Hz trace on all causes, one core`);

const MANY = 1_000_000;
const row = (i: number): string =>
  [
    i / 10,
    20 + Math.min(70, Math.round(i / 500) / 10),
    12,
    5,
    50 + (i % 9),
    1500 + (i % 700),
    30 + (i % 20),
    8.25,
    40,
  ].join();
const text = `time_s,ect_c,iat_c,ambient_c,speed_kmh,rpm,load_pct,maf_gps,oil_c\n${Array.from({ length: MANY }, (_, i) => row(i)).join('\n')}\n`;
const bytes = new TextEncoder().encode(text);

async function importAll(): Promise<void> {
  const reader = createFileReader();
  for (let at = 0; at < bytes.length; at += 1 << 20) reader.push(bytes.subarray(at, at + (1 << 20)));
  const read = await reader.finish();
  if (!read.ok || read.value.report.rows !== MANY) throw new Error('the bench file was not read whole');
}

const ratios: number[] = [];
for (let i = 0; i < 3; i++) {
  const bare_ms = milliseconds(() => {
    Papa.parse<string[]>(text, { delimiter: ',', step: undefined, chunk: () => undefined, complete: () => undefined });
  });
  const begun = performance.now();
  await importAll();
  ratios.push((performance.now() - begun) / bare_ms);
}
say(
  `import: a million rows by eight channels takes ${median(ratios)!.toFixed(1)} times as long as the CSV library's bare parse`,
);

const COUNT = 60;
const started = performance.now();
await runExam('case', { count: COUNT, seed: 900_000, only: null }, () => undefined);
const rate = (1000 * COUNT) / (performance.now() - started);
say(`batch: ${rate.toFixed(1)} exam cases a second over ${os.availableParallelism()} cores, simulation included`);
