import { describe, expect, it } from 'vitest';
import type { Cause } from '../../base';
import { CAUSE_TEXT, type Grade } from '../../evidence';
import { remark } from './remark';
import { verdictText } from './verdictText';

const finding = (shares: Partial<Record<Cause, number>>, grade: Grade, problems: readonly string[] = []) => {
  const causes = Object.entries(shares).map(([cause, probability]) => ({
    ...{ cause: cause as Cause, probability },
    parameters: {},
  }));
  const { cause, probability } = causes[0]!;
  return {
    causes,
    verdict: { cause, probability, grade },
    quality: { usable: problems.length === 0, problems },
    why: [[remark('hardly-moves', {})]],
  };
};

describe('the verdict in words', () => {
  it('names the cause, what it means, and the first thing that speaks for it', () => {
    const { name, means } = CAUSE_TEXT['thermostat-stuck-open'];
    const said = verdictText(finding({ 'thermostat-stuck-open': 0.93, 'sender-reads-low': 0.07 }, 'likely'));
    expect(said).toBe(`${name}: ${means}. The reading hardly moves.`);
  });

  it('of neighbours of which none leads it names both, with what they have together', () => {
    const shares = { 'thermostat-leaking': 0.47, 'thermostat-stuck-open': 0.44, 'sender-reads-low': 0.09 };
    expect(verdictText(finding(shares, 'suspect'))).toBe(
      'Thermostat leaking or thermostat stuck open, together 91 %: this trace cannot part them. The reading hardly moves.',
    );
  });

  it('a leader below half says how little it leads', () => {
    const { name, means } = CAUSE_TEXT['fan-not-running'];
    expect(verdictText(finding({ 'fan-not-running': 0.42, healthy: 0.3, 'sender-reads-high': 0.28 }, 'suspect'))).toBe(
      `${name}, by 42 % no more than the likeliest of several: ${means}. The reading hardly moves.`,
    );
  });

  it('across sender and thermostat it cannot tell, and names both sides', () => {
    const shares = { 'thermostat-leaking': 0.4, 'thermostat-stuck-open': 0.3, 'sender-reads-low': 0.3 };
    expect(verdictText(finding(shares, 'inconclusive'))).toBe(
      'Cannot tell yet: thermostat leaking and sender reads low fit this trace about as well.',
    );
  });

  it('a trace that cannot carry a verdict says what is the matter with it', () => {
    const said = verdictText(finding({ healthy: 1 }, 'inconclusive', ['Hot start: 61 °C.', 'Too short.']));
    expect(said).toBe('Cannot tell from this trace: Hot start: 61 °C.');
  });
});
