import { CHANNEL_NAMES, CHANNELS, fail, ok, type ChannelName, type Result } from '../../base';
import { convertColumn } from '../words/columnUnits';
import type { ImportError } from '../importError';
import type { ColumnChoice } from '../importReport';
import { presentSample } from '../table/growingNumbers';
import type { RowTable } from '../table/rowTable';
import { readHeader } from '../words/headers';
import type { ColumnGuess, MappedColumn } from '../column';
import { ask, type MapInput, type Mapping } from './question';
import { settleUnits } from './settleUnits';
import { temperatureUnit } from './understand';

/** Two columns whose readings differ by less than this in the middle are one sensor told twice, K. */
const SAME_SENSOR_K = 1.2;

const onLine = (headerLine: number | null): string => (headerLine === null ? '' : ` on line ${headerLine}`);

const columnList = (guesses: readonly ColumnGuess[]): string =>
  guesses
    .map((g) => g.header)
    .filter((h) => h !== '')
    .slice(0, 20)
    .join(', ');

function noTime(input: MapInput): ImportError {
  const seen = columnList(input.guesses);
  const candidates = input.guesses.filter((g) => g.channel === 'time_s');
  if (candidates.length > 0) {
    return ask(
      input,
      `No column is called time. It may be ${candidates.map((g) => g.header).join(' or ')}: choose it.`,
    );
  }
  return ask(
    input,
    `No time column${onLine(input.headerLine)}. Found: ${seen}. Name one "time_s", or choose it by hand.`,
    'no-time',
  );
}

function noCoolant(input: MapInput): ImportError {
  const candidates = input.guesses.filter((g) => g.channel === 'ect_c' && g.confidence === 'unsure');
  if (candidates.length > 0) {
    const which = candidates.map((g) => `${g.header} (${g.why})`).join(' or ');
    return ask(input, `No column is plainly the coolant temperature. It may be ${which}: choose it.`);
  }
  return ask(
    input,
    `No coolant temperature column${onLine(input.headerLine)}. Found: ${columnList(input.guesses)}. Log the engine coolant temperature, or choose its column by hand.`,
    'no-temperature',
  );
}

/** Median difference of two temperature columns, K, where both read; Infinity when they never do at once. */
function differenceOf(table: RowTable, a: MappedColumn, b: MappedColumn): number {
  const celsius = (c: MappedColumn): Float64Array => {
    const values = table.columns[c.column]!.numbers.values(table.rows);
    convertColumn(values, c.unit ?? temperatureUnit(table.columns[c.column]!.numbers, false).unit);
    return values;
  };
  const x = celsius(a);
  const y = celsius(b);
  const differences = x
    .map((v, i) => Math.abs(v - y[i]!))
    .filter(Number.isFinite)
    .sort();
  return differences.length === 0 ? Infinity : differences[Math.floor(differences.length / 2)]!;
}

/** The header says that it is the engine's own: other circuits have coolant too. */
const saysEngine = (g: { readonly header: string }): boolean => readHeader(g.header).engine;

/** The columns that a channel could be read from, best first: those that hold something, named exactly, named surely. */
function candidatesFor(input: MapInput, channel: ChannelName): MappedColumn[] {
  const rank = (g: MappedColumn): number =>
    (input.table.columns[g.column]!.filled > 0 || input.table.columns[g.column]!.switches ? 0 : 8) +
    (g.header.trim().toLowerCase() === channel ? 0 : 2) +
    // A receiver of satellites loses its speed in tunnels; the wheels do not.
    (/\bgps\b/i.test(g.header) ? 1 : 0) +
    (g.confidence === 'sure' ? 0 : 2) +
    (saysEngine(g) ? 0 : 0.5);
  return input.guesses
    .filter((g) => g.channel === channel && g.confidence !== 'unsure')
    .map((g) => ({ ...g, channel }))
    .sort((a, b) => rank(a) - rank(b) || a.column - b.column);
}

/** A coolant that gains less than this over a log and stays below this, K and °C, is not seen to warm up. */
const STILL_K = 12;
const COLD_C = 60;

function staysCold(table: RowTable, coolant: MappedColumn): boolean {
  const { numbers } = table.columns[coolant.column]!;
  const values = presentSample(numbers);
  convertColumn(values, coolant.unit ?? temperatureUnit(numbers, false).unit);
  const sorted = values.sort();
  const [low = NaN, high = NaN] = [0.05, 0.95].map((q) => sorted[Math.floor(q * (sorted.length - 1))]);
  return high - low < STILL_K && high < COLD_C;
}

/** A coolant climbs by this, K, in steps of less than that, and ends below what boils, °C. */
const CLIMB_K = 15;
const LONGEST_STEP_K = 6;
const HOTTEST_C = 130;
const COLDEST_C = -45;

/** True for figures that climb as a warm-up does. */
function climbs(table: RowTable, at: number): boolean {
  const values = presentSample(table.columns[at]!.numbers);
  if (values.length < 10 || values.at(-1)! - values[0]! < CLIMB_K) return false;
  return values.every(
    (v, i) => v < HOTTEST_C && v > COLDEST_C && (i === 0 || Math.abs(v - values[i - 1]!) < LONGEST_STEP_K),
  );
}

