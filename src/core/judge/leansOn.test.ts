import { describe, expect, it } from 'vitest';
import { drawScenario } from '../plant';
import { parameterIndex, type VehicleParameterName } from '../twin';
import { SOUND } from './fits/hypotheses';
import { firstGuess, type HypothesisFit, type TraceProblem } from './fits/traceFit';
import { leansOn } from './leansOn';
import { prepareDrive } from './prepareDrive';

const drawn = (channelSet: 'basic' | 'temperature-only', heated = false): TraceProblem => {
  const { trace, vehicle } = drawScenario({ seed: 51_001, cause: 'healthy', channelSet });
  const thermostat = heated ? { ...vehicle.thermostat, heated, heated_rated_c: 80 } : { ...vehicle.thermostat, heated };
  return prepareDrive(trace, { ...vehicle, thermostat }).problem;
};
/** A fit that was not run: only where it rests matters. */
const resting = (problem: TraceProblem, name: VehicleParameterName, sds: number): HypothesisFit => {
  const z = firstGuess(problem, SOUND, []);
  z.fill(0);
  z[parameterIndex(name)] = sds;
  return { hypothesis: SOUND, fit: { z }, logEvidence: 0, severity: [] } as unknown as HypothesisFit;
};

describe('what a verdict leans on', () => {
  const basic = drawn('basic');

  it('is what the next explanation would have to bend further', () => {
    const leader = resting(basic, 'opening', 0.1);
    expect(leansOn(basic, leader, resting(basic, 'heater', 2))).toBe('how much heat the cabin heater takes');
    expect(leansOn(basic, leader, resting(basic, 'radiator', -2))).toBe('the size of its radiator');
  });

  it('is nothing where both bend alike, or where the leader bends more', () => {
    const even = resting(basic, 'heater', 0.3);
    expect(leansOn(basic, even, even)).toBeNull();
    expect(leansOn(basic, resting(basic, 'heater', 2), even)).toBeNull();
    expect(leansOn(basic, even, null)).toBeNull();
  });

  it('is what nobody logged, before anything else', () => {
    const blind = drawn('temperature-only');
    expect(leansOn(blind, resting(blind, 'heater', 0), null)).toContain('how the car was driven');
    const heated = drawn('basic', true);
    expect(leansOn(heated, resting(heated, 'heater', 0), null)).toContain('heated the thermostat');
  });
});
