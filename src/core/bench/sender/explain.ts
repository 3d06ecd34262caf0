import { median } from 'd3-array';
import { logSumExp } from '../../signal';
import type { ReadingCircuit, SenderCurve } from '../../sender';
import { FAULT_RATE, FAULT_UNIT, type SenderFault } from './faults';
import { nextPoint, type NextPoint } from './nextPoint';
import { nodesOf, PART_SD_K, type FaultNodes } from './nodes';
import { apparent, type ApparentReading, type SenderReading } from './reading';

/** Temperatures over which the error is drawn, °C. */
export const ERROR_RANGE_C: readonly number[] = Array.from({ length: 31 }, (_, i) => -30 + 5 * i);
/** From this probability on a fault is named; below it the points do not tell. */
export const NAMED_FROM = 0.65;
/**
 * Faults of one size whose best fits differ by less than this, as a logarithm, explain the points alike: which of them is
 * commoner must not decide.
 */
const ALIKE = 0.8;
const ONE_SIZE: readonly SenderFault[] = ['offset', 'series-resistance', 'parallel-leak', 'pull-up-drift'];

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
  /** Place in the list of the one reading that lies far from all the others: to be read again; null for none. */
  readonly repeat: number | null;
}

/** How far from the middle of the others a reading is an outlier, and how near these lie to it, standard deviations. */
const OUTLIER = { beyond: 4, others: 2.5, least: 3 } as const;

/** The one reading that does not fit the others, which agree. */
function outlierOf(points: readonly ApparentReading[]): number | null {
  if (points.length < OUTLIER.least) return null;
  const stray = points.flatMap((p, i) => {
    const others = points.filter((_, k) => k !== i);
    const middle = median(others, (o) => o.error_k)!;
    const agree = others.every((o) => Math.abs(o.error_k - middle) <= OUTLIER.others * o.sd_k);
    return agree && Math.abs(p.error_k - middle) > OUTLIER.beyond * p.sd_k ? [i] : [];
  });
  return stray.length === 1 ? stray[0]! : null;
}

function sizeOf({ fault, nodes }: FaultNodes): { readonly value: number | null; readonly sd: number | null } {
  if (FAULT_UNIT[fault] === null) return { value: null, sd: null };
  const total = nodes.reduce((sum, n) => sum + n.weight, 0);
  const value = nodes.reduce((sum, n) => sum + n.weight * n.size, 0) / total;
  const variance = nodes.reduce((sum, n) => sum + n.weight * (n.size - value) ** 2, 0) / total;
  return { value, sd: Math.sqrt(variance) };
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
  const repeat = outlierOf(points);
  // A part that fails at one temperature alone, or a reading to repeat: one reading does not tell which.
  const unsettled = repeat !== null && first!.fault === 'wrong-curve';
  const tells = points.length > 0 && first!.probability >= NAMED_FROM && !alike(all, first!.fault);
  return {
    points,
    faults,
    named: tells && !unsettled ? first!.fault : null,
    repeat,
    error: ERROR_RANGE_C.map((at_c) => bandAt(all, odds, at_c)),
    next: nextPoint(all, odds, points),
  };
}
