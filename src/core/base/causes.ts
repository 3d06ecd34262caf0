/** Every cause a finding can name. `inconclusive` is a grade, not a cause. */
export const CAUSES = [
  'healthy',
  'insufficient-heat',
  'thermostat-stuck-open',
  'thermostat-leaking',
  'thermostat-opens-early',
  'thermostat-opens-late',
  'thermostat-stuck-closed',
  'thermostat-heating-fault',
  'sender-reads-low',
  'sender-reads-high',
  'sender-slow',
  'sender-intermittent',
  'sender-stuck',
  'gauge-sender-fault',
  'fan-not-running',
  'flow-restricted',
  'low-coolant-or-air',
  'fan-always-on',
] as const;

/** Name of a cause. */
export type Cause = (typeof CAUSES)[number];

/** True for the name of a known cause. */
export function isCause(name: string): name is Cause {
  return (CAUSES as readonly string[]).includes(name);
}
