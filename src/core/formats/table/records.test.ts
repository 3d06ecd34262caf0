import { describe, expect, it } from 'vitest';
import { bad, good, table, warming } from '../testSupport';
import { chooseDelimiter, RecordSplitter } from './records';

const split = (text: string, delimiter = ',') => {
  const splitter = new RecordSplitter(delimiter);
  const rows = [...splitter.push(text), ...splitter.finish()];
  return { rows: rows.map((r) => r.cells), lines: rows.map((r) => r.line), strays: splitter.strays.lines };
};

describe('RecordSplitter', () => {
  it('quoted cells, with delimiters, doubled quotes and line breaks', () => {
    const { rows, lines } = split('a,"b,1",c\n"d ""x""",e,f\n"g\nh",i,j\nk,l,m\n');
    expect(rows).toEqual([
      ['a', 'b,1', 'c'],
      ['d "x"', 'e', 'f'],
      ['g\nh', 'i', 'j'],
      ['k', 'l', 'm'],
    ]);
    expect(lines).toEqual([1, 2, 3, 5]);
  });

  it('a stray quote costs its own line nothing, and is said', () => {
    const { rows, strays } = split('a,b,c\n1,"2,3\n4,5,6\n');
    expect(rows).toEqual([
      ['a', 'b', 'c'],
      ['1', '2', '3'],
      ['4', '5', '6'],
    ]);
    expect(strays).toEqual([2]);
    const { report } = good(table('time_s,ect_c', 40, (i) => `${i},${i === 9 ? '"' : ''}${warming(i)}`));
    expect(report.notes.join()).toMatch(/1 line holds a stray quote mark, first line 11/);
  });

  it('an opened quote that never ends holds nothing back', () => {
    const rows = Array.from({ length: 60 }, (_, i) => `${i},x${i === 20 ? ',"' : ''}`);
    expect(split(rows.join('\n')).rows).toHaveLength(60);
  });

  it('the same rows whatever the pieces', () => {
    const text = 'a,"b\nc",d\n1,2,3\n"4,5",6,7\n';
    const splitter = new RecordSplitter(',');
    const rows = [...text.matchAll(/[^\n]*\n/g)].flatMap((m) => splitter.push(m[0]));
    expect([...rows, ...splitter.finish()].map((r) => r.cells)).toEqual(split(text).rows);
  });

  it.each([
    ['comma', 'a,b\n1,2\n', ','],
    ['semicolon with decimal commas', 'a;b\n1,5;2,5\n1,6;2,6\n', ';'],
    ['tab', 'a\tb\n1\t2\n', '\t'],
    ['blanks', 'time_s   Coolant temp\n0        20.5\n10       21.5\n', 'aligned by blanks'],
    ['single blanks', ' time_s ect_c rpm\n1      0  20.5 800\n2     10  21.5 810\n', 'parted by blanks'],
    ['named', 'sep=|\na|b\n', '|'],
  ])('%s', (_, text, delimiter) => expect(chooseDelimiter(text)).toBe(delimiter));
});

describe('tables as shells print them', () => {
  const line = (i: number): string =>
    `${String(10 * i).padStart(6)} | ${warming(i).toFixed(1).padStart(5)} | ${800 + i}`;
  it.each([
    [
      'with rules',
      `${table(' time_s | ect_c | rpm ', 40, line).replace('\n', '\n--------+-------+-----\n')}(40 rows)\n`,
    ],
    [
      'in boxes',
      `┌────────┬───────┬─────┐\n${table('│ time_s │ ect_c │ rpm │', 40, (i) => `│${line(i).replaceAll('|', '│')}│`)}└────────┴───────┴─────┘\n`,
    ],
    ['with a number in front', table('  time_s ect_c rpm', 40, (i) => `${i + 1} ${line(i).replaceAll('|', '')}`)],
  ])('%s', (_, text) => {
    const { trace } = good(text);
    expect(trace.channels.ect_c[10]).toBe(warming(10));
    expect(trace.channels.rpm![39]).toBe(839);
    expect(trace.time_s.at(-1)).toBe(390);
  });
});

describe('text that was made to take long takes no time', () => {
  const rows = table('time_s,ect_c,rpm', 300, (i) => `${i},${warming(i / 3)},800`);
  it.each([
    ['a heading of dashes', `${'-'.repeat(100_000)}\n${rows}`],
    ['a heading of quotes', `${'"'.repeat(200_001)}\n${rows}`],
    ['a heading of commas', `${','.repeat(100_000)}\n${rows}`],
    ['brackets in a name', rows.replace('rpm', `rpm ${'['.repeat(100_000)}`)],
    ['a cell of digits', rows.replace('800', '8'.repeat(100_000))],
  ])('%s', (_, text) => {
    const { report } = good(text);
    expect(report.rows).toBeGreaterThanOrEqual(299);
    expect(JSON.stringify(report).length).toBeLessThan(10_000);
  });

  it('more blank lines than any log has are refused', () => {
    expect(bad(`time_s,ect_c\n${'\n'.repeat(1_100_000)}`)).toMatchObject({ code: 'too-large' });
  });

  it('messages are short, whatever a cell holds', () => {
    expect(bad(table('time_s,ect_c', 30, () => `0,${'x'.repeat(50_000)}`)).message.length).toBeLessThan(400);
  });
});
