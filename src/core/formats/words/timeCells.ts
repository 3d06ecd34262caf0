import { readWritten, type WrittenNumber } from './cells';

/** What a cell of a time column is. */
export type TimeKind = 'number' | 'clock' | 'short-clock' | 'dotted-clock' | 'date' | 'stamp';

/** Seconds in each unit that a numeric time may have. */
export const TIME_UNITS_S: Readonly<Record<string, number>> = {
  s: 1,
  ms: 1e-3,
  µs: 1e-6,
  ns: 1e-9,
  min: 60,
  h: 3600,
  d: 86_400,
  '1/10 s': 0.1,
  '1/100 s': 0.01,
};

/**
 * A time cell read both ways where it can be: `first` takes dates as day-month and a short clock as mm:ss, `second`
 * takes dates as month-day and a short clock as hh:mm. Numbers as they stand, clocks in s of the day, dates in days,
 * stamps in s since 1970 (UTC where a zone is written, else the log's own clock). `11.05.24` is a clock first and a
 * date second: only the column tells.
 */
export interface TimeReading {
  readonly kind: TimeKind;
  readonly first: number;
  readonly second: number;
  /** Which order of day and month this cell proves. */
  readonly proves: 'day-month' | 'month-day' | null;
  /** How a plain number is written. */
  readonly written?: WrittenNumber;
}

const CLOCK = /^(?:(\d+)\s*d(?:ays?)?,?\s+)?(\d{1,4}):(\d{1,2})(?::(\d{1,2}))?(?:[.,:](\d+))?\s*([ap])?\.?m?\.?$/i;
const DOTTED = /^(\d{1,2})\.(\d{2})\.(\d{2})(?:[.,](\d+))?$/;
/** Longest cell that can be a time, characters. */
const LONGEST_TIME = 60;
const YEAR_FIRST = /^(\d{4})[-./](\d{1,2})[-./](\d{1,2})$/;
const YEAR_LAST = /^(\d{1,2})[-./](\d{1,2})[-./](\d{4}|\d{2})$/;
const DAY_NAME = /^(\d{1,2})[-.\s]*([a-z]{3})[a-z]*\.?[-,\s]*(\d{4}|\d{2})$/i;
const NAME_DAY = /^([a-z]{3})[a-z]*\.?[-\s]*(\d{1,2}),?[-\s]*(\d{4})$/i;
const COMPACT = /^(\d{4})(\d{2})(\d{2})[T_\s-]?(\d{2})(\d{2})(\d{2})(?:[.,](\d+))?(Z)?$/i;
const STAMP = /^(.+?)(?:T|[\s,;_]+)(\d{1,2}:\d{2}.*)$/;
const ZONE = /\s*(Z|UTC|GMT|([+-])(\d{2}):?(\d{2})?)$/i;
/** Month names by their first three letters, in the languages of the headers. */
const MONTHS: Readonly<Record<string, number>> = Object.fromEntries(
  [
    'jan jän ene gen',
    'feb fév fev',
    'mar mär mrt mrz',
    'apr avr abr',
    'may mai mag mei maj',
    'jun giu',
    'jul lug',
    'aug aoû ago',
    'sep set',
    'oct okt ott out',
    'nov',
    'dec dez déc dic',
  ].flatMap((names, i) => names.split(' ').map((name) => [name, i + 1])),
);

const days = (year: number, month: number, day: number): number =>
  month >= 1 && month <= 12 && day >= 1 && day <= 31
    ? Date.UTC(year < 100 ? 2000 + year : year, month - 1, day) / 86_400_000
    : NaN;

const fraction = (digits: string | undefined): number => (digits ? Number(`0.${digits}`) : 0);

function readClock(text: string): { long: number; short: number | null } | null {
  const match = CLOCK.exec(text);
  if (!match) return null;
  const [, dayCount, a, b, c, digits, half] = match;
  const days_s = Number(dayCount ?? 0) * 86_400;
  const turned = (hours: number): number => (half ? (hours % 12) + (half.toLowerCase() === 'p' ? 12 : 0) : hours);
  if (c !== undefined) {
    return { long: days_s + turned(Number(a)) * 3600 + Number(b) * 60 + Number(c) + fraction(digits), short: null };
  }
  const hours = turned(Number(a)) * 3600 + Number(b) * 60;
  if (half) return { long: days_s + hours, short: null };
  return { long: Number(a) * 60 + Number(b) + fraction(digits), short: Number(a) < 24 && !digits ? hours : NaN };
}

