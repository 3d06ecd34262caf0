import { CHANNEL_NAMES, type ChannelName } from '../../base';
import { pickRows, type CleaningLog, type CleanRows } from './cleaning';
import type { Source } from '../table/readers';
import { LineList, plural } from '../table/lineList';

/** Times of rows without one, spread evenly between the rows around them; NaN before the first and after the last. */
function filledTimes(seconds: Float64Array): Float64Array {
  const filled = Float64Array.from(seconds);
  let before = -1;
  seconds.forEach((s, i) => {
    if (!Number.isFinite(s)) return;
    for (let k = before + 1; before >= 0 && k < i; k++) {
      filled[k] = seconds[before]! + ((s - seconds[before]!) * (k - before)) / (i - before);
    }
    before = i;
  });
  return filled;
}

/** Rows that carry a time, with their values, but for those to leave `out`; those without one are left out, or by choice given one. */
export function timedRows(
  source: Source,
  seconds: Float64Array,
  channels: Partial<Record<ChannelName, Float64Array>>,
  out: ReadonlySet<number>,
  log: CleaningLog,
): CleanRows {
  const lines = source.table.lines.values(source.table.rows);
  const place = log.otherwise('lines-without-time');
  const times = place ? filledTimes(seconds) : seconds;
  const kept: number[] = [];
  const without = new LineList();
  seconds.forEach((s, i) => {
    if (out.has(i)) return;
    if (!Number.isFinite(s)) without.add(lines[i]!);
    if (Number.isFinite(times[i]!)) kept.push(i);
  });
  const verb = place ? 'given a time between their neighbours' : 'left out';
  log.note(
    'lines-without-time',
    without,
    `${plural(without.count, 'line', 'lines')} without a time ${without.count === 1 ? 'was' : 'were'} ${verb}.`,
    place ? 'Leave them out' : 'Place them between their neighbours',
    !place,
  );
  if (kept.length === seconds.length) return { time_s: times, lines, channels };
  const take = (values: Float64Array): Float64Array => Float64Array.from(kept, (i) => values[i]!);
  const picked: Partial<Record<ChannelName, Float64Array>> = {};
  for (const name of CHANNEL_NAMES) if (channels[name]) picked[name] = take(channels[name]);
  return { time_s: take(times), lines: take(lines), channels: picked };
}

/**
 * Rows of one reading each, put into the order of time where every channel by itself stands in it: a file may hold one
 * channel after the other.
 */
export function interleaved(rows: CleanRows): CleanRows {
  for (const name of CHANNEL_NAMES) {
    const values = rows.channels[name];
    let before = -Infinity;
    for (let i = 0; values && i < values.length; i++) {
      if (!Number.isFinite(values[i]!)) continue;
      if (rows.time_s[i]! < before) return rows;
      before = rows.time_s[i]!;
    }
  }
  const order = Array.from(rows.time_s.keys()).sort((a, b) => rows.time_s[a]! - rows.time_s[b]! || a - b);
  return pickRows(rows, order);
}
