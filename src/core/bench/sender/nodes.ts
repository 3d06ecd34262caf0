import { blurredUniform, interpolateTable, logSumExp, sharedGaussian, type JointLog } from '../../signal';
import type { SenderCurve } from '../../sender';
import {
  otherCurve,
  otherFamilies,
  SENDER_FAULTS,
  sizedFaults,
  type ErrorAt,
  type FaultBranch,
  type SenderFault,
} from './faults';
import { RAILS_C, type ApparentReading } from './reading';

/** How far a sound part may lie off its curve, K (one standard deviation), all of it alike. */
export const PART_SD_K = 0.25;
/** A reading at a rail lies somewhere in this width, K. */
const RAIL_WIDTH_K = 25;
/** Steps of the first and of the closer look at a fault's size, and how far below the best still counts, as a logarithm. */
const COARSE = 200;
const FINE = 160;
const COUNTS_WITHIN = 14;

/** One possible state of the sender with its weight within its fault. */
interface Node {
  /** Log likelihood, and the same with its share of the prior. */
  readonly fit: number;
  readonly log: number;
  readonly size: number;
  readonly errorAt: ErrorAt;
}

/** What is left of a fault after the points: its sizes with their weights, summing to 1. */
export interface FaultNodes {
  readonly fault: SenderFault;
  readonly logEvidence: number;
  /** Log likelihood of the size that fits best. */
  readonly best: number;
  readonly nodes: readonly { readonly weight: number; readonly size: number; readonly errorAt: ErrorAt }[];
}

/** Density of what an error curve leaves of the points: instruments and the part's own scatter are shared by all. */
const jointOf = (points: readonly ApparentReading[]): JointLog =>
  sharedGaussian(
    points.map((p) => p.noise_k),
    [points.map((p) => p.bias_k), points.map(() => PART_SD_K)],
  );

/** Log likelihood of the points for one error curve. */
type LogLikelihood = (errorAt: ErrorAt) => number;
const likelihoodOf = (points: readonly ApparentReading[]): LogLikelihood => {
  const joint = jointOf(points);
  return (errorAt) => joint(points.map((p) => p.error_k - errorAt(p.true_c, p.electric)));
};

/** Sums a branch over its size: a first look, and a closer one where it counts. */
function branchNodes(logLikelihood: LogLikelihood, branch: FaultBranch): Node[] {
  const at = (u: number): Node => {
    const errorAt = branch.errorOf(u);
    const fit = logLikelihood(errorAt);
    return { fit, log: fit, size: branch.size(u), errorAt };
  };
  const step = (branch.to - branch.from) / COARSE;
  const coarse = Array.from({ length: COARSE + 1 }, (_, i) => at(branch.from + i * step));
  const best = Math.max(...coarse.map((n) => n.log));
  const counts = coarse.flatMap((n, i) => (n.log > best - COUNTS_WITHIN ? [i] : []));
  const from = branch.from + step * Math.max(0, counts[0]! - 1);
  const to = branch.from + step * Math.min(COARSE, counts.at(-1)! + 1);
  const fine = (to - from) / FINE;
  const cell = Math.log((branch.share * fine) / (branch.to - branch.from));
  return Array.from({ length: FINE + 1 }, (_, i) => {
    const node = at(from + i * fine);
    return { ...node, log: node.log + cell + (i === 0 || i === FINE ? Math.log(0.5) : 0) };
  });
}

/** Half width of the look at other curves, in prior standard deviations, and steps each way. */
const OTHER_WIDTH = 3;
const OTHER_STEPS = 24;
/** Share of wrong parts that belong to one of the shipped families. */
const FAMILY_SHARE = 0.4;

function gridNodes(
  logLikelihood: LogLikelihood,
  curve: SenderCurve,
  box: readonly [number, number, number, number],
): (Node & { readonly level: number; readonly steepness: number })[] {
  const [fromL, toL, fromS, toS] = box;
  const [dl, ds] = [(toL - fromL) / OTHER_STEPS, (toS - fromS) / OTHER_STEPS];
  const cell = Math.log((dl * ds) / (2 * Math.PI));
  const nodes: (Node & { readonly level: number; readonly steepness: number })[] = [];
  for (let i = 0; i <= OTHER_STEPS; i++) {
    for (let j = 0; j <= OTHER_STEPS; j++) {
      const [level, steepness] = [fromL + i * dl, fromS + j * ds];
      const errorAt = otherCurve(curve, level, steepness);
      const fit = logLikelihood(errorAt);
      const log = fit - 0.5 * (level ** 2 + steepness ** 2) + cell;
      nodes.push({ fit, log, size: errorAt(90, false), errorAt, level, steepness });
    }
  }
  return nodes;
}

/**
 * A part that leaves its curve at some temperatures and keeps it at others: how often among wrong parts, how often at a
 * temperature, and how far, K. It is what is left where one reading is impossible and the others are right, unless that
 * one was misread.
 */
const FAILS = { share: 0.3, at: 0.3, width_k: 120 } as const;

