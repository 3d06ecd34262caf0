import { mean, deviation, max } from 'd3-array';
import { ok, temperatureText, type Result } from '../../base';
import { ambientPressure_kpa, saturationTemperature_c } from '../../coolant';
import { walk } from '../../fit';
import { normalCdf, studentLog } from '../../signal';
import type { ReadingError } from '../sender/reading';
import { placeReadings, type PlacedReading, type WaterReading } from './reading';
import { logLikelihood, waxTemperatures, type Wax } from './waxModel';

/** A heated-water test of a thermostat. */
export interface ThermostatTest {
  /** Opening temperature stamped on it, °C. */
  readonly rated_c: number;
  readonly fullOpen_c: number | null;
  readonly readings: readonly WaterReading[];
  /** Standard uncertainty of the thermometer, K. */
  readonly thermometerSd_k: number;
  readonly altitude_m: number;
  /** Light seen through the cold seat, the vent apart; null: not looked. */
  readonly lightWhenCold: boolean | null;
}

/** What a test can say of a thermostat. */
export const THERMOSTAT_VERDICTS = [
  'good',
  'opens-early',
  'opens-late',
  'stuck-open',
  'stuck-closed',
  'leaks',
  'cannot-tell',
] as const;
export type ThermostatVerdict = (typeof THERMOSTAT_VERDICTS)[number];

/** A figure with its standard uncertainty. */
export interface Figure {
  readonly value: number;
  readonly sd: number;
}

/** What a test found. */
export interface ThermostatFinding {
  readonly opens_c: Figure | null;
  readonly full_c: Figure | null;
  /** Fully shut again while cooling. */
  readonly closes_c: Figure | null;
  readonly hysteresis_k: Figure | null;
  readonly lift_mm: Figure | null;
  readonly verdict: ThermostatVerdict;
  readonly probability: number;
  readonly reason: string;
  /** Every verdict's probability, before one is named. */
  readonly odds: Readonly<Record<Exclude<ThermostatVerdict, 'cannot-tell'>, number>>;
  /** How fast the water was heated at first movement, K a minute; null where nothing moved. */
  readonly heating_kpmin: number | null;
  /** Boiling point of water in an open pot at this height, °C. */
  readonly boils_c: number;
}

/** Furthest from the stamp at which a thermostat is good, K. Source: begin to open at the rating ±2 °C, and as much for wear. */
export const GOOD_WITHIN_K = 4;
/** From this probability on a verdict is named. */
const NAMED_FROM = 0.6;
/** Water at the start that far below the stamp must find a sound valve shut, K. */
const COLD_BELOW_K = 12;
/** Lag of wax behind its water, s, and its spread as a factor: 8 to 25 s. Source: domain figures for waxes. */
const LAG = { middle_s: 14, factor: 1.5 } as const;
/** What one lag leaves out of real wax: per K/s of heating, s; and without any heating, K. */
const MODEL_SD = { lag_s: 2.5, still_k: 0.6 } as const;
/** Lift, mm, above which a valve has moved, and shares of full lift called open wide. */
const MOVED_MM = 0.5;
const WIDE_SHARE = 0.3;

/** Share of the stories that fit in which full lift was reached, for it to be told. */
const FULL_SURE = 0.8;

const POSITION = { opens: 0, span: 1, hysteresis: 2, lag: 3, lift: 4, rounded: 5 } as const;

const waxOf = (x: Float64Array): Wax => ({
  opens_c: x[POSITION.opens]!,
  span_k: x[POSITION.span]!,
  hysteresis_k: x[POSITION.hysteresis]!,
  lag_s: Math.exp(x[POSITION.lag]!),
  lift_mm: x[POSITION.lift]!,
  rounded: x[POSITION.rounded]!,
});

/** Span from opening to full lift where the stamp does not say, K. Source: fully open 10 to 15 °C higher. */
const USUAL_SPAN_K = 12.5;
/** A valve that moved opens near its stamp, or anywhere; weights and widths, K. */
const OPENING_PRIOR = { near: 0.7, nearSd_k: 2, anywhereSd_k: 15 } as const;

