/** One thing that a reading means, and what to do about it. */
export interface CircuitNote {
  readonly says: string;
  readonly kind: 'sound' | 'fault' | 'look';
}

/** What the readings of a circuit say together. */
export interface CircuitFinding {
  readonly notes: readonly CircuitNote[];
  /** How much more likely the readings are of a faulty circuit than of a sound one. */
  readonly faultRatio: number;
}

/** A reading that may not have been taken. */
export type Maybe = number | undefined;

const LEAST_LIKELY = 0.02;

/** Ratio of likelihoods of a state that is half believed: a sure one counts 1 / 0.02, an unsure one nothing. */
export function ratioOf(faulty: number): number {
  const p = Math.min(1 - LEAST_LIKELY, Math.max(LEAST_LIKELY, faulty));
  return p / (1 - p);
}
