import { pick, whole, type Random } from './truth';
import type { Written } from './writers';

/** What happens to a log on its way: to its lines, or to its bytes. */
export type Mutation = { readonly name: string } & (
  | { readonly lines: (log: Written, random: Random) => void }
  | { readonly bytes: (bytes: Uint8Array, random: Random) => Uint8Array }
);

const row = (log: Written, random: Random): number =>
  whole(random, Math.min(1, log.lines.length - 1), log.lines.length - 1);
const cellsOf = (log: Written, at: number): string[] => log.lines[at]!.split(log.delimiter);

function onCells(name: string, change: (cells: string[], at: number, random: Random) => void): Mutation {
  return {
    name,
    lines: (log, random) => {
      const at = row(log, random);
      const cells = cellsOf(log, at);
      change(cells, whole(random, 0, cells.length - 1), random);
      log.lines[at] = cells.join(log.delimiter);
    },
  };
}

function onMany(name: string, change: (cells: string[], at: number, random: Random) => void): Mutation {
  return {
    name,
    lines: (log, random) => {
      const share = pick(random, [0.05, 0.15, 0.5, 1]);
      const at = whole(random, 0, cellsOf(log, log.lines.length - 1).length - 1);
      for (let i = 1; i < log.lines.length; i++) {
        if (random() > share) continue;
        const cells = cellsOf(log, i);
        change(cells, Math.min(at, cells.length - 1), random);
        log.lines[i] = cells.join(log.delimiter);
      }
    },
  };
}

const GARBAGE = ['x', '', 'NaN', '1e308', '99999', '-1', '??', '1970-01-01', '0x1F', '"', '12:', 'null', '1.2.3', '°C'];

/** The header: the first line in which most cells are words. */
const headerAt = (log: Written): number =>
  Math.max(
    0,
    log.lines.findIndex((l) => l.split(log.delimiter).length > 1),
  );

