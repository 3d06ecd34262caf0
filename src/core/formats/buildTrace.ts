import { bisector } from 'd3-array';
import { countPresent, fail, ok, type ChannelName, type Result, type Trace } from '../base';
import { blankStaleRepeats, CleaningLog, dropImpossible, findGaps, type CleanRows } from './rows/cleaning';
import { joinEqualTimes } from './rows/equalTimes';
import { importError, type ImportError } from './importError';
import type { ColumnChoices, ImportReport, LogMark, ReadOptions } from './importReport';
import type { ColumnGuess, Preview, TakenColumn } from './column';
import { mapColumns } from './columns/mapColumns';
import { readColumn, readTimes, timeHeader } from './columns/readColumns';
import { ask, type MapInput } from './columns/question';
import type { Source } from './table/readers';
import { middleStep_s, riseOf, type ResolvedTime } from './columns/resolveTime';
import { oddRowsOf } from './rows/oddRows';
import { orderRows } from './rows/rowOrder';
import { lookAtWhole } from './rows/wholeLook';
import { dropWrongTimes } from './rows/wrongTimes';
import { interleaved, timedRows } from './rows/timedRows';
import { previewsOf, understandColumns } from './columns/understand';

/** Fewest rows with a temperature that make a trace. */
const FEWEST_ROWS = 3;

/** A trace with what was understood and done. */
export interface ReadTrace {
  readonly trace: Trace;
  readonly report: ImportReport;
  /** What each column might be, for a person who wants to change it. */
  readonly guesses: readonly ColumnGuess[];
  /** The course of each column. */
  readonly previews: readonly Preview[];
  /** The choices that it was read by. */
  readonly options: ReadOptions;
}

const tooFew = (count: number, what: string, line: number | null): ImportError =>
  importError(
    'too-few-rows',
    `Only ${count} ${count === 1 ? 'row' : 'rows'}${what}: a warm-up needs at least a few minutes. Log the whole drive.`,
    { line },
  );

/** Cleans rows: impossible values, order, equal times, repeats, gaps. */
function clean(rows: CleanRows, isClock: boolean, log: CleaningLog): Result<CleanRows, ImportError> {
  dropImpossible(rows, log);
  const ordered = orderRows(dropWrongTimes(rows, log), log);
  if (!ordered.ok) return ordered;
  const joined = joinEqualTimes(ordered.value, isClock, log);
  blankStaleRepeats(joined, log);
  return ok(findGaps(joined, middleStep_s(joined.time_s), log));
}

/** A coolant that gains more than this over a whole log, K/s, says that the times are not what they seem. */
const IMPOSSIBLE_RISE = 2;
/** Fewest rows that can say so, and least rise, K. */
const ROWS_FOR_RISE = 20;
const LEAST_RISE_K = 20;

/** A question where the coolant would warm up faster than any can; null where it does not. */
function tooHurried(input: MapInput, source: Source, time: ResolvedTime, rows: CleanRows): ImportError | null {
  const header = timeHeader(source, time);
  // The canonical column is in seconds by definition.
  if (source.kind === 'delimited' && header === 'time_s') return null;
  const rise = riseOf(rows.channels.ect_c!);
  const length_s = rows.time_s.at(-1)! - rows.time_s[0]!;
  if (rows.time_s.length < ROWS_FOR_RISE || rise < LEAST_RISE_K || rise < IMPOSSIBLE_RISE * length_s) return null;
  return ask(
    input,
    `By ${header} the coolant would rise by ${Math.round(rise)} K within ${length_s.toFixed(1)} s. Choose another unit or another column for the time; if the times are steps from row to row, log with absolute times.`,
  );
}

function remarks(rows: CleanRows, time: ResolvedTime, source: Source): string[] {
  const notes: string[] = [];
  const ect = rows.channels.ect_c!;
  const first = ect.find(Number.isFinite)!;
  if (ect.length > 30 && ect.every((v) => v === first || Number.isNaN(v))) {
    notes.push(
      `The coolant reads ${Math.round(10 * first) / 10} °C throughout and never moves: a frozen sender, or the wrong column.`,
    );
  }
  if (time.guessed && time.unit !== 's') {
    notes.push(`${timeHeader(source, time)} names no unit of time; its steps are ${time.unit}.`);
  }
  return notes;
}

const headersOf = (source: Source): string[] => source.table.columns.map((c) => c.header);

/** Choices for files with these headers; null where none were made. */
export type Remembered = (headers: readonly string[]) => ColumnChoices | null;

/**
 * The choices that were made for files like this one before, and whether its rows as they were read can be taken by
 * them: where commas mean something else, or a column of words is the time, its cells must be read again.
 */
export function rememberedFor(
  source: Source,
  remembered: Remembered,
): { readonly choices: ColumnChoices; readonly asRead: boolean } | null {
  const choices = remembered(headersOf(source));
  if (!choices) return null;
  const times = Object.entries(choices.mapping ?? {}).filter(([, c]) => c.channel === 'time_s');
  const asRead = !source.table.isOpen && times.every(([at]) => source.table.takeAsTime(Number(at)));
  return { choices, asRead };
}

/**
 * Turns what a reader collected into a trace, or says what is wrong or open.
 *
 * @param chosen a person chose the columns of this very file, and has seen what does not fit; a choice that is only
 *   remembered settles what columns are, not whether this file is whole
 */
