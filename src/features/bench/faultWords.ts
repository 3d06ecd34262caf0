import type { ExplainedFault, SenderFault } from '@/core/bench';

/** Faults of a sender in the words of the work. */
export const FAULT_NAME: Readonly<Record<SenderFault, string>> = {
  good: 'On its curve',
  offset: 'Element shifted',
  'series-resistance': 'Resistance in plug or wire',
  'parallel-leak': 'Leak across the sender',
  'pull-up-drift': 'Pull-up in the unit drifted',
  'wrong-curve': 'Sender of another curve',
  open: 'Open circuit',
  short: 'Short circuit',
};

/** What to do about each. */
export const FAULT_THEN: Readonly<Record<SenderFault, string>> = {
  good: 'Leave it in. Look elsewhere.',
  offset: 'Replace the sender; its wire is not to blame.',
  'series-resistance': 'Clean or renew pins, wire and earth before buying a sender.',
  'parallel-leak': 'Dry and clean plug and sender; look for coolant in the wire.',
  'pull-up-drift': 'Measure the reference with the plug off; it is the unit or its supply.',
  'wrong-curve': 'Compare with the part that belongs there: the wrong one is fitted, or the curve above is another’s.',
  open: 'Broken wire, plug or element: bridge the plug, then measure the bare sender.',
  short: 'Pull the plug: if the reading goes cold, the sender is short; if not, the wire is.',
};

const LARGE_OHM = 1000;

/** The size of a fault with its uncertainty; empty where it has none. */
export function faultSize({ fault, value, sd, unit }: ExplainedFault, difference: (k: number) => string): string {
  if (value === null || sd === null || unit === null) return '';
  if (unit === 'K')
    return `${value < 0 ? '−' : '+'}${difference(Math.abs(value))} ± ${difference(sd)}${fault === 'wrong-curve' ? ' at 90 °C' : ''}`;
  if (unit === '%') return `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(0)} ± ${sd.toFixed(0)} %`;
  const large = value >= LARGE_OHM;
  const shown = (ohm: number) => (large ? (ohm / 1000).toFixed(1) : ohm.toFixed(0));
  return `${shown(value)} ± ${shown(sd)} ${large ? 'kΩ' : 'Ω'}`;
}
