import { describe, expect, it } from 'vitest';
import { CAUSES, type Cause, type Trace } from '../../base';
import { drawScenario } from '../../plant';
import { CAUSE_TEXT, causeName } from '../../evidence';
import { judgeNow } from '../judge';
import type { Finding } from '../finding';
import { remarksText } from './remarkText';
import { verdictText } from './verdictText';

/** Numbers with a unit in a sentence. */
const figures = (text: string): string[] => text.match(/-?\d+(\.\d+)? (°C|K|s|%)/g) ?? [];

/** What speaks for a finding, in words. */
const whyOf = (finding: Finding): string[] => finding.why.map(remarksText);

/** The cause that a finding names as its rival, if any. */
const rivalIn = (finding: Finding): Cause | undefined =>
  finding.why.flat().find((r) => r.kind === 'rival')?.figures.cause;

describe('the words of a finding', () => {
  it('every cause has a name and a meaning that no other has', () => {
    expect(new Set(CAUSES.map(causeName)).size).toBe(CAUSES.length);
    const meanings = CAUSES.map((cause) => CAUSE_TEXT[cause].means);
    expect(new Set(meanings).size).toBe(CAUSES.length);
  });

  it('quote the figures of this trace: start, level, where it left the band', () => {
    const s = drawScenario({ seed: 78_001, cause: 'thermostat-stuck-open', channelSet: 'full', ambient_c: -4 });
    const finding = judgeNow(s.trace, s.vehicle);
    const { verdict, curves } = finding;
    expect(verdict.cause).toBe('thermostat-stuck-open');
    const [first, second] = whyOf(finding);
    const [, minute, low, high, read] = /At minute (\d+) .* read (-?\d+) °C to (-?\d+) °C .* read (-?\d+) °C/
      .exec(first!)!
      .map(Number);
    const bin = curves.time_s.findIndex(
      (t) => Math.round(t / 60) === minute && Math.round(curves.measured_c[curves.time_s.indexOf(t)]!) === read,
    );
    expect(bin).toBeGreaterThan(0);
    const [place] = finding.why[0]!;
    expect(place).toMatchObject({ kind: 'leaves-sound-band', figures: { reading_c: curves.measured_c[bin] } });
    expect(place!.at_s).toBe(curves.time_s[bin]);
    expect(read!).toBeLessThan(low!);
    expect(low!).toBeLessThan(high!);
    expect(second).toMatch(/It climbed \d+\.\d K a minute from -?\d+ °C/);
    expect(second).toMatch(/passes \d+ % of full radiator flow/);
    expect(verdictText(finding)).toContain(CAUSE_TEXT['thermostat-stuck-open'].name);
  });

  it('set a sender’s first reading against both airs', () => {
    const s = drawScenario({ seed: 78_040, cause: 'healthy', channelSet: 'full', ambient_c: 10 });
    const ect_c = s.trace.channels.ect_c.map((v) => v - 18);
    const trace: Trace = { time_s: s.trace.time_s, channels: { ...s.trace.channels, ect_c } };
    const finding = judgeNow(trace, s.vehicle);
    expect(finding.verdict.cause).toBe('sender-reads-low');
    expect(whyOf(finding)[1]).toMatch(/It started at -?\d+ °C, 1\d K below (outside|intake) air/);
  });

  it('say what separates the leader from its rival, or that another test must', () => {
    for (const seed of [78_010, 78_011, 78_012]) {
      const s = drawScenario({ seed, cause: 'thermostat-opens-early', channelSet: 'basic', ambient_c: 4 });
      const finding = judgeNow(s.trace, s.vehicle);
      const rival = rivalIn(finding);
      const why = whyOf(finding);
      if (!rival) expect(why[2]).toBe('No other cause comes near it.');
      else {
        expect(why[2]).toContain(causeName(rival).toLowerCase());
        expect(why[2]).toMatch(/They part at minute|as far off the usual as|less usual|another test must/);
      }
    }
  });

  it('name as rival what may be there instead of the leader, not what may be there beside it', () => {
    const s = drawScenario({ seed: 78_107, cause: 'thermostat-stuck-open', channelSet: 'full', ambient_c: 4 });
    const finding = judgeNow(s.trace, s.vehicle);
    expect(finding.causes.slice(0, 2).map((c) => c.cause)).toEqual(['thermostat-stuck-open', 'gauge-sender-fault']);
    expect(rivalIn(finding)).toBe('thermostat-leaking');
  });

  it('say of open odds what fits about as well: a cause instead of the leader, across the divide first', () => {
    const s = drawScenario({ seed: 78_107, cause: 'thermostat-stuck-open', channelSet: 'full', ambient_c: 4 });
    const finding = judgeNow(s.trace, s.vehicle);
    const open = (...odds: readonly (readonly [Cause, number])[]) =>
      verdictText({
        ...{ quality: finding.quality, why: finding.why },
        causes: odds.map(([cause, probability]) => ({ cause, probability, parameters: {} })),
        verdict: { cause: odds[0]![0], probability: odds[0]![1], grade: 'inconclusive' },
      });
    expect(rivalIn(finding)).toBe('thermostat-leaking');
    const beside = open(['thermostat-stuck-open', 0.3], ['gauge-sender-fault', 0.25], ['thermostat-leaking', 0.1]);
    expect(beside).toBe('Cannot tell yet: thermostat stuck open and thermostat leaking fit this trace about as well.');
    const divided = open(['thermostat-stuck-open', 0.45], ['sender-reads-low', 0.4], ['thermostat-leaking', 0.1]);
    expect(divided).toContain('thermostat stuck open and sender reads low fit');
  });

  it('a trace that cannot tell names both that fit, and what to log', () => {
    const s = drawScenario({ seed: 78_020, cause: 'healthy', channelSet: 'temperature-only' });
    const n = s.trace.time_s.findIndex((t) => t - s.trace.time_s[0]! > 200);
    const short: Trace = {
      time_s: s.trace.time_s.slice(0, n),
      channels: { ect_c: s.trace.channels.ect_c.slice(0, n) },
    };
    const finding = judgeNow(short, s.vehicle);
    const { verdict, next, quality } = finding;
    expect(verdict.grade).toBe('inconclusive');
    expect(verdictText(finding)).toContain('Cannot tell from this trace');
    expect(quality.problems[0]).toMatch(/Too short: 3\.\d min/);
    expect(next[0]!.why).toContain('Too short');
  });

  it('a choice between sender and thermostat that no trace can make names both, and what parts them', () => {
    const s = drawScenario({ seed: 820_261, cause: 'sender-reads-low', channelSet: 'temperature-only' });
    const finding = judgeNow(s.trace, s.vehicle);
    const { verdict, next } = finding;
    const why = whyOf(finding);
    expect(verdict.grade).toBe('inconclusive');
    expect(verdictText(finding)).toMatch(/^Cannot tell yet: /);
    expect(verdictText(finding)).toContain('sender reads low');
    expect(verdictText(finding)).toMatch(/thermostat (opens early|leaking|stuck open)/);
    expect(why[2]).toContain('another test must separate them');
    expect(next[0]!.test).toContain('reading');
  });

  it('a broken reading is quoted with its times', () => {
    const s = drawScenario({ seed: 78_030, cause: 'healthy', channelSet: 'basic', ambient_c: 8 });
    const at = Math.floor(s.trace.time_s.length / 7);
    const ect_c = s.trace.channels.ect_c.map((v, i) => (i > at ? Math.round(s.trace.channels.ect_c[at]!) : v));
    const finding = judgeNow({ time_s: s.trace.time_s, channels: { ...s.trace.channels, ect_c } }, s.vehicle);
    const why = whyOf(finding);
    expect(finding.verdict.cause).toBe('sender-stuck');
    const froze_s = finding.why[1]![0]!.at_s!;
    expect(Math.abs(froze_s - (s.trace.time_s[at]! - s.trace.time_s[0]!))).toBeLessThan(30);
    expect(why[1]).toMatch(
      new RegExp(`From minute \\d+ on the reading stands at ${Math.round(s.trace.channels.ect_c[at]!)} °C`),
    );
    for (const line of why) expect(line).not.toMatch(/NaN|undefined|Infinity/);
    expect(figures(why.join(' ')).length).toBeGreaterThan(0);
  });
});
