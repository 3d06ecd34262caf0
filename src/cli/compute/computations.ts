import { computeCase } from './computeCase';
import type { Computation } from './computation';

/** Every computation by its name. */
export const COMPUTATIONS: Readonly<Record<string, Computation>> = { case: computeCase };
