import { max, median } from 'd3-array';
import { fail, ok, type Result } from '../../base';
import type { ReadingError } from '../sender/reading';

/** What the eye says of the valve. */
export const VALVE_STATES = ['closed', 'moving', 'open'] as const;
export type ValveState = (typeof VALVE_STATES)[number];

/** One moment of a heated-water test: the water, and what was seen of the valve, if anything. */
export interface WaterReading {
  readonly t_s: number;
  /** Null where the valve was looked at between two temperatures. */
  readonly water_c: number | null;
  readonly lift_mm: number | null;
  readonly state: ValveState | null;
}

/** Most readings of one test: an hour at 10 a second. */
const MOST_READINGS = 36_000;
/** Water, or glycol and water, in an open pot, °C. */
const WATER_RANGE_C = [-5, 140] as const;
/** What a valve can lift; a gauge may stand a little below 0, mm. */
const LIFT_RANGE_MM = [-0.5, 30] as const;
/** A valve that follows its wax has caught up with rising water after this, s. */
const CAUGHT_UP_S = 60;
/**
 * A lift that falls by more than this while the water rises cannot be: mm and share of the largest, twice running, so
 * that one slip of the rule is none; or once by more than `far`.
 */
const FELL = { mm: 0.9, share: 0.12, far: 1.8 } as const;

const wrong = (message: string, path: string): Result<never, ReadingError> => fail({ message, path });
const openness = (state: ValveState): number => VALVE_STATES.indexOf(state);

function oneReading(r: WaterReading, before: WaterReading | undefined, at: string): Result<null, ReadingError> {
  if (!Number.isFinite(r.t_s)) return wrong('Not a time.', `${at}.t_s`);
  if (before && !(r.t_s > before.t_s)) {
    return wrong(`${r.t_s} s after ${before.t_s} s: the readings are out of order.`, `${at}.t_s`);
  }
  const { water_c, lift_mm, state } = r;
  if (water_c !== null && !(water_c >= WATER_RANGE_C[0] && water_c <= WATER_RANGE_C[1])) {
    return wrong(
      `${water_c} °C: water in an open pot lies between ${WATER_RANGE_C.join(' and ')} °C. Another unit?`,
      `${at}.water_c`,
    );
  }
  if (lift_mm !== null && !(lift_mm >= LIFT_RANGE_MM[0] && lift_mm <= LIFT_RANGE_MM[1])) {
    return wrong(`${lift_mm} mm: a valve lifts ${LIFT_RANGE_MM.join(' to ')} mm. Another unit?`, `${at}.lift_mm`);
  }
  if (lift_mm !== null && state !== null) return wrong('A lift or a state, not both.', at);
  return ok(null);
}

/**
 * A reading with its temperature, one between two temperatures from a straight line, and its number among all that were
 * given.
 */
export type PlacedReading = WaterReading & { readonly water_c: number; readonly index: number };

/** Water that much hotter than where the valve stood further open has been heated meanwhile, K. */
const HOTTER_K = 0.3;

/** From so many readings on each lift is taken with its two neighbours: a long log scatters, a short one is written with care. */
const SMOOTHED_FROM = 20;

/** Lifts as they are compared: the middle one of three in a long log. */
function comparedLifts(readings: readonly WaterReading[]): readonly (number | null)[] {
  const lifts = readings.map((r) => r.lift_mm);
  if (lifts.filter((l) => l !== null).length < SMOOTHED_FROM) return lifts;
  return lifts.map((l, i) => {
    const three = [lifts[i - 1], l, lifts[i + 1]].filter((x) => x !== null && x !== undefined);
    return l === null ? null : (median(three) ?? l);
  });
}

/** Where the valve goes back although the water has been rising long enough; null where it does not. */
function wentBack(readings: readonly PlacedReading[]): ReadingError | null {
  const lifts = comparedLifts(readings);
  const most = max(readings, (r) => r.lift_mm ?? 0) ?? 0;
  const tolerated = Math.max(FELL.mm, FELL.share * most);
  let risesFrom = 0;
  let widest = -Infinity;
  let widestAt_c = Infinity;
  let fellAt: number | null = null;
  for (const [i, r] of readings.entries()) {
    const before = readings[i - 1];
    if (before && r.water_c < before.water_c - 0.05) {
      risesFrom = i;
      widest = -Infinity;
      fellAt = null;
    }
    const caughtUp = r.t_s - readings[risesFrom]!.t_s >= CAUGHT_UP_S || risesFrom === 0;
    if (!caughtUp) continue;
    const seen = lifts[i] ?? (r.state === null ? null : openness(r.state));
    if (seen === null) continue;
    const hotter = r.water_c > widestAt_c + HOTTER_K;
    if (r.state !== null && seen < widest && hotter) {
      const message = `“${r.state}” after “${VALVE_STATES[widest]}” while the water gets hotter cannot be.`;
      return { message, path: `readings[${r.index}].state` };
    }
    if (r.lift_mm !== null && seen < widest - tolerated && hotter) {
      if (fellAt !== null || seen < widest - Math.max(FELL.far, tolerated)) {
        const at = readings[fellAt ?? i]!;
        const message = `The lift falls to ${at.lift_mm} mm while the water gets hotter: that cannot be.`;
        return { message, path: `readings[${at.index}].lift_mm` };
      }
      fellAt = i;
      continue;
    }
    fellAt = null;
    if (seen > widest) {
      widest = seen;
      widestAt_c = r.water_c;
    }
  }
  return null;
}

/** Checks readings of a heated-water test and gives every one its temperature, or says what is wrong and where. */
export function placeReadings(readings: readonly WaterReading[]): Result<readonly PlacedReading[], ReadingError> {
  if (readings.length > MOST_READINGS)
    return wrong(`${readings.length} readings: at most ${MOST_READINGS}.`, 'readings');
  for (const [i, r] of readings.entries()) {
    const checked = oneReading(r, readings[i - 1], `readings[${i}]`);
    if (!checked.ok) return checked;
  }
  const kinds = new Set(readings.flatMap((r) => (r.lift_mm !== null ? ['lift'] : r.state !== null ? ['state'] : [])));
  if (kinds.size > 1)
    return wrong('Lift in mm for all readings, or closed, moving, open for all: not both.', 'readings');
  const known = readings.flatMap((r) => (r.water_c === null ? [] : [{ t_s: r.t_s, water_c: r.water_c }]));
  const placed = readings.flatMap((r, index): PlacedReading[] => {
    if (r.water_c !== null) return [{ ...r, index, water_c: r.water_c }];
    const after = known.findIndex((k) => k.t_s > r.t_s);
    const [a, b] = [known[after - 1], known[after]];
    // Before the first and after the last temperature nothing is known of the water.
    if (!a || !b) return [];
    return [{ ...r, index, water_c: a.water_c + ((b.water_c - a.water_c) * (r.t_s - a.t_s)) / (b.t_s - a.t_s) }];
  });
  const back = wentBack(placed);
  return back ? fail(back) : ok(placed);
}
