import type { Cause } from '@/core/base';

/** What the simulated vehicle may have. */
export const DEMO_CAUSES: readonly Cause[] = [
  'healthy',
  'thermostat-stuck-open',
  'thermostat-leaking',
  'thermostat-opens-early',
  'thermostat-stuck-closed',
  'sender-reads-low',
  'fan-not-running',
];
