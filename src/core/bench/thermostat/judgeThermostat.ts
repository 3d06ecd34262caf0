import { ok, type Result } from '../../base';
import { ambientPressure_kpa, saturationTemperature_c } from '../../coolant';
import type { ReadingError } from '../sender/reading';
import { fitWax, LAG } from './fitWax';
import { lookAtValve } from './look';
import { verdictOdds, type Odds } from './odds';
import { placeReadings } from './reading';
import type { ThermostatFinding, ThermostatTest } from './types';
import { waxTemperatures } from './waxModel';
import { cannotTell, reasonOf } from './words';

/** From this probability on a verdict is named. */
const NAMED_FROM = 0.6;

/** Findings of the last tests by their readings: the case and the desk ask for the same one, again and again. */
const found = new Map<string, Result<ThermostatFinding, ReadingError>>();
const MOST_KEPT = 32;

/** What a heated-water test says of a thermostat, or which reading cannot be. */
export function judgeThermostat(test: ThermostatTest): Result<ThermostatFinding, ReadingError> {
  const { rated_c, fullOpen_c, readings, thermometerSd_k, altitude_m, lightWhenCold } = test;
  const key = JSON.stringify([rated_c, fullOpen_c, thermometerSd_k, altitude_m, lightWhenCold, readings]);
  const known = found.get(key);
  if (known) return known;
  const finding = judged(test);
  if (found.size >= MOST_KEPT) found.delete(found.keys().next().value!);
  found.set(key, finding);
  return finding;
}

function judged(test: ThermostatTest): Result<ThermostatFinding, ReadingError> {
  const placed = placeReadings(test.readings);
  if (!placed.ok) return placed;
  const readings = placed.value;
  const boils_c = saturationTemperature_c(ambientPressure_kpa(test.altitude_m));
  const seen = lookAtValve(readings, test.rated_c);
  const fitted = seen.moved && !seen.wideAtStart ? fitWax(readings, seen, test) : null;
  const hottest_c = Math.max(-Infinity, ...readings.map((r) => r.water_c));
  const wax_c = readings.length === 0 ? -Infinity : Math.max(...waxTemperatures(readings, LAG.middle_s * LAG.factor));
  const odds = verdictOdds(test, readings, { seen, fitted, wax_c });
  const [verdict, probability] = (Object.entries(odds) as [keyof Odds, number][]).reduce((a, b) =>
    b[1] > a[1] ? b : a,
  );
  // Good is said only of a valve that was seen to move; without a look at the valve only light can tell.
  const shown = verdict !== 'good' || fitted !== null;
  const named = probability >= NAMED_FROM && shown && (seen.count > 0 || test.lightWhenCold === true);
  const figures = {
    opens_c: fitted?.opens_c ?? null,
    full_c: fitted?.full_c ?? null,
    closes_c: fitted?.closes_c ?? null,
    hysteresis_k: fitted?.hysteresis_k ?? null,
    lift_mm: fitted?.lift_mm ?? null,
  };
  return ok({
    ...figures,
    verdict: named ? verdict : 'cannot-tell',
    probability: named ? probability : 1 - probability,
    reason: named
      ? reasonOf(verdict, test, figures.opens_c, hottest_c)
      : cannotTell(test, seen, fitted, hottest_c, boils_c),
    odds,
    heating_kpmin: fitted && fitted.heating_kps > 0 ? 60 * fitted.heating_kps : null,
    boils_c,
  });
}
