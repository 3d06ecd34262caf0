import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LineCutter } from '../table/lineCutter';
import { readTrace } from '..';

const rows = (cells: (i: number) => string): string => Array.from({ length: 60 }, (_, i) => cells(i)).join('\n');
const ect = (i: number): number => 15 + i;

function read(text: string) {
  const result = readTrace(`${text}\n`);
  if (!result.ok) throw new Error(`${result.error.code}: ${result.error.message}`);
  return result.value;
}
function question(text: string) {
  const result = readTrace(`${text}\n`);
  if (result.ok) throw new Error('was read');
  return result.error;
}

const asked = (text: string) => question(text).question!;

describe('what a column is', () => {
  it('says how sure it is and why', () => {
    const { report } = read(`Time,Coolant (°C),n [1/min]\n${rows((i) => `${i},${ect(i)},800`)}`);
    expect(report.columns.map((c) => [c.channel, c.confidence, c.why])).toEqual([
      ['time_s', 'likely', 'unit from its steps'],
      ['ect_c', 'sure', 'from its header'],
      ['rpm', 'likely', 'from its unit'],
    ]);
  });

  it('a question tells of each guess what it is made from', () => {
    const { guesses } = asked(
      `time_s,alpha,beta,remark\n${rows((i) => `${i},${ect(i) + (i % 4)},${ect(i) + (i % 3)},x`)}`,
    );
    expect(guesses.map((g) => [g.channel, g.origin])).toEqual([
      ['time_s', 'header'],
      ['ect_c', 'values'],
      ['ect_c', 'values'],
      [null, 'none'],
    ]);
  });

  it('one temperature alone is taken for the coolant, and it says so', () => {
    expect(read(`t,temp\n${rows((i) => `${i},${ect(i)}`)}`).report.notes.join()).toMatch(/only temperature/);
  });

  it('the same sensor told twice is no second sensor', () => {
    const { trace, report } = read(`t,ECT (°C),ECT (°F)\n${rows((i) => `${i},${ect(i)},${1.8 * ect(i) + 32}`)}`);
    expect(trace.channels.ect2_c).toBeUndefined();
    expect(report.notes.join()).toMatch(/same readings/);
  });

  it('another coolant reading is a second sensor', () => {
    const { trace } = read(`t,ECT (°C),Coolant temp B2 (°C)\n${rows((i) => `${i},${ect(i)},${ect(i) - 9}`)}`);
    expect(trace.channels.ect2_c![0]).toBe(6);
  });

  it('the wheels are believed before the satellites', () => {
    const { trace } = read(`t,ECT,GPS speed (km/h),Vehicle speed (km/h)\n${rows((i) => `${i},${ect(i)},51,50`)}`);
    expect(trace.channels.speed_kmh![0]).toBe(50);
  });

  it.each([
    ['a volt is no degree', 'coolant (V)', (i: number) => 4 - i / 30, 'no-temperature'],
    ['a target is no reading', 'coolant target (°C)', () => 90, 'no-temperature'],
    ['the gearbox is no engine', 'gearbox oil temp (°C)', ect, 'no-temperature'],
  ] as const)('%s', (_, header, value, code) => {
    expect(question(`time,${header}\n${rows((i) => `${i},${value(i)}`)}`).code).toBe(code);
  });

  it.each([
    ['no header at all', rows((i) => `${i},${ect(i)}`), /no row with the names/],
    ['a number of the sample for a time', `Sample,Coolant\n${rows((i) => `${i},${ect(i)}`)}`, /It may be Sample/],
    ['°C in the header, °F in the values', `t,Coolant (°C)\n${rows((i) => `${i},${60 + 2.4 * i}`)}`, /may be °F/],
    [
      'mph beside a cool reading without unit',
      `t,Coolant,Speed (mph)\n${rows((i) => `${i},${ect(i)},30`)}`,
      /fit both/,
    ],
    ['thousands or decimals', `t;Coolant\n${rows((i) => `1,${200 + 5 * i};${ect(i)}`)}`, /1,234/],
  ])('%s is asked about, with previews', (_, text, message) => {
    const error = question(text);
    expect(error).toMatchObject({ code: 'needs-mapping', message: expect.stringMatching(message) });
    const { guesses, previews } = error.question!;
    expect(previews).toHaveLength(guesses.length);
    expect(previews.every((p) => p.length > 10)).toBe(true);
  });

  it('a reading that never moves is suspect', () => {
    expect(read(`t,Coolant (°C)\n${rows((i) => `${i},40`)}`).report.notes.join()).toMatch(/never moves/);
  });

  it('relays that are on or off command all or nothing; measurements that are off are missing', () => {
    const { trace } = read(
      `t,ECT (°C),Fan\n${rows((i) => `${i},${i === 5 ? 'off' : ect(i)},${i > 30 ? 'ON' : 'OFF'}`)}`,
    );
    expect(trace.channels.ect_c[5]).toBeNaN();
    expect([trace.channels.fan_pct![0], trace.channels.fan_pct![40]]).toEqual([0, 100]);
  });

  it('the clock at the start is kept for a second log', () => {
    expect(read(`t,ECT\n${rows((i) => `08:00:${String(i).padStart(2, '0')},${ect(i)}`)}`).report.clock).toEqual({
      kind: 'day',
      start_s: 28_800,
    });
  });
});

describe('cutting text into lines', () => {
  it('gives the same lines whatever the pieces, quoted breaks kept whole', () => {
    const piece = fc.constantFrom('a', '"', '\n', '\r\n', '\r', ',', '1', '"x\ny"');
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 60 }), fc.integer({ min: 1, max: 9 }), (pieces, size) => {
        const text = pieces.join('');
        const cutter = new LineCutter();
        let out = '';
        for (let at = 0; at < text.length; at += size) {
          const got = cutter.push(text.slice(at, at + size));
          expect(got === '' || got.endsWith('\n')).toBe(true);
          out += got;
        }
        expect(out + cutter.finish()).toBe(text.replace(/\r\n?/g, '\n'));
      }),
    );
  });
});
