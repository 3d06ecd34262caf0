import { temperatureText } from '../base';
import type { Comparison, DriveLook } from '../desk';
import { within, type DrivingPhase } from '../drive';
import type { ItemId } from '../evidence';
import { COMPLAINT_NEEDS } from '../planning';

/** A condition of the complaint, and whether a drive repeated it; null where the log does not tell. */
export interface ConditionShown {
  readonly itemId: ItemId;
  readonly says: string;
  readonly shown: boolean | null;
}

/** Starts within this of outside air count as cold, K. */
const COLD_START_K = 10;
/** Outside air up to which a morning counts as cold, °C. */
const COLD_MORNING_C = 10;
const LONG_S = 600;
const LOAD_S = 300;
const STANDS_S = 300;
const REVS_S = 45;
const REVS_RPM = 1800;
const FAST_KMH = 90;
const HEATER_PCT = 10;

const count = (mask: ArrayLike<unknown>, of: (i: number) => boolean): number => {
  let n = 0;
  for (let i = 0; i < mask.length; i++) if (of(i)) n++;
  return n;
};

/** Seconds of a drive in some driving phases; null where road speed was not logged. */
function driven_s({ phases, series }: DriveLook, kinds: readonly DrivingPhase[]): number | null {
  if (phases.driving.length === 0) return null;
  return within(phases.driving, kinds, series.time_s.length).reduce((a, b) => a + b, 0);
}

const atLeast = (value: number | null, least: number): boolean | null => (value === null ? null : value >= least);

function coldMorning({ outside_c, smooth }: DriveLook): boolean | null {
  const start_c = smooth.level_c.find(Number.isFinite);
  if (outside_c === null || start_c === undefined) return null;
  return outside_c <= COLD_MORNING_C && start_c <= outside_c + COLD_START_K;
}

/** Stands still with the engine warm for long enough. */
function stoodWarm(look: DriveLook): boolean | null {
  const { phases, series, smooth, threshold_c } = look;
  if (phases.driving.length === 0) return null;
  const stands = within(phases.driving, ['standstill'], series.time_s.length);
  return count(stands, (i) => stands[i] === 1 && smooth.level_c[i]! >= threshold_c) >= STANDS_S;
}

function revvedStanding({ series }: DriveLook): boolean | null {
  const { rpm, speed_kmh } = series;
  if (!rpm || !speed_kmh) return null;
  return count(rpm, (i) => rpm[i]! >= REVS_RPM && speed_kmh[i]! < 2) >= REVS_S;
}

function loaded(look: DriveLook, fastToo: boolean): boolean | null {
  const { phases, series } = look;
  const climbed = phases.gradesTold ? driven_s(look, ['climb']) : null;
  if (climbed !== null && climbed >= LOAD_S) return true;
  const { speed_kmh } = series;
  if (fastToo && speed_kmh && count(speed_kmh, (i) => speed_kmh[i]! >= FAST_KMH) >= LOAD_S) return true;
  return climbed === null ? null : false;
}

function heaterOn({ series }: DriveLook): boolean | null {
  const { heater_pct } = series;
  return heater_pct ? count(heater_pct, (i) => heater_pct[i]! >= HEATER_PCT) >= LONG_S / 2 : null;
}

/** How a drive shows each condition that a complaint names. */
const SHOWN: Readonly<Partial<Record<ItemId, (look: DriveLook) => boolean | null>>> = {
  'complaint-slow-warm-up': coldMorning,
  'complaint-gauge-low-on-road': (look) => atLeast(driven_s(look, ['cruise', 'climb', 'coast']), LONG_S),
  'complaint-climbs-at-standstill': stoodWarm,
  'complaint-recovers-with-revs': revvedStanding,
  'complaint-overheats': (look) => loaded(look, true),
  'complaint-cool-mild-hot-towing': (look) => loaded(look, false),
  'complaint-weak-heater': heaterOn,
};

/** The complaint's own conditions, each as this drive shows it. @param itemIds statements that were said */
export function conditionsShown(look: DriveLook, itemIds: readonly string[]): ConditionShown[] {
  return COMPLAINT_NEEDS.filter((n) => itemIds.includes(n.itemId)).map(({ itemId, says }) => ({
    ...{ itemId, says },
    shown: SHOWN[itemId]?.(look) ?? null,
  }));
}

/** What a drive leaves unproven, in words: conditions of the complaint, and what differs from the drive of before. */
export function notProvenBy(look: DriveLook, itemIds: readonly string[], pair: Comparison | null): string[] {
  const complaint = conditionsShown(look, itemIds).flatMap((c) =>
    c.shown === true ? [] : [c.shown === false ? `it did not have ${c.says}` : `the log does not tell: ${c.says}`],
  );
  const differs = (pair?.conditions ?? []).filter((c) => c.agrees === false);
  const other = differs.map(({ condition, before, after }): string => {
    switch (condition) {
      case 'outside':
        return `outside it was ${temperatureText(after!)}, on the drive of before ${temperatureText(before!)}`;
      case 'start':
        return `it started at ${temperatureText(after!)}, the drive of before at ${temperatureText(before!)}`;
      case 'speed':
        return `it was driven at ${Math.round(after!)} km/h on average, before at ${Math.round(before!)} km/h`;
      case 'load':
        return `the engine burned ${after!.toFixed(1)} kW of fuel on average, before ${before!.toFixed(1)} kW`;
      case 'heater':
        return `the blower stood at ${Math.round(after!)} %, before at ${Math.round(before!)} %`;
      case 'length':
        return `the engine ran for ${Math.round(after!)} min, before for ${Math.round(before!)} min`;
      case 'gearing':
        return 'its gears are not those of the car of before: this log is of another car';
    }
  });
  return [...complaint, ...other];
}
