import { differenceText, temperatureText, type Vehicle } from '../../base';
import type { ErrorBand } from './explain';

/** What someone notices of a wrong sender. */
export interface Consequence {
  readonly who: 'control unit' | 'driver';
  readonly says: string;
  readonly danger: boolean;
}

/** Error at a temperature, from the drawn curve, K. */
function errorAt(error: readonly ErrorBand[], at_c: number): number {
  return error.reduce((a, b) => (Math.abs(b.at_c - at_c) < Math.abs(a.at_c - at_c) ? b : a)).error_k;
}

/** True temperature at which the reading reaches a mark, °C; null where it does not within what was drawn. */
function trueWhenRead(error: readonly ErrorBand[], mark_c: number): number | null {
  for (let i = 1; i < error.length; i++) {
    const [a, b] = [error[i - 1]!, error[i]!];
    const [readA, readB] = [a.at_c + a.error_k, b.at_c + b.error_k];
    if (readA < mark_c && readB >= mark_c) return a.at_c + ((b.at_c - a.at_c) * (mark_c - readA)) / (readB - readA);
  }
  return null;
}

/** An error that nobody notices, K. */
const UNNOTICED_K = 2.5;
/** A warm engine and a frosty start, °C. */
const WARM_C = 90;
const FROST_C = -10;

/**
 * What control unit and driver notice of an error.
 *
 * @param threshold_c reading under which the slow warm-up code sets
 */
export function consequences(
  error: readonly ErrorBand[],
  vehicle: Vehicle,
  threshold_c: number,
): readonly Consequence[] {
  const warm_k = errorAt(error, WARM_C);
  const frost_k = errorAt(error, FROST_C);
  const out: Consequence[] = [];
  const add = (who: Consequence['who'], says: string, danger = false) => out.push({ who, says, danger });
  const rated = vehicle.thermostat.heated
    ? (vehicle.thermostat.heated_rated_c ?? vehicle.thermostat.rated_c)
    : vehicle.thermostat.rated_c;
  if (rated + errorAt(error, rated) < threshold_c) {
    add(
      'control unit',
      `A sound thermostat holding ${temperatureText(rated)} reads ${temperatureText(rated + errorAt(error, rated))}, under the ${temperatureText(threshold_c)} of the slow warm-up code: P0128 sets with nothing wrong but the sender.`,
    );
  }
  if (warm_k < -UNNOTICED_K) {
    add(
      'control unit',
      `Warm, it believes the engine ${differenceText(warm_k)} colder: more fuel, later closed loop, a higher idle.`,
    );
  }
  if (warm_k > UNNOTICED_K) {
    add(
      'control unit',
      `Warm, it believes the engine ${differenceText(warm_k)} hotter: less fuel while it warms, spark taken back, the fan early.`,
    );
  }
  if (frost_k > UNNOTICED_K) {
    add(
      'control unit',
      `At ${temperatureText(FROST_C)} it reads ${temperatureText(FROST_C + frost_k)}: too little fuel for a cold start, hard starting.`,
    );
  } else if (frost_k < -UNNOTICED_K) {
    add(
      'control unit',
      `At ${temperatureText(FROST_C)} it reads ${temperatureText(FROST_C + frost_k)}: too much fuel at the start, fouled plugs.`,
    );
  }
  const { on_c } = vehicle.fan;
  const fan_c = on_c === null ? null : trueWhenRead(error, on_c);
  if (on_c !== null && vehicle.fan.kind === 'electric' && fan_c === null && warm_k < -UNNOTICED_K) {
    add(
      'driver',
      `The reading never reaches the ${temperatureText(on_c)} of the fan: it does not run by temperature, and the engine can boil in traffic.`,
      true,
    );
  } else if (on_c !== null && fan_c !== null && fan_c - on_c > UNNOTICED_K && vehicle.fan.kind === 'electric') {
    add('driver', `The fan set for ${temperatureText(on_c)} comes in at ${temperatureText(fan_c)}.`, fan_c > 110);
  }
  if (warm_k < -UNNOTICED_K) {
    add(
      'driver',
      `A reading of ${temperatureText(110 + errorAt(error, 110))} stands for 110 °C: it hides overheating. Do not drive by it.`,
      true,
    );
  }
  if (out.length === 0)
    add('driver', 'Nobody notices: the error is smaller than what a control unit or a needle shows.');
  return out;
}
