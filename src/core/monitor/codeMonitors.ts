/**
 * Which generic codes a drive would have set. Codes: SAE J2012. The warm-up rule: 13 CCR 1968.2 (e)(10). Makers choose
 * their own limits, so every limit is a setting here and none is a maker's value.
 */

/** Limits of the monitors; editable. */
export interface MonitorSettings {
  /** Start readings between which the warm-up monitor runs, °C. */
  readonly startFrom_c: number;
  readonly startTo_c: number;
  /** Reading counts as warm this far under the rating, K (the rule's 11 °C / 20 °F). */
  readonly belowRating_k: number;
  /** Time the reading may lag behind the expected warm-up before the fault is declared, s. */
  readonly grace_s: number;
  /** Coldest intake air at which the monitor runs, °C. */
  readonly coldestIntake_c: number;
  /** Rails of the sender circuit, °C. */
  readonly coldRail_c: number;
  readonly hotRail_c: number;
  /** A rail must last this long to count, s. */
  readonly railFor_s: number;
  readonly overTemperature_c: number;
}

/** Typical figures of the trade, not any maker's. */
export const MONITOR_DEFAULTS: MonitorSettings = {
  startFrom_c: -8,
  startTo_c: 50,
  belowRating_k: 11,
  grace_s: 120,
  coldestIntake_c: -9,
  coldRail_c: -39,
  hotRail_c: 138,
  railFor_s: 5,
  overTemperature_c: 120,
};

/** What the monitors look at; arrays share `time_s`. */
export interface MonitorInput {
  readonly time_s: Float64Array;
  /** Raw reading, °C; NaN where missing. */
  readonly reading_c: Float64Array;
  /** Slowest warm-up expected of a sound vehicle on this drive, °C. */
  readonly expected_c: Float64Array;
  readonly rated_c: number;
  readonly start_c: number;
  readonly intake_c: number | null;
  /** Times at which a drop-out began, s. */
  readonly dropouts_s: readonly number[];
}

/** One code and whether this drive would have set it. */
export interface CodeResult {
  readonly code: string;
  readonly wouldSet: boolean;
  readonly at_s: number | null;
}

function firstTime(input: MonitorInput, holds: (value: number) => boolean, for_s: number): number | null {
  let since: number | null = null;
  for (let i = 0; i < input.time_s.length; i++) {
    const v = input.reading_c[i]!;
    if (!Number.isFinite(v)) continue;
    if (!holds(v)) since = null;
    else {
      since ??= input.time_s[i]!;
      if (input.time_s[i]! - since >= for_s) return input.time_s[i]!;
    }
  }
  return null;
}

/** P0128: the expected warm-up has reached the target and the reading, given its grace, has not. */
function warmUp(input: MonitorInput, settings: MonitorSettings): number | null {
  if (!(input.start_c >= settings.startFrom_c && input.start_c <= settings.startTo_c)) return null;
  if (input.intake_c !== null && input.intake_c < settings.coldestIntake_c) return null;
  const target = input.rated_c - settings.belowRating_k;
  let expectedAt: number | null = null;
  for (let i = 0; i < input.time_s.length; i++) {
    if (input.reading_c[i]! >= target) return null;
    if (expectedAt === null && input.expected_c[i]! >= target) expectedAt = input.time_s[i]!;
    if (expectedAt !== null && input.time_s[i]! >= expectedAt + settings.grace_s) return input.time_s[i]!;
  }
  return null;
}

/** Runs every monitor over a drive. P0128 is always reported; the others only when they would set. */
export function runMonitors(input: MonitorInput, settings: MonitorSettings = MONITOR_DEFAULTS): CodeResult[] {
  const warm = warmUp(input, settings);
  const results: CodeResult[] = [{ code: 'P0128', wouldSet: warm !== null, at_s: warm }];
  const add = (code: string, at_s: number | null): void => {
    if (at_s !== null) results.push({ code, wouldSet: true, at_s });
  };
  add(
    'P0117',
    firstTime(input, (v) => v >= settings.hotRail_c, settings.railFor_s),
  );
  add(
    'P0118',
    firstTime(input, (v) => v <= settings.coldRail_c, settings.railFor_s),
  );
  add('P0119', input.dropouts_s.length >= 2 ? input.dropouts_s[1]! : null);
  add(
    'P0217',
    firstTime(input, (v) => v >= settings.overTemperature_c && v < settings.hotRail_c, 10),
  );
  return results.map((r) => ({ ...r, at_s: r.at_s === null ? null : Math.round(r.at_s) }));
}
