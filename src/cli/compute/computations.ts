import { computeBoiling } from './computeBoiling';
import { computeCase } from './computeCase';
import { computeCompare } from './computeCompare';
import { computeFeatures } from './computeFeatures';
import { computeFlush } from './computeFlush';
import { computeLedger } from './computeLedger';
import { computeMix } from './computeMix';
import { computeMonitors } from './computeMonitors';
import { computeSender } from './computeSender';
import { computeThermostat } from './computeThermostat';
import type { Computation } from './computation';

/** Every computation by its name. */
export const COMPUTATIONS: Readonly<Record<string, Computation>> = {
  boiling: computeBoiling,
  case: computeCase,
  compare: computeCompare,
  features: computeFeatures,
  flush: computeFlush,
  ledger: computeLedger,
  mix: computeMix,
  monitors: computeMonitors,
  sender: computeSender,
  thermostat: computeThermostat,
};
