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

/** A value for every cause. */
export type PerCause<T> = Readonly<Record<Cause, T>>;

/** Makes a value for every cause. @example perCause((c) => c.length).healthy // => 7 */
export const perCause = <T>(of: (cause: Cause) => T): Record<Cause, T> =>
  Object.fromEntries(CAUSES.map((cause) => [cause, of(cause)])) as Record<Cause, T>;

/** Causes that share a look and a kind of remedy. */
export type CauseFamily = 'sound' | 'open' | 'shut' | 'sender' | 'flow';

/** How causes belong together, in one place. */
interface CausePlace {
  readonly family: CauseFamily;
  /** Which of the two parts that are most often swapped for each other it accuses. */
  readonly side: 'thermostat' | 'sender' | null;
  /** Only raw samples show it; the course of its trace is a sound vehicle's. */
  readonly signalOnly?: true;
}

/** Family and side of every cause. */
export const CAUSE_PLACE: PerCause<CausePlace> = {
  healthy: { family: 'sound', side: null },
  'insufficient-heat': { family: 'sound', side: null },
  'thermostat-stuck-open': { family: 'open', side: 'thermostat' },
  'thermostat-leaking': { family: 'open', side: 'thermostat' },
  'thermostat-opens-early': { family: 'open', side: 'thermostat' },
  'thermostat-opens-late': { family: 'shut', side: 'thermostat' },
  'thermostat-stuck-closed': { family: 'shut', side: 'thermostat' },
  'thermostat-heating-fault': { family: 'shut', side: 'thermostat' },
  'sender-reads-low': { family: 'sender', side: 'sender' },
  'sender-reads-high': { family: 'sender', side: 'sender' },
  'sender-slow': { family: 'sender', side: 'sender' },
  'sender-intermittent': { family: 'sender', side: 'sender', signalOnly: true },
  'sender-stuck': { family: 'sender', side: 'sender', signalOnly: true },
  'gauge-sender-fault': { family: 'sender', side: null, signalOnly: true },
  'fan-not-running': { family: 'flow', side: null },
  'flow-restricted': { family: 'flow', side: null },
  'low-coolant-or-air': { family: 'flow', side: null },
  'fan-always-on': { family: 'flow', side: null },
};

/** True for a cause that is a fault: something on the car to mend. */
export const isFault = (cause: Cause): boolean => CAUSE_PLACE[cause].family !== 'sound';

/** Causes that nothing but raw samples shows. */
export const SIGNAL_CAUSES: readonly Cause[] = CAUSES.filter((c) => CAUSE_PLACE[c].signalOnly);

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
