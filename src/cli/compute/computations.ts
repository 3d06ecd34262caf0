import type { Computation } from './computation';

/** Every computation by its name; each is loaded when it is asked for, with what it needs and no more. */
export const COMPUTATIONS: Readonly<Record<string, () => Promise<Computation>>> = {
  boiling: async () => (await import('./computeBoiling')).computeBoiling,
  case: async () => (await import('./computeCase')).computeCase,
  compare: async () => (await import('./computeCompare')).computeCompare,
  features: async () => (await import('./computeFeatures')).computeFeatures,
  flush: async () => (await import('./computeFlush')).computeFlush,
  ledger: async () => (await import('./computeLedger')).computeLedger,
  mix: async () => (await import('./computeMix')).computeMix,
  monitors: async () => (await import('./computeMonitors')).computeMonitors,
  sender: async () => (await import('./computeSender')).computeSender,
  thermostat: async () => (await import('./computeThermostat')).computeThermostat,
};
