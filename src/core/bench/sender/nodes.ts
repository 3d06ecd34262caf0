import { logSumExp, studentLog } from '../../signal';
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
/** A reading at a rail lies somewhere in this width, K; a reading elsewhere is next to impossible for a broken wire. */
const RAIL_WIDTH_K = 25;
const OFF_RAIL_LOG = -16;
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

/** Log likelihood of the points for one error curve, the part's own scatter shared by all of them summed out. */
function logLikelihood(points: readonly ApparentReading[], errorAt: ErrorAt): number {
  const rests = points.map((p) => p.error_k - errorAt(p.true_c, p.electric));
  const shared = [-1.22, 0, 1.22].map(
    // Three-point Gauss-Hermite: exact for what is quadratic in the shared part.
    (z, i) =>
      Math.log(i === 1 ? 2 / 3 : 1 / 6) +
      rests.reduce((sum, r, k) => sum + studentLog(r - Math.SQRT2 * z * PART_SD_K, points[k]!.sd_k), 0),
  );
  return logSumExp(shared);
}

/** Sums a branch over its size: a first look, and a closer one where it counts. */
function branchNodes(points: readonly ApparentReading[], branch: FaultBranch): Node[] {
  const at = (u: number): Node => {
    const errorAt = branch.errorOf(u);
    const fit = logLikelihood(points, errorAt);
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
  points: readonly ApparentReading[],
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
      const fit = logLikelihood(points, errorAt);
      const log = fit - 0.5 * (level ** 2 + steepness ** 2) + cell;
      nodes.push({ fit, log, size: errorAt(90, false), errorAt, level, steepness });
    }
  }
  return nodes;
}

function wrongCurveNodes(points: readonly ApparentReading[], curve: SenderCurve): Node[] {
  let box: readonly [number, number, number, number] = [-OTHER_WIDTH, OTHER_WIDTH, -OTHER_WIDTH, OTHER_WIDTH];
  let nodes = gridNodes(points, curve, box);
  // Twice closer: sharp instruments leave a spot much smaller than the first grid.
  for (let look = 0; look < 2; look++) {
    const best = Math.max(...nodes.map((n) => n.log));
    const counts = nodes.filter((n) => n.log > best - COUNTS_WITHIN);
    const [dl, ds] = [(box[1] - box[0]) / OTHER_STEPS, (box[3] - box[2]) / OTHER_STEPS];
    const of = (values: readonly number[]) => [Math.min(...values), Math.max(...values)] as const;
    const [l0, l1] = of(counts.map((n) => n.level));
    const [s0, s1] = of(counts.map((n) => n.steepness));
    box = [l0 - dl, l1 + dl, s0 - ds, s1 + ds];
    nodes = gridNodes(points, curve, box);
  }
  const families = otherFamilies(curve);
  const perFamily = Math.log(FAMILY_SHARE / Math.max(1, families.length));
  return [
    ...nodes.map((n) => ({ ...n, log: n.log + Math.log(1 - FAMILY_SHARE) })),
    ...families.map((errorAt) => {
      const fit = logLikelihood(points, errorAt);
      return { fit, log: fit + perFamily, size: errorAt(90, false), errorAt };
    }),
  ];
}

/** A wire that is broken, or touches: the reading stands at its rail whatever the temperature. */
function railNode(points: readonly ApparentReading[], rail: 'cold' | 'hot'): Node {
  const at_c = rail === 'cold' ? RAILS_C[0] : RAILS_C[1];
  const log = points.reduce((sum, p) => sum + (p.rail === rail ? -Math.log(RAIL_WIDTH_K) : OFF_RAIL_LOG), 0);
  return { fit: log, log, size: NaN, errorAt: (t) => at_c - t };
}

/** A sender on its curve. */
function soundNode(points: readonly ApparentReading[]): Node {
  const fit = logLikelihood(points, () => 0);
  return { fit, log: fit, size: NaN, errorAt: () => 0 };
}

/** Every fault held against the points. */
export function nodesOf(points: readonly ApparentReading[], curve: SenderCurve): FaultNodes[] {
  const branches = sizedFaults(curve);
  const ownNodes = (fault: SenderFault): Node[] => {
    if (fault === 'good') return [soundNode(points)];
    if (fault === 'open') return [railNode(points, 'cold')];
    if (fault === 'short') return [railNode(points, 'hot')];
    if (fault === 'wrong-curve') return wrongCurveNodes(points, curve);
    return branches.filter((b) => b.fault === fault).flatMap((b) => branchNodes(points, b));
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
