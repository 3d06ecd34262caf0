import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  createRememberingReader,
  readTrace,
  writeTrace,
  type ImportErrorCode,
  type ReadOptions,
  type Remembered,
} from './index';

const good = (text: string) => {
  const read = readTrace(text);
  if (!read.ok) throw new Error(read.error.message);
  return read.value;
};
const bad = (text: string) => {
  const read = readTrace(text);
  if (read.ok) throw new Error('was read');
  return read.error;
};

describe('readTrace: what it understands', () => {
  it('the canonical CSV with gaps', () => {
    const { trace, report } = good('time_s,ect_c,rpm\n0,12,800\n1,,820\n2,13,\n3,13,810\n');
    expect([...trace.time_s]).toEqual([0, 1, 2, 3]);
    expect([...trace.channels.ect_c]).toEqual([12, NaN, 13, 13]);
    expect([...trace.channels.rpm!]).toEqual([800, 820, NaN, 810]);
    expect(report).toMatchObject({ rows: 4, duration_s: 3, ignored: [], notes: [] });
  });

  it.each([
    ['Elapsed time (s),Engine Coolant Temperature (°F)\n0,50\n1,51.8\n2,53.6\n', [10, 11, 12]],
    ['Time,Coolant temp\n00:00:00,10\n00:00:01,11\n00:00:02,12\n', [10, 11, 12]],
    ['Zeit [s];Kühlmitteltemperatur [°C]\n0,0;10,5\n1,0;11\n2,0;12\n', [10.5, 11, 12]],
    ['Logger 7\nDrive 3\n\ntime\tECT\n0\t10\n1\t11\n2\t12\n', [10, 11, 12]],
    ['time,coolant temp\ns,degF\n0,50\n1,51.8\n2,53.6\n', [10, 11, 12]],
    ['time,name,value\n0,Coolant temperature,10\n1,Coolant temperature,11\n2,Coolant temperature,12\n', [10, 11, 12]],
    ['time_ms,ect_c\n0,10\n1000,11\n2000,12\n', [10, 11, 12]],
    ['sep=;\ntime_s;ect_c\n0;10\n1;11\n2;12\n', [10, 11, 12]],
  ])('%j', (text, expected) => {
    const { trace } = good(text);
    expect([...trace.channels.ect_c].map((v) => Math.round(v * 100) / 100)).toEqual(expected);
    expect([...trace.time_s]).toEqual([0, 1, 2]);
  });

  it('clock time past midnight', () => {
    const { trace } = good('clock,coolant\n23:59:59,10\n00:00:00,11\n00:00:01,12\n');
    expect([...trace.time_s]).toEqual([0, 1, 2]);
  });

  it('°F from the values when no unit is written, and says so', () => {
    const rows = Array.from({ length: 20 }, (_, i) => `${i},${60 + 7 * i}`).join('\n');
    const { trace, report } = good(`time_s,coolant\n${rows}\n`);
    expect(trace.channels.ect_c[0]).toBeCloseTo(15.56, 1);
    expect(report.notes.join()).toMatch(/°F/);
  });

  it('asks where the values fit °C and °F alike, and takes the answer', () => {
    const rows = Array.from({ length: 20 }, (_, i) => `${i},${40 + 4.5 * i}`).join('\n');
    const text = `time_s,coolant\n${rows}\n`;
    expect(bad(text)).toMatchObject({ code: 'needs-mapping', message: expect.stringMatching(/fit both °C and °F/) });
    const read = readTrace(text, {
      mapping: { 0: { channel: 'time_s', unit: 's' }, 1: { channel: 'ect_c', unit: '°F' } },
    });
    expect(read.ok && read.value.trace.channels.ect_c[0]).toBeCloseTo(4.44, 2);
  });

  it('mph, and rows of one channel each', () => {
    const { trace } = good('time_s,coolant temp (°C),vehicle speed (mph)\n0,20,\n0,,10\n1,21,\n1,,20\n2,22,\n2,,30\n');
    expect([...trace.time_s]).toEqual([0, 1, 2]);
    expect(trace.channels.speed_kmh![2]).toBeCloseTo(48.28, 2);
  });

  it('counts what it leaves out', () => {
    const { trace, report } = good('time_s,ect_c,comment\n0,12,a\n1,900,b\n2,oops,c\n3,13,d\n4,14,e\n5,15,f\n6,15,g\n');
    expect([...trace.channels.ect_c].filter(Number.isFinite)).toEqual([12, 13, 14, 15, 15]);
    expect(report.ignored).toEqual(['comment']);
    expect(report.cleaning).toMatchObject([
      { kind: 'unreadable-cells', count: 1, lines: [4], what: expect.stringMatching(/in ect_c was left out/) },
      { kind: 'impossible-values', count: 1, lines: [3], applied: true },
    ]);
  });

  it('a choice by hand', () => {
    const read = readTrace('t;A;B\n0;10;700\n1;11;800\n2;12;900\n', {
      mapping: { 0: { channel: 'time_s', unit: 's' }, 1: { channel: 'ect_c', unit: '°C' } },
    });
    expect(read.ok && [...read.value.trace.channels.ect_c]).toEqual([10, 11, 12]);
  });
});

