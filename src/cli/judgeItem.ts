import { fail, ok, type Result, type Vehicle } from '../core/base';
import { readVehicleFile, type ImportError } from '../core/formats';
import { judgeNow, resultLine, verdictText, type Finding } from '../core/judge';
import { drivesLine } from './drivesLine';
import { readTextFile, readTraceFile } from './files';

/** One drive, or several of one vehicle, to be judged. */
export interface Item {
  /** Path, or paths of several drives of one vehicle, as the user or the manifest gave them. */
  readonly given: string | readonly string[];
  readonly traces: readonly string[];
  readonly vehicle: string;
}

/** What became of an item: its line of JSON and its summary in words. */
export interface Outcome {
  readonly failed: boolean;
  readonly line: string;
  readonly summary: string;
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
  const also = finding.also ?? [];
  return [
    `${file}`,
    `  ${verdict.grade}: ${verdict.cause} ${pct(verdict.probability)}. ${verdictText(finding)}`,
    `  odds: ${odds.join(', ')}`,
    ...(also.length > 0 ? [`  beside it, likelier than not: ${also.join(', ')}`] : []),
    ...(finding.leansOn ? [`  leans on: ${finding.leansOn}`] : []),
    ...(codes.length > 0 ? [`  codes this drive would set: ${codes.join(', ')}`] : []),
    ...finding.quality.problems.map((p) => `  problem: ${p}`),
    ...finding.next.map((n) => `  next: ${n.test}. ${n.why}`),
  ].join('\n');
}

/** Judges an item and writes down what became of it. */
export async function judgeItem(item: Item): Promise<Outcome> {
  const result = await diagnose(item);
  if (!result.ok) {
    const { code, message, line } = result.error;
    return {
      failed: true,
      line: JSON.stringify({ file: item.given, error: { code, message, line } }),
      summary: `${String(item.given)}\n  not read: ${message}`,
    };
  }
  const names = typeof item.given === 'string' ? [item.given] : item.given;
  return {
    failed: false,
    line: JSON.stringify(lineOf(item, result.value)),
    summary: result.value.findings.map((finding, i) => summary(names[i]!, finding)).join('\n'),
  };
}