function logPrior(x: Float64Array, test: ThermostatTest, liftSeen_mm: number | null): number {
  const { opens_c, span_k, hysteresis_k, lift_mm, rounded } = waxOf(x);
  if (span_k < 2 || span_k > 40 || hysteresis_k < 0 || hysteresis_k > 15) return -Infinity;
  if (lift_mm < 1 || lift_mm > 25 || rounded < 0 || rounded > 2) return -Infinity;
  const { near, nearSd_k, anywhereSd_k } = OPENING_PRIOR;
  const off = opens_c - test.rated_c;
  const normal = (z: number, sd: number) => Math.exp(-0.5 * (z / sd) ** 2) / sd;
  const span = test.fullOpen_c === null ? USUAL_SPAN_K : test.fullOpen_c - test.rated_c;
  return (
    Math.log(near * normal(off, nearSd_k) + (1 - near) * normal(off, anywhereSd_k) + 1e-12) +
    studentLog(span_k - span, 3) +
    // Source: close 2 to 5 °C below the opening curve.
    studentLog(hysteresis_k - 3.5, 1.5) -
    0.5 * ((x[POSITION.lag]! - Math.log(LAG.middle_s)) / Math.log(LAG.factor)) ** 2 +
    // Source: lift of 7 to 10 mm; one that was seen goes before that.
    studentLog(lift_mm - Math.max(8.5, liftSeen_mm ?? 0), 1.5)
  );
}

/** Readings that matter, thinned evenly: a log at ten a second says no more than one every few seconds. */
const MOST_FITTED = 80;
function thinned(readings: readonly PlacedReading[]): readonly PlacedReading[] {
  if (readings.length <= MOST_FITTED) return readings;
  const step = readings.length / MOST_FITTED;
  const even = new Set(Array.from({ length: MOST_FITTED }, (_, i) => Math.round(i * step)));
  // What was seen by eye is never dropped: there is little of it.
  return readings.filter((r, i) => even.has(i) || i === readings.length - 1 || r.state !== null);
}

/** What was seen of the valve, in plain numbers. */
interface Seen {
  readonly count: number;
  /** Moved after having been shut. */
  readonly moved: boolean;
  /** Index of the first reading at which it had moved, or, of one that was only seen to shut, at which it was shut. */
  readonly firstMoved: number;
  /** It was open at some time, whatever came before. */
  readonly everOpen: boolean;
  /** An eye called it fully open. */
  readonly saysOpen: boolean;
  /** Came shut again after moving. */
  readonly reseated: boolean;
  /** Began to shut after moving: some of the closing curve was seen. */
  readonly closing: boolean;
  readonly shutAtStart: boolean | null;
  readonly wideAtStart: boolean;
  readonly liftSeen_mm: number | null;
}

/**
 * Lift above which a valve has moved, mm: well above the scatter of the readings while it must be shut, so that a rule
 * that slips is no movement.
 */
function movedFrom_mm(readings: readonly PlacedReading[], rated_c: number): number {
  const cold = readings.flatMap((r) => (r.lift_mm !== null && r.water_c < rated_c - COLD_BELOW_K ? [r.lift_mm] : []));
  const scatter = cold.length >= 4 ? (deviation(cold.map((l) => Math.min(l, WIDE_SHARE * 8))) ?? 0) : 0;
  return Math.max(MOVED_MM, 3.5 * scatter);
}

