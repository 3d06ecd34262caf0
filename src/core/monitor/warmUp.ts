import { median } from 'd3-array';
import { interpolateTable } from '../signal';
import type { MonitorInput } from './drive';
import { notMet, type CodeResult, type WhyNot } from './result';
import type { MonitorSettings, StartTable } from './settings';

/** Road speed below which the car stands, km/h. */
const STANDS_KMH = 2;

/** What is allowed from a start, straight between the rows, the end rows held. */
const allowed = (table: StartTable, start_c: number): number =>
  interpolateTable(
    start_c,
    table.map(([c]) => c),
    table.map(([, v]) => v),
  );

/** First second at which a running sum of a rate reaches an amount; null when not on this drive. */
function reachedAt(time_s: Float64Array, rate: Float64Array, amount: number): number | null {
  let sum = 0;
  for (let i = 1; i < time_s.length; i++) {
    const r = rate[i]!;
    if (Number.isFinite(r)) sum += r * (time_s[i]! - time_s[i - 1]!);
    if (sum >= amount) return time_s[i]!;
  }
  return null;
}

/** First second at which a series reaches a level; null when it never does. */
export function firstAbove(time_s: Float64Array, values: Float64Array, level: number): number | null {
  for (let i = 0; i < values.length; i++) if (values[i]! >= level) return time_s[i]!;
  return null;
}

/** A reading is at a level once it has stayed there for so long, and this near it, s and K: one stray sample is none. */
const HELD = { for_s: 10, within_k: 2 } as const;

/**
 * First second from which the reading stays at a level: what it says within the next ten seconds, and at its next
 * sample, stays there too. Null when it never does.
 */
export function heldFrom(time_s: Float64Array, values: Float64Array, level: number): number | null {
  for (let i = 0; i < values.length; i++) {
    if (!(values[i]! >= level)) continue;
    let others = 0;
    let stays = true;
    for (let k = i + 1; k < values.length && stays && (others === 0 || time_s[k]! - time_s[i]! <= HELD.for_s); k++) {
      if (!Number.isFinite(values[k]!)) continue;
      others++;
      stays = values[k]! >= level - HELD.within_k;
    }
    if (stays && others > 0) return time_s[i]!;
  }
  return null;
}

/** Highest level that two readings after each other both reached; NaN without two. */
function highestHeld(values: Float64Array): number {
  let top = NaN;
  let before = NaN;
  for (const v of values) {
    if (!Number.isFinite(v)) continue;
    const both = Math.min(before, v);
    if (Number.isFinite(both) && !(both <= top)) top = both;
    before = v;
  }
  return top;
}

interface Due {
  readonly at_s: number | null;
  /** Why no time can be named. */
  readonly whyNot: WhyNot | null;
}

/** When the warm-up has to be over by the definition in use. */
function due(input: MonitorInput, settings: MonitorSettings, target_c: number): Due {
  const { time_s } = input;
  const end_s = time_s[time_s.length - 1] ?? 0;
  const missing = (what: string): Due => ({ at_s: null, whyNot: notMet('channel', 0, { what }) });
  const started_s = input.started_s ?? 0;
  const ran_s = end_s - started_s;
  /** @param needs_s run time that it takes */
  const within = (at_s: number | null, needs_s: number | null): Due =>
    at_s !== null && at_s <= end_s
      ? { at_s, whyNot: null }
      : { at_s: null, whyNot: notMet('drive-length', end_s, { from: needs_s, was: ran_s, unit: 's' }) };
  const perLitre = (table: StartTable) => allowed(table, input.start_c) * input.displacement_l;
  switch (settings.warmUp) {
    case 'time': {
      const run_s = allowed(settings.tables.time, input.start_c);
      return within(started_s + run_s, run_s);
    }
    case 'air':
      if (!input.air_gps) return missing('intake air mass flow');
      return within(reachedAt(time_s, input.air_gps, perLitre(settings.tables.air)), null);
    case 'fuel':
      if (!input.fuel_gps) return missing('anything that tells the fuel burnt');
      return within(reachedAt(time_s, input.fuel_gps, perLitre(settings.tables.fuel)), null);
    case 'sound-vehicle': {
      const expected_s = firstAbove(time_s, input.expected_c, target_c);
      if (expected_s === null) {
        const reach = input.expected_c.reduce((a, b) => Math.max(a, b), -Infinity);
        const was = Number.isFinite(reach) ? reach : null;
        return { at_s: null, whyNot: notMet('sound-vehicle-warms', end_s, { from: target_c, was, unit: '°C' }) };
      }
      const at_s = Math.max(expected_s, started_s) + settings.grace_s;
      return within(at_s, at_s - started_s);
    }
  }
}

/** Share of a stretch at standstill and its mean speed; null without road speed. */
function drivenUntil(
  { time_s, speed_kmh, started_s }: MonitorInput,
  until_s: number,
): { idle: number; mean_kmh: number } | null {
  if (!speed_kmh) return null;
  let stood = 0;
  let way = 0;
  let total = 0;
  for (let i = 1; i < time_s.length && time_s[i]! <= until_s; i++) {
    const v = speed_kmh[i]!;
    if (!Number.isFinite(v) || time_s[i - 1]! < (started_s ?? 0)) continue;
    const dt = time_s[i]! - time_s[i - 1]!;
    total += dt;
    way += v * dt;
    if (v < STANDS_KMH) stood += dt;
  }
  return total > 0 ? { idle: stood / total, mean_kmh: way / total } : null;
}

