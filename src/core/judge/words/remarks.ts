import type { Cause } from '../../base';
import { HEATED_BELOW_K, VEHICLE_PARAMETERS } from '../../twin';
import type { HypothesisFit } from '../fits/traceFit';
import type { JudgeContext } from '../judgeContext';
import type { SignalFindings } from '../raw/detectors';
import { remark, type Remark } from './remark';
import { traceFeatures, type TraceFeatures } from './traceFeatures';

/** A thing to point at, where there is one. */
type Some = readonly Remark[];
const NONE: Some = [];

/** How the trace stands against a sound vehicle's on the same drive. */
function againstSound(f: TraceFeatures): Remark {
  if (f.departure) {
    const { time_s, low_c, high_c, reading_c } = f.departure;
    return remark('leaves-sound-band', { low_c, high_c, reading_c }, time_s);
  }
  // Readings that cannot be trusted are left out; where that is the whole end of the drive it has no level.
  if (!Number.isFinite(f.level_c)) return remark('inside-while-trusted', {});
  return remark('inside-sound-band', { level_c: f.level_c, expected_c: f.expectedLevel_c }, f.levelFrom_s);
}

function climb({ climb_kpmin, climbFrom_s, expectedClimb_kpmin, start_c }: TraceFeatures): Some {
  if (!Number.isFinite(climb_kpmin) || !Number.isFinite(expectedClimb_kpmin)) return NONE;
  return [remark('climb', { rate_kpmin: climb_kpmin, expected_kpmin: expectedClimb_kpmin, start_c }, climbFrom_s)];
}

const level = ({ level_c, levelSpread_k, levelFrom_s }: TraceFeatures): Some =>
  Number.isFinite(level_c) && Number.isFinite(levelSpread_k)
    ? [remark('level', { level_c, spread_k: levelSpread_k }, levelFrom_s)]
    : NONE;

const sag = ({ sagPer10kmh_k }: TraceFeatures): Some =>
  sagPer10kmh_k === null ? NONE : [remark('sag', { per10kmh_k: sagPer10kmh_k })];

const standstill = ({ standstill_kpmin }: TraceFeatures): Some =>
  standstill_kpmin === null ? NONE : [remark('standstill', { rate_kpmin: standstill_kpmin })];

/** What holding the engine at speed did at standstill. */
const revs = (f: TraceFeatures): Some => (f.revs ? [remark('revs', f.revs)] : NONE);

/** A level that swings again and again. */
const swings = ({ sawTooth }: SignalFindings): Some =>
  sawTooth
    ? [remark('swings', { height_k: sawTooth.height_k, period_s: sawTooth.period_s, count: sawTooth.swings })]
    : NONE;

/** The first reading against outside and intake air: after a night all agree. */
function startAgainstAir(f: TraceFeatures, { atStart }: SignalFindings): Remark {
  const start_c = atStart.ect_c ?? f.start_c;
  const above = (air_c: number | null): number | null => (air_c === null ? null : start_c - air_c);
  return remark(
    'start-against-air',
    { start_c, outside_k: above(atStart.outside_c), intake_k: above(atStart.intake_c) },
    0,
  );
}

