import { describe, expect, it } from 'vitest';
import type { Entry } from '@/core/case';
import { judgeNow } from '@/core/judge';
import { startingVehicle } from '@/core/planning';
import { channelLanes, driveRange, temperatureLane } from './deskLanes';
import { deskMarks } from '@/job/deskMarks';
import { deskSvg, type DeskPicture } from './deskPicture';
import { visibleTrace } from './visibleTrace';

const time_s = Float64Array.from({ length: 1500 }, (_, i) => i + 40);
const ect_c = time_s.map((t) => Math.round(88 - 80 * Math.exp(-(t - 40) / 220)));
const trace = {
  time_s,
  channels: {
    ect_c,
    iat_c: time_s.map(() => 12),
    speed_kmh: time_s.map((t) => (t % 100) * 0.9),
    fan_pct: time_s.map((t) => (t > 900 ? 100 : 0)),
    heater_pct: time_s.map(() => 40),
  },
};
const record = { trace, companion: null };
const finding = judgeNow(trace, startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false }));
const nothing = { band: false, cause: null, others: false, whatIf: null } as const;

describe('lanes of the desk', () => {
  it('are chosen by what was logged, the residual first once there is a finding', () => {
    expect(channelLanes(trace, null).map((l) => l.id)).toEqual(['speed', 'commands']);
    expect(channelLanes(trace, finding).map((l) => l.id)).toEqual(['residual', 'speed', 'commands']);
    const bare = { time_s, channels: { ect_c } };
    expect(channelLanes(bare, null)).toEqual([]);
  });

  it('have round figures that hold their values', () => {
    const speed = channelLanes(trace, null)[0]!;
    expect([speed.from, speed.to]).toEqual([0, 90]);
    const commands = channelLanes(trace, null)[1]!;
    expect(commands.channels).toEqual(['fan_pct', 'heater_pct']);
    expect(commands.to).toBe(100);
    expect(commands.title).toBe('Fan, blower');
  });

  it('the residual is the reading less what a sound vehicle would show', () => {
    const [residual] = channelLanes(trace, finding);
    const k = 40;
    const { measured_c, healthyMid_c } = finding.curves;
    expect(residual!.lane.curves[0]!.values[k]).toBeCloseTo(measured_c[k]! - healthyMid_c[k]!, 9);
  });

  it('lay band, causes, other temperatures and a what-if over the reading, each on demand', () => {
    const labels = (o: Partial<Parameters<typeof temperatureLane>[2]>) =>
      temperatureLane(record, finding, { ...nothing, ...o }).curves.map((c) => c.label);
    expect(labels({})).toEqual(['measured']);
    expect(labels({ others: true })).toEqual(['Intake air', 'measured']);
    expect(labels({ cause: 'sender-reads-low' })).toEqual(['Sender reads low', 'measured']);
    expect(temperatureLane(record, finding, { ...nothing, band: true }).bands).toHaveLength(1);
    expect(temperatureLane(record, null, { ...nothing, band: true, cause: 'healthy' }).bands).toEqual([]);
    const whatIf = { label: 'what if', colour: 'ink', time_s: [0, 1], values: [1, 2] };
    expect(labels({ whatIf }).at(-1)).toBe('what if');
  });

  it('span the drive from its start', () => expect(driveRange(trace)).toEqual({ from_s: 0, to_s: 1499 }));
});

describe('marks of a drive', () => {
  const logged = { id: 't', importedAt: 1000, report: { marks: [{ at_s: 100, text: 'Fan on' }] } } as never;
  const mark = (id: string, at_s: number, rest: object = {}): Entry =>
    ({
      kind: 'mark',
      id,
      at: 1,
      traceId: 't',
      at_s,
      mark: 'probe',
      place: 'lower hose',
      value: 41,
      text: '',
      ...rest,
    }) as Entry;

  it('are those set here and those in the log, in order of time, of this drive only, without what was taken back', () => {
    const entries = [
      mark('a', 300),
      mark('b', 50, { traceId: 'other' }),
      mark('c', 60, { takenBack: true }),
      mark('d', 20, { mark: 'other', text: 'smells' }),
    ];
    const marks = deskMarks(logged, [logged], entries);
    expect(marks.map((m) => [m.mark, m.at_s, m.entry?.id ?? null])).toEqual([
      ['other', 20, 'd'],
      ['fan-on', 100, null],
      ['probe', 300, 'a'],
    ]);
  });

  it('a mark that stands in the log and in the chronicle is one; of another drive it is none', () => {
    const live = (at: number): Entry =>
      ({ kind: 'check', id: `l${at}`, at, item: 'mark-fan-on', answer: 'seen', minute: 101 / 60 }) as Entry;
    expect(deskMarks(logged, [logged], [live(900)])).toHaveLength(1);
    const before = { id: 'before', importedAt: 950 } as never;
    const silent = { id: 't', importedAt: 1000, report: { marks: [] } } as never;
    expect(deskMarks(silent, [silent, before], [live(960)])).toHaveLength(1);
    expect(deskMarks(silent, [silent, before], [live(900)])).toHaveLength(0);
  });
});

describe('what is taken away', () => {
  const picture: DeskPicture = {
    title: 'Ferry <2> & co: thermostat leaking, 80 %',
    lines: ['ferry.csv, 3 Nov 2026'],
    temperature: {
      ...temperatureLane(record, finding, { ...nothing, band: true }),
      marks: [{ kind: 'level', value: 77 }],
    },
    below: channelLanes(trace, finding),
    range: { from_s: 300, to_s: 900 },
    figures: [{ at_c: 80, label: '80 °C' }],
    marks: [
      { at_s: 400, label: 'fan on' },
      { at_s: 1200, label: 'out of sight' },
    ],
  };

  it('an SVG that stands by itself: title, figures, minutes, marks in sight, no colour of the page', () => {
    const svg = deskSvg(picture, (css) => (css.startsWith('var') ? 'rgb(1 2 3)' : css));
    expect(svg).toContain('Ferry &lt;2&gt; &amp; co');
    expect(svg).toContain('80 °C');
    expect(svg).toContain('>10 min<');
    expect(svg).toContain('fan on');
    expect(svg).not.toContain('out of sight');
    expect(svg).not.toContain('var(');
    expect(svg.match(/<path/g)!.length).toBeGreaterThanOrEqual(6);
  });

  it('the rows that are visible, and no others', () => {
    const cut = visibleTrace(trace, { from_s: 300, to_s: 310 });
    expect([...cut.time_s]).toEqual(Array.from({ length: 11 }, (_, i) => 340 + i));
    expect(cut.channels.ect_c).toEqual(ect_c.slice(300, 311));
    expect(visibleTrace(trace, driveRange(trace)).time_s).toHaveLength(1500);
  });
});
