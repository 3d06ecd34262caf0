import { CHANNELS, type ChannelName } from '../../base';
import { convertColumn, guessTemperatureUnit, unitFits } from '../words/columnUnits';
import type { ColumnGuess, Preview } from '../column';
import { readHeader } from '../words/headers';
import { presentSample, type GrowingNumbers } from '../table/growingNumbers';
import { findUnitLeap } from '../rows/unitLeap';
import type { RowTable } from '../table/rowTable';

/** Points of a preview. */
const SAMPLE_POINTS = 160;
/** An engine that runs turns at least this fast, rpm. */
const SLOWEST_ENGINE = 150;
/** Share of values that may lie outside a channel's range before the header is doubted. */
const MOST_OUTSIDE = 0.25;

function previewOf(numbers: GrowingNumbers, rows: number): Preview {
  const step = Math.max(1, rows / SAMPLE_POINTS);
  const out: number[] = [];
  for (let at = 0; at < rows && out.length < SAMPLE_POINTS; at += step) {
    // A sparse column: the next value before the following point stands for it.
    let value = NaN;
    for (let i = Math.floor(at); i < Math.min(rows, Math.floor(at + step)) && !Number.isFinite(value); i++) {
      value = numbers.get(i);
    }
    out.push(value);
  }
  return out;
}

/** Fewest rows of a turning engine that say how fast it turns. */
const FEWEST_TURNING = 10;

/** Figures that turn, and nearly all slower than any engine. */
function isNoEngine(rpm: Float64Array): boolean {
  const turning = rpm.filter((v) => v > 0);
  return turning.filter((v) => v < SLOWEST_ENGINE).length > 0.95 * turning.length && turning.length >= FEWEST_TURNING;
}

/** True when the column's values, in its unit, are what the channel can read. */
function isPlausible(values: Float64Array, channel: ChannelName, unit: string | null): boolean {
  if (values.length === 0) return true;
  const present = Float64Array.from(values);
  const used = unit ?? (CHANNELS[channel].quantity === 'temperature' ? guessTemperatureUnit(present) : null);
  if (used !== null) convertColumn(present, used);
  const { min, max } = CHANNELS[channel];
  // An engine that is logged runs.
  if (channel === 'rpm' && isNoEngine(present)) return false;
  let outside = 0;
  for (const v of present) if (v < min || v > max) outside++;
  return outside <= MOST_OUTSIDE * present.length;
}

const isRising = (values: Float64Array): boolean => {
  let last = -Infinity;
  let falls = 0;
  let n = 0;
  for (const v of values) {
    if (v < last) falls++;
    last = v;
    n++;
  }
  return n > 2 && falls <= 0.02 * n;
};

/** What a column without a telling header may be, from its values alone. */
function guessFromValues(present: Float64Array, isTime: boolean): ColumnGuess['channel'] {
  if (present.length < 3) return null;
  const sorted = Float64Array.from(present).sort();
  const low = sorted[0]!;
  const high = sorted.at(-1)!;
  if (isTime || (isRising(present) && new Set(sorted).size > 0.5 * sorted.length && high > low)) return 'time_s';
  if (high === low) return null;
  if (low >= 0 && high > 900 && high < 9000) return 'rpm';
  const warmUp = present.at(-1)! - present[0]! > 15 && Math.abs(present[0]! - low) < 0.2 * (high - low);
  return warmUp && low > -45 && high < 270 ? 'ect_c' : null;
}

/** The channel that a unit alone names; a temperature may be any, first of all the coolant's. */
function channelOfUnit(unit: string): ChannelName | null {
  if (unit === '°C' || unit === '°F') return 'ect_c';
  if (unit === 'rpm') return 'rpm';
  return unit === 'km/h' || unit === 'mph' ? 'speed_kmh' : null;
}

/** The course of each column of a table. */
export const previewsOf = (table: RowTable): Preview[] => table.columns.map((c) => previewOf(c.numbers, table.rows));