function look(readings: readonly PlacedReading[], rated_c: number): Seen {
  const moved_mm = movedFrom_mm(readings, rated_c);
  const looked = readings.flatMap((r, i) => (r.lift_mm === null && r.state === null ? [] : [{ i, r }]));
  const above = (r: PlacedReading | undefined, mm: number) =>
    r !== undefined && (r.lift_mm !== null ? r.lift_mm > mm : r.state !== 'closed');
  // A lift counts as movement when the next reading says so too, or by its size.
  const seen = looked.map(({ i, r }, k) => ({
    ...{ i, r },
    open:
      above(r, moved_mm) && (k === looked.length - 1 || above(looked[k + 1]!.r, moved_mm) || above(r, 3 * moved_mm)),
  }));
  const liftSeen_mm = max(seen, (s) => s.r.lift_mm ?? undefined) ?? null;
  const shutFrom = seen.findIndex((s) => !s.open);
  const firstMoved = seen.findIndex((s, k) => s.open && shutFrom >= 0 && k > shutFrom);
  const firstOpen = seen.findIndex((s) => s.open);
  // One that was put in hot is seen to shut only.
  const firstShut = firstOpen === 0 ? seen.findIndex((s) => !s.open) : -1;
  const turned = firstMoved >= 0 ? firstMoved : firstShut;
  const after = firstMoved >= 0 ? seen.slice(firstMoved) : firstShut >= 0 ? seen : [];
  const start = seen.find((s) => s.r.water_c < rated_c - COLD_BELOW_K);
  const wide = ({ r }: { readonly r: PlacedReading }) =>
    r.state === 'open' || (r.lift_mm !== null && r.lift_mm > WIDE_SHARE * Math.max(7, liftSeen_mm ?? 0));
  const levels = after.filter((s) => s.r.lift_mm !== null).map((s) => s.r.lift_mm!);
  return {
    count: seen.length,
    moved: turned >= 0,
    firstMoved: turned < 0 ? -1 : seen[turned]!.i,
    everOpen: seen.some((s) => s.open),
    saysOpen: after.some((s) => s.r.state === 'open'),
    reseated: after.some((s) => !s.open),
    closing:
      after.some((s) => !s.open) ||
      (levels.length > 0 && levels.at(-1)! < 0.8 * Math.max(...levels)) ||
      after.some((s, k) => s.r.state === 'moving' && after[k - 1]?.r.state === 'open'),
    shutAtStart: start ? !start.open : null,
    wideAtStart: start !== undefined && wide(start),
    liftSeen_mm,
  };
}

type Odds = ThermostatFinding['odds'];
const NO_ODDS: Odds = { good: 0, 'opens-early': 0, 'opens-late': 0, 'stuck-open': 0, 'stuck-closed': 0, leaks: 0 };

function normalised(odds: Odds): Odds {
  const total = Object.values(odds).reduce((a, b) => a + b, 0);
  return Object.fromEntries(Object.entries(odds).map(([k, p]) => [k, p / total])) as unknown as Odds;
}

/** How often each state is met among thermostats that come to a bench. Working figures of the project. */
export const VERDICT_RATE: Odds = {
  good: 0.45,
  'opens-early': 0.14,
  'opens-late': 0.1,
  'stuck-open': 0.12,
  'stuck-closed': 0.12,
  leaks: 0.07,
};
/** How likely light is seen through the cold seat of each. */
const LIGHT: Odds = {
  good: 0.02,
  'opens-early': 0.04,
  'opens-late': 0.02,
  'stuck-open': 0.98,
  'stuck-closed': 0.02,
  leaks: 0.93,
};

const withLight = (odds: Odds, light: boolean | null): Odds =>
  light === null
    ? odds
    : (Object.fromEntries(
        Object.entries(odds).map(([k, p]) => [k, p * (light ? LIGHT[k as keyof Odds] : 1 - LIGHT[k as keyof Odds])]),
      ) as unknown as Odds);

/** How far above the stamp a late one may still open, K. */
const LATE_UP_TO_K = 16;

/** Odds of a valve that was never seen to move, by how hot its wax can have been. */
function unmovedOdds(wax_c: number, sd_k: number, rated_c: number): Odds {
  // Shares of each kind that would not have moved yet.
  const still = (from: number, to: number) => {
    const steps = 24;
    let sum = 0;
    for (let i = 0; i < steps; i++) {
      sum += normalCdf((rated_c + from + ((i + 0.5) * (to - from)) / steps - wax_c) / sd_k) / steps;
    }
    return sum;
  };
  return {
    good: VERDICT_RATE.good * still(-3, 3),
    'opens-early': VERDICT_RATE['opens-early'] * still(-30, -GOOD_WITHIN_K),
    'opens-late': VERDICT_RATE['opens-late'] * still(GOOD_WITHIN_K, LATE_UP_TO_K),
    'stuck-open': VERDICT_RATE['stuck-open'] * 0.01,
    'stuck-closed': VERDICT_RATE['stuck-closed'],
    leaks: VERDICT_RATE.leaks * still(-3, 3),
  };
}

