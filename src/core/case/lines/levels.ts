import type { Entry, MeasurementEntry } from '../entry';

/** A level read on one occasion. */
export interface ColdLevel {
  /** ms since 1970. */
  readonly at: number;
  readonly above_mark_mm: number;
  /** Temperature of the coolant then, °C; null: not read. */
  readonly at_c: number | null;
  /** Filled up after the reading to this height, mm above the mark; null: left as it was. */
  readonly filledTo_mm: number | null;
  /** A person says that the engine was warmed through and cooled since the level before; absent or null: not said. */
  readonly afterHeat?: boolean | null;
}

/** Above this a level is of a warm engine, °C. */
export const COLD_LEVEL_C = 45;
/** From here on the engine has been warm: a heat cycle goes on, °C. */
const HEATED_C = 60;
/** Two levels are compared when their temperatures lie this close, K: half a litre in ten litres per 100 K. */
const LIKE_K = 8;

/** True for a level that can be compared. */
export const isColdLevel = (level: ColdLevel): boolean => level.at_c !== null && level.at_c <= COLD_LEVEL_C;

/** From one cold level to the next. */
export interface LevelStep {
  readonly from: ColdLevel;
  readonly to: ColdLevel;
  /** What went, mm; null where the two cannot be compared. */
  readonly loss_mm: number | null;
  /** Why not: unlike temperatures, or filled up while it was warm. */
  readonly why: 'unlike' | 'filled-warm' | null;
  /** The engine was warmed through between them, as far as anybody or any log says. */
  readonly heated: boolean;
}

/**
 * What the cold levels say from one to the next. A hot reading, one after a top-up on a warm engine and two without a heat
 * cycle between them prove nothing.
 *
 * @param heatedAt moments at which the engine is known to have been warmed through, ms since 1970
 */
export function levelSteps(levels: readonly ColdLevel[], heatedAt: readonly number[] = []): LevelStep[] {
  const all = levels.toSorted((a, b) => a.at - b.at);
  const cold = all.filter(isColdLevel);
  return cold.slice(1).map((to, i): LevelStep => {
    const from = cold[i]!;
    const between = (at: number) => at > from.at && at <= to.at;
    const warm = all.filter((l) => !isColdLevel(l) && between(l.at));
    const heated =
      to.afterHeat === true || heatedAt.some(between) || warm.some((l) => l.at_c !== null && l.at_c >= HEATED_C);
    const why = warm.some((l) => l.filledTo_mm !== null)
      ? 'filled-warm'
      : Math.abs(to.at_c! - from.at_c!) > LIKE_K
        ? 'unlike'
        : null;
    const loss_mm = why === null ? (from.filledTo_mm ?? from.above_mark_mm) - to.above_mark_mm : null;
    return { from, to, loss_mm, why, heated };
  });
}

/** Place under which the Bleed screen keeps a level in the chronicle. */
export const bleedPlace = (at: number): string => `bleed ${at}`;
export const isBleedPlace = (place: string): boolean => place.startsWith('bleed ');

const isLevel = (e: Entry): e is MeasurementEntry =>
  e.kind === 'measurement' && e.name === 'level' && e.values.above_mark_mm !== undefined;

/**
 * Every level of a job, each once: the chronicle's, and those of a repair's sheet that it does not hold. Older versions
 * kept what was filled up on the sheet only.
 *
 * @param entries of the job, taken back ones included: such a level is gone from the sheet as well
 */
export function levelsOf(entries: readonly Entry[], onSheet: readonly ColdLevel[] = []): ColdLevel[] {
  const all = entries.filter(isLevel);
  const sheetOf = (e: MeasurementEntry) => onSheet.find((l) => bleedPlace(l.at) === e.place);
  const told = all
    .filter((e) => e.takenBack !== true)
    .map((e): ColdLevel => {
      const { above_mark_mm, at_c, filled_to_mm, heat_cycles } = e.values;
      return {
        at: e.at,
        above_mark_mm: above_mark_mm!,
        at_c: at_c ?? null,
        filledTo_mm: filled_to_mm ?? sheetOf(e)?.filledTo_mm ?? null,
        afterHeat: heat_cycles === undefined ? null : heat_cycles >= 1,
      };
    });
  const kept = new Set(all.map((e) => e.place));
  return [...told, ...onSheet.filter((l) => !kept.has(bleedPlace(l.at)))].sort((a, b) => a.at - b.at);
}

/** When the engine was warmed through, by the chronicle: drives, the first heat after work, readings of a warm engine. */
export const heatedAt = (entries: readonly Entry[]): number[] =>
  entries
    .filter((e) => e.takenBack !== true)
    .filter(
      (e) =>
        (e.kind === 'drive' && e.leftOut === '') ||
        (e.kind === 'proof' && e.item === 'first-heat' && e.answer === 'yes'),
    )
    .map((e) => e.at);