/** What each column of a table is, by its header and its values. */
export function understandColumns(table: RowTable): ColumnGuess[] {
  return table.columns.map((column, index) => {
    const values = presentSample(column.numbers);
    const read = column.foreign ? { ...readHeader(column.header), ...FOREIGN } : readHeader(column.header);
    const unit = read.unit ?? column.unit;
    const base = { column: index, header: column.header };
    const byUnit = read.channel === null && !read.excluded && unit !== null ? channelOfUnit(unit) : null;
    if (byUnit !== null && isPlausible(values, byUnit, unit)) {
      return { ...base, channel: byUnit, unit, confidence: 'likely', origin: 'unit', why: 'from its unit' };
    }
    if (read.channel === null) {
      const channel = read.excluded ? null : guessFromValues(values, column.alternative !== null);
      const from = channel
        ? ({ origin: 'values', why: 'from its values' } as const)
        : ({ origin: 'none', why: 'not known' } as const);
      return { ...base, ...from, channel, unit: null, confidence: 'unsure' };
    }
    const byHeader = { ...base, origin: 'header' } as const;
    if (read.channel === 'time_s') {
      return {
        ...byHeader,
        channel: 'time_s',
        unit,
        confidence: read.sure ? 'sure' : 'likely',
        why: 'from its header',
      };
    }
    if (unit !== null && !unitFits(read.channel, unit)) {
      const why = `${unit} is no unit of ${CHANNELS[read.channel].label.toLowerCase()}`;
      return { ...byHeader, channel: null, unit: null, confidence: 'unsure', why };
    }
    if (!isPlausible(values, read.channel, unit)) {
      const why = `its values are none of ${CHANNELS[read.channel].label.toLowerCase()}`;
      return { ...byHeader, channel: read.channel, unit, confidence: 'unsure', why };
    }
    if (unit === '°C' && isRatherFahrenheit(values)) {
      const leap = findUnitLeap(values);
      const why = leap
        ? `its values go over to °F on the way, from ${Math.round(leap.before)} to ${Math.round(leap.after)}: split the file there`
        : 'its values are too high for °C: they may be °F';
      return { ...byHeader, channel: read.channel, unit: '°F', confidence: 'unsure', why };
    }
    if (read.oddUnit !== null && unit === null) {
      const why = `from its header; "${read.oddUnit}" is no unit that is known`;
      return { ...byHeader, channel: read.channel, unit, confidence: 'likely', why };
    }
    const confidence = read.sure ? 'sure' : 'likely';
    return { ...byHeader, channel: read.channel, unit, confidence, why: 'from its header' };
  });
}

/** What another control unit says of a channel is none of ours. */
const FOREIGN = { channel: null, sure: false, excluded: true } as const;

/** True when the file writes any American unit: then a column without one is likely to as well. */
export function isImperial(guesses: readonly ColumnGuess[], units: readonly (string | null)[]): boolean {
  const named = [...guesses.map((g) => g.unit), ...units];
  return named.some((u) => u === 'mph' || u === '°F' || u === 'lb/min' || u === 'psi');
}

/** Ends of the scale of a control unit, °C: an open or shorted sender, whatever the unit. Source: SAE J1979, PID 05. */
const isNoRail = (value: number): boolean => value !== -40 && Math.abs(value - 215) > 0.6;

/** True when a column that names °C cannot be: its warm readings would be far above any coolant's. */
function isRatherFahrenheit(values: Float64Array): boolean {
  const sorted = values.filter(isNoRail).sort();
  return sorted.length > 0 && guessTemperatureUnit(sorted) === '°F' && sorted.at(-1)! - sorted[0]! > 30;
}

/** Readings between these, °C or °F, belong to an overheating engine in one unit and to a cool one in the other. */
const DOUBTFUL = [108, 142] as const;

/** Unit of a temperature column that names none, and whether its values leave it open. */
export function temperatureUnit(
  numbers: GrowingNumbers,
  imperial: boolean,
): { unit: '°C' | '°F' | 'K'; open: boolean } {
  const values = presentSample(numbers).filter(isNoRail);
  const sorted = Float64Array.from(values).sort();
  const high = sorted[Math.floor(0.95 * (sorted.length - 1))] ?? 0;
  const unit = guessTemperatureUnit(values);
  if (unit !== '°C') return { unit, open: false };
  if (imperial && high > 40) return { unit: '°F', open: high < 105 };
  return { unit, open: high > DOUBTFUL[0] && high <= DOUBTFUL[1] };
}