describe('readTrace: what it refuses, where, and how to mend it', () => {
  it.each<[string, ImportErrorCode, RegExp, number | null]>([
    ['', 'empty', /empty/, null],
    ['1,2\n3,4\n', 'no-header', /header row/, 1],
    ['time_s,rpm\n0,700\n1,800\n2,900\n', 'no-temperature', /No coolant temperature column on line 1/, 1],
    ['ect_c,rpm\n10,700\n11,800\n12,900\n', 'no-time', /No time column/, 1],
    ['time_s,ect_c\n0,10\n1,11\n', 'too-few-rows', /Only 2 rows/, 3],
    ['time_s,ect_c\n0,\n1,\n2,\n3,\n', 'all-empty', /no temperature at all/, 2],
    ['time_s,ect_c\n5,10\n4,11\n3,12\n2,13\n', 'time-backwards', /backwards from line 3 on/, 3],
    ['time_s,ect_c\n0,x\n1,y\n2,z\n3,10\n', 'bad-number', /"x" on line 2, column ect_c/, 2],
    ['time_s,temp a,temp b\n0,1,2\n1,1,2\n2,1,2\n', 'needs-mapping', /Choose which one/, 1],
  ])('%j', (text, code, message, line) => {
    const error = bad(text);
    expect(error.code).toBe(code);
    expect(error.message).toMatch(message);
    expect(error.line).toBe(line);
  });
});

describe('readTrace: properties', () => {
  /** Coolants that move as coolants do: what leaps about is asked about. */
  const series = fc
    .tuple(
      fc.integer({ min: -20, max: 100 }),
      fc.array(fc.integer({ min: -4, max: 4 }), { minLength: 4, maxLength: 40 }),
    )
    .map(([start, steps]) => {
      let at = start;
      return steps.map((step) => (at = Math.max(-39, Math.min(130, at + step))));
    });

  it('reads back what it writes', () => {
    fc.assert(
      fc.property(series, series, (ect, other) => {
        const n = Math.min(ect.length, other.length);
        const trace = {
          time_s: Float64Array.from({ length: n }, (_, i) => i * 0.5),
          channels: { ect_c: Float64Array.from(ect.slice(0, n)), iat_c: Float64Array.from(other.slice(0, n)) },
        };
        const back = good(writeTrace(trace)).trace;
        expect(back.time_s).toEqual(trace.time_s);
        expect(back.channels).toEqual(trace.channels);
      }),
    );
  });

  const dialect = fc.record({
    delimiter: fc.constantFrom(',', ';', '\t', '|'),
    newline: fc.constantFrom('\n', '\r\n', '\r'),
    quote: fc.boolean(),
    comma: fc.boolean(),
    preamble: fc.nat(3),
    footer: fc.boolean(),
    units: fc.constantFrom('brackets', 'row', 'behind'),
    fahrenheit: fc.boolean(),
    time: fc.constantFrom('seconds', 'milliseconds', 'clock', 'iso', 'day first'),
    bom: fc.boolean(),
    trailing: fc.boolean(),
    repeated: fc.boolean(),
    doubled: fc.boolean(),
  });
  type Dialect = typeof dialect extends fc.Arbitrary<infer D> ? D : never;

  const two = (n: number): string => String(n).padStart(2, '0');
  const timeCell = (i: number, style: Dialect['time']): string => {
    const clock = `23:59:${two(i)}`;
    return {
      seconds: String(i),
      milliseconds: String(1000 * i),
      clock,
      iso: `2026-01-14T${clock}Z`,
      'day first': `14.01.2026 ${clock}`,
    }[style];
  };

  /** The series as a logger of this dialect writes it. */
  function written(ect: readonly number[], d: Dialect): string {
    const comma = d.comma && d.delimiter !== ',';
    const cell = (text: string): string => (d.quote ? `"${text}"` : text);
    const row = (cells: readonly string[]): string =>
      [...cells, ...(d.trailing ? [''] : [])].map(cell).join(d.delimiter);
    const number = (v: number): string => v.toFixed(1).replace('.', comma ? ',' : '.');
    const degree = d.fahrenheit ? '°F' : '°C';
    const timeUnit = d.time === 'milliseconds' ? 'ms' : 's';
    const stamped = d.time === 'clock' || d.time === 'iso' || d.time === 'day first';
    const named = (name: string, unit: string): string => (unit ? `${name} (${unit})` : name);
    const inBrackets = d.units === 'brackets';
    const header = row([
      named('time', stamped || d.units === 'row' ? '' : timeUnit),
      named('coolant temp', inBrackets ? degree : ''),
      'engine rpm',
    ]);
    const unitRow = d.units === 'row' ? [row([stamped ? '' : timeUnit, degree, 'rpm'])] : [];
    const lines = ect.map((v, i) => {
      const shown = number(d.fahrenheit ? 1.8 * v + 32 : v);
      return row([timeCell(i, d.time), d.units === 'behind' ? `${shown} ${degree}` : shown, '850']);
    });
    const middle = Math.floor(lines.length / 2);
    if (d.doubled) lines.splice(middle, 0, lines[middle]!);
    if (d.repeated) lines.splice(middle, 0, header);
    const before = Array.from({ length: d.preamble }, (_, i) => `note ${i}`);
    const after = d.footer ? ['', 'End of log'] : [];
    return (d.bom ? '\uFEFF' : '') + [...before, header, ...unitRow, ...lines, ...after, ''].join(d.newline);
  }

  it('the same series in any dialect, or a question, never another series', () => {
    let wholes = 0;
    let runs = 0;
    fc.assert(
      fc.property(series, dialect, (ect, d) => {
        const read = readTrace(written(ect, d));
        runs++;
        if (!read.ok) {
          expect(read.error.message.length).toBeGreaterThan(20);
          return;
        }
        wholes++;
        const { trace } = read.value;
        expect([...trace.time_s]).toEqual(ect.map((_, i) => i));
        trace.channels.ect_c.forEach((v, i) => expect(Math.abs(v - ect[i]!)).toBeLessThan(0.06));
      }),
      { numRuns: 500 },
    );
    // A reader that only asked would be no reader.
    expect(wholes).toBeGreaterThan(0.5 * runs);
  });

  it('never throws on noise', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (text) => {
        const read = readTrace(text);
        expect(read.ok || read.error.message.length > 0).toBe(true);
      }),
    );
  });
});

