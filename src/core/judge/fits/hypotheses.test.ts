import { describe, expect, it } from 'vitest';
import { CAUSES, type Trace } from '../../base';
import { drawScenario } from '../../plant';
import { startingVehicle } from '../../planning';
import { prepareInputs, VEHICLE_PARAMETER_COUNT } from '../../twin';
import { inspectSignal, maskTrace } from '../raw/detectors';
import { fitCauses } from './fitCauses';
import { HYPOTHESES, SOUND } from './hypotheses';
import { fitHypothesis } from './fitHypothesis';
import { firstGuess, predictReading, prepareProblem, vectorSize } from './traceFit';
import { effect_k } from './visibility';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const heated = {
  ...vehicle,
  thermostat: { ...vehicle.thermostat, rated_c: 103, full_open_c: 115, heated: true, heated_rated_c: 85 },
};

/** A mixed drive on a cold day with every channel a judge may use. */
function drive(): Trace {
  const n = 1800;
  const of = (f: (t: number) => number) => Float64Array.from({ length: n }, (_, t) => f(t));
  return {
    time_s: of((t) => t),
    channels: {
      ect_c: of(() => 5),
      ambient_c: of(() => 2),
      speed_kmh: of((t) => (t < 60 || t > 1500 ? 0 : 60)),
      rpm: of((t) => (t < 60 || t > 1500 ? 750 : 2100)),
      maf_gps: of((t) => (t < 60 || t > 1500 ? 2.5 : 9)),
    },
  };
}

const problemOn = (v: typeof vehicle) => prepareProblem(prepareInputs(drive(), v), drive(), null);

/** Predicted reading with all priors at their medians. */
function predicted(variant: string, v = vehicle): Float64Array {
  const problem = problemOn(v);
  const hypothesis = HYPOTHESES.find((h) => h.variant === variant)!;
  return Float64Array.from(predictReading(problem, hypothesis, new Float64Array(vectorSize(problem, hypothesis))));
}

const last = (a: Float64Array, share = 0.78) => a[Math.floor(share * a.length)]!;

describe('hypotheses', () => {
  it('cover every cause that a fit can show, with shares that sum to one', () => {
    const fitted = new Set(HYPOTHESES.map((h) => h.cause));
    const rest = CAUSES.filter((c) => !fitted.has(c));
    expect(rest.sort()).toEqual(['gauge-sender-fault', 'insufficient-heat', 'sender-intermittent', 'sender-stuck']);
    for (const cause of fitted) {
      const shares = HYPOTHESES.filter((h) => h.cause === cause).reduce((s, h) => s + h.share, 0);
      expect(shares).toBeCloseTo(1, 9);
    }
    expect(HYPOTHESES[0]).toBe(SOUND);
  });

  it('have starts of the right length and severities that rise with z', () => {
    for (const h of HYPOTHESES) {
      for (const start of h.starts) expect(start).toHaveLength(h.severities.length);
      for (const s of h.severities) expect(s.toValue(1)).toBeGreaterThan(s.toValue(-1));
    }
  });

  it.each([
    ['open', -1],
    ['leaking', -1],
    ['early', -1],
    ['late', 1],
    ['closed', 1],
    ['series', -1],
    ['air', -1],
  ])('%s moves the late reading the way it should', (variant, sign) => {
    expect(sign * (last(predicted(variant)) - last(predicted('sound')))).toBeGreaterThan(1.5);
  });

  it('an offset moves the whole curve, a lag only the climb', () => {
    const sound = predicted('sound');
    const low = predicted('offset');
    const slow = predicted('slow');
    const at = Math.floor(0.2 * sound.length);
    expect(low[2]! - sound[2]!).toBeCloseTo(-17, 0);
    expect(slow[at]!).toBeLessThan(sound[at]! - 3);
    expect(Math.abs(last(slow) - last(sound))).toBeLessThan(3);
  });

  it('a heating fault is considered only where there is an element', () => {
    const faults = HYPOTHESES.filter((h) => h.cause === 'thermostat-heating-fault');
    expect(faults.every((h) => h.applies!(heated) && !h.applies!(vehicle))).toBe(true);
    const dead = HYPOTHESES.findLast((h) => h.cause === 'thermostat-heating-fault' && h.variant === 'dead')!;
    const problem = problemOn(heated);
    const z = new Float64Array(vectorSize(problem, dead));
    const withDead = Float64Array.from(predictReading(problem, dead, z));
    const always = HYPOTHESES.find((h) => h.variant === 'always-on')!;
    const withAlways = Float64Array.from(predictReading(problem, always, z));
    expect(last(withDead)).toBeGreaterThan(last(withAlways) + 8);
  });
});

