/** Conditions under which a monitor runs. */
export type ConditionKind =
  | 'engine-ran'
  | 'start-reading'
  | 'start-not-cold-enough'
  | 'intake-air'
  | 'idle-share'
  | 'mean-speed'
  | 'drive-length'
  | 'sound-vehicle-warms'
  | 'channel'
  | 'soak'
  | 'circuit-not-logged';

/** A condition that was not met: what was needed, what was there, and from which second it was known. */
export interface WhyNot {
  readonly kind: ConditionKind;
  /** Needed values, in `unit`; null where there is no such bound. */
  readonly from: number | null;
  readonly to: number | null;
  readonly was: number | null;
  readonly unit: '°C' | 'K' | 's' | '%' | 'km/h' | '';
  readonly at_s: number;
  /** Channel that is missing, in plain words; empty otherwise. */
  readonly what: string;
}

/** What a monitor made of one drive. */
export interface CodeResult {
  readonly code: string;
  /** False: it did not come to a verdict, and `whyNot` says why. */
  readonly ran: boolean;
  readonly whyNot: readonly WhyNot[];
  /** Null while it did not run: not running is no pass. */
  readonly wouldSet: boolean | null;
  /** Second at which it came to its verdict; null when it did not run. */
  readonly at_s: number | null;
  /** Room left before the code sets, K; negative by how much it failed; null where it is no matter of degrees. */
  readonly margin_k: number | null;
  /** Failing drives in a row that light the lamp. */
  readonly drivesToLamp: number;
}

/** A condition not met, with everything not given left empty. */
export const notMet = (kind: ConditionKind, at_s: number, rest: Partial<WhyNot> = {}): WhyNot => ({
  ...{ kind, from: null, to: null, was: null, unit: '', what: '' },
  ...rest,
  at_s: Math.round(at_s),
});

/** State of the lamp after some drives. */
export type Lamp = 'off' | 'pending' | 'lit';

/**
 * What the lamp does over drives in order of time: failing drives in a row light it, a pass in between clears what is
 * pending, and a drive on which the monitor did not run changes nothing. Three passes in a row put it out again
 * (13 CCR 1968.2 (d)(2)).
 */
export function lampAfter(drives: readonly Pick<CodeResult, 'wouldSet' | 'drivesToLamp'>[]): Lamp {
  let fails = 0;
  let passes = 0;
  let lit = false;
  for (const { wouldSet, drivesToLamp } of drives) {
    if (wouldSet === null) continue;
    fails = wouldSet ? fails + 1 : 0;
    passes = wouldSet ? 0 : passes + 1;
    if (fails >= drivesToLamp) lit = true;
    else if (passes >= 3) lit = false;
  }
  return lit ? 'lit' : fails > 0 ? 'pending' : 'off';
}