describe('choices made before for files with the same headers', () => {
  const rows = (cell: (i: number) => string) => Array.from({ length: 60 }, (_, i) => cell(i)).join('\n');
  const mapping = { 0: { channel: 'time_s', unit: 's' }, 2: { channel: 'ect_c', unit: '°F' } } as const;
  const remembered = (headers: readonly string[]) => (headers.join() === 'a,b,c' ? { mapping } : null);

  async function read(text: string, options: ReadOptions = {}, known: Remembered = remembered) {
    const { reader, again } = createRememberingReader(options, known);
    expect(reader.push(new TextEncoder().encode(text))).toBeNull();
    return { result: await reader.finish(), again: again() };
  }

  it.each([
    ['delimited', `a,b,c\n${rows((i) => `${i},5,${50 + i}`)}\n`],
    ['JSON', JSON.stringify(Array.from({ length: 60 }, (_, i) => ({ a: i, b: 5, c: 50 + i })))],
  ])('are taken at once: %s', async (_, text) => {
    const { result, again } = await read(text);
    expect(again).toBeNull();
    if (!result.ok) throw new Error(result.error.message);
    expect(result.value.options).toEqual({ mapping });
    expect(result.value.trace.channels.ect_c[18]).toBeCloseTo(20);
    expect(result.value.trace.time_s[18]).toBe(18);
  });

  it('ask for another reading only where cells mean something else by them', async () => {
    const words = await read(`a,b,c\n${rows((i) => `t${i},5,${50 + i}`)}\n`);
    expect(words.again).toEqual({ mapping });
    const commas = `a;b;c\n${rows((i) => `${i};"1,2${10 + (i % 9)}";${50 + i}`)}\n`;
    const numbers = { decimalComma: true, grouped: false };
    const open = await read(commas, {}, () => ({ mapping, numbers }));
    expect(open.again).toEqual({ mapping, numbers });
    const result = readTrace(commas, open.again!);
    expect(result.ok).toBe(true);
  });

  it('do not keep a damaged file from being asked about', async () => {
    const leap = (i: number): number => (i < 30 ? 60 + i : Math.round(1.8 * (60 + i) + 32));
    const text = `a,b,c\n${rows((i) => `${i},5,${leap(i)}`)}\n`;
    const { result } = await read(text);
    expect(!result.ok && result.error.message).toMatch(/unit changed there/);
    expect((await read(text, { mapping })).result.ok).toBe(true);
    const short = await read(`a,b,c\n${rows((i) => (i % 2 ? `${i},${50 + i}` : `${i},5,${50 + i}`))}\n`);
    expect(!short.result.ok && short.result.error.message).toMatch(/another number of cells/);
  });

  it('give way to those made now, and files with other headers know none', async () => {
    const text = `a,b,c\n${rows((i) => `${i},5,${50 + i}`)}\n`;
    const now = { 0: { channel: 'time_s', unit: 's' }, 2: { channel: 'ect_c', unit: '°C' } } as const;
    const { result } = await read(text, { mapping: now });
    expect(result.ok && result.value.trace.channels.ect_c[18]).toBe(68);
    const other = await read(text.replace('a,b,c', 'a,b,d'));
    expect(!other.result.ok && other.result.error.code).toBe('needs-mapping');
  });
});
