import { describe, expect, it } from 'vitest';
import { readTrace } from '@/core/formats';
import { recordingFile } from './recordingFile';

describe('a recording as a file', () => {
  const rows = [
    { time_s: 0, values: { ect_c: 10, rpm: 800.25 } },
    { time_s: 1.2004, values: { ect_c: 11 } },
    { time_s: 2.4, values: { ect_c: 12, rpm: 900 } },
  ];

  it('reads back as the trace, missing answers as gaps', () => {
    const read = readTrace(recordingFile(rows, []));
    if (!read.ok) throw new Error(read.error.message);
    expect([...read.value.trace.time_s]).toEqual([0, 1.2, 2.4]);
    expect([...read.value.trace.channels.rpm!]).toEqual([800.25, NaN, 900]);
  });

  it('puts marks beside the row they fell on, formulas made harmless', () => {
    const marks = [
      { time_s: 1, text: 'heater hot' },
      { time_s: 9, text: '=1+1' },
    ];
    const lines = recordingFile(rows, marks).split('\r\n');
    expect(lines[2]).toBe('1.2,11,,heater hot');
    expect(lines[3]).toMatch(/^2.4,12,900,"?'=1\+1"?$/);
  });
});
