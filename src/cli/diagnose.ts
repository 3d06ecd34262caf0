/** The headless command: analyses traces with the same core as the screens. See the contract in the README. */
import path from 'node:path';
import { parseArgs } from 'node:util';
import { fail, ok, type Result, type Vehicle } from '../core/base';
import { type Finding, judgeNow, resultLine, verdictText } from '../core/judge';
import { readManifest, readVehicleFile, type ImportError } from '../core/formats';
import { drivesLine } from './drivesLine';
import { readTextFile, readTraceFile, userPath } from './files';

const USAGE = `usage: npm run --silent diagnose -- TRACE [TRACE ...] --vehicle VEHICLE.json [--json]
       npm run --silent diagnose -- --manifest LIST.json --json
`;

interface Item {
  /** Path, or paths of several drives of one vehicle, as the user or the manifest gave them. */
  readonly given: string | readonly string[];
  readonly traces: readonly string[];
  readonly vehicle: string;
}

function wrongArguments(message: string): never {
  process.stderr.write(`diagnose: ${message}\n${USAGE}`);
  process.exit(2);
}

function readArguments(): { items: Item[]; json: boolean } {
  let parsed;
  try {
    parsed = parseArgs({
      allowPositionals: true,
      options: { vehicle: { type: 'string' }, manifest: { type: 'string' }, json: { type: 'boolean', default: false } },
    });
  } catch (error) {
    wrongArguments(error instanceof Error ? error.message : String(error));
  }
  const { values, positionals } = parsed;
  if (values.manifest !== undefined) {
    if (positionals.length > 0 || values.vehicle !== undefined) {
      wrongArguments('--manifest takes neither traces nor --vehicle beside it');
    }
    return { items: manifestItems(values.manifest), json: values.json };
  }
  const { vehicle } = values;
  if (positionals.length === 0) wrongArguments('no trace given');
  if (vehicle === undefined) wrongArguments('--vehicle is missing');
  return {
    items: positionals.map((given) => ({ given, traces: [userPath(given)], vehicle: userPath(vehicle) })),
    json: values.json,
  };
}

function manifestItems(given: string): Item[] {
  const file = userPath(given);
  const text = readTextFile(file);
  if (!text.ok) wrongArguments(`${given}: ${text.error.message}`);
  const manifest = readManifest(text.value);
  if (!manifest.ok) wrongArguments(`${given}: ${manifest.error.message}`);
  const folder = path.dirname(file);
  return manifest.value.map((item) => ({
    given: item.single ? item.traces[0]! : item.traces,
    traces: item.traces.map((trace) => path.resolve(folder, trace)),
    vehicle: path.resolve(folder, item.vehicle),
  }));
}

const vehicles = new Map<string, Result<Vehicle, ImportError>>();

function loadVehicle(file: string): Result<Vehicle, ImportError> {
  let found = vehicles.get(file);
  if (!found) {
    const text = readTextFile(file);
    found = text.ok ? readVehicleFile(text.value) : text;
    vehicles.set(file, found);
  }
  return found;
}

/** An item with its vehicle and a finding per drive, in order. */
interface Diagnosed {
  readonly vehicle: Vehicle;
  readonly findings: readonly Finding[];
}

/** Judges each drive of an item; an error where one could not be read. */
async function diagnose(item: Item): Promise<Result<Diagnosed, ImportError>> {
  const loaded = loadVehicle(item.vehicle);
  if (!loaded.ok) return loaded;
  const vehicle = loaded.value;
  const findings: Finding[] = [];
  for (const trace of item.traces) {
    const read = await readTraceFile(trace);
    if (!read.ok) {
      const named = { ...read.error, message: `${trace}: ${read.error.message}` };
      return fail(item.traces.length > 1 ? named : read.error);
    }
    findings.push(judgeNow(read.value.trace, vehicle));
  }
  return ok({ vehicle, findings });
}

/** The line of an item: its one finding's, or that of all its drives together. */
const lineOf = ({ given }: Item, { vehicle, findings }: Diagnosed): Record<string, unknown> =>
  typeof given === 'string' ? resultLine(given, findings[0]!) : drivesLine(given, vehicle, findings);

function summary(file: string, finding: Finding): string {
  const pct = (p: number) => `${Math.round(100 * p)} %`;
  const { verdict } = finding;
  const odds = finding.causes.slice(0, 4).map((c) => `${c.cause} ${pct(c.probability)}`);
  const codes = finding.codes
    .filter((c) => c.wouldSet)
    .map((c) => `${c.code} at ${Math.round((c.at_s ?? 0) / 60)} min`);
  return [
    `${file}`,
    `  ${verdict.grade}: ${verdict.cause} ${pct(verdict.probability)}. ${verdictText(finding)}`,
    `  odds: ${odds.join(', ')}`,
    ...(codes.length > 0 ? [`  codes this drive would set: ${codes.join(', ')}`] : []),
    ...finding.quality.problems.map((p) => `  problem: ${p}`),
    ...finding.next.map((n) => `  next: ${n.test}. ${n.why}`),
  ].join('\n');
}

const { items, json } = readArguments();
let failed = false;
for (const item of items) {
  const result = await diagnose(item);
  if (!result.ok) {
    failed = true;
    const { code, message, line } = result.error;
    const error = { code, message, line };
    process.stdout.write(
      json ? `${JSON.stringify({ file: item.given, error })}\n` : `${String(item.given)}\n  not read: ${message}\n`,
    );
  } else if (json) process.stdout.write(`${JSON.stringify(lineOf(item, result.value))}\n`);
  else {
    const names = typeof item.given === 'string' ? [item.given] : item.given;
    process.stdout.write(`${result.value.findings.map((finding, i) => summary(names[i]!, finding)).join('\n')}\n`);
  }
}
process.exitCode = failed ? 3 : 0;
