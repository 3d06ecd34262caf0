import { isColdLevel, levelSteps, type ColdLevel } from '../case';

/** What the levels tell of air or loss. */
export interface AirVerdict {
  readonly verdict: 'settled' | 'air-settling' | 'steady-loss' | 'cannot-tell';
  /** Loss per heat cycle, first to last, mm. */
  readonly losses_mm: readonly number[];
  readonly says: string;
}

/** Loss per cycle that counts as none, mm: what an eye reads at a mark. */
export const SETTLED_MM = 3;
/** A loss that falls to less than this share from cycle to cycle is air on its way out. */
const FALLING = 0.6;

/**
 * Air or a leak by the loss from cold level to cold level, at like temperature. A hot system is under pressure with or
 * without air: its pressure says nothing, and levels without a heat cycle between them say nothing of air.
 *
 * @param settled_mm loss per cycle that counts as none
 * @param heatedAt moments at which the engine is known to have been warmed through, ms since 1970
 */
export function airVerdict(
  levels: readonly ColdLevel[],
  settled_mm: number = SETTLED_MM,
  heatedAt: readonly number[] = [],
): AirVerdict {
  const cold = levels.filter(isColdLevel);
  const cannot = (says: string, losses_mm: readonly number[] = []): AirVerdict => ({
    verdict: 'cannot-tell',
    losses_mm,
    says,
  });
  if (cold.length === 0) {
    return cannot(
      levels.length === 0
        ? 'No cold level yet.'
        : 'Only levels of a warm engine: pressure and level of a hot system prove nothing. Read it cold.',
    );
  }
  if (cold.length === 1) return cannot('One cold level: warm it up until it opens, let it cool, and read it again.');
  const steps = levelSteps(levels, heatedAt);
  const counted = steps.filter((s) => s.loss_mm !== null && s.heated);
  const losses = counted.map((s) => s.loss_mm!);
  const apart = steps.some((s) => s.why === 'unlike');
  const newest = steps.at(-1)!;
  if (newest.why === 'filled-warm') {
    return cannot(
      'It was filled up while warm: what had gone is not known. Read the level at the next two colds, and fill up only cold.',
      losses,
    );
  }
  if (newest.loss_mm === null) {
    return cannot(
      'The last cold levels were read at temperatures too far apart: coolant grows. Read it at a like one.',
      losses,
    );
  }
  if (!newest.heated && newest.loss_mm <= settled_mm) {
    return cannot(
      'No heat cycle is known between the last two levels: warm it up until it opens, let it cool, and read it again.',
      losses,
    );
  }
  const last = newest.loss_mm;
  if (last <= settled_mm && last >= -settled_mm) {
    return {
      verdict: 'settled',
      losses_mm: losses,
      says: 'The cold level stayed over the last heat cycle: the air is out.',
    };
  }
  if (last < 0)
    return cannot('The cold level rose on its own: read it again at a like temperature, and look for gas.', losses);
  const before = newest.heated ? losses.at(-2) : losses.at(-1);
  if (before !== undefined && before > settled_mm && last > FALLING * before) {
    return {
      verdict: 'steady-loss',
      losses_mm: losses,
      says: 'It loses about as much with each cycle: a leak, boil-off or a gasket, not air. Look for it before more is filled in.',
    };
  }
  return {
    verdict: 'air-settling',
    losses_mm: losses,
    says: `It fell over the last cycle${before === undefined ? '' : ', less than before'}${apart ? '; one pair of levels was at unlike temperatures and left out' : ''}: top up and run another.`,
  };
}

/** Bleeding cycles with bubbles after which the combustion-gas test is due. */
const GAS_TEST_AFTER = 3;

/** Whether bubbles went on long enough to look for combustion gas. @param cycles whether bubbles came, cycle by cycle */
export const gasTestDue = (cycles: readonly boolean[]): boolean =>
  cycles.length >= GAS_TEST_AFTER && cycles.slice(-GAS_TEST_AFTER).every(Boolean);
