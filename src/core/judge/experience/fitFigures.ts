import type { Cause } from '../../base';
import { parameterIndex, type VehicleParameterName } from '../../twin';
import { squared } from '../../fit';
import type { Figures } from './figure';

/** What is told of a fit to the learned layer. */
export interface FitSummary {
  readonly cause: Cause;
  readonly variant: string;
  /** Log evidence with the size of the misfit integrated out. */
  readonly support: number;
  readonly misfit: number;
  readonly effect_k: number;
  /** First severity of the fault, in standard deviations of its prior; NaN without one. */
  readonly severity: number;
  /** Vehicle's parameters in standard deviations of their priors. */
  readonly vehicle: Float64Array;
}

/** Parameters whose place tells how the sound vehicle had to be bent to follow the trace. */
const TOLD: readonly VehicleParameterName[] = [
  'heatScale',
  'metal',
  'coupling',
  'radiator',
  'heater',
  'loss',
  'flow',
  'opening',
  'vent',
  'senderOffset',
  'senderLag',
  'fanOn',
  'ambient',
  'span',
  'startExcess',
];

/** Scales on which support, effect and misfit are squeezed: what is far is far. */
const CLOSE = 6;
const FAR = 15;
const EFFECT_K = 6;

/** A misfit that a logarithm can take. */
const atLeast = (misfit: number): number => Math.max(0.01, misfit);

/** Figures of the fits, relative to the best and to the sound vehicle. @param fits the sound vehicle first */
export function fitFigures(fits: readonly FitSummary[]): Figures {
  const sound = fits[0]!;
  const best = fits.reduce((a, b) => (b.support > a.support ? b : a));
  const figures: Record<string, number> = {
    'misfit best': Math.log(atLeast(Math.min(...fits.map((f) => f.misfit)))),
    'misfit sound': Math.log(atLeast(sound.misfit)),
    'bent sound': Math.log1p(squared(sound.vehicle)),
    'bent best': Math.log1p(squared(best.vehicle)),
  };
  for (const fit of fits) {
    const name = `${fit.cause} ${fit.variant}`;
    figures[`close ${name}`] = Math.tanh((fit.support - best.support) / CLOSE);
    figures[`over sound ${name}`] = Math.tanh((fit.support - sound.support) / FAR);
    figures[`effect ${name}`] = Math.tanh(fit.effect_k / EFFECT_K);
    figures[`misfit ${name}`] = Math.log(atLeast(fit.misfit) / atLeast(sound.misfit));
    if (Number.isFinite(fit.severity)) figures[`severity ${name}`] = fit.severity;
  }
  for (const name of TOLD) figures[`sound ${name}`] = sound.vehicle[parameterIndex(name)]!;
  return figures;
}