export const MUTATIONS: readonly Mutation[] = [
  onCells('a cell lost', (cells, at) => cells.splice(at, 1)),
  onCells('a cell too many', (cells, at) => cells.splice(at, 0, '5')),
  onCells('a cell of garbage', (cells, at, random) => (cells[at] = pick(random, GARBAGE))),
  onCells(
    'a unit behind a cell',
    (cells, at, random) => (cells[at] += pick(random, [' F', '°F', ' C', ' km/h', ' x'])),
  ),
  onCells('a digit changed', (cells, at, random) => {
    cells[at] = cells[at]!.replace(/\d/, String(whole(random, 0, 9)));
  }),
  onCells('a digit more', (cells, at, random) => (cells[at] += String(whole(random, 0, 9)))),
  onCells('a comma for a point', (cells, at) => (cells[at] = cells[at]!.replace('.', ','))),
  onMany('cells lost', (cells, at) => cells.splice(at, 1)),
  onMany('cells emptied', (cells, at) => (cells[at] = '')),
  onMany('decimal commas unquoted', (cells, at) => (cells[at] = cells[at]!.replace('.', ','))),
  onMany('words for missing', (cells, at, random) => (cells[at] = pick(random, ['NaN', '-', 'N/A', 'no data']))),
  {
    name: 'a line lost',
    lines: (log, random) => void log.lines.splice(row(log, random), 1),
  },
  {
    name: 'a line twice',
    lines: (log, random) => {
      const at = row(log, random);
      log.lines.splice(at, 0, log.lines[at]!);
    },
  },
  {
    name: 'a line moved',
    lines: (log, random) => {
      const [line] = log.lines.splice(row(log, random), 1);
      log.lines.splice(row(log, random), 0, line!);
    },
  },
  {
    name: 'a line cut',
    lines: (log, random) => {
      const at = row(log, random);
      log.lines[at] = log.lines[at]!.slice(0, whole(random, 0, log.lines[at]!.length));
    },
  },
  { name: 'the end lost', lines: (log, random) => void log.lines.splice(whole(random, 5, log.lines.length)) },
  {
    name: 'the end cut within a line',
    lines: (log, random) => {
      log.lines.splice(whole(random, 5, log.lines.length));
      const last = log.lines.length - 1;
      log.lines[last] = log.lines[last]!.slice(0, whole(random, 1, log.lines[last]!.length));
    },
  },
  {
    name: 'a stray quote',
    lines: (log, random) => {
      const at = row(log, random);
      const place = whole(random, 0, log.lines[at]!.length);
      log.lines[at] = `${log.lines[at]!.slice(0, place)}"${log.lines[at]!.slice(place)}`;
    },
  },
  {
    name: 'the header again',
    lines: (log, random) => void log.lines.splice(row(log, random), 0, log.lines[headerAt(log)]!),
  },
  {
    name: 'the header again, shorter and turned',
    lines: (log, random) => {
      const cells = cellsOf(log, headerAt(log));
      log.lines.splice(
        row(log, random),
        0,
        cells
          .reverse()
          .slice(0, whole(random, 1, cells.length))
          .join(log.delimiter),
      );
    },
  },
  { name: 'the header lost', lines: (log) => void log.lines.splice(headerAt(log), 1) },
  {
    name: 'the header late',
    lines: (log, random) => {
      const [line] = log.lines.splice(headerAt(log), 1);
      log.lines.splice(whole(random, 1, Math.min(110, log.lines.length)), 0, line!);
    },
  },
  {
    name: 'a name lost',
    lines: (log, random) => {
      const at = headerAt(log);
      const cells = cellsOf(log, at);
      cells.splice(whole(random, 0, cells.length - 1), 1);
      log.lines[at] = cells.join(log.delimiter);
    },
  },
  {
    name: 'a name too many',
    lines: (log, random) => {
      const at = headerAt(log);
      const cells = cellsOf(log, at);
      cells.splice(whole(random, 0, cells.length), 0, 'Latitude');
      log.lines[at] = cells.join(log.delimiter);
    },
  },
  {
    name: 'two names exchanged with their columns',
    lines: (log) => {
      for (let i = headerAt(log); i < log.lines.length; i++) {
        const cells = cellsOf(log, i);
        if (cells.length > 2) [cells[1], cells[2]] = [cells[2]!, cells[1]!];
        log.lines[i] = cells.join(log.delimiter);
      }
    },
  },
  {
    name: 'blank lines',
    lines: (log, random) => {
      for (let k = 0; k < 5; k++)
        log.lines.splice(row(log, random), 0, pick(random, ['', ' ', log.delimiter.repeat(3)]));
    },
  },
  {
    name: 'another unit from the middle on',
    lines: (log, random) => {
      if (log.lines.some((l) => l.includes('"'))) return;
      const middle = whole(random, Math.floor(log.lines.length / 6), log.lines.length - 1);
      const header = cellsOf(log, headerAt(log));
      const at = header.findIndex((h) => /ect_c|cool|kühl|refroid|koel/i.test(h));
      for (let i = middle; at > 0 && i < log.lines.length; i++) {
        const cells = cellsOf(log, i);
        const value = Number(cells[at]);
        const other = log.american ? (value - 32) / 1.8 : 1.8 * value + 32;
        if (Number.isFinite(value)) cells[at] = other.toFixed(1);
        log.lines[i] = cells.join(log.delimiter);
      }
    },
  },
  {
    name: 'a footer',
    lines: (log) => void log.lines.push('', `Average${log.delimiter}55.1${log.delimiter}30`, 'End of log'),
  },
  {
    name: 'a byte changed',
    bytes: (bytes, random) => {
      const out = bytes.slice();
      for (let k = 0; k < whole(random, 1, 3); k++) out[whole(random, 0, out.length - 1)] = whole(random, 0, 255);
      return out;
    },
  },
  {
    name: 'bytes lost',
    bytes: (bytes, random) => {
      const at = whole(random, 0, bytes.length - 1);
      const length = whole(random, 1, 60);
      return Uint8Array.from([...bytes.subarray(0, at), ...bytes.subarray(at + length)]);
    },
  },
  { name: 'cut off', bytes: (bytes, random) => bytes.slice(0, whole(random, 1, bytes.length)) },
];
