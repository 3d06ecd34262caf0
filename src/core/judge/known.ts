import { CAUSES, isFault, SIGNAL_CAUSES, type Cause, type PerCause } from '../base';
import type { Figures } from './experience/figure';
import type { Quality } from './finding';

/**
 * Presence from which a second fault is named beside the leader. Above a half, as presence was learned with more pairs
 * than come to a garage: from here on one single fault in a hundred is given a second (docs/accuracy.md).
 */
const BESIDE_FROM = 0.6;

/** Faults that are likelier than not to be there beside the leading one; none beside a sound vehicle. */
export function besides(present: PerCause<number>, leader: Cause): Cause[] {
  if (!isFault(leader)) return [];
  return CAUSES.filter((cause) => cause !== leader && isFault(cause) && present[cause] > BESIDE_FROM);
}

/**
 * From where a car is strange: squared misfit per bin of the best fit, and how far that bends its vehicle, in squared
 * standard deviations together. Of 930 drives in 60 worlds and the field set, faults included, none without a sign of its
 * own in the signal came over 5.4, and none over 44. With such a sign (419 of 2440 drives) none bent over 62: a leap
 * that no fit follows bends no car either, so from 90 on the sign is no sign.
 */
const STRANGE = { misfit: 5.5, bent: 60, bentBySignal: 90 } as const;

/** Where no fit comes near the trace without bending, and no sign of its own speaks for the leader, nothing is named. */
export function knownTo(quality: Quality, figures: Figures, leader: Cause): Quality {
  const misfit = Math.exp(figures['misfit best'] ?? -Infinity);
  const bent = Math.expm1(figures['bent best'] ?? 0);
  const known = misfit < STRANGE.misfit && bent < STRANGE.bent;
  if (known || (SHOWN_BY_SIGNAL.includes(leader) && bent < STRANGE.bentBySignal)) return quality;
  const strange =
    'This car does not behave like any that the model knows: no cause follows its reading. Check the vehicle’s figures and the log, then log another drive.';
  return { usable: false, problems: [...quality.problems, strange] };
}

/** Causes with a sign of their own in the signal, which no smooth fit need follow. */
const SHOWN_BY_SIGNAL: readonly Cause[] = [...SIGNAL_CAUSES, 'low-coolant-or-air'];