function openingOdds(opens: Figure, rated_c: number): Odds {
  const below = normalCdf((rated_c - GOOD_WITHIN_K - opens.value) / opens.sd);
  const above = 1 - normalCdf((rated_c + GOOD_WITHIN_K - opens.value) / opens.sd);
  const within = Math.max(0, 1 - below - above);
  // A leak past the shut seat does not move the opening; nobody who did not look for light knows.
  const leaks = (within * VERDICT_RATE.leaks) / (VERDICT_RATE.leaks + VERDICT_RATE.good);
  return { ...NO_ODDS, good: within - leaks, 'opens-early': below, 'opens-late': above, leaks };
}

const figureOf = (values: readonly number[], ...also: readonly number[]): Figure => ({
  value: mean(values)!,
  sd: Math.hypot(deviation(values) ?? 0, ...also),
});

interface Fitted {
  readonly opens_c: Figure;
  readonly full_c: Figure | null;
  readonly closes_c: Figure | null;
  readonly hysteresis_k: Figure | null;
  readonly lift_mm: Figure | null;
  readonly heating_kps: number;
}

/** Rate at which the water was heated over the half minute around an index, K/s. */
function rateAt(readings: readonly PlacedReading[], i: number): number {
  const at = readings[i]!.t_s;
  const near = readings.filter((r) => Math.abs(r.t_s - at) <= 20);
  const [a, b] = near.length >= 2 ? [near[0]!, near.at(-1)!] : [readings[Math.max(0, i - 1)]!, readings[i]!];
  return b.t_s > a.t_s ? (b.water_c - a.water_c) / (b.t_s - a.t_s) : 0;
}

function fitWax(readings: readonly PlacedReading[], seen: Seen, test: ThermostatTest): Fitted {
  const few = thinned(readings);
  const rate = rateAt(readings, seen.firstMoved);
  // Warming, the wax is behind below; cooling, it is behind above, and the closing curve lies lower.
  const first = readings[seen.firstMoved]!.water_c - rate * LAG.middle_s + (rate < 0 ? 3.5 : -1);
  const span = test.fullOpen_c === null ? USUAL_SPAN_K : test.fullOpen_c - test.rated_c;
  const start = [
    first,
    Math.min(35, Math.max(3, span)),
    3.5,
    Math.log(LAG.middle_s),
    Math.max(7, seen.liftSeen_mm ?? 8.5),
    1,
  ];
  const samples = walk(
    (x) => {
      const prior = logPrior(x, test, seen.liftSeen_mm);
      return prior === -Infinity ? prior : prior + logLikelihood(few, waxOf(x));
    },
    start,
    [1, 2, 1, 0.3, 0.7, 0.3],
  ).map(waxOf);
  const { thermometerSd_k } = test;
  // Full lift was reached where nearly every story that fits has the wax past the end of its span.
  const reached = (w: Wax) => Math.max(...waxTemperatures(few, w.lag_s)) >= w.opens_c + w.span_k;
  const full = seen.saysOpen || mean(samples, (w) => (reached(w) ? 1 : 0))! > FULL_SURE;
  const fast = Math.abs(rate) * MODEL_SD.lag_s;
  const cooling = Math.abs(
    Math.min(0, ...few.map((_, i) => (i > 0 ? rateAt(few, i) : 0)).slice(-Math.ceil(few.length / 4))),
  );
  const opens_c = figureOf(
    samples.map((s) => s.opens_c),
    thermometerSd_k,
    fast,
    MODEL_SD.still_k,
  );
  return {
    opens_c,
    full_c: full
      ? figureOf(
          samples.map((s) => s.opens_c + s.span_k),
          thermometerSd_k,
          fast,
          2 * MODEL_SD.still_k,
        )
      : null,
    closes_c: seen.closing
      ? figureOf(
          samples.map((s) => s.opens_c - s.hysteresis_k),
          thermometerSd_k,
          Math.min(1, cooling) * MODEL_SD.lag_s,
          seen.reseated ? MODEL_SD.still_k : 2 * MODEL_SD.still_k,
        )
      : null,
    hysteresis_k: seen.closing
      ? figureOf(
          samples.map((s) => s.hysteresis_k),
          fast,
          MODEL_SD.still_k,
        )
      : null,
    lift_mm:
      full && seen.liftSeen_mm !== null
        ? figureOf(
            samples.map((s) => s.lift_mm),
            0.1,
          )
        : null,
    heating_kps: rate,
  };
}

