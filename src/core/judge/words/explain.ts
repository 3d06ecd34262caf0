import { differenceText, temperatureText, type Cause } from '../../base';
import { acrossDivide, CAUSE_TEXT, causeName, GRADE_FROM } from '../../evidence';
import { neighboursOf } from '../../base';
import type { SignalFindings } from '../raw/detectors';
import type { JudgeContext } from '../judgeContext';
import type { HypothesisFit } from '../fits/traceFit';
import { traceFeatures, type TraceFeatures } from './traceFeatures';
import { normalCdf } from '../../signal';
import { VEHICLE_PARAMETERS } from '../../twin';

const minute = (s: number): string => `minute ${Math.round(s / 60)}`;
const rate = (r: number): string => `${r < 0 ? '-' : ''}${differenceText(r, 1)} a minute`;

/** How the trace stands against a sound vehicle's on the same drive. */
function againstSound(f: TraceFeatures): string {
  const d = f.departure;
  if (d) {
    return `At ${minute(d.time_s)} a sound vehicle would read ${temperatureText(d.low_c)} to ${temperatureText(d.high_c)} on this drive; this one read ${temperatureText(d.reading_c)}.`;
  }
  // Readings that cannot be trusted are left out; where that is the whole end of the drive it has no level.
  if (!Number.isFinite(f.level_c))
    return 'As far as it can be trusted, the reading stays inside the band of a sound vehicle.';
  return `The reading stays inside the band of a sound vehicle: it ends near ${temperatureText(f.level_c)}, where ${temperatureText(f.expectedLevel_c)} is expected.`;
}

function climb(f: TraceFeatures): string {
  if (!Number.isFinite(f.climb_kpmin) || !Number.isFinite(f.expectedClimb_kpmin)) return '';
  return `It climbed ${rate(f.climb_kpmin)} from ${temperatureText(f.start_c)}, against ${rate(f.expectedClimb_kpmin)} expected.`;
}

/** Coolant and air this close at the start agree, K. */
const SOAK_AGREES_K = 4;

/** The first reading against outside and intake air: after a night all agree. */
function startAgainstAir(f: TraceFeatures, { atStart }: SignalFindings): string {
  const others = [
    { name: 'outside air', c: atStart.outside_c },
    { name: 'intake air', c: atStart.intake_c },
  ].filter((o): o is { name: string; c: number } => o.c !== null);
  if (others.length === 0) return 'No air temperature was logged, so the start cannot be checked against it.';
  const start = atStart.ect_c ?? f.start_c;
  const stand = others.map(({ name, c }) => {
    const d = start - c;
    return Math.abs(d) <= SOAK_AGREES_K ? `with ${name}` : `${differenceText(d)} ${d < 0 ? 'below' : 'above'} ${name}`;
  });
  return `It started at ${temperatureText(start)}, ${stand.join(' and ')}.`;
}

/** What holding the engine at speed did at standstill. */
function revs(f: TraceFeatures): string {
  if (!f.revs) return '';
  return `At standstill it moved by ${rate(f.revs.idle_kpmin)} at idle and by ${rate(f.revs.held_kpmin)} with the engine held at speed.`;
}

/** A level that swings again and again. */
function swings({ sawTooth }: SignalFindings): string {
  if (!sawTooth) return '';
  return `Its level swings by ${differenceText(sawTooth.height_k)} every ${Math.round(sawTooth.period_s)} s, ${sawTooth.swings} times.`;
}

function level(f: TraceFeatures): string {
  if (!Number.isFinite(f.level_c) || !Number.isFinite(f.levelSpread_k)) return '';
  const flat = f.levelSpread_k < 5 ? 'flat' : 'uneven';
  return `Its level over the last third is ${flat}: ${temperatureText(f.level_c)} with a spread of ${differenceText(f.levelSpread_k)}.`;
}

function sag(f: TraceFeatures): string {
  if (f.sagPer10kmh_k === null) return '';
  return Math.abs(f.sagPer10kmh_k) < 0.4
    ? 'Its level hardly changes between town and fast road.'
    : `It ran ${differenceText(f.sagPer10kmh_k, 1)} ${f.sagPer10kmh_k < 0 ? 'cooler' : 'warmer'} for every 10 km/h of road speed.`;
}