/** What speaks for the leading cause, from this trace's figures. */
function shape(cause: Cause, f: TraceFeatures, context: JudgeContext): Some {
  const { rated_c, heated_rated_c } = context.vehicle.thermostat;
  const { findings } = context;
  const severity = context.causes[0]!.parameters;
  const first = (...options: readonly Some[]): Some => options.find((o) => o.length > 0) ?? NONE;
  switch (cause) {
    case 'thermostat-stuck-open':
    case 'thermostat-leaking':
      return [
        ...climb(f),
        ...first(sag(f), level(f)),
        ...(severity.leak_fraction === undefined
          ? NONE
          : [remark('passes-while-shut', { share: severity.leak_fraction })]),
      ];
    case 'thermostat-opens-early':
    case 'thermostat-opens-late':
      return [
        ...climb(f),
        remark('opens-at', { fitted_c: rated_c + (severity.opening_shift_k ?? 0), rated_c }),
        ...level(f),
      ];
    case 'thermostat-stuck-closed':
      return [remark('no-bend', { highest_c: f.highest_c, rated_c }, f.highestAt_s)];
    case 'thermostat-heating-fault':
      return [...level(f), remark('opens-heated', { rated_c, heated_c: heated_rated_c ?? rated_c - HEATED_BELOW_K })];
    case 'sender-reads-low':
    case 'sender-reads-high':
      return [startAgainstAir(f, findings), ...level(f), remark('shifted-shape', {})];
    case 'sender-slow':
      return [...climb(f), remark('late-bends', { lag_s: severity.lag_s ?? 0 })];
    case 'sender-intermittent':
      return [remark('leaps', { count: findings.dropouts_s.length }, findings.dropouts_s[0] ?? null)];
    case 'sender-stuck':
      return findings.frozenFrom_s === null
        ? [remark('hardly-moves', {})]
        : [remark('stands-still', { reading_c: findings.frozenAt_c }, findings.frozenFrom_s)];
    case 'gauge-sender-fault':
      return findings.gaugeMinusEct_k === null
        ? [remark('no-gauge', {})]
        : [remark('gauge-apart', { apart_k: findings.gaugeMinusEct_k })];
    case 'fan-not-running':
    case 'flow-restricted':
      return [
        ...first(revs(f), standstill(f)),
        remark('highest-reading', { highest_c: f.highest_c }, f.highestAt_s),
        ...sag(f),
      ];
    case 'low-coolant-or-air':
      return [...climb(f), ...swings(findings), ...revs(f), remark('uneven', {})];
    case 'fan-always-on':
      return [...standstill(f), ...level(f)];
    case 'insufficient-heat':
      return f.expectedWarm_s === null
        ? [remark('sound-stays-cold', { level_c: f.expectedLevel_c, rated_c }, f.levelFrom_s), ...climb(f)]
        : [...climb(f), remark('heat-too-little', { rated_c })];
    case 'healthy':
      return [...climb(f), ...level(f)];
  }
}

/** Least difference between two fitted courses worth pointing at, K. */
const PARTS_FROM_K = 1.5;
/** Odds from which a rival that fits as well must have paid for it by bending the vehicle. */
const BENT_FROM = 3;
/** Extra bending that is worth a word, prior standard deviations. */
const BENT_MORE_SD = 0.3;
/** Share under which no other cause comes near. */
const NEAR_FROM = 0.005;

/** Which vehicle figure the rival bends further from the usual than the best cause does. */
function bendingOf({ bestFit }: JudgeContext, rivalFit: HypothesisFit): Remark {
  const z = rivalFit.fit.z;
  const best = bestFit.fit.z;
  const extra = VEHICLE_PARAMETERS.map((_, i) => Math.abs(z[i]!) - Math.abs(best[i]!));
  const i = extra.indexOf(Math.max(...extra));
  return extra[i]! < BENT_MORE_SD
    ? remark('rival-is-rarer', {})
    : remark('rival-bends', { parameter: VEHICLE_PARAMETERS[i]!.label, rival_sd: z[i]!, best_sd: best[i]! });
}

/** Where the best cause and its rival differ most among the measured bins, and what was read there. */
function partingOf(context: JudgeContext): Some {
  const { curves, rival } = context;
  const { course, cause, times } = rival;
  if (!course) return NONE;
  let at = -1;
  let most = PARTS_FROM_K;
  for (let k = 0; k < course.reading_c.length; k++) {
    const apart = Math.abs(curves.best_c[k]! - course.reading_c[k]!);
    if (apart > most && Number.isFinite(curves.measured_c[k]!)) {
      most = apart;
      at = k;
    }
  }
  if (at < 0) return [times >= BENT_FROM ? bendingOf(context, course.fit) : remark('rival-alike', {})];
  const read = { rival_c: course.reading_c[at]!, best_c: curves.best_c[at]!, read_c: curves.measured_c[at]! };
  return [remark('parts-from-rival', { cause, ...read }, curves.time_s[at]!)];
}

/** What stands next, by how much it loses, and what separates the two. */
function rivalOf(context: JudgeContext): Some {
  const { cause, probability, times } = context.rival;
  if (probability < NEAR_FROM) return [remark('no-rival', {})];
  return [remark('rival', { cause, times }), ...partingOf(context)];
}

/**
 * What speaks for a finding, all with this trace's own figures: how it stands against a sound vehicle, what shows the
 * leading cause, and what else it could be.
 */
export function remarksOf(context: JudgeContext): readonly Some[] {
  const features = traceFeatures(context);
  const { causes, quality } = context;
  const [problem] = quality.problems;
  const first = quality.usable || problem === undefined ? againstSound(features) : remark('cannot-carry', { problem });
  return [[first], shape(causes[0]!.cause, features, context), rivalOf(context)];
}