const VERDICT_TEXT: Readonly<Record<Exclude<ThermostatVerdict, 'cannot-tell'>, string>> = {
  good: 'opens as stamped',
  'opens-early': 'opens too early',
  'opens-late': 'opens too late',
  'stuck-open': 'is open when cold',
  'stuck-closed': 'does not open',
  leaks: 'opens as stamped, but light comes through its cold seat',
};

/** Lift when cold from which a valve is open rather than not quite shut, mm. */
const AJAR_MM = 1.6;

/** Odds of a valve that was never seen shut though the water was cold, nor wide open. */
function ajarOdds(readings: readonly PlacedReading[]): Odds {
  const first = readings.find((r) => r.lift_mm !== null)?.lift_mm ?? null;
  const odds = { ...NO_ODDS, 'stuck-open': 0.5, leaks: 0.4, 'opens-early': 0.08, good: 0.02 };
  if (first === null) return odds;
  return first < AJAR_MM ? { ...odds, leaks: 0.8, 'stuck-open': 0.1 } : { ...odds, 'stuck-open': 0.8, leaks: 0.1 };
}

/** Half a pot of glycol boils high enough for any thermostat; without one the rating of the hottest is out of reach, K. */
const REACH_K = 3;

function cannotTell(
  test: ThermostatTest,
  seen: Seen,
  fitted: Fitted | null,
  hottest_c: number,
  boils_c: number,
): string {
  const { rated_c } = test;
  if (seen.count < 2) return 'Nothing was seen of the valve yet: write down closed, moving, open, or the lift.';
  if (!fitted) {
    if (seen.everOpen && seen.shutAtStart === null) {
      return `It was open at the first look already. Start colder, at ${temperatureText(rated_c - COLD_BELOW_K - 3)} or below, and watch it open.`;
    }
    if (rated_c + REACH_K > boils_c) {
      return `A valve stamped ${temperatureText(rated_c)} cannot open fully in water that boils at ${temperatureText(boils_c, 1)} here. Use half glycol and water outdoors or under extraction: it boils at about ${temperatureText(boils_c + 8)}; never a lid, never oil over a flame.`;
    }
    return `The water reached ${temperatureText(hottest_c)} only: go on to ${temperatureText(Math.min(boils_c, rated_c + 14))} and hold it there for two minutes.`;
  }
  const { heating_kps, opens_c } = fitted;
  if (heating_kps * LAG_SD_S > FROM_HEATING_K) {
    return `Heated too fast to tell: ${(60 * heating_kps).toFixed(0)} K a minute leaves the opening open by ${(2 * opens_c.sd).toFixed(0)} K. Repeat at under ${slowEnough_kpmin(heating_kps)} K a minute.`;
  }
  return `First movement at ${temperatureText(opens_c.value)}, uncertain by ${(2 * opens_c.sd).toFixed(0)} K, lies too near the limit of ${GOOD_WITHIN_K} K from the stamp. Repeat it with a better thermometer, or look more often near ${temperatureText(opens_c.value)}.`;
}

/** What the lag of an unknown wax is known to, s, and what heating may add to the opening before it is called too fast, K. */
const LAG_SD_S = 5.5;
const FROM_HEATING_K = 1;

/** Rate at which a repeat tells, K a minute: no more than a third of the last one, 5 at most. */
export const slowEnough_kpmin = (heating_kps: number): number =>
  Math.max(1, Math.min(5, Math.floor((60 * heating_kps) / 3)));

/** Thermometer of the usual kind, K. */
export const USUAL_THERMOMETER_SD_K = 1;

/** Findings of the last tests by their readings: the case and the desk ask for the same one, again and again. */
const found = new Map<string, Result<ThermostatFinding, ReadingError>>();
const MOST_KEPT = 32;

