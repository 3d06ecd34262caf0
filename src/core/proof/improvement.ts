import type { Comparison, FeatureChange } from '../desk';

/** Figures that a customer and a shop look at first, in that order. */
const FIRST: readonly FeatureChange['name'][] = [
  'plateau',
  'bend',
  'minutes-to-threshold',
  'minutes-to-60',
  'speed-sag',
  'hold-cruise',
  'hold-idle',
  'standstill-creep',
  'peak',
  'heater-effectiveness',
];

/** What became of a car from the drive before the work to the one after it, the telling figures first. */
export function improvements(pair: Comparison, most = 6): FeatureChange[] {
  const rank = (c: FeatureChange) => {
    const at = FIRST.indexOf(c.name);
    return at < 0 ? FIRST.length : at;
  };
  const moved = (c: FeatureChange) => (c.became === 'same' ? 1 : 0);
  const told = pair.changes.filter((c) => c.change !== 0 || c.became !== 'same');
  return told.sort((a, b) => moved(a) - moved(b) || rank(a) - rank(b)).slice(0, most);
}

/** A change in its own standard uncertainties. */
export const changeInSds = ({ change, sd }: Pick<FeatureChange, 'change' | 'sd'>): number =>
  sd > 0 ? Math.abs(change) / sd : Infinity;
