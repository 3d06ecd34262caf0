import { logSumExp, studentLog } from '../../signal';
import type { ReadingCircuit, SenderCurve } from '../../sender';
import {
  FAULT_RATE,
  FAULT_UNIT,
  otherCurve,
  otherFamilies,
  SENDER_FAULTS,
  sizedFaults,
  type ErrorAt,
  type FaultBranch,
  type SenderFault,
} from './faults';
import { apparent, RAILS_C, type ApparentReading, type SenderReading } from './reading';

/** Temperatures over which the error is drawn, °C. */
export const ERROR_RANGE_C: readonly number[] = Array.from({ length: 31 }, (_, i) => -30 + 5 * i);
/** From this probability on a fault is named; below it the points do not tell. */
export const NAMED_FROM = 0.65;
/**
 * Faults of one size whose best fits differ by less than this, as a logarithm, explain the points alike: which of them is
 * commoner must not decide.
 */
const ALIKE = 0.7;
const ONE_SIZE: readonly SenderFault[] = ['offset', 'series-resistance', 'parallel-leak', 'pull-up-drift'];
/** How far a sound part may lie off its curve, K (one standard deviation), all of it alike. */
const PART_SD_K = 0.25;
/** A reading at a rail lies somewhere in this width, K; a reading elsewhere is next to impossible for a broken wire. */
const RAIL_WIDTH_K = 25;
const OFF_RAIL_LOG = -16;
/** Steps of the first and of the closer look at a fault's size, and how far below the best still counts, as a logarithm. */
const COARSE = 200;
const FINE = 160;
const COUNTS_WITHIN = 14;

/** One fault with its odds and size. */
export interface ExplainedFault {
  readonly fault: SenderFault;
  readonly probability: number;
  /** Size in `unit`; of a wrong curve the error at 90 °C; null where a fault has none. */
  readonly value: number | null;
  readonly sd: number | null;
  readonly unit: 'K' | 'Ω' | '%' | null;
}

/** Reading minus truth at one temperature, with its band (5 to 95 of 100). */
export interface ErrorBand {
  readonly at_c: number;
  readonly error_k: number;
  readonly low_k: number;
  readonly high_k: number;
}

/** Where to measure next, and what it would tell. */
export interface NextPoint {
  readonly at_c: number;
  readonly gain_bits: number;
}

/** What the points of a sender say. */
export interface SenderExplanation {
  readonly points: readonly ApparentReading[];
  /** Most probable first. */
  readonly faults: readonly ExplainedFault[];
  /** The fault that the points name; null: they do not tell. */
  readonly named: SenderFault | null;
  readonly error: readonly ErrorBand[];
  /** Null where no further point would tell more than next to nothing. */
  readonly next: NextPoint | null;
}

/** One possible state of the sender with its weight within its fault. */
interface Node {
  /** Log likelihood, and the same with its share of the prior. */
  readonly fit: number;
  readonly log: number;
  readonly size: number;
  readonly errorAt: ErrorAt;
}

