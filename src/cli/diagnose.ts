/** The headless command: analyses traces with the same core as the screens. See the contract in the README. */
import path from 'node:path';
import { parseArgs } from 'node:util';
import type { Vehicle } from '../core/base';
import { judgeNow, resultLine, type Finding } from '../core/diagnosis';
import { readManifest, readVehicleFile, type ImportError } from '../core/formats';
import { readText, readTraceFile, userPath } from './files';

const USAGE = `usage: npm run --silent diagnose -- TRACE [TRACE ...] --vehicle VEHICLE.json [--json]
       npm run --silent diagnose -- --manifest LIST.json --json
`;

interface Item {
  /** Path as the user or the manifest gave it. */
  readonly given: string;
  readonly trace: string;
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
    items: positionals.map((given) => ({ given, trace: userPath(given), vehicle: userPath(vehicle) })),
    json: values.json,
  };
}

function manifestItems(given: string): Item[] {
  const file = userPath(given);
  const text = readText(file);
  if (!text.ok) wrongArguments(`${given}: ${text.error.message}`);
  const manifest = readManifest(text.value);
  if (!manifest.ok) wrongArguments(`${given}: ${manifest.error.message}`);
  const folder = path.dirname(file);
  return manifest.value.map((item) => ({
    given: item.trace,
    trace: path.resolve(folder, item.trace),
    vehicle: path.resolve(folder, item.vehicle),
  }));
}

const vehicles = new Map<string, Vehicle | ImportError>();

function loadVehicle(file: string): Vehicle | ImportError {
  let found = vehicles.get(file);
  if (!found) {
    const text = readText(file);
    const read = text.ok ? readVehicleFile(text.value) : text;
    found = read.ok ? read.value : read.error;
    vehicles.set(file, found);
  }
  return found;
}

async function diagnose(item: Item): Promise<Finding | ImportError> {
  const vehicle = loadVehicle(item.vehicle);
  if ('code' in vehicle) return vehicle;
  const read = await readTraceFile(item.trace);
  return read.ok ? judgeNow(read.value.trace, vehicle) : read.error;
}

function summary(file: string, finding: Finding): string {
  const pct = (p: number) => `${Math.round(100 * p)} %`;
  const { verdict } = finding;
  const odds = finding.causes.slice(0, 4).map((c) => `${c.cause} ${pct(c.probability)}`);
  const codes = finding.codes
    .filter((c) => c.wouldSet)
    .map((c) => `${c.code} at ${Math.round((c.at_s ?? 0) / 60)} min`);
  return [
    `${file}`,
    `  ${verdict.grade}: ${verdict.cause} ${pct(verdict.probability)}. ${verdict.reason}`,
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
  if ('code' in result) {
    failed = true;
    const error = { code: result.code, message: result.message, line: result.line };
    process.stdout.write(
      json ? `${JSON.stringify({ file: item.given, error })}\n` : `${item.given}\n  not read: ${result.message}\n`,
    );
  } else {
    process.stdout.write(`${json ? JSON.stringify(resultLine(item.given, result)) : summary(item.given, result)}\n`);
  }
}
process.exitCode = failed ? 3 : 0;
