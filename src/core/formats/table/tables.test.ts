import { describe, expect, it } from 'vitest';
import { readTrace } from '..';
import { understandColumns } from '../columns/understand';
import { canLogReader } from './canLogReader';
import { jsonReader } from './jsonReader';
import { RowTable } from './rowTable';

const hex = (value: number): string => value.toString(16).toUpperCase().padStart(2, '0');
/** An answer to mode 01 as one frame: coolant (05) or engine speed (0C). */
const coolant = (t: number, id: string, c: number): string =>
  `(${t.toFixed(2)}) can0 ${id}#034105${hex(c + 40)}00000000`;
const speed = (t: number, id: string, rpm: number): string =>
  `(${t.toFixed(2)}) can0 ${id}#04410C${hex((4 * rpm) >> 8)}${hex((4 * rpm) & 255)}000000`;

describe('a CAN log of two control units', () => {
  const log = Array.from({ length: 40 }, (_, t) =>
    [coolant(t, '7E9', 70), coolant(t + 0.1, '7E8', 20 + t), speed(t + 0.2, '7E9', 1200)].join('\n'),
  ).join('\n');

  it('takes the engine’s word, and another’s only for what the engine does not say', () => {
    const reader = canLogReader();
    expect(reader.push(`${log}\n`)).toBeNull();
    expect(reader.finish()).toBeNull();
    const guesses = understandColumns(reader.source.table).map((g) => [g.header, g.channel]);
    expect(guesses).toEqual([
      ['time_s', 'time_s'],
      ['ect_c of control unit 7E9', null],
      ['ect_c', 'ect_c'],
      ['rpm', 'rpm'],
    ]);
    const read = readTrace(`${log}\n`);
    if (!read.ok) throw new Error(read.error.message);
    expect([...read.value.trace.channels.ect_c].filter(Number.isFinite)).toEqual(
      Array.from({ length: 40 }, (_, t) => 20 + t),
    );
  });

  it('does not go by what a column is called: a table may call its own coolant so', () => {
    const rows = Array.from({ length: 40 }, (_, t) => `${t},${20 + t}`).join('\n');
    const read = readTrace(`time_s,coolant temp of control unit (°C)\n${rows}\n`);
    expect(read.ok && read.value.trace.channels.ect_c[7]).toBe(27);
  });
});

describe('times of a CAN log', () => {
  const frames = (stamp: (i: number) => string): string =>
    Array.from({ length: 40 }, (_, i) => coolant(i, '7E8', 20 + i).replace(/^\([^)]*\)/, `(${stamp(i)})`)).join('\n');

  it('may be dates', () => {
    const read = readTrace(`${frames((i) => `2026-01-14 08:00:${String(i).padStart(2, '0')}.250000`)}\n`);
    expect(read.ok && read.value.report.clock).toEqual({
      kind: 'date',
      start_s: Date.UTC(2026, 0, 14, 8) / 1000 + 0.25,
    });
    expect(read.ok && read.value.report.duration_s).toBe(39);
  });

  it('may be steps from frame to frame, and it says so', () => {
    const read = readTrace(`${frames((i) => (i % 2 ? '000.900000' : '001.100000'))}\n`);
    if (!read.ok) throw new Error(read.error.message);
    expect(read.value.report.duration_s).toBeCloseTo(38.9, 6);
    expect(read.value.report.notes.join()).toMatch(/steps between frames/);
  });
});

describe('JSON with one reading per record', () => {
  const record = (time: number, name: string, value: number, unit = '') => JSON.stringify({ time, name, value, unit });

  it('a channel called as a key of the record has a column of its own; its unit comes with its first reading', () => {
    const reader = jsonReader(true, new Set());
    const lines = Array.from({ length: 12 }, (_, t) =>
      [record(t, 'value', 5 + t), record(t, 'coolant', 20 + t, '°C')].join('\n'),
    );
    expect(reader.push(`${lines.join('\n')}\n`)).toBeNull();
    expect(reader.source.table.columns.map((c) => c.header)).toEqual(['time', 'value', 'coolant (°C)']);
    expect(reader.source.table.rows).toBe(12);
    expect(reader.source.table.columns[1]!.numbers.get(11)).toBe(16);
  });
});

describe('a column taken for the time after its rows were read', () => {
  const filled = (cells: readonly string[], isTime = false): RowTable => {
    const table = new RowTable();
    table.addColumn('a', null, isTime);
    cells.forEach((cell, line) => {
      table.startRow(line);
      table.put(0, cell, line);
    });
    return table;
  };

  it('may hold plain numbers, and reads as one that was known from the first', () => {
    const late = filled(['0', '1.5', '3']);
    expect(late.takeAsTime(0)).toBe(true);
    const early = filled(['0', '1.5', '3'], true);
    const { kinds, numbers } = late.columns[0]!;
    expect(kinds).toEqual(early.columns[0]!.kinds);
    expect([...numbers.values(3)]).toEqual([...early.columns[0]!.numbers.values(3)]);
  });

  it('may not hold words, switches or units', () => {
    for (const cells of [
      ['t0', 't1'],
      ['on', 'off'],
      ['1 s', '2 s'],
    ])
      expect(filled(cells).takeAsTime(0)).toBe(false);
    expect(filled(['1']).takeAsTime(7)).toBe(false);
    expect(filled(['08:00:01'], true).takeAsTime(0)).toBe(true);
  });
});
