import { computeCase } from './computeCase';
import { computeCompare } from './computeCompare';
import { computeFeatures } from './computeFeatures';
import { computeMonitors } from './computeMonitors';
import type { Computation } from './computation';

/** Every computation by its name. */
export const COMPUTATIONS: Readonly<Record<string, Computation>> = {
  case: computeCase,
  compare: computeCompare,
  features: computeFeatures,
  monitors: computeMonitors,
};