interface FaultNodes {
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

function nodesOf(points: readonly ApparentReading[], curve: SenderCurve): FaultNodes[] {
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

function sizeOf({ fault, nodes }: FaultNodes): { readonly value: number | null; readonly sd: number | null } {
  if (FAULT_UNIT[fault] === null) return { value: null, sd: null };
  const total = nodes.reduce((sum, n) => sum + n.weight, 0);
  const value = nodes.reduce((sum, n) => sum + n.weight * n.size, 0) / total;
  const variance = nodes.reduce((sum, n) => sum + n.weight * (n.size - value) ** 2, 0) / total;
  return { value, sd: Math.sqrt(variance) };
}

interface Predicted {
  readonly probability: number;
  readonly mean: number;
  readonly sd: number;
}

/** What each fault expects of a reading at a temperature. */
function predictedAt(all: readonly FaultNodes[], odds: readonly number[], at_c: number): Predicted[] {
  return all.map(({ nodes }, i) => {
    const errors = nodes.map((n) => n.errorAt(at_c, true));
    const total = nodes.reduce((sum, n) => sum + n.weight, 0);
    const mean = errors.reduce((sum, e, k) => sum + nodes[k]!.weight * e, 0) / total;
    const variance = errors.reduce((sum, e, k) => sum + nodes[k]!.weight * (e - mean) ** 2, 0) / total;
    return { probability: odds[i]!, mean, sd: Math.sqrt(variance + PART_SD_K ** 2) };
  });
}

/** Quantile of the error over everything that is still possible. */
function bandAt(all: readonly FaultNodes[], odds: readonly number[], at_c: number): ErrorBand {
  const spots = all
    .flatMap(({ nodes }, i) => nodes.map((n) => ({ e: n.errorAt(at_c, true), w: odds[i]! * n.weight })))
    .sort((a, b) => a.e - b.e);
  const total = spots.reduce((sum, s) => sum + s.w, 0);
  const quantile = (share: number): number => {
    let sum = 0;
    for (const s of spots) {
      sum += s.w;
      if (sum >= share * total) return s.e;
    }
    return spots.at(-1)!.e;
  };
  const spread = 1.64 * PART_SD_K;
  return {
    at_c,
    error_k: spots.reduce((sum, s) => sum + s.w * s.e, 0) / total,
    low_k: quantile(0.05) - spread,
    high_k: quantile(0.95) + spread,
  };
}

/** Temperatures that a bench can make: ice water to boiling, °C. */
const BENCH_C = [0, 10, 20, 30, 40, 50, 60, 70, 80, 90, 100] as const;
/** A point nearer to one that was measured tells little that a repeat would not, K. */
const APART_K = 8;
/** Points of the sum over possible readings. */
const SUMMED = 120;
const WORTH_BITS = 0.03;

/** How much a reading at a temperature would tell about which fault it is, bits. */
function gainAt(predicted: readonly Predicted[], reading_sd: number): number {
  const live = predicted.filter((p) => p.probability > 1e-4);
  const sds = live.map((p) => Math.hypot(p.sd, reading_sd));
  const from = Math.min(...live.map((p, i) => p.mean - 4 * sds[i]!));
  const to = Math.max(...live.map((p, i) => p.mean + 4 * sds[i]!));
  const step = (to - from) / SUMMED;
  let gain = 0;
  for (let k = 0; k <= SUMMED; k++) {
    const e = from + k * step;
    const densities = live.map(
      (p, i) => Math.exp(-0.5 * ((e - p.mean) / sds[i]!) ** 2) / (sds[i]! * Math.sqrt(2 * Math.PI)),
    );
    const mixture = live.reduce((sum, p, i) => sum + p.probability * densities[i]!, 0);
    live.forEach((p, i) => {
      if (densities[i]! > 0 && mixture > 0)
        gain += step * p.probability * densities[i]! * Math.log2(densities[i]! / mixture);
    });
  }
  return Math.max(0, gain);
}

function nextPoint(
  all: readonly FaultNodes[],
  odds: readonly number[],
  points: readonly ApparentReading[],
): NextPoint | null {
  const sd = points.length === 0 ? 1 : Math.min(...points.map((p) => p.sd_k));
  const worth = BENCH_C.filter((c) => points.every((p) => Math.abs(p.true_c - c) >= APART_K)).map((at_c) => ({
    at_c,
    gain_bits: gainAt(predictedAt(all, odds, at_c), sd),
  }));
  const best = worth.reduce<NextPoint | null>((a, b) => (a && a.gain_bits >= b.gain_bits ? a : b), null);
  return best && best.gain_bits >= WORTH_BITS ? best : null;
}

/** True where another fault of one size fits the points as well as the one that leads. */
function alike(all: readonly FaultNodes[], leader: SenderFault): boolean {
  const fit = (fault: SenderFault) => all.find((f) => f.fault === fault)!.best;
  return ONE_SIZE.includes(leader) && ONE_SIZE.some((f) => f !== leader && fit(f) > fit(leader) - ALIKE);
}

/**
 * Which fault explains the points best: every fault's size is summed out against the readings' tolerances, so that a
 * fault that could be anything is not preferred for it (Occam factor; MacKay, Information Theory, ch. 28).
 *
 * @param readings checked by `checkSenderReadings`
 */
export function explainSender(
  readings: readonly SenderReading[],
  { curve, circuit }: { readonly curve: SenderCurve; readonly circuit: ReadingCircuit | null },
): SenderExplanation {
  const points = readings.map((r) => apparent(r, { curve, circuit }));
  const all = nodesOf(points, curve);
  const logs = all.map((f) => f.logEvidence + Math.log(FAULT_RATE[f.fault]));
  const sum = logSumExp(logs);
  const odds = logs.map((l) => Math.exp(l - sum));
  const faults = all
    .map((f, i): ExplainedFault => ({ fault: f.fault, probability: odds[i]!, ...sizeOf(f), unit: FAULT_UNIT[f.fault] }))
    .sort((a, b) => b.probability - a.probability);
  const [first] = faults;
  return {
    points,
    faults,
    named: points.length > 0 && first!.probability >= NAMED_FROM && !alike(all, first!.fault) ? first!.fault : null,
    error: ERROR_RANGE_C.map((at_c) => bandAt(all, odds, at_c)),
    next: nextPoint(all, odds, points),
  };
}