/** Splits what reads as coolant into the engine's sensor, a second one, and the same one told twice. */
function mapCoolant(input: MapInput): Result<{ columns: MappedColumn[]; notes: string[] }, ImportError> {
  const all = candidatesFor(input, 'ect_c');
  const sure = all.filter((c) => c.confidence === 'sure');
  const doubted = input.guesses.find(
    (g) => g.channel === 'ect_c' && g.confidence === 'unsure' && g.origin === 'header',
  );
  if (sure.length === 0 && doubted) {
    return fail(
      ask(input, `${doubted.header} is called coolant, but ${doubted.why}. Choose its unit, or another column.`),
    );
  }
  if (sure.length === 0 && all.length > 1) {
    const names = all.map((c) => c.header).join(', ');
    return fail(
      ask(
        input,
        `Several columns hold temperatures and none says "coolant": ${names}. Choose which one is the coolant.`,
      ),
    );
  }
  const first = sure[0] ?? all[0];
  if (!first) return fail(noCoolant(input));
  const climber = input.guesses.find((g) => g.origin === 'values' && climbs(input.table, g.column));
  if (climber && staysCold(input.table, first)) {
    return fail(
      ask(
        input,
        `${first.header} hardly moves, and ${climber.header} climbs as a coolant does: names and columns may be shifted. Choose which one is the coolant.`,
      ),
    );
  }
  const notes: string[] = [];
  if (first.confidence === 'likely')
    notes.push(`${first.header} is the only temperature and was taken for the coolant.`);
  const columns = [first];
  const taken = candidatesFor(input, 'ect2_c').length > 0;
  for (const other of sure.slice(1)) {
    if (differenceOf(input.table, first, other) < SAME_SENSOR_K) {
      notes.push(`${other.header} holds the same readings as ${first.header} and was left out.`);
    } else if (saysEngine(first) === saysEngine(other) && first.header.trim().toLowerCase() !== 'ect_c') {
      return fail(
        ask(
          input,
          `${first.header} and ${other.header} are both called coolant temperature and read differently. Choose which one is the engine's.`,
        ),
      );
    } else if (!taken && columns.length === 1) columns.push({ ...other, channel: 'ect2_c', confidence: 'likely' });
    else notes.push(`${other.header} also reads coolant and was left out.`);
  }
  return ok({ columns, notes });
}

/** Columns that are called as a channel and hold something else. */
const leftOut = (input: MapInput, channel: ChannelName): string[] =>
  input.guesses
    .filter((g) => g.channel === channel && g.confidence === 'unsure' && g.origin === 'header')
    .map((g) => `${g.header} was left out: ${g.why}.`);

/** Reads a person's choices. */
function chosen(input: MapInput, mapping: Readonly<Record<number, ColumnChoice>>): Mapping {
  const times: { at: number; unit: string | null }[] = [];
  const columns: MappedColumn[] = [];
  for (const [key, choice] of Object.entries(mapping)) {
    const column = Number(key);
    const header = input.table.columns[column]?.header;
    if (header === undefined) continue;
    if (choice.channel === 'time_s') times.push({ at: column, unit: choice.unit });
    else {
      columns.push({
        column,
        header,
        channel: choice.channel,
        unit: choice.unit,
        confidence: 'sure',
        origin: 'person',
        why: 'chosen by hand',
      });
    }
  }
  return { times, columns, notes: [] };
}

/** Decides which column is which, or asks. */
export function mapColumns(
  input: MapInput,
  mapping?: Readonly<Record<number, ColumnChoice>>,
): Result<Mapping, ImportError> {
  if (mapping) {
    const found = chosen(input, mapping);
    if (found.times.length === 0) return fail(noTime(input));
    if (!found.columns.some((c) => c.channel === 'ect_c')) return fail(noCoolant(input));
    return settleUnits(input, found);
  }
  const called = input.guesses.filter((g) => g.channel === 'time_s' && g.confidence !== 'unsure');
  const stamped = input.guesses.filter(
    (g) => g.channel === 'time_s' && Object.keys(input.table.columns[g.column]!.kinds).length > 0,
  );
  const times = (called.length > 0 ? [...new Set([...called, ...stamped])] : stamped).map((g) => ({
    at: g.column,
    unit: g.unit,
  }));
  if (input.headerLine === null && !input.guesses.some((g) => g.confidence === 'sure')) {
    return fail(
      ask(
        input,
        'The file has no row with the names of its columns. Say which one is the time and which the coolant temperature.',
      ),
    );
  }
  const coolant = mapCoolant(input);
  if (times.length === 0) return fail(noTime(input));
  if (!coolant.ok) return coolant;
  const columns = [...coolant.value.columns];
  const notes = [...coolant.value.notes];
  for (const channel of CHANNEL_NAMES) {
    if (columns.some((c) => c.channel === channel)) continue;
    const [best, ...others] = candidatesFor(input, channel);
    if (!best) {
      notes.push(...leftOut(input, channel));
      continue;
    }
    columns.push(best);
    for (const other of others) {
      notes.push(
        `${other.header} also reads ${CHANNELS[channel].label.toLowerCase()} and was left out for ${best.header}.`,
      );
    }
  }
  return settleUnits(input, { times, columns, notes });
}