/** What a heated-water test says of a thermostat, or which reading cannot be. */
export function judgeThermostat(test: ThermostatTest): Result<ThermostatFinding, ReadingError> {
  const { rated_c, fullOpen_c, readings, thermometerSd_k, altitude_m, lightWhenCold } = test;
  const key = JSON.stringify([rated_c, fullOpen_c, thermometerSd_k, altitude_m, lightWhenCold, readings]);
  const known = found.get(key);
  if (known) return known;
  const finding = judged(test);
  if (found.size >= MOST_KEPT) found.delete(found.keys().next().value!);
  found.set(key, finding);
  return finding;
}

/** A valve that is wide open when it must be shut. */
const WIDE_OPEN: Odds = {
  ...{ good: 0.005, 'opens-early': 0.02, 'opens-late': 0.005 },
  ...{ 'stuck-open': 0.9, 'stuck-closed': 0.001, leaks: 0.04 },
};

/** What was seen of the valve alone, without the light at its seat. */
function valveOdds(
  test: ThermostatTest,
  readings: readonly PlacedReading[],
  { seen, fitted, wax_c }: { readonly seen: Seen; readonly fitted: Fitted | null; readonly wax_c: number },
): Odds {
  if (seen.count === 0) return VERDICT_RATE;
  if (seen.wideAtStart) return WIDE_OPEN;
  if (fitted) return openingOdds(fitted.opens_c, test.rated_c);
  if (seen.shutAtStart === false) return ajarOdds(readings);
  // Open already when it was first looked at, hot: all that is known is that it opens.
  if (seen.everOpen) return { ...VERDICT_RATE, 'opens-late': 0.03, 'stuck-closed': 0.001 };
  return unmovedOdds(wax_c, Math.hypot(1.5, test.thermometerSd_k), test.rated_c);
}

function judged(test: ThermostatTest): Result<ThermostatFinding, ReadingError> {
  const placed = placeReadings(test.readings);
  if (!placed.ok) return placed;
  const readings = placed.value;
  const boils_c = saturationTemperature_c(ambientPressure_kpa(test.altitude_m));
  const seen = look(readings, test.rated_c);
  const fitted = seen.moved && !seen.wideAtStart ? fitWax(readings, seen, test) : null;
  const hottest_c = Math.max(-Infinity, ...readings.map((r) => r.water_c));
  const wax_c = readings.length === 0 ? -Infinity : Math.max(...waxTemperatures(readings, LAG.middle_s * LAG.factor));
  const odds = normalised(withLight(valveOdds(test, readings, { seen, fitted, wax_c }), test.lightWhenCold));
  const [verdict, probability] = (Object.entries(odds) as [keyof Odds, number][]).reduce((a, b) =>
    b[1] > a[1] ? b : a,
  );
  // Good is said only of a valve that was seen to move; without a look at the valve only light can tell.
  const shown = verdict !== 'good' || fitted !== null;
  const named = probability >= NAMED_FROM && shown && (seen.count > 0 || test.lightWhenCold === true);
  const figures = {
    opens_c: fitted?.opens_c ?? null,
    full_c: fitted?.full_c ?? null,
    closes_c: fitted?.closes_c ?? null,
    hysteresis_k: fitted?.hysteresis_k ?? null,
    lift_mm: fitted?.lift_mm ?? null,
  };
  return ok({
    ...figures,
    verdict: named ? verdict : 'cannot-tell',
    probability: named ? probability : 1 - probability,
    reason: named
      ? reasonOf(verdict, test, figures.opens_c, hottest_c)
      : cannotTell(test, seen, fitted, hottest_c, boils_c),
    odds,
    heating_kpmin: fitted && fitted.heating_kps > 0 ? 60 * fitted.heating_kps : null,
    boils_c,
  });
}

function reasonOf(verdict: keyof Odds, test: ThermostatTest, opens: Figure | null, hottest_c: number): string {
  const stamp = `stamped ${temperatureText(test.rated_c)}`;
  if (opens) {
    return `First movement at ${temperatureText(opens.value, 1)} ± ${opens.sd.toFixed(1)} K, ${stamp}: it ${VERDICT_TEXT[verdict]}.`;
  }
  if (verdict === 'stuck-closed' || verdict === 'opens-late') {
    return `No movement in water of ${temperatureText(hottest_c)}, ${stamp}: it ${VERDICT_TEXT[verdict]}.`;
  }
  return `It ${VERDICT_TEXT[verdict]}.`;
}
