import { CAUSES, isFault, perCause, type Cause, type PerCause } from '../../base';
import { addLogs, logPriors, type CauseLogs } from '../../evidence';
import { logSumExp } from '../../signal';

/**
 * How several drives of one car are put together. `growth`: n alike count as n to this power, where 0 would be one drive
 * however many there are and 1 as many strangers' cars, as drives of one car share what the model has wrong of it.
 * `trust`: each drive weighs as its information to this power, so that the one that tells more is believed more.
 * `base`: share of the base rates, as a power, that a further drive is taken to hold already. Learned on triples of drives
 * in drawn worlds that the judge never met, and held against others and cars of other simulators (docs/decisions/0040).
 */
export const TOGETHER = { growth: 0.35, trust: 1.5, base: 0.5 } as const;

/** The word of no drive. */
export const NO_WORD: CauseLogs = perCause(() => 0);

const SOUND = CAUSES.filter((c) => !isFault(c));
const FAULTS = CAUSES.filter(isFault);

/** Log odds of one drive alone, by the base rates that its word was calibrated with. */
const alone = (word: PerCause<number>): CauseLogs => {
  const raw = addLogs(logPriors(), word);
  const total = logSumExp(CAUSES.map((c) => raw[c]));
  return perCause((c) => raw[c] - total);
};

const soundOf = (logs: PerCause<number>): number => logSumExp(SOUND.map((c) => logs[c]));

/** A drive that tells less than this, nats, tells nothing: rounding alone does not make it exactly flat. */
const TELLS_FROM = 1e-14;

/** How far the odds of a drive lie from the base rates, nats: none for one that tells nothing. */
function information(odds: PerCause<number>, priors: PerCause<number>): number {
  const term = (log: number, prior: number) => (log > -Infinity ? Math.exp(log) * (log - prior) : 0);
  return FAULTS.reduce((sum, c) => sum + term(odds[c], priors[c]), term(soundOf(odds), soundOf(priors)));
}

/** Weights of drives by what each tells; equal ones share what their number counts for. */
function weightsOf(informations: readonly number[]): readonly number[] {
  const sum = (power: number) => informations.reduce((total, i) => total + i ** power, 0);
  const [first, trusted] = [sum(1), sum(TOGETHER.trust)];
  const count = first ** 2 / sum(2);
  return informations.map((i) => (count ** (TOGETHER.growth - 1) * i ** (TOGETHER.trust - 1) * first) / trusted);
}

/** The causes that lead every one of the drives: one, or either kind of sound; none where they differ. */
function leadersOf(odds: readonly PerCause<number>[]): readonly Cause[] {
  const leaders = odds.map((o) => CAUSES.reduce((a, b) => (o[b] > o[a] ? b : a)));
  const [first] = leaders;
  if (leaders.every((c) => c === first)) return [first!];
  return leaders.every((c) => !isFault(c)) ? SOUND : [];
}

/**
 * Several drives of one car in one state, as one word. Each says what it says alone; together they count as more drives
 * than one and fewer than there are. Their order does not matter, one that tells nothing changes nothing, and drives
 * that all lead with one cause lead with it together.
 *
 * @param words of the drives, at least one
 * @returns log likelihood per cause; of one drive its own word
 * @throws {RangeError} without a drive
 */
export function wordTogether(words: readonly PerCause<number>[]): CauseLogs {
  if (words.length === 0) throw new RangeError('wordTogether: no drive');
  const priors = logPriors();
  const telling = words.filter((word) => information(alone(word), priors) > TELLS_FROM);
  const [only] = telling;
  if (!only) return { ...NO_WORD };
  if (telling.length === 1) return { ...only };
  const odds = telling.map(alone);
  const weights = weightsOf(odds.map((o) => information(o, priors)));
  const sum = (of: (o: PerCause<number>) => number, prior: number): number =>
    odds.reduce((total, o, k) => total + weights[k]! * (of(o) - TOGETHER.base * prior), TOGETHER.base * prior);
  // Whether a sound car reaches its temperature is a matter of the drive: both kinds are one state of the car.
  const sound = sum(soundOf, soundOf(priors));
  const all = weights.reduce((a, b) => a + b, 0);
  const kind = (c: Cause) =>
    Math.log(odds.reduce((total, o, k) => total + weights[k]! * Math.exp(o[c] - soundOf(o)), 0) / all);
  const raw = perCause((c) => (isFault(c) ? sum((o) => o[c], priors[c]) : sound + kind(c)));
  const leaders = leadersOf(odds);
  const top = (o: PerCause<number>) => Math.max(...leaders.map((c) => o[c]));
  const held = perCause((c) =>
    leaders.length === 0 || leaders.includes(c)
      ? raw[c]
      : Math.min(raw[c], top(raw) + Math.max(...odds.map((o) => o[c] - top(o)))),
  );
  const total = logSumExp(CAUSES.map((c) => held[c]));
  return perCause((c) => (held[c] > -Infinity ? held[c] - total - priors[c] : -Infinity));
}
