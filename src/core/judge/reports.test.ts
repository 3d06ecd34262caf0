import { describe, expect, it } from 'vitest';
import { drawScenario } from '../plant';
import { parameterIndex, prepareInputs, twinPrior, VEHICLE_PARAMETER_COUNT, VEHICLE_PARAMETERS } from '../twin';
import { reportParameters } from './reports';

const s = drawScenario({ seed: 76_000, cause: 'healthy', channelSet: 'full' });
const prior = twinPrior(prepareInputs(s.trace, s.vehicle));

/** A fit that came to rest at the prior but for some parameters. */
const restingAt = (moved: Parameters<typeof parameterIndex>[0], sds: number): Float64Array => {
  const z = new Float64Array(VEHICLE_PARAMETER_COUNT + prior.knotCount);
  z[parameterIndex(moved)] = sds;
  return z;
};

describe('fitted parameters beside their priors', () => {
  it('each stands once, with its unit, at its prior where nothing moved it', () => {
    const report = reportParameters(prior, restingAt('opening', 0));
    expect(report.map((p) => p.name)).toEqual(VEHICLE_PARAMETERS.map((p) => p.name));
    for (const p of report) expect([p.value, p.z, p.flagged]).toEqual([p.prior, 0, false]);
  });

  it.each([
    [2.4, false],
    [2.6, true],
    [-2.6, true],
  ])('an opening %d deviations off its prior is flagged: %s', (sds, flagged) => {
    const report = reportParameters(prior, restingAt('opening', sds));
    expect(report.filter((p) => p.flagged).map((p) => p.name)).toEqual(flagged ? ['opening'] : []);
    const { value, prior: usual, z } = report.find((p) => p.name === 'opening')!;
    expect(z).toBe(sds);
    expect(Math.sign(value - usual)).toBe(Math.sign(sds));
  });

  it('the weather of a day makes no vehicle odd', () => {
    for (const name of ['startExcess', 'ambient'] as const) {
      expect(reportParameters(prior, restingAt(name, 5)).some((p) => p.flagged)).toBe(false);
    }
  });
});
