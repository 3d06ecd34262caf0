import { median } from 'd3-array';
import type { ChannelName } from '../../base';
import { findUnitLeap, hasLeap, type UnitLeap } from './unitLeap';
import type { CleanRows } from './cleaning';

/** What one look at the whole trace finds. */
export interface WholeLook {
  /** What does not fit together, each in a sentence. */
  readonly notes: readonly string[];
  /** What would change any verdict, for a person to settle; null where nothing would. */
  readonly question: string | null;
  /** Channels that cannot be what they are called. */
  readonly leaveOut: readonly ChannelName[];
}

/** A change of unit comes from one row to the next, within so many seconds. */
const LEAP_WITHIN_S = 60;
/** A coolant stands this little below the air it was parked in, K: more is another unit or another column. */
const MOST_BELOW_AIR_K = 18;
/** A control unit shows this, °C, for a sender without contact. Source: SAE J1979, PID 05. */
const COLDEST_READING_C = -39;
/** Rows of the beginning that give the first readings. */
const FIRST_ROWS = 8;
/** Cars speed up and slow down by less than this for all but a few seconds of a drive, m/s2. */
const MOST_ACCELERATION = 9;
const SPEED_WINDOW_S = 1;
const MOST_WILD = 0.3;
/** Engines that drive the wheels turn at least this fast, rpm; a car is driven from this speed on, km/h. */
const SLOWEST_DRIVING_RPM = 550;
const DRIVING_KMH = 25;
/** Engines at a standstill idle within these, rpm. */
const IDLE_RPM = [300, 2200] as const;
/** No engine turns more slowly, but for a moment when it starts or stops, rpm. */
const SLOWEST_RPM = 100;
const MOST_TOO_SLOW = 0.06;
/** From this share on it is no engine speed at all. */
const NO_ENGINE = 0.2;
/** No drive lasts as long, days. */
const LONGEST_D = 1.5;
const DAY_S = 86_400;
/** Rows of a long log that are looked at for engine and road speed. */
const MOST_LOOKED_AT = 20_000;
/** Fewest rows that say something. */
const FEWEST_ROWS = 20;

const middle = (values: readonly number[]): number => median(values) ?? NaN;
const round = (value: number): string => String(Math.round(value));

/** A coolant moves by less than this from row to row, K and K/s; a reading of which so many steps are longer is none. */
const LONG_STEP_K = 5;
const LONG_STEP_KPS = 2;
const MOST_LONG_STEPS = 0.4;

/** Share of the steps of a reading that no coolant takes. */
function longSteps({ time_s, channels }: CleanRows): number {
  const ect = channels.ect_c!;
  let steps = 0;
  let long = 0;
  let last = -1;
  ect.forEach((v, i) => {
    if (!Number.isFinite(v)) return;
    if (last >= 0) {
      steps++;
      if (Math.abs(v - ect[last]!) > Math.max(LONG_STEP_K, LONG_STEP_KPS * (time_s[i]! - time_s[last]!))) long++;
    }
    last = i;
  });
  return steps < FEWEST_ROWS ? 0 : long / steps;
}

/** Where the coolant goes on in another unit: the row, and how it reads before and after. */
function unitChange({ time_s, channels }: CleanRows): { at: number; leap: UnitLeap } | null {
  const ect = channels.ect_c!;
  if (!hasLeap(ect)) return null;
  const places = Array.from(ect.keys()).filter((i) => Number.isFinite(ect[i]!));
  const leap = findUnitLeap(Float64Array.from(places, (i) => ect[i]!));
  if (!leap) return null;
  const at = places[leap.at]!;
  return time_s[at]! - time_s[places[leap.at - 1]!]! > LEAP_WITHIN_S ? null : { at, leap };
}

/** First readings of a channel, their middle. */
function firstOf(values: Float64Array | undefined): number {
  const first: number[] = [];
  for (const v of values ?? []) {
    if (Number.isFinite(v)) first.push(v);
    if (first.length === FIRST_ROWS) break;
  }
  return middle(first);
}

/** Share of the moments at which the speed changes that it changes faster than any car's; 0 without enough of them. */
function wildShare({ time_s, channels }: CleanRows): number {
  const speed = channels.speed_kmh;
  if (!speed) return 0;
  let moments = 0;
  let wild = 0;
  let last = -1;
  speed.forEach((v, i) => {
    if (!Number.isFinite(v) || (last >= 0 && time_s[i]! - time_s[last]! < SPEED_WINDOW_S)) return;
    if (last >= 0 && v !== speed[last]) {
      moments++;
      if (Math.abs(v - speed[last]!) / 3.6 > MOST_ACCELERATION * (time_s[i]! - time_s[last]!)) wild++;
    }
    last = i;
  });
  return moments < FEWEST_ROWS ? 0 : wild / moments;
}

