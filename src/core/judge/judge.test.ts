import { describe, expect, it } from 'vitest';
import { CAUSES, inShownUnits, type Cause } from '../base';
import { COURSE_LINE } from '../evidence';
import { drawScenario } from '../plant';
import { judgeNow, judgeTrace } from './judge';
import { resultLine } from './resultLine';
import { remarksText } from './words/remarkText';
import { verdictText } from './words/verdictText';

/** Seeds with a clear effect, so that a regression shows; severities and vehicles are drawn. */
const CLEAR: readonly [Cause, number, 'full' | 'basic'][] = [
  ['thermostat-stuck-open', 71_001, 'full'],
  ['thermostat-opens-early', 71_003, 'full'],
  ['thermostat-stuck-closed', 71_005, 'full'],
  ['sender-slow', 71_008, 'full'],
  ['sender-intermittent', 71_010, 'basic'],
  ['sender-stuck', 71_012, 'basic'],
  ['low-coolant-or-air', 71_014, 'full'],
];

/** A thermostat that opens later than the drive lasts cannot be told from one that never opens. */
const SAME_WHILE_SHUT: Partial<Record<Cause, readonly Cause[]>> = {
  'thermostat-stuck-closed': ['thermostat-opens-late'],
};

describe('judgeTrace', () => {
  it.each(CLEAR)('%s, seed %d, %s', (cause, seed, channelSet) => {
    const s = drawScenario({ seed, cause, channelSet, ambient_c: 3 });
    const finding = judgeNow(s.trace, s.vehicle);
    expect([cause, ...(SAME_WHILE_SHUT[cause] ?? [])]).toContain(finding.verdict.cause);
    expect(finding.channelSet).toBe(channelSet);
    expect(finding.why).toHaveLength(3);
    const fahrenheit = [
      ...finding.why.map(remarksText),
      verdictText(finding),
      ...finding.evidence.map((l) => l.seen),
    ].map((text) => inShownUnits(text, (family) => (family.startsWith('temperature') ? '°F' : 'mph')));
    for (const text of fahrenheit) expect(text).not.toMatch(/°C|\d K\b|km\/h|NaN|Infinity/);
    for (const line of finding.evidence) for (const c of CAUSES) expect(line.logLikelihood[c]).not.toBeNaN();
  });

  it('fewer channels give wider odds', () => {
    const entropy = (channelSet: 'full' | 'temperature-only') => {
      let sum = 0;
      for (let i = 0; i < 6; i++) {
        const s = drawScenario({ seed: 72_000 + i, cause: 'thermostat-stuck-open', channelSet, ambient_c: -2 });
        for (const c of judgeNow(s.trace, s.vehicle).causes) {
          if (c.probability > 0) sum -= c.probability * Math.log2(c.probability);
        }
      }
      return sum;
    };
    expect(entropy('temperature-only')).toBeGreaterThan(entropy('full') + 1);
  });

  it('a logged radiator outlet speaks for a leaking thermostat', () => {
    let gained = 0;
    for (const seed of [950_001, 950_011, 950_021, 970_001]) {
      const cause = 'thermostat-leaking';
      const s = drawScenario({ seed, cause, channelSet: 'full', extraChannels: ['rad_out_c'] });
      // By the course alone: what experience makes of it is another line.
      const logOdds = (finding: ReturnType<typeof judgeNow>) => {
        const { logLikelihood } = finding.evidence.find((l) => l.id === COURSE_LINE)!;
        return logLikelihood[cause] - logLikelihood.healthy;
      };
      const channels = { ...s.trace.channels };
      delete channels.rad_out_c;
      gained += logOdds(judgeNow(s.trace, s.vehicle)) - logOdds(judgeNow({ ...s.trace, channels }, s.vehicle));
    }
    expect(gained).toBeGreaterThan(1);
  });

  it('two-level control of a heated thermostat is no fault', () => {
    const vehicle = drawScenario({ seed: 5, cause: 'thermostat-heating-fault' }).vehicle;
    expect(vehicle.thermostat.heated).toBe(true);
    let accused = 0;
    for (let i = 0; i < 5; i++) {
      const s = drawScenario({ seed: 73_000 + i, cause: 'healthy', channelSet: 'full', vehicle, ambient_c: 12 });
      const { verdict } = judgeNow(s.trace, s.vehicle);
      if (verdict.cause === 'thermostat-heating-fault' && verdict.grade !== 'inconclusive') accused++;
    }
    expect(accused).toBe(0);
  });

  it('reports progress up to its end and gives the same finding each time', () => {
    const s = drawScenario({ seed: 74_000, cause: 'thermostat-leaking', channelSet: 'basic' });
    const steps = judgeTrace(s.trace, s.vehicle);
    let step = steps.next();
    let seen = 0;
    while (!step.done) {
      seen++;
      expect(step.value.done).toBeLessThanOrEqual(step.value.of);
      step = steps.next();
    }
    expect(seen).toBeGreaterThan(15);
    expect(judgeNow(s.trace, s.vehicle).causes).toEqual(step.value.causes);
  });

  it('its result line keeps the contract: rounded odds that sum to one', () => {
    const s = drawScenario({ seed: 75_000, cause: 'sender-reads-low', channelSet: 'full' });
    const line = resultLine('x.csv', judgeNow(s.trace, s.vehicle)) as {
      verdict: { probability: number };
      causes: { probability: number }[];
    };
    expect(line.causes.reduce((sum, c) => sum + c.probability, 0)).toBeCloseTo(1, 12);
    expect(line.verdict.probability).toBe(line.causes[0]!.probability);
  });
});