export function buildTrace(
  source: Source,
  options: ReadOptions,
  chosen = options.mapping !== undefined,
): Result<ReadTrace, ImportError> {
  const { table, headerLine } = source;
  const log = new CleaningLog(new Set(options.otherwise));
  const odd = oddRowsOf(source, chosen, log);
  table.blank(odd.out);
  const guesses = understandColumns(table);
  const input: MapInput = { table, guesses, headerLine, numbersOpen: table.isOpen };
  const mapping = mapColumns(input, options.mapping);
  if (!mapping.ok) return mapping;
  const used = [...mapping.value.times.map((t) => t.at), ...mapping.value.columns.map((c) => c.column)];
  if (used.some((at) => table.columns[at]!.open)) {
    return fail(ask(input, 'Numbers such as 1,234 can mean 1234 or 1.234 in this file. Say which.'));
  }
  const lastLine = table.rows > 0 ? table.lines.get(table.rows - 1) : headerLine;
  if (table.rows < FEWEST_ROWS) return fail(tooFew(table.rows, '', lastLine));
  log.note(
    'repeated-header',
    source.repeatedHeader,
    `The header stands ${source.repeatedHeader.count} more times between the rows.`,
  );
  if (odd.question !== null) return fail(ask(input, odd.question));
  const channels: Partial<Record<ChannelName, Float64Array>> = {};
  const taken: TakenColumn[] = [];
  for (const mapped of mapping.value.columns) {
    const read = readColumn(source, mapped, log);
    if (!read.ok) return read;
    if (countPresent(read.value.values) === 0 && mapped.channel !== 'ect_c') continue;
    channels[mapped.channel] = read.value.values;
    taken.push({ ...mapped, unit: read.value.unit });
  }
  const ect = mapping.value.columns.find((c) => c.channel === 'ect_c')!;
  if (countPresent(channels.ect_c) === 0) {
    const message = `Column ${ect.header} holds no temperature at all. Check that the logger was connected and polling it.`;
    return fail(importError('all-empty', message, { line: table.lines.get(0), column: ect.header }));
  }
  const time = readTimes(source, mapping.value, input, channels.ect_c!);
  if (!time.ok) return time;
  const timed = timedRows(source, time.value.seconds, channels, odd.out, log);
  const cleaned = clean(source.oneReadingPerRow ? interleaved(timed) : timed, time.value.clock !== null, log);
  if (!cleaned.ok) return cleaned;
  const rows = cleaned.value;
  const present = Math.min(rows.time_s.length, countPresent(rows.channels.ect_c));
  if (present < FEWEST_ROWS) return fail(tooFew(present, ' with a time and a temperature', lastLine));
  if (!rows.time_s.every((t, i) => Number.isFinite(t) && (i === 0 || t > rows.time_s[i - 1]!))) {
    return fail(
      ask(input, `The times of ${timeHeader(source, time.value)} do not run on. Choose another time column.`),
    );
  }
  const hurried = chosen ? null : tooHurried(input, source, time.value, rows);
  if (hurried) return fail(hurried);
  const whole = lookAtWhole(rows);
  if (whole.question !== null && !chosen) return fail(ask(input, whole.question));
  const { ect_c, ...others } = rows.channels;
  for (const name of whole.leaveOut) if (name !== 'ect_c') delete others[name];
  const kept = taken.filter((t) => !(whole.leaveOut as readonly string[]).includes(t.channel));
  const start = rows.time_s[0]!;
  const time_s = rows.time_s.map((t) => t - start);
  return ok({
    trace: { time_s, channels: { ...others, ect_c: ect_c! } },
    guesses,
    previews: previewsOf(table),
    options,
    report: {
      rows: time_s.length,
      duration_s: time_s.at(-1)!,
      format: source.described,
      columns: [...timeColumns(source, time.value), ...kept],
      ignored: ignoredHeaders(source, time.value, kept),
      notes: [
        ...mapping.value.notes,
        ...remarks(rows, time.value, source),
        ...(whole.question === null ? [] : [whole.question]),
        ...whole.notes,
        ...source.notes(),
      ],
      cleaning: log.entries,
      clock: startOf(time.value, start),
      marks: marksOf(source, rows, time_s),
      headers: headersOf(source),
    },
  });
}

/** Marks of a file at the time of their line, or of the nearest line before that carries a time. */
function marksOf(source: Source, rows: CleanRows, time_s: Float64Array): LogMark[] {
  const all = source.table.columns.flatMap((c) => c.marks ?? []);
  if (all.length === 0) return [];
  const byLine = Array.from(rows.lines.keys()).sort((a, b) => rows.lines[a]! - rows.lines[b]!);
  const place = bisector((i: number) => rows.lines[i]!);
  return all
    .map(({ line, text }) => ({ at_s: time_s[byLine[Math.max(0, place.right(byLine, line) - 1)]!]!, text }))
    .sort((a, b) => a.at_s - b.at_s);
}

const timeColumns = (source: Source, time: ResolvedTime): TakenColumn[] =>
  time.columns.map((column) => ({
    column,
    header: source.table.columns[column]!.header,
    channel: 'time_s',
    unit: time.unit,
    confidence: time.guessed ? 'likely' : 'sure',
    origin: time.guessed ? 'values' : 'header',
    why: time.guessed ? 'unit from its steps' : 'from its cells',
  }));

function ignoredHeaders(source: Source, time: ResolvedTime, taken: readonly TakenColumn[]): string[] {
  const used = new Set([...time.columns, ...taken.map((t) => t.column)]);
  return source.table.columns.filter((c, i) => c.header !== '' && !used.has(i)).map((c) => c.header);
}

/** The clock at the first row of the trace, which need not be the first of the file. */
function startOf(time: ResolvedTime, start_s: number): ImportReport['clock'] {
  if (!time.clock) return null;
  const first = time.seconds.find(Number.isFinite)!;
  return { ...time.clock, start_s: time.clock.start_s + start_s - first };
}