function standstill(f: TraceFeatures): string {
  return f.standstill_kpmin === null ? '' : `At standstill it moved by ${rate(f.standstill_kpmin)}.`;
}

/** The observation that speaks for the leading cause, from this trace's figures. */
function shape(cause: Cause, f: TraceFeatures, context: JudgeContext): string {
  const rated = context.vehicle.thermostat.rated_c;
  const severity = context.causes[0]!.parameters;
  switch (cause) {
    case 'thermostat-stuck-open':
    case 'thermostat-leaking':
      return `${climb(f)} ${sag(f) || level(f)} ${
        severity.leak_fraction === undefined
          ? ''
          : `The best fit passes ${Math.round(100 * severity.leak_fraction)} % of full radiator flow while shut.`
      }`;
    case 'thermostat-opens-early':
    case 'thermostat-opens-late':
      return `${climb(f)} The best fit opens at ${temperatureText(rated + (severity.opening_shift_k ?? 0))} against a rating of ${temperatureText(rated)}. ${level(f)}`;
    case 'thermostat-stuck-closed':
      return `It reached ${temperatureText(f.highest_c)} with a thermostat rated ${temperatureText(rated)} and shows no bend.`;
    case 'thermostat-heating-fault':
      return `${level(f)} Unheated it opens at ${temperatureText(rated)}, heated at ${temperatureText(context.vehicle.thermostat.heated_rated_c ?? rated - 17)}.`;
    case 'sender-reads-low':
    case 'sender-reads-high':
      return `${startAgainstAir(f, context.findings)} ${level(f)} A sender off by a fixed amount keeps the shape and shifts it.`;
    case 'sender-slow':
      return `${climb(f)} The bends come late and rounded, as with a lag of ${Math.round(severity.lag_s ?? 0)} s.`;
    case 'sender-intermittent':
      return `${context.findings.dropouts_s.length} times the reading jumped faster than coolant can change; those samples were left out of the fit.`;
    case 'sender-stuck':
      return context.findings.frozenFrom_s === null
        ? 'The reading hardly moves.'
        : `From ${minute(context.findings.frozenFrom_s)} on the reading stands at ${temperatureText(context.findings.frozenAt_c)} without any change.`;
    case 'gauge-sender-fault':
      return context.findings.gaugeMinusEct_k === null
        ? 'No gauge channel was logged.'
        : `The gauge stands ${differenceText(context.findings.gaugeMinusEct_k)} ${context.findings.gaugeMinusEct_k < 0 ? 'below' : 'above'} the engine reading, which itself fits a sound vehicle.`;
    case 'fan-not-running':
    case 'flow-restricted':
      return `${revs(f) || standstill(f)} It reached ${temperatureText(f.highest_c)}. ${sag(f)}`;
    case 'low-coolant-or-air':
      return `${climb(f)} ${swings(context.findings)} ${revs(f)} The reading is uneven in a way that coolant around a sender is not.`;
    case 'fan-always-on':
      return `${standstill(f)} ${level(f)}`;
    case 'insufficient-heat':
      return f.expectedWarm_s === null
        ? `On this drive even a sound vehicle stays at ${temperatureText(f.expectedLevel_c)}, below its rating of ${temperatureText(rated)}. ${climb(f)}`
        : `${climb(f)} The fitted heat does not carry it to the rating of ${temperatureText(rated)} on this drive.`;
    case 'healthy':
      return `${climb(f)} ${level(f)}`;
  }
}

/** Least difference between two fitted courses worth pointing at, K. */
const PARTS_FROM_K = 1.5;

/** Odds from which a rival that fits as well must have paid for it by bending the vehicle. */
const BENT_FROM = 3;

/** How unusual a figure is, as a workshop says it: one car in so many lies as far off. */
function oneCarIn(z: number): string {
  const share = 2 * (1 - normalCdf(Math.abs(z)));
  return share > 0.4 ? 'any car' : `one car in ${share < 1e-4 ? 'ten thousand' : Math.round(1 / share)}`;
}

