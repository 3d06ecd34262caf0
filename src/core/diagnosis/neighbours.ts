import type { Cause } from '../base';

/**
 * Causes that pass into each other without a line between them: more or less flow past a shut valve, an opening that
 * comes late or not at all. No trace parts them where their severities meet, and the remedy is the same.
 */
export const NEIGHBOURS: readonly (readonly Cause[])[] = [
  ['thermostat-stuck-open', 'thermostat-leaking', 'thermostat-opens-early'],
  ['thermostat-opens-late', 'thermostat-stuck-closed'],
];

/** The causes that shade into this one, itself included. */
export const neighboursOf = (cause: Cause): readonly Cause[] =>
  NEIGHBOURS.find((family) => family.includes(cause)) ?? [cause];
