/** A level read on one occasion. */
export interface ColdLevel {
  /** ms since 1970. */
  readonly at: number;
  readonly above_mark_mm: number;
  /** Temperature of the coolant then, °C; null: not read. */
  readonly at_c: number | null;
  /** Filled up after the reading to this height, mm above the mark; null: left as it was. */
  readonly filledTo_mm: number | null;
}

/** What the levels tell of air or loss. */
export interface AirVerdict {
  readonly verdict: 'settled' | 'air-settling' | 'steady-loss' | 'cannot-tell';
  /** Loss per heat cycle, first to last, mm. */
  readonly losses_mm: readonly number[];
  readonly says: string;
}

/** Above this a level is of a warm engine, °C. */
export const COLD_LEVEL_C = 45;
/** Two levels are compared when their temperatures lie this close, K: half a litre in ten litres per 100 K. */
const LIKE_K = 8;
/** Loss per cycle that counts as none, mm: what an eye reads at a mark. */
export const SETTLED_MM = 3;
/** A loss that falls to less than this share from cycle to cycle is air on its way out. */
const FALLING = 0.6;

/** True for a level that can be compared. */
export const isColdLevel = (level: ColdLevel): boolean => level.at_c !== null && level.at_c <= COLD_LEVEL_C;

/**
 * Air or a leak by the loss from cold level to cold level, at like temperature. A hot system is under pressure with or
 * without air: its pressure says nothing. @param settled_mm loss per cycle that counts as none
 */
export function airVerdict(levels: readonly ColdLevel[], settled_mm: number = SETTLED_MM): AirVerdict {
  const cold = levels.filter(isColdLevel).sort((a, b) => a.at - b.at);
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
  const losses: number[] = [];
  let apart = false;
  for (const [i, level] of cold.entries()) {
    const before = cold[i - 1];
    if (!before) continue;
    if (Math.abs(level.at_c! - before.at_c!) > LIKE_K) apart = true;
    else losses.push((before.filledTo_mm ?? before.above_mark_mm) - level.above_mark_mm);
  }
  const last = losses.at(-1);
  if (last === undefined)
    return cannot('The cold levels were read at temperatures too far apart: coolant grows. Read it at a like one.');
  if (last <= settled_mm && last >= -settled_mm) {
    return {
      verdict: 'settled',
      losses_mm: losses,
      says: 'The cold level stayed over the last heat cycle: the air is out.',
    };
  }
  if (last < 0)
    return cannot('The cold level rose on its own: read it again at a like temperature, and look for gas.', losses);
  const before = losses.at(-2);
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
