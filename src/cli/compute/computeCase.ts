import { array, mixed, object } from 'yup';
import { ok, type Result, type Trace } from '../../core/base';
import {
  caseOf,
  figuresOf,
  NO_OWN_FIGURES,
  outsideGiven_c,
  readEntry,
  readFigures,
  figuresFile,
  type Case,
  type DriveEntry,
  type Entry,
  type OwnFigures,
} from '../../core/case';
import type { DriveEvidence } from '../../core/evidence';
import { judgeNow } from '../../core/judge';
import { readTraceFile, userPath } from '../files';
import type { ComputeError } from './computation';
import { error, isRecord, rounded, validated, vehicleOf } from './inputs';

const inputSchema = object({
  vehicle: mixed().required('vehicle is missing'),
  entries: array(mixed<Record<string, unknown>>(isRecord).required('entries must hold objects'))
    .strict()
    .required('entries is missing'),
  prices: mixed<Record<string, unknown>>(isRecord).optional(),
}).noUnknown('unknown field: ${unknown}');

function figuresWith(prices: Record<string, unknown> | undefined): Result<OwnFigures, ComputeError> {
  if (!prices) return ok(NO_OWN_FIGURES);
  const read = readFigures({ ...figuresFile(NO_OWN_FIGURES), prices });
  return read.ok ? read : error('wrong-input', read.error, 'prices');
}

/** A drive's path: in the field `trace`, or as the id of its trace. */
const pathOf = (raw: Record<string, unknown>): unknown => raw.trace ?? raw.traceId;

interface Read {
  readonly entries: readonly Entry[];
  readonly traces: ReadonlyMap<string, Trace>;
}

/** Entries in order, each with an id, and a time: one without stands where it is written. Drives by path. */
async function entriesOf(raw: readonly Record<string, unknown>[]): Promise<Result<Read, ComputeError>> {
  const entries: Entry[] = [];
  const traces = new Map<string, Trace>();
  const ids = new Set<string>();
  const add = (one: unknown, i: number): Result<Entry, ComputeError> => {
    const entry = readEntry(one, { id: `entry-${i + 1}`, at: entries.at(-1)?.at ?? 0 }, 'known-only');
    if (ids.has(entry.id)) return error('wrong-input', `The id “${entry.id}” stands twice.`, `entries[${i}].id`);
    ids.add(entry.id);
    entries.push(entry);
    return ok(entry);
  };
  for (const [i, one] of raw.entries()) {
    const path = pathOf(one);
    if (one.kind !== 'drive' || typeof path !== 'string') {
      const added = add(one, i);
      if (!added.ok) return added;
      continue;
    }
    const read = await readTraceFile(userPath(path));
    if (!read.ok) return error(read.error.code, `${path}: ${read.error.message}`, `entries[${i}].trace`);
    const { trace: _trace, ...rest } = one;
    const added = add({ ...rest, traceId: path }, i);
    if (!added.ok) return added;
    traces.set(path, read.value.trace);
  }
  return ok({ entries, traces });
}

/** The answer in the words of the contract. */
function answerOf(found: Case, withPrices: boolean): object {
  const odds = (list: Case['now']) => list.map((o) => ({ cause: o.cause, probability: rounded(o.probability) }));
  const saves = new Map(found.decision.tests.map((t) => [t.proposal.item.id, t.saves]));
  const { headline, separability } = found;
  return {
    now: odds(found.now),
    at_arrival: odds(found.atArrival),
    grade: headline.grade,
    headline: {
      text: headline.text,
      probability: headline.share === null ? null : rounded(headline.share),
      causes: odds(headline.parts),
      then: headline.then,
    },
    lines: found.lines.map((l) => ({
      id: l.id,
      entry: l.entryId,
      seen: l.seen,
      moved: { cause: l.moved.cause, factor: rounded(l.moved.factor) },
    })),
    separable: separability && {
      separable: separability.separable,
      shares: separability.shares.map((s) => ({ work: s.work, probability: rounded(s.share) })),
      says: separability.says,
    },
    unproven: found.unproven,
    drives: found.drives.map((d) => ({ trace: d.traceId, counts: d.counts, why: d.why })),
    unknown: found.unknown.map((e) => ({ id: e.id, why: e.kind === 'unknown' ? e.why : '' })),
    next: found.next.map((p) => ({
      test: p.item.ask,
      id: p.item.id,
      gain_bits: rounded(p.gain_bits),
      ...(withPrices ? { saves: rounded(saves.get(p.item.id) ?? 0) } : {}),
    })),
    ...(withPrices
      ? {
          actions: found.decision.actions.map((a) => ({
            action: a.action,
            cost: rounded(a.cost),
            p_cured: rounded(a.p_cured),
          })),
        }
      : {}),
  };
}

/** `compute case`: the odds that follow from a chronicle. */
export async function computeCase(input: unknown): Promise<Result<object, ComputeError>> {
  const checked = validated(inputSchema, input);
  if (!checked.ok) return checked;
  const parsed = checked.value;
  const vehicle = vehicleOf(parsed.vehicle);
  if (!vehicle.ok) return vehicle;
  const own = figuresWith(parsed.prices);
  if (!own.ok) return own;
  const read = await entriesOf(parsed.entries);
  if (!read.ok) return read;
  const { entries, traces } = read.value;
  const drives = new Map<string, DriveEvidence>();
  for (const entry of entries.filter((e): e is DriveEntry => e.kind === 'drive')) {
    const trace = traces.get(entry.traceId);
    if (!trace) continue;
    const finding = judgeNow(trace, vehicle.value, { outside_c: outsideGiven_c(entries, entry.at) });
    drives.set(entry.traceId, finding);
  }
  const figures = figuresOf(own.value);
  const found = caseOf({ vehicle: vehicle.value, senderPoints: [], entries, drives, figures });
  return ok(answerOf(found, parsed.prices !== undefined));
}
