import { describe, expect, it } from 'vitest';
import { readTrace } from './index';

const read = (text: string) => {
  const result = readTrace(text);
  if (!result.ok) throw new Error(result.error.message);
  return result.value;
};
const rows = (cell: (t: number) => string, header = 'mark') =>
  `time_s,ect_c,${header}\n${Array.from({ length: 60 }, (_, t) => `${t},${20 + t},${cell(t)}`).join('\n')}\n`;

describe('a column of marks', () => {
  it('is read as marks at the moments of its rows, and is no unreadable column', () => {
    const { report, trace } = read(rows((t) => (t === 12 ? 'fan on' : t === 40 ? '"hose warm, top"' : '')));
    expect(report.marks).toEqual([
      { at_s: 12, text: 'fan on' },
      { at_s: 40, text: 'hose warm, top' },
    ]);
    expect(report.cleaning).toEqual([]);
    expect(Object.keys(trace.channels)).toEqual(['ect_c']);
  });

  it.each(['Mark', 'EVENT', 'comments', 'Marker', 'remark'])('goes by the name %s as well', (header) => {
    expect(read(rows((t) => (t === 5 ? 'smoke' : ''), header)).report.marks).toEqual([{ at_s: 5, text: 'smoke' }]);
  });

  it('a counter marks where it changes, not every row after', () => {
    const { report } = read(rows((t) => String(t < 20 ? 0 : t < 40 ? 1 : 2)));
    expect(report.marks).toEqual([
      { at_s: 20, text: '1' },
      { at_s: 40, text: '2' },
    ]);
  });

  it('words in any other column are none, and a row without a time lends its mark the one before', () => {
    expect(read(rows((t) => (t === 5 ? 'smoke' : ''), 'driver')).report.marks).toEqual([]);
    const text = rows((t) => (t === 30 ? 'needle moved' : '')).replace('\n30,', '\n,');
    expect(read(text).report.marks).toEqual([{ at_s: 29, text: 'needle moved' }]);
  });

  it('a log full of words is cut off, not kept whole', () => {
    const many = `time_s,ect_c,comment\n${Array.from({ length: 2000 }, (_, t) => `${t},50,word ${t}`).join('\n')}\n`;
    expect(read(many).report.marks.length).toBeLessThanOrEqual(400);
  });
});
