import type { Result } from '../../core/base';

/** Why one input was not answered: what, in words, and at which field. */
export interface ComputeError {
  readonly code: string;
  readonly message: string;
  readonly path: string | null;
}

/** A computation: an answer as plain data, or why there is none. */
export type Computation = (input: unknown) => Promise<Result<object, ComputeError>>;
