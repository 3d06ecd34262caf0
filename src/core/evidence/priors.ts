import { CAUSES, perCause, type Cause, type PerCause } from '../base';

/**
 * Odds before any evidence: how often each cause is behind a "runs cold, reads wrong or runs hot" complaint. Working
 * figures of the project, to be edited by the shop; they matter only while the evidence is weak. A small leak and a
 * somewhat slow sender look much like the scatter between sound vehicles, so they start low: they must be shown.
 */
export const BASE_RATES: PerCause<number> = {
  healthy: 0.22,
  'insufficient-heat': 0.18,
  'thermostat-stuck-open': 0.09,
  'thermostat-leaking': 0.045,
  'thermostat-opens-early': 0.07,
  'thermostat-opens-late': 0.06,
  'thermostat-stuck-closed': 0.05,
  'thermostat-heating-fault': 0.06,
  'sender-reads-low': 0.06,
  'sender-reads-high': 0.05,
  'sender-slow': 0.013,
  'sender-intermittent': 0.05,
  'sender-stuck': 0.04,
  'gauge-sender-fault': 0.05,
  'fan-not-running': 0.05,
  'flow-restricted': 0.05,
  'low-coolant-or-air': 0.06,
  'fan-always-on': 0.02,
};

/** Base rates scaled to sum to 1, as logarithms. */
export function logPriors(rates: PerCause<number> = BASE_RATES): Record<Cause, number> {
  const total = CAUSES.reduce((sum, cause) => sum + rates[cause], 0);
  return perCause((cause) => Math.log(rates[cause] / total));
}
