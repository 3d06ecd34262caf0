/** Spreadsheets count days from 1899-12-30. Source: ISO/IEC 29500-1, 18.17.4.1. */
const DAY_0_MS = Date.UTC(1899, 11, 30);
/** The other system of theirs begins so many days later. */
const DAYS_1904 = 1462;
const DAY_MS = 86_400_000;
/** Days up to which a date is a length of time: times of day stand on the day before the first one. */
const LONGEST_CLOCK_D = 366;

const two = (value: number): string => String(value).padStart(2, '0');

/** A serial day as a log would write it: dates in ISO, times of day and lengths of time as a clock. */
export function textOfSerial(serial: number, is1904: boolean): string {
  // Serial days carry rounding far below a millisecond.
  const ms = Math.round(serial * DAY_MS);
  if (serial >= 0 && serial < LONGEST_CLOCK_D) {
    const s = Math.floor(ms / 1000);
    const clock = `${two(Math.floor(s / 3600))}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}`;
    return `${clock}.${String(ms % 1000).padStart(3, '0')}`;
  }
  const date = new Date(DAY_0_MS + ms + (is1904 ? DAYS_1904 * DAY_MS : 0));
  return Number.isFinite(date.getTime()) ? date.toISOString().slice(0, 23) : String(serial);
}

/** Built-in formats that show dates or times. Source: ISO/IEC 29500-1, 18.8.30. */
const isBuiltInDate = (id: number): boolean =>
  (id >= 14 && id <= 22) || (id >= 27 && id <= 36) || (id >= 45 && id <= 47) || (id >= 50 && id <= 58);
const isBuiltInPercent = (id: number): boolean => id === 9 || id === 10;

/** What a number format shows. */
export type Shown = 'number' | 'date' | 'percent';

/** What a format of numbers shows, by its number and its code where the workbook gives one. */
export function shownBy(id: number, code: string | undefined): Shown {
  if (code === undefined) return isBuiltInDate(id) ? 'date' : isBuiltInPercent(id) ? 'percent' : 'number';
  const bare = code
    .slice(0, 200)
    .replace(/"[^"]*"|\\./g, '')
    .replace(/\[(?!h+\]|m+\]|s+\])[^\]]*\]/gi, '');
  if (/[ymdhs]/i.test(bare) && !/general/i.test(bare)) return 'date';
  return bare.includes('%') ? 'percent' : 'number';
}