/** Which vehicle figure the rival bends further from the usual than the best cause does. */
function bendingOf(context: JudgeContext, rivalFit: HypothesisFit): string {
  const z = rivalFit.fit.z;
  const extra = VEHICLE_PARAMETERS.map((_, i) => Math.abs(z[i]!) - Math.abs(context.bestFit.fit.z[i]!));
  const i = extra.indexOf(Math.max(...extra));
  const { label } = VEHICLE_PARAMETERS[i]!;
  return extra[i]! < 0.3
    ? 'It fits as well, but is the less usual fault at this strength.'
    : `It fits as well only with ${label.toLowerCase()} as far off the usual as ${oneCarIn(z[i]!)}; the best cause needs ${oneCarIn(context.bestFit.fit.z[i]!)}.`;
}

/** Where the best cause and its rival differ most among the measured bins, and what was read there. */
function partingOf(context: JudgeContext, ratio: number): string {
  const { curves, rival } = context;
  if (!rival) return '';
  let at = -1;
  let most = PARTS_FROM_K;
  for (let k = 0; k < rival.reading_c.length; k++) {
    const apart = Math.abs(curves.best_c[k]! - rival.reading_c[k]!);
    if (apart > most && Number.isFinite(curves.measured_c[k]!)) {
      most = apart;
      at = k;
    }
  }
  if (at >= 0) {
    const name = causeName(context.causes[1]!.cause).toLowerCase();
    return `They part at ${minute(curves.time_s[at]!)}: ${name} would read ${temperatureText(rival.reading_c[at]!)}, the best cause ${temperatureText(curves.best_c[at]!)}; it read ${temperatureText(curves.measured_c[at]!)}.`;
  }
  return ratio >= BENT_FROM
    ? bendingOf(context, rival.fit)
    : 'Fitted to this trace, the two hardly differ anywhere: another test must separate them.';
}

/** What stands next, by how much it loses, and what separates the two. */
function rival(context: JudgeContext): string {
  const [first, second] = context.causes;
  if (!first || !second || second.probability < 0.005) return 'No other cause comes near it.';
  const ratio = first.probability / second.probability;
  const times =
    ratio < 1.5 ? 'almost as likely' : `${ratio < 10 ? ratio.toFixed(1) : Math.round(ratio)} times less likely`;
  return `What else looks like this: ${causeName(second.cause).toLowerCase()}, ${times}. ${partingOf(context, ratio)}`.trim();
}

const tidy = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** One sentence for the verdict and three for the why, all with this trace's own figures. */
export function explain(context: JudgeContext): { reason: string; why: string[] } {
  const features = traceFeatures(context);
  const { causes, quality, grade } = context;
  const leader = causes[0]!;
  const first = quality.usable ? againstSound(features) : (quality.problems[0] ?? againstSound(features));
  const why = [first, tidy(shape(leader.cause, features, context)), rival(context)];
  if (!quality.usable) return { reason: `Cannot tell from this trace: ${quality.problems[0] ?? 'not usable'}`, why };
  if (grade === 'inconclusive') {
    const second = acrossDivide(causes) ?? causes[1]!;
    return {
      reason: `Cannot tell yet: ${causeName(leader.cause).toLowerCase()} and ${causeName(second.cause).toLowerCase()} fit this trace about as well.`,
      why,
    };
  }
  const { name, means } = CAUSE_TEXT[leader.cause];
  if (leader.probability < GRADE_FROM.suspect) {
    const others = causes.slice(1).filter((c) => neighboursOf(leader.cause).includes(c.cause) && c.probability > 0.05);
    const together = others.reduce((sum, c) => sum + c.probability, leader.probability);
    const names = others.map((c) => causeName(c.cause).toLowerCase()).join(' or ');
    return {
      reason: `${name} or ${names}, together ${Math.round(100 * together)} %: this trace cannot part them. ${why[0]}`,
      why,
    };
  }
  return { reason: `${name}: ${means}. ${why[0]}`, why };
}