/** Conditions of the start that are not met. */
function startConditions(input: MonitorInput, settings: MonitorSettings, target_c: number): WhyNot[] {
  if (input.started_s === null) return [notMet('engine-ran', 0)];
  const { start_c, intake_c } = input;
  const { startFrom_c, startTo_c, coldestIntake_c } = settings;
  const out: WhyNot[] = [];
  if (!(start_c >= startFrom_c && start_c <= startTo_c)) {
    const was = Number.isFinite(start_c) ? start_c : null;
    out.push(notMet('start-reading', 0, { from: startFrom_c, to: startTo_c, was, unit: '°C' }));
  } else if (start_c >= target_c) {
    out.push(notMet('start-not-cold-enough', 0, { to: target_c, was: start_c, unit: '°C' }));
  }
  if (intake_c !== null && intake_c < coldestIntake_c) {
    out.push(notMet('intake-air', 0, { from: coldestIntake_c, was: intake_c, unit: '°C' }));
  }
  return out;
}

/** Conditions of the drive up to the moment of decision that are not met; only a failure needs them. */
function driveConditions(input: MonitorInput, settings: MonitorSettings, at_s: number): WhyNot[] {
  const driven = drivenUntil(input, at_s);
  if (!driven) return [];
  const { idleShareTo_pct, meanSpeedFrom_kmh } = settings;
  const out: WhyNot[] = [];
  if (100 * driven.idle > idleShareTo_pct) {
    out.push(notMet('idle-share', at_s, { to: idleShareTo_pct, was: Math.round(100 * driven.idle), unit: '%' }));
  }
  if (driven.mean_kmh < meanSpeedFrom_kmh) {
    out.push(notMet('mean-speed', at_s, { from: meanSpeedFrom_kmh, was: Math.round(driven.mean_kmh), unit: 'km/h' }));
  }
  return out;
}

/** The reading at a moment: the middle one of the last that was there and its neighbours, so that no stray one counts. */
function readingAt({ time_s, reading_c }: MonitorInput, at_s: number): number | null {
  const rows = Array.from(reading_c.keys()).filter((i) => Number.isFinite(reading_c[i]!));
  const last = rows.findLastIndex((i) => time_s[i]! <= at_s);
  if (last < 0) return null;
  const near = rows.slice(Math.max(0, last - 1), last + 2).map((i) => reading_c[i]!);
  return near.length === 3 ? median(near)! : reading_c[rows[last]!]!;
}

/**
 * P0128: coolant stays below what regulation needs. Runs from a cold start within the window; passes as soon as the
 * reading is warm; fails when the warm-up is due and the reading is not, provided the drive was one that counts.
 */
export function warmUp(input: MonitorInput, settings: MonitorSettings): CodeResult {
  const target_c = input.rated_c - settings.belowRating_k;
  const base = { code: 'P0128', drivesToLamp: settings.drivesToLamp };
  const notRun = (whyNot: readonly WhyNot[]): CodeResult => ({
    ...base,
    ...{ ran: false, whyNot, wouldSet: null, at_s: null, margin_k: null },
  });
  const atStart = startConditions(input, settings, target_c);
  if (atStart.length > 0) return notRun(atStart);
  const deadline = due(input, settings, target_c);
  const warm_s = heldFrom(input.time_s, input.reading_c, target_c);
  const missingChannel = deadline.whyNot?.kind === 'channel';
  if (warm_s !== null && !missingChannel && (deadline.at_s === null || warm_s <= deadline.at_s)) {
    const top = highestHeld(input.reading_c);
    const then = deadline.at_s === null ? top : (readingAt(input, deadline.at_s) ?? top);
    return {
      ...base,
      ...{ ran: true, whyNot: [], wouldSet: false, at_s: Math.round(warm_s), margin_k: then - target_c },
    };
  }
  if (deadline.at_s === null) return notRun([deadline.whyNot!]);
  const onTheWay = driveConditions(input, settings, deadline.at_s);
  if (onTheWay.length > 0) return notRun(onTheWay);
  const margin_k = (readingAt(input, deadline.at_s) ?? NaN) - target_c;
  if (!Number.isFinite(margin_k)) return notRun([notMet('channel', deadline.at_s, { what: 'any coolant reading' })]);
  return { ...base, ...{ ran: true, whyNot: [], wouldSet: true, at_s: Math.round(deadline.at_s), margin_k } };
}

/** P0125: too cool for closed loop for too long after a cold start. */
export function closedLoop(input: MonitorInput, settings: MonitorSettings): CodeResult {
  const { closedLoop_c, tables, drivesToLamp } = settings;
  const base = { code: 'P0125', drivesToLamp };
  const notRun = (why: WhyNot): CodeResult => ({
    ...base,
    ...{ ran: false, whyNot: [why], wouldSet: null, at_s: null, margin_k: null },
  });
  const { start_c, time_s, started_s } = input;
  if (started_s === null) return notRun(notMet('engine-ran', 0));
  if (!(start_c < closedLoop_c)) {
    const was = Number.isFinite(start_c) ? start_c : null;
    return notRun(notMet('start-not-cold-enough', 0, { to: closedLoop_c, was, unit: '°C' }));
  }
  const run_s = allowed(tables.closedLoop, start_c);
  const due_s = started_s + run_s;
  const warm_s = heldFrom(time_s, input.reading_c, closedLoop_c);
  const end_s = time_s[time_s.length - 1] ?? 0;
  if (warm_s === null && end_s < due_s) {
    return notRun(notMet('drive-length', end_s, { from: run_s, was: end_s - started_s, unit: 's' }));
  }
  const wouldSet = warm_s === null || warm_s > due_s;
  const then = readingAt(input, Math.min(due_s, end_s));
  return {
    ...base,
    ...{ ran: true, whyNot: [], wouldSet, at_s: Math.round(wouldSet ? due_s : warm_s) },
    margin_k: then === null ? null : then - closedLoop_c,
  };
}
