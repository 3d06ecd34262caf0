import { squared } from './sums';
import { normalEquations, robustLoss } from './normalEquations';
import { choleskyFactor, choleskySolve, logDeterminant } from './cholesky';

/** A least-squares problem whose parameters all carry standard normal priors. */
export interface MapProblem {
  /** Parameters. */
  readonly size: number;
  /** Whitened residuals. */
  readonly residualCount: number;
  /** Writes the whitened residuals at `z` into `out`. */
  readonly residuals: (z: Float64Array, out: Float64Array) => void;
  /** The same at up to {@link TOGETHER} points at once, for little more than one costs; without it one by one. */
  readonly residualsTogether?: (zs: readonly Float64Array[], outs: readonly Float64Array[]) => void;
  /** Writes their derivatives along the coordinates `along` into one column each; without it differences are taken. */
  readonly derivatives?: (z: Float64Array, along: readonly number[], columns: readonly Float64Array[]) => void;
}

/** Points whose residuals are worked out together. */
export const TOGETHER = 4;

/** Residuals at up to {@link TOGETHER} points. */
export function residualsAt(problem: MapProblem, zs: readonly Float64Array[], outs: readonly Float64Array[]): void {
  if (problem.residualsTogether) problem.residualsTogether(zs, outs);
  else zs.forEach((z, i) => problem.residuals(z, outs[i]!));
}

/** How hard to try. */
export interface MapOptions {
  readonly maxIterations: number;
  /** Degrees of freedom of the Student-t residuals: below 10, a few bad samples do not decide. */
  readonly degreesOfFreedom: number;
  /** Fall of the objective below which the search ends. */
  readonly tolerance: number;
  /** Difference step for derivatives, in prior standard deviations. */
  readonly differenceStep: number;
  /** Iterations between fresh derivatives; in between they are updated from the steps taken (Broyden). */
  readonly refreshEvery: number;
}

/** Defaults of {@link mapFit}. */
export const MAP_DEFAULTS: MapOptions = {
  maxIterations: 18,
  degreesOfFreedom: 6,
  tolerance: 0.3,
  differenceStep: 0.06,
  refreshEvery: 2,
};

/** A derivative column with a smaller sum of squares than this leaves its parameter at the prior. */
export const INSENSITIVE = 0.01;

/**
 * A derivative column with a larger sum of squares than this (working figure, decision 23), or with none, comes from a place where the model leaps: the difference
 * over a whole step says more there.
 */
const WILD = 1e6;

/** Outcome of a fit. Numerical fate is data, not an exception. */
export interface MapFit {
  readonly z: Float64Array;
  /** Minus twice the log posterior, up to the residuals' normalisation. */
  readonly objective: number;
  /** The residuals' part of the objective: about one per residual that is as large as expected. */
  readonly loss: number;
  /** Log evidence by Laplace's approximation, up to the same constant for every model of the same data. */
  readonly logEvidence: number;
  /** Works out the posterior covariance of z, row by row: few callers need it. */
  readonly covariance: () => Float64Array;
  readonly stopped: 'converged' | 'maxIterations' | 'stuck' | 'nonFinite';
  readonly iterations: number;
  readonly evaluations: number;
}

function damped(hessian: Float64Array, n: number, damping: number): Float64Array {
  const m = Float64Array.from(hessian);
  for (let i = 0; i < n; i++) m[i * n + i]! *= 1 + damping;
  return m;
}

/** Rank-one correction of the derivatives by the step just taken. Source: Broyden, Math. Comp. 19 (1965) 577-593. */
function broydenUpdate(
  jacobian: readonly Float64Array[],
  step: Float64Array,
  eFrom: Float64Array,
  eTo: Float64Array,
): void {
  const length = squared(step);
  if (!(length > 1e-12)) return;
  const miss = new Float64Array(eFrom.length);
  for (let k = 0; k < miss.length; k++) miss[k] = eTo[k]! - eFrom[k]!;
  for (let i = 0; i < step.length; i++) {
    const column = jacobian[i]!;
    for (let k = 0; k < miss.length; k++) miss[k]! -= column[k]! * step[i]!;
  }
  for (let i = 0; i < step.length; i++) {
    const share = step[i]! / length;
    const column = jacobian[i]!;
    for (let k = 0; k < miss.length; k++) column[k]! += miss[k]! * share;
  }
}

/** Largest |z| a fit may reach: beyond six standard deviations nothing is learned. */
const FURTHEST = 6;

/** A fit under way: where it stands, its derivatives, and how much work was done. */
class Search {
  readonly z: Float64Array;
  e: Float64Array;
  objective: number;
  evaluations = 1;
  /** Parameters that move the residuals at all; the others stay at their start. */
  active: number[];
  private jacobian: Float64Array[] = [];
  /** The last step and where it began, while the derivatives do not know of it. */
  private taken: { readonly step: Float64Array; readonly from: Float64Array } | null = null;

  constructor(
    private readonly problem: MapProblem,
    start: Float64Array,
    private readonly options: MapOptions,
  ) {
    this.z = Float64Array.from(start);
    this.e = new Float64Array(problem.residualCount);
    problem.residuals(this.z, this.e);
    this.objective = this.objectiveOf(this.z, this.e);
    this.active = Array.from(start, (_, i) => i);
  }

  /** Derivatives of all active parameters are there. */
  get isLinear(): boolean {
    return this.jacobian.length === this.active.length;
  }

  private objectiveOf(z: Float64Array, e: Float64Array): number {
    return robustLoss(e, this.options.degreesOfFreedom) + squared(z);
  }