type DateReading = Pick<TimeReading, 'first' | 'second' | 'proves'>;

function readDate(text: string): DateReading | null {
  const sure = (value: number): DateReading | null =>
    Number.isFinite(value) ? { first: value, second: value, proves: null } : null;
  const yearFirst = YEAR_FIRST.exec(text);
  if (yearFirst) return sure(days(Number(yearFirst[1]), Number(yearFirst[2]), Number(yearFirst[3])));
  const named = DAY_NAME.exec(text);
  if (named) return sure(days(Number(named[3]), MONTHS[named[2]!.toLowerCase()] ?? NaN, Number(named[1])));
  const nameFirst = NAME_DAY.exec(text);
  if (nameFirst)
    return sure(days(Number(nameFirst[3]), MONTHS[nameFirst[1]!.toLowerCase()] ?? NaN, Number(nameFirst[2])));
  const match = YEAR_LAST.exec(text);
  if (!match) return null;
  const [a, b, year] = [Number(match[1]), Number(match[2]), Number(match[3])];
  const first = days(year, b, a);
  const second = days(year, a, b);
  if (!Number.isFinite(first) && !Number.isFinite(second)) return null;
  const proves = !Number.isFinite(second) ? 'day-month' : !Number.isFinite(first) ? 'month-day' : null;
  return { first: Number.isFinite(first) ? first : second, second: Number.isFinite(second) ? second : first, proves };
}

function readStamp(text: string): TimeReading | null {
  const compact = COMPACT.exec(text);
  if (compact) {
    const [y, mo, d, h, mi, s] = compact.slice(1, 7).map(Number) as [number, number, number, number, number, number];
    const value = days(y, mo, d) * 86_400 + h * 3600 + mi * 60 + s + fraction(compact[7]);
    return Number.isFinite(value) ? { kind: 'stamp', first: value, second: value, proves: null } : null;
  }
  const match = STAMP.exec(text);
  const date = match && readDate(match[1]!.trim().replace(/[,;]$/, ''));
  if (!match || !date) return null;
  let rest = match[2]!;
  let zone_s = 0;
  const zone = ZONE.exec(rest);
  if (zone) {
    rest = rest.slice(0, zone.index);
    if (zone[2]) zone_s = (zone[2] === '-' ? -1 : 1) * (Number(zone[3]) * 3600 + Number(zone[4] ?? 0) * 60);
  }
  const clock = readClock(rest.trim());
  if (!clock) return null;
  // Beside a date a short clock is hours and minutes.
  const seconds = (clock.short !== null && Number.isFinite(clock.short) ? clock.short : clock.long) - zone_s;
  return {
    kind: 'stamp',
    first: date.first * 86_400 + seconds,
    second: date.second * 86_400 + seconds,
    proves: date.proves,
  };
}

function readDotted(text: string): TimeReading | null {
  const match = DOTTED.exec(text);
  if (!match) return null;
  const [h, m, s] = [Number(match[1]), Number(match[2]), Number(match[3])];
  if (h > 23 || m > 59 || s > 59) return null;
  const date = readDate(text);
  return {
    kind: 'dotted-clock',
    first: h * 3600 + m * 60 + s + fraction(match[4]),
    second: date?.first ?? NaN,
    proves: null,
  };
}

/** Reads a time cell; null when it is none. */
export function readTimeCell(cell: string): TimeReading | null {
  const text = cell.trim();
  if (text === '' || text.length > LONGEST_TIME) return null;
  const dotted = readDotted(text);
  if (dotted) return dotted;
  const written = text.includes(':') || COMPACT.test(text) ? null : readWritten(text);
  if (written) return { kind: 'number', first: written.value, second: written.value, proves: null, written };
  const clock = readClock(text);
  if (clock) {
    if (clock.short === null) return { kind: 'clock', first: clock.long, second: clock.long, proves: null };
    return { kind: 'short-clock', first: clock.long, second: clock.short, proves: null };
  }
  const stamp = readStamp(text);
  if (stamp) return stamp;
  const date = readDate(text);
  return date && { kind: 'date', ...date };
}

/** A clock, a date or both, but no bare number. */
export function looksLikeTime(cell: string): boolean {
  const text = cell.trim();
  if (text.length > LONGEST_TIME) return false;
  if (COMPACT.test(text)) return true;
  return (
    text.length >= 4 &&
    /\d[:/.-]\d/.test(text) &&
    (CLOCK.test(text) || readDotted(text) !== null || readDate(text) !== null || readStamp(text) !== null)
  );
}
