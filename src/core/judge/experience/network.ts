import { CAUSES, perCause, type Cause } from '../../base';
import { logSumExp } from '../../signal';
import type { CauseLogs } from '../../evidence';
import type { Figures } from './figure';

/** One small network: figures to a correction of the log odds, and to whether each cause is present at all. */
export interface Net {
  /** Inputs × hidden, row by row. */
  readonly w1: readonly number[];
  readonly b1: readonly number[];
  /** Hidden × (causes + causes), row by row: corrections of the odds first, presence after. */
  readonly w2: readonly number[];
  readonly b2: readonly number[];
  /** How much of the log odds of the physics is taken over. */
  readonly gain: number;
}

/** What was learned of drives with a known outcome. */
export interface Experience {
  readonly schema: 'varmek-experience/1';
  /** Names of the inputs, with the middle and the spread that they are measured in. */
  readonly names: readonly string[];
  readonly middle: readonly number[];
  readonly spread: readonly number[];
  readonly hidden: number;
  readonly nets: readonly Net[];
  /** Log odds of the physics further below the leader than this count as this. */
  readonly deepest: number;
}

/** Furthest that an input counts, in its spreads. */
const FURTHEST = 3;

/** Figures as inputs; what was not seen stands in the middle. */
export function inputsOf({ names, middle, spread }: Experience, figures: Figures): Float64Array {
  return Float64Array.from(names, (name, i) => {
    const value = figures[name];
    if (value === undefined || !Number.isFinite(value)) return 0;
    return Math.max(-FURTHEST, Math.min(FURTHEST, (value - middle[i]!) / spread[i]!));
  });
}

/** Outputs of one network: 2 × causes numbers. */
export function outputsOf(net: Net, hidden: number, inputs: Float64Array): Float64Array {
  const activity = Float64Array.from(net.b1);
  for (let i = 0; i < inputs.length; i++) {
    const x = inputs[i]!;
    if (x === 0) continue;
    for (let h = 0; h < hidden; h++) activity[h]! += x * net.w1[i * hidden + h]!;
  }
  const out = Float64Array.from(net.b2);
  for (let h = 0; h < hidden; h++) {
    const a = Math.tanh(activity[h]!);
    for (let o = 0; o < out.length; o++) out[o]! += a * net.w2[h * out.length + o]!;
  }
  return out;
}

/** Log odds of the physics relative to the leader, as far down as they count. */
export function shallow(logOdds: Readonly<Record<Cause, number>>, deepest: number): CauseLogs {
  const most = Math.max(...CAUSES.map((c) => logOdds[c]));
  return perCause((c) => Math.max(-deepest, logOdds[c] - most));
}

/** What experience makes of a drive. */
export interface Experienced {
  /** Log probability of each cause. */
  readonly logOdds: CauseLogs;
  /** Probability that each cause is present, alone or beside another. */
  readonly present: CauseLogs;
}

/**
 * The mean of several networks is less sure than it is right: by this its log odds are stretched. Source: temperature
 * scaling, Guo et al., arXiv 1706.04599; set on drives of worlds that were left out, see decision 34.
 */
const SURER = 1.1;

/**
 * Weighs the log odds of the physics by what drives with a known outcome showed: the mean over some small networks.
 *
 * @param physics log odds of the causes by fits and signal
 */
export function experienced(experience: Experience, figures: Figures, physics: CauseLogs): Experienced {
  const { nets, hidden, deepest } = experience;
  const inputs = inputsOf(experience, figures);
  const base = shallow(physics, deepest);
  const chance = perCause(() => 0);
  const present = perCause(() => 0);
  for (const net of nets) {
    const out = outputsOf(net, hidden, inputs);
    const logits = CAUSES.map((c, i) => net.gain * base[c] + out[i]!);
    const total = logSumExp(logits);
    CAUSES.forEach((c, i) => {
      chance[c] += Math.exp(logits[i]! - total) / nets.length;
      present[c] += 1 / (1 + Math.exp(-out[CAUSES.length + i]!)) / nets.length;
    });
  }
  const surer = perCause((c) => SURER * Math.log(chance[c]));
  const total = logSumExp(CAUSES.map((c) => surer[c]));
  return { logOdds: perCause((c) => surer[c] - total), present };
}
