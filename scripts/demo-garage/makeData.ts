/**
 * Makes the demo garage: vehicles, jobs and the traces that the simulated vehicles logged. The files are committed and
 * imported through the same path as a user's; run this again only after a change of the plant.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { celsiusToFahrenheit, KM_PER_MILE, type ChannelName, type Trace } from '../../src/core/base';
import { writeTrace } from '../../src/core/formats';
import { judgeNow } from '../../src/core/judge';
import { drawBody, drivePhases, logRun, NO_FAULT, seededRandom, simulateDrive } from '../../src/core/plant';
import { ARRIVAL, JOBS, VEHICLES, type DemoJob } from './garage';
import { PROOF_JOBS } from './proofJobs';
import type { DemoDrive, ProofJob } from './proofKit';
import { PROOF_VEHICLES } from './proofVehicles';

const FOLDER = path.join(import.meta.dirname, '..', '..', 'public', 'demo');

/** The same samples as another logger would write them. */
function writeStyled(trace: Trace, style: DemoJob['style']): string {
  const canonical = writeTrace(trace);
  if (!style) return canonical;
  const [, ...rows] = canonical.trimEnd().split('\n');
  const names = Object.keys(trace.channels) as ChannelName[];
  const header: Record<string, string> = {
    ect_c: style === 'imperial' ? 'Engine Coolant Temperature (°F)' : 'Coolant temp [°C]',
    iat_c: style === 'imperial' ? 'Intake Air Temp (°F)' : 'Intake air temp [°C]',
    ambient_c: 'Outside air (°F)',
    speed_kmh: style === 'imperial' ? 'Vehicle speed (mph)' : 'Road speed [km/h]',
    rpm: style === 'imperial' ? 'Engine RPM' : 'Engine speed [1/min]',
    load_pct: 'Calculated load (%)',
    maf_gps: 'Mass air flow (g/s)',
    heater_pct: 'Cabin blower (%)',
  };
  const convert = (name: ChannelName, text: string): string => {
    if (text === '') return '';
    const value = Number(text);
    if (style === 'imperial' && name.endsWith('_c')) return celsiusToFahrenheit(value).toFixed(0);
    if (style === 'imperial' && name === 'speed_kmh') return (value / KM_PER_MILE).toFixed(1);
    return style === 'semicolons' ? text.replace('.', ',') : text;
  };
  const separator = style === 'semicolons' ? ';' : ',';
  const lines = rows.map((row) => {
    const [time = '', ...cells] = row.split(',');
    return [style === 'semicolons' ? time.replace('.', ',') : time, ...cells.map((c, i) => convert(names[i]!, c))].join(
      separator,
    );
  });
  const preamble = style === 'semicolons' ? ['Logger 3, drive 118', ''] : [];
  return [...preamble, ['Time (s)', ...names.map((n) => header[n] ?? n)].join(separator), ...lines].join('\n') + '\n';
}

mkdirSync(FOLDER, { recursive: true });
const jobs = JOBS.map((job) => {
  const { vehicle: spec } = VEHICLES[job.vehicle]!;
  const random = seededRandom(job.seed);
  const body = drawBody(spec, random, 0.6);
  const demand = drivePhases(job.phases, job.heater_pct, random);
  const conditions = { ambient_c: job.ambient_c, engineStart_c: job.start_c ?? job.ambient_c + 0.4, coverFraction: 0 };
  const run = simulateDrive(body, { ...NO_FAULT, ...job.fault }, demand, conditions, random);
  const trace = logRun(
    run,
    { channels: job.channels, period_s: job.period_s, jitter: 0.03, lost: 0.004, polled: false },
    random,
  );
  const file = `${job.id.replace('demo-', '')}.csv`;
  writeFileSync(path.join(FOLDER, file), writeStyled(trace, job.style));
  const finding = judgeNow(trace, spec);
  const odds = finding.causes.slice(0, 3).map((c) => `${c.cause} ${c.probability.toFixed(2)}`);
  process.stdout.write(
    `${file}: truth ${job.fault?.cause ?? 'healthy'}; ${finding.verdict.grade} ${odds.join(', ')}\n`,
  );
  const { id, complaint, state, daysAgo, answers = [], bench = [], repair } = job;
  return {
    id,
    vehicle: job.vehicle,
    complaint,
    state,
    daysAgo,
    answers,
    bench,
    trace: file,
    ...(repair ? { repair } : {}),
  };
});
/** A drive of a car whose body is given, written and judged. */
function proofDrive(job: ProofJob, drive: DemoDrive): void {
  const { vehicle: spec } = PROOF_VEHICLES[job.vehicle]!;
  const body = drawBody(spec, seededRandom(job.bodySeed), 0.6);
  const random = seededRandom(drive.seed);
  const demand = drivePhases(drive.phases, drive.heater_pct, random);
  const conditions = { ambient_c: drive.ambient_c, engineStart_c: drive.ambient_c + 0.4, coverFraction: 0 };
  const run = simulateDrive(body, { ...NO_FAULT, ...drive.fault }, demand, conditions, random);
  const logged = { channels: drive.channels, period_s: 2, jitter: 0.03, lost: 0.004, polled: false };
  const trace = logRun(run, logged, random);
  writeFileSync(path.join(FOLDER, drive.file), writeTrace(trace));
  const odds = judgeNow(trace, spec).causes.slice(0, 4);
  const told = odds.map((c) => `${c.cause} ${c.probability.toFixed(2)}`).join(', ');
  process.stdout.write(`${drive.file}: truth ${drive.fault?.cause ?? 'healthy'}; ${told}\n`);
}
for (const job of PROOF_JOBS) for (const drive of job.drives) proofDrive(job, drive);
const proofJobs = PROOF_JOBS.map(({ bodySeed: _seed, drives, ...job }) => ({
  ...job,
  answers: [],
  bench: [],
  trace: null,
  drives: drives.map(({ file, after_h }) => ({ file, after_h })),
}));
const garage = {
  schema: 'varmek-demo/1',
  vehicles: Object.entries({ ...VEHICLES, ...PROOF_VEHICLES }).map(([id, v]) => ({ id: `demo-${id}`, ...v })),
  jobs: [...proofJobs, ...jobs, ARRIVAL].map((j) => ({ ...j, vehicle: `demo-${j.vehicle}` })),
};
writeFileSync(path.join(FOLDER, 'garage.json'), JSON.stringify(garage, null, 2) + '\n');