  /** Fresh derivatives; the first time, parameters without effect are set aside. */
  linearise(): void {
    const first = this.jacobian.length === 0;
    this.taken = null;
    const columns = this.active.map((_, position) => this.jacobian[position] ?? new Float64Array(this.e.length));
    const { derivatives } = this.problem;
    derivatives?.(this.z, this.active, columns);
    this.active.forEach((i, position) => {
      const column = columns[position]!;
      if (!derivatives || !(squared(column) <= WILD)) this.difference(i, column);
    });
    const kept = this.active.map((_, position) => !first || squared(columns[position]!) >= INSENSITIVE);
    this.jacobian = columns.filter((_, position) => kept[position]);
    this.active = this.active.filter((_, position) => kept[position]);
  }

  /** One column by differences. */
  private difference(i: number, column: Float64Array): void {
    const h = this.options.differenceStep;
    const at = this.z[i]!;
    this.z[i] = at + h;
    this.problem.residuals(this.z, column);
    this.z[i] = at;
    this.evaluations++;
    for (let k = 0; k < column.length; k++) column[k] = (column[k]! - this.e[k]!) / h;
  }

  equations(): { hessian: Float64Array; gradient: Float64Array } {
    if (this.taken) broydenUpdate(this.jacobian, this.taken.step, this.taken.from, this.e);
    this.taken = null;
    const zActive = Float64Array.from(this.active, (i) => this.z[i]!);
    return normalEquations(this.jacobian, this.e, zActive, this.options.degreesOfFreedom);
  }

  /** Tries one damped step; true when the objective fell. */
  tryStep(hessian: Float64Array, gradient: Float64Array, damping: number): boolean {
    const n = this.active.length;
    const lower = choleskyFactor(damped(hessian, n, damping), n);
    if (!lower) return false;
    const solved = choleskySolve(lower, n, gradient);
    const next = Float64Array.from(this.z);
    const step = new Float64Array(n);
    this.active.forEach((i, position) => {
      next[i] = Math.max(-FURTHEST, Math.min(FURTHEST, this.z[i]! - solved[position]!));
      step[position] = next[i]! - this.z[i]!;
    });
    const e = new Float64Array(this.e.length);
    this.problem.residuals(next, e);
    this.evaluations++;
    const objective = this.objectiveOf(next, e);
    if (!(objective < this.objective)) return false;
    this.taken = { step, from: this.e };
    this.z.set(next);
    this.e = e;
    this.objective = objective;
    return true;
  }
}

/** Most step lengths tried from one point. */
const MOST_TRIES = 6;

/**
 * Maximum a posteriori fit by damped least squares (Levenberg-Marquardt) with Student-t residuals, and the evidence
 * of the model by Laplace's approximation.
 * Sources: Nocedal & Wright, Numerical Optimization, ch. 10; MacKay, Information Theory, Inference, and Learning
 * Algorithms, ch. 27-28.
 *
 * @param start first guess of z, length `problem.size`
 */
export function mapFit(problem: MapProblem, start: Float64Array, options: MapOptions = MAP_DEFAULTS): MapFit {
  if (start.length !== problem.size) {
    throw new RangeError(`mapFit: start must have ${problem.size} entries, got ${start.length}`);
  }
  const search = new Search(problem, start, options);
  let stopped: MapFit['stopped'] = Number.isFinite(search.objective) ? 'maxIterations' : 'nonFinite';
  let damping = 0.01;
  let iterations = 0;
  let sinceFresh = Infinity;
  while (stopped === 'maxIterations' && iterations < options.maxIterations) {
    if (sinceFresh >= options.refreshEvery) {
      search.linearise();
      sinceFresh = 0;
    }
    iterations++;
    sinceFresh++;
    const { hessian, gradient } = search.equations();
    const before = search.objective;
    let tries = 0;
    while (tries < MOST_TRIES && !search.tryStep(hessian, gradient, damping)) {
      damping *= 8;
      tries++;
    }
    if (tries === MOST_TRIES) {
      // Stale derivatives are the usual reason: take fresh ones once before giving in.
      if (sinceFresh > 1) sinceFresh = Infinity;
      else stopped = 'stuck';
      continue;
    }
    damping = Math.max(1e-4, damping / 6);
    if (before - search.objective < options.tolerance) stopped = 'converged';
  }
  return summarise(search, problem.size, { stopped, iterations });
}

/** Evidence and covariance at the end of a search. */
function summarise(search: Search, size: number, end: Pick<MapFit, 'stopped' | 'iterations'>): MapFit {
  const n = search.active.length;
  let lower: Float64Array | null = null;
  if (end.stopped !== 'nonFinite' && n > 0 && search.isLinear) {
    lower = choleskyFactor(search.equations().hessian, n);
  }
  const logDet = lower ? logDeterminant(lower, n) : 0;
  const covariance = (): Float64Array => {
    const out = new Float64Array(size * size);
    for (let i = 0; i < size; i++) out[i * size + i] = 1;
    if (!lower) return out;
    const unit = new Float64Array(n);
    for (const [i, a] of search.active.entries()) {
      unit.fill(0);
      unit[i] = 1;
      const column = choleskySolve(lower, n, unit);
      for (const [j, b] of search.active.entries()) out[a * size + b] = column[j]!;
    }
    return out;
  };
  return {
    z: search.z,
    objective: search.objective,
    loss: search.objective - squared(search.z),
    logEvidence: end.stopped === 'nonFinite' ? -Infinity : -0.5 * search.objective - 0.5 * logDet,
    covariance,
    evaluations: search.evaluations,
    ...end,
  };
}