/** Engine speed where the car is driven, and where it stands; empty without both channels. */
function rpmByRoad({ channels }: CleanRows): { driven: number[]; standing: number[] } {
  const { rpm, speed_kmh } = channels;
  const driven: number[] = [];
  const standing: number[] = [];
  if (rpm && speed_kmh) {
    const step = Math.max(1, Math.floor(rpm.length / MOST_LOOKED_AT));
    for (let i = 0; i < rpm.length; i += step) {
      const n = rpm[i]!;
      if (!(n > 0)) continue;
      if (speed_kmh[i]! > DRIVING_KMH) driven.push(n);
      else if (speed_kmh[i] === 0) standing.push(n);
    }
  }
  return { driven, standing };
}

/** Share of the rows in which the engine turns that it turns more slowly than any can. */
function turningTooSlowly(rpm: Float64Array | undefined): number {
  let turning = 0;
  let slow = 0;
  for (const v of rpm ?? []) {
    if (!(v > 0)) continue;
    turning++;
    if (v < SLOWEST_RPM) slow++;
  }
  return turning < FEWEST_ROWS ? 0 : slow / turning;
}

/**
 * One look at the whole trace before it is taken: does the coolant go on in one unit, does it start where the air is or
 * above, do road speed, engine speed and time fit each other?
 */
export function lookAtWhole(rows: CleanRows): WholeLook {
  const notes: string[] = [];
  const questions: string[] = [];
  const ect = rows.channels.ect_c!;
  const change = unitChange(rows);
  if (change) {
    questions.push(
      `The coolant reads ${round(change.leap.before)} and then ${round(change.leap.after)} from line ${rows.lines[change.at]} on, as if its unit changed there. Split the file there and read each part in its own unit.`,
    );
  }
  const days = (rows.time_s.at(-1)! - rows.time_s[0]!) / DAY_S;
  if (days > LONGEST_D) {
    questions.push(
      `By its times the log lasts ${days.toFixed(1)} days, and no drive does. Choose another unit or another column for the time, or split the file.`,
    );
  }
  if (longSteps(rows) > MOST_LONG_STEPS) {
    questions.push(
      'The coolant leaps up and down from row to row as no coolant can. Choose the columns by their values.',
    );
  }
  const start = firstOf(ect);
  const airs = (['iat_c', 'ambient_c'] as const satisfies readonly ChannelName[])
    .map((name) => firstOf(rows.channels[name]))
    .filter(Number.isFinite);
  const coldest = Math.min(...airs);
  // A sender without contact reads the end of its scale, which is no temperature.
  if (airs.length > 0 && start > COLDEST_READING_C && coldest - start > MOST_BELOW_AIR_K) {
    notes.push(
      `The coolant starts at ${round(start)} °C and the air at ${round(coldest)} °C: no engine is colder than the air it stood in. Check the units and the columns.`,
    );
  }
  if (wildShare(rows) > MOST_WILD) {
    questions.push(
      'By these times the car would speed up and slow down faster than any can. Choose another unit or another column for the time.',
    );
  }
  const slow = turningTooSlowly(rows.channels.rpm);
  const isNoEngine = slow > NO_ENGINE;
  if (slow > MOST_TOO_SLOW) {
    notes.push(
      `The engine turns below ${SLOWEST_RPM} rpm in ${round(100 * slow)} % of its rows: thousands may have been written as decimals, or it is another column.${isNoEngine ? ' Engine speed was left out.' : ''}`,
    );
  }
  const { driven, standing } = isNoEngine ? { driven: [], standing: [] } : rpmByRoad(rows);
  if (driven.length >= FEWEST_ROWS && middle(driven) < SLOWEST_DRIVING_RPM) {
    notes.push(
      `The engine turns at ${round(middle(driven))} rpm while the car is driven: engine speed or road speed may be another column or unit.`,
    );
  } else if (standing.length >= FEWEST_ROWS && !(middle(standing) > IDLE_RPM[0] && middle(standing) < IDLE_RPM[1])) {
    notes.push(
      `The engine turns at ${round(middle(standing))} rpm at a standstill: engine speed or road speed may be another column or unit.`,
    );
  }
  return { notes, question: questions[0] ?? null, leaveOut: isNoEngine ? ['rpm'] : [] };
}