/** A part that follows its curve but for some readings, which lie anywhere. */
function failingNode(points: readonly ApparentReading[]): Node {
  const log = points.reduce((sum, p) => {
    const off = blurredUniform(p.error_k, -FAILS.width_k, FAILS.width_k, p.sd_k);
    return sum + Math.log((1 - FAILS.at) * rightAt(p) + FAILS.at * off);
  }, Math.log(FAILS.share));
  const inOrder = points.toSorted((a, b) => a.true_c - b.true_c);
  const errorAt: ErrorAt = (true_c) =>
    interpolateTable(
      true_c,
      inOrder.map((p) => p.true_c),
      inOrder.map((p) => p.error_k),
    );
  return {
    fit: log,
    log,
    size: points.length > 0 ? errorAt(90, false) : 0,
    errorAt: points.length > 0 ? errorAt : () => 0,
  };
}

function wrongCurveNodes(points: readonly ApparentReading[], curve: SenderCurve, logLikelihood: LogLikelihood): Node[] {
  let box: readonly [number, number, number, number] = [-OTHER_WIDTH, OTHER_WIDTH, -OTHER_WIDTH, OTHER_WIDTH];
  let nodes = gridNodes(logLikelihood, curve, box);
  // Twice closer: sharp instruments leave a spot much smaller than the first grid.
  for (let look = 0; look < 2; look++) {
    const best = Math.max(...nodes.map((n) => n.log));
    const counts = nodes.filter((n) => n.log > best - COUNTS_WITHIN);
    const [dl, ds] = [(box[1] - box[0]) / OTHER_STEPS, (box[3] - box[2]) / OTHER_STEPS];
    const of = (values: readonly number[]) => [Math.min(...values), Math.max(...values)] as const;
    const [l0, l1] = of(counts.map((n) => n.level));
    const [s0, s1] = of(counts.map((n) => n.steepness));
    box = [l0 - dl, l1 + dl, s0 - ds, s1 + ds];
    nodes = gridNodes(logLikelihood, curve, box);
  }
  const families = otherFamilies(curve);
  const perFamily = Math.log(FAMILY_SHARE / Math.max(1, families.length));
  return [
    ...nodes.map((n) => ({ ...n, log: n.log + Math.log((1 - FAMILY_SHARE) * (1 - FAILS.share)) })),
    ...families.map((errorAt) => {
      const fit = logLikelihood(errorAt);
      return { fit, log: fit + perFamily + Math.log(1 - FAILS.share), size: errorAt(90, false), errorAt };
    }),
    failingNode(points),
  ];
}

/** How often a wire that is broken or touches shows it at a temperature; else it reads right, next to never anything. */
const BROKEN = { atRail: 0.85, anything: Math.exp(-16) } as const;

/** Density of a reading that is right. */
function rightAt({ error_k, sd_k }: ApparentReading): number {
  const sd = Math.hypot(sd_k, PART_SD_K);
  return Math.exp(-0.5 * (error_k / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));
}

/** A wire that is broken, or touches: the reading stands at its rail, at all temperatures or at some. */
function railNode(points: readonly ApparentReading[], rail: 'cold' | 'hot'): Node {
  const at_c = rail === 'cold' ? RAILS_C[0] : RAILS_C[1];
  const one = (p: ApparentReading): number =>
    p.rail === rail ? BROKEN.atRail / RAIL_WIDTH_K : (1 - BROKEN.atRail) * rightAt(p) + BROKEN.anything;
  const log = points.reduce((sum, p) => sum + Math.log(one(p)), 0);
  return { fit: log, log, size: NaN, errorAt: (t) => at_c - t };
}

/** A sender on its curve. */
function soundNode(logLikelihood: LogLikelihood): Node {
  const fit = logLikelihood(() => 0);
  return { fit, log: fit, size: NaN, errorAt: () => 0 };
}

/** Every fault held against the points. */
export function nodesOf(points: readonly ApparentReading[], curve: SenderCurve): FaultNodes[] {
  const branches = sizedFaults(curve);
  const logLikelihood = likelihoodOf(points);
  const ownNodes = (fault: SenderFault): Node[] => {
    if (fault === 'good') return [soundNode(logLikelihood)];
    if (fault === 'open') return [railNode(points, 'cold')];
    if (fault === 'short') return [railNode(points, 'hot')];
    if (fault === 'wrong-curve') return wrongCurveNodes(points, curve, logLikelihood);
    return branches.filter((b) => b.fault === fault).flatMap((b) => branchNodes(logLikelihood, b));
  };
  return SENDER_FAULTS.map((fault): FaultNodes => {
    const own = ownNodes(fault);
    const logEvidence = logSumExp(own.map((n) => n.log));
    const nodes = own
      .map((n) => ({ weight: Math.exp(n.log - logEvidence), size: n.size, errorAt: n.errorAt }))
      .filter((n) => n.weight > 1e-5);
    return { fault, logEvidence, best: Math.max(...own.map((n) => n.fit)), nodes };
  });
}