describe('fitting', () => {
  const scenario = drawScenario({ seed: 910_019, cause: 'healthy', channelSet: 'full' });
  const masked = maskTrace(scenario.trace, inspectSignal(scenario.trace, scenario.vehicle));
  const problem = prepareProblem(prepareInputs(masked, scenario.vehicle), masked, null);

  it('restarts keep a sound vehicle from ending in a poor valley', () => {
    const alone = fitHypothesis(problem, SOUND, firstGuess(problem, SOUND, []));
    const steps = fitCauses(problem, scenario.vehicle);
    let step = steps.next();
    let progress = 0;
    while (!step.done) {
      expect(step.value.done).toBeGreaterThanOrEqual(progress);
      progress = step.value.done;
      step = steps.next();
    }
    const fits = step.value;
    const best = Math.max(...fits.map((f) => f.logEvidence));
    expect(fits[0]!.hypothesis).toBe(SOUND);
    expect(fits[0]!.fit.objective).toBeLessThan(alone.fit.objective + 0.1);
    expect(best - fits[0]!.logEvidence).toBeLessThan(6);
  });

  it('lets a fault start from the vehicle and drive that another fault found', () => {
    // Alone, the fit of an element that is always on ends in a valley with far too little heat.
    const heatedCase = drawScenario({ seed: 860_082, cause: 'thermostat-heating-fault', channelSet: 'basic' });
    const clean = maskTrace(heatedCase.trace, inspectSignal(heatedCase.trace, heatedCase.vehicle));
    const own = prepareProblem(prepareInputs(clean, heatedCase.vehicle), clean, null);
    const steps = fitCauses(own, heatedCase.vehicle);
    let step = steps.next();
    while (!step.done) step = steps.next();
    const fits = step.value;
    const evidence = (variant: string) => fits.find((f) => f.hypothesis.variant === variant)!.logEvidence;
    expect(heatedCase.fault.heatingElement).toBe('always-on');
    expect(evidence('always-on')).toBeGreaterThan(evidence('early'));
  });

  it('says how far a fault moves the reading on this drive', () => {
    const of = (variant: string) => {
      const h = HYPOTHESES.find((x) => x.variant === variant)!;
      return effect_k(problem, fitHypothesis(problem, h, firstGuess(problem, h, h.starts[0]!)));
    };
    expect(effect_k(problem, fitHypothesis(problem, SOUND, firstGuess(problem, SOUND, [])))).toBe(0);
    expect(of('open')).toBeGreaterThan(5);
    expect(of('dead')).toBeLessThan(of('open'));
  });

  it('fits within a second-reader’s eye: residuals of a sound trace are about a degree', () => {
    const { fit } = fitHypothesis(problem, SOUND, firstGuess(problem, SOUND, []));
    const reading = predictReading(problem, SOUND, fit.z);
    let sum = 0;
    let n = 0;
    problem.measured_c.forEach((m, k) => {
      if (!Number.isFinite(m)) return;
      sum += (m - reading[k]!) ** 2;
      n++;
    });
    expect(Math.sqrt(sum / n)).toBeLessThan(2.5);
    expect(fit.z.length).toBe(VEHICLE_PARAMETER_COUNT + problem.prior.knotCount);
  });
});
