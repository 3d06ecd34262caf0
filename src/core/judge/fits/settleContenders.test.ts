import { describe, expect, it } from 'vitest';
import type { ChannelSet } from '../../base';
import { drawScenario } from '../../plant';
import { prepareInputs } from '../../twin';
import { inspectSignal, maskTrace } from '../raw/detectors';
import { HYPOTHESES } from './hypotheses';
import type { JudgeProgress } from '../judgeProgress';
import { settleContenders } from './settleContenders';
import { fitHypothesis, withSampledEvidence } from './fitHypothesis';
import { firstGuess, type HypothesisFit, prepareProblem, type TraceProblem } from './traceFit';

function problemOf(ambient_c: number, channelSet: ChannelSet): TraceProblem {
  const { trace, vehicle } = drawScenario({ seed: 911_204, cause: 'healthy', channelSet, ambient_c });
  const masked = maskTrace(trace, inspectSignal(trace, vehicle));
  return prepareProblem(prepareInputs(masked, vehicle), masked, null);
}

function freshFits(problem: TraceProblem, variants: readonly string[]): HypothesisFit[] {
  return HYPOTHESES.filter((h) => variants.includes(h.variant)).map((h) =>
    fitHypothesis(problem, h, firstGuess(problem, h, h.starts[0]!)),
  );
}

function settle(problem: TraceProblem, before: readonly HypothesisFit[]): [HypothesisFit[], JudgeProgress[]] {
  const fits = [...before];
  const reports = [...settleContenders(problem, fits, (doing) => ({ done: 1, of: 2, doing }))];
  return [fits, reports];
}

const of = (fits: readonly HypothesisFit[], cause: string) => fits.find((f) => f.hypothesis.cause === cause)!;

describe('settling the contenders', () => {
  const cold = problemOf(-18, 'basic');
  const before = freshFits(cold, ['sound', 'open', 'dead', 'closed', 'slow']);
  const [after, reports] = settle(cold, before);

  it('ends at the bottom of each valley it settles', () => {
    after.forEach((fit, i) => expect(fit.fit.objective).toBeLessThanOrEqual(before[i]!.fit.objective + 1e-9));
    const again = settle(cold, after)[0];
    expect(again[0]!.fit.objective).toBeGreaterThan(after[0]!.fit.objective - 0.2);
  });

  it('gives a fault that changes nothing on this drive exactly the evidence of the sound vehicle', () => {
    expect(of(after, 'fan-not-running').logEvidence).toBe(of(after, 'healthy').logEvidence);
  });

  it('leaves a cause that is far behind as it was', () => {
    const beaten = { ...of(before, 'sender-slow'), logEvidence: of(after, 'healthy').logEvidence - 60 };
    const [fits] = settle(cold, [before[0]!, beaten]);
    expect(fits[1]).toBe(beaten);
  });

  it('reports each cause that it works on, the sound vehicle first', () => {
    expect(reports[0]!.doing).toBe('healthy');
    expect(reports.length).toBeGreaterThan(1);
    expect(new Set(reports.map((r) => r.doing)).size).toBe(reports.length);
  });

  it.each([
    ['basic', 1.3],
    ['temperature-only', 2],
  ] as const)('with %s channels its evidence is near that of thousands of samples', (set, within) => {
    const problem = problemOf(6, set);
    const [settled] = settle(problem, freshFits(problem, ['sound', 'leaking']));
    const [sound, leaking] = settled.map((f) => withSampledEvidence(problem, f, 1500).logEvidence);
    const apart = settled[1]!.logEvidence - settled[0]!.logEvidence;
    expect(Math.abs(apart - (leaking! - sound!))).toBeLessThan(within);
  });
});
