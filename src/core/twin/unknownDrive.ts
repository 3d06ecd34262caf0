import type { Vehicle } from '../base';
import { smoothStep } from '../signal';
import { ramAirOf } from './ramAir';
import { guessRpm, REFERENCE_MPS, REFERENCE_RPM, referenceFuel_kw, roadLoadFuel_kw } from './heatEstimate';

/**
 * How a vehicle is driven when nothing but its temperature was logged. A drive is a slowly wandering activity u,
 * standard normal over all traffic: below about -0.7 the car stands, about 0 it is in town, from 1 on the open road.
 * Speed, pump and fuel follow from it by the same road load as elsewhere, so that heat has the floor of an idling
 * engine and more heat comes with more wind.
 */
export interface UnknownDrive {
  /** One entry per step of {@link ACTIVITY_STEP} from -{@link ACTIVITY_RANGE} on. */
  readonly speedRel: Float64Array;
  readonly ramAir: Float64Array;
  readonly pumpRel: Float64Array;
  readonly logFuel: Float64Array;
  /** Share of the engine's running time that is left once a hybrid is warm; 1 throughout for others. */
  readonly warmShare: Float64Array;
}

/** Extent of the table either way, and its step; four standard deviations hold every drive. */
export const ACTIVITY_RANGE = 4;
export const ACTIVITY_STEP = 0.05;

/**
 * Mean speed over a few minutes, km/h. A quarter of all such stretches is spent standing or creeping, a third in town,
 * an eighth above 90 km/h: an assumption of this project for drives that are logged to warm an engine up, which stand
 * more than mixed driving does.
 */
function speedOf_kmh(activity: number): number {
  const free = 25 * Math.log1p(Math.exp(2.4 * activity + 0.52));
  return 150 * Math.tanh(free / 150);
}

/** Share of a stretch during which the car moves: all of it at speed, little while creeping. Working figure: 3 m/s. */
const movingShare = (speed_mps: number): number => 1 - Math.exp(-speed_mps / 3);

/** Mean acceleration that stops and traffic cost, m/s²: felt in town, gone on the open road. Working figures. */
const trafficAcceleration_mps2 = (speed_mps: number): number => 0.12 * Math.exp(-speed_mps / 12);

/** Least share of time that a warm hybrid's engine runs; from the one speed on it runs more, from the other always, km/h. */
const HYBRID = { least: 0.15, from_kmh: 30, to_kmh: 70 } as const;

/** Share of the time a warm hybrid's engine runs: working figures, batteries and makers differ. */
const hybridShare = (speed_kmh: number): number =>
  HYBRID.least + (1 - HYBRID.least) * smoothStep((speed_kmh - HYBRID.from_kmh) / (HYBRID.to_kmh - HYBRID.from_kmh));

/** Builds the table for one vehicle. */
export function unknownDrive(vehicle: Vehicle): UnknownDrive {
  const n = Math.round((2 * ACTIVITY_RANGE) / ACTIVITY_STEP) + 1;
  const idle = { speed_mps: 0, rpm: vehicle.engine.idle_rpm, acceleration_mps2: 0, load_pct: NaN, maf_gps: NaN };
  const idle_kw = roadLoadFuel_kw(vehicle, idle);
  const table: UnknownDrive = {
    speedRel: new Float64Array(n),
    ramAir: new Float64Array(n),
    pumpRel: new Float64Array(n),
    logFuel: new Float64Array(n),
    warmShare: new Float64Array(n).fill(1),
  };
  for (let i = 0; i < n; i++) {
    const mean_mps = speedOf_kmh(-ACTIVITY_RANGE + i * ACTIVITY_STEP) / 3.6;
    const moving = movingShare(mean_mps);
    const speed_mps = mean_mps / moving;
    const rpm = guessRpm(vehicle, Math.max(1.5, speed_mps));
    const driven_kw = roadLoadFuel_kw(vehicle, {
      ...idle,
      speed_mps,
      rpm,
      acceleration_mps2: trafficAcceleration_mps2(speed_mps),
    });
    table.speedRel[i] = mean_mps / REFERENCE_MPS;
    table.ramAir[i] = ramAirOf(table.speedRel[i]!);
    table.pumpRel[i] = (moving * rpm + (1 - moving) * idle.rpm) / REFERENCE_RPM;
    table.logFuel[i] = Math.log((moving * driven_kw + (1 - moving) * idle_kw) / referenceFuel_kw(vehicle));
    if (vehicle.engine.hybrid) table.warmShare[i] = hybridShare(mean_mps * 3.6);
  }
  return table;
}
