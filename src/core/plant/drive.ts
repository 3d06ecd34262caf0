import type { Random } from './random';

/** What the car does in one stretch of a drive. */
export type PhaseKind = 'idle' | 'hold' | 'town' | 'road' | 'motorway' | 'hill' | 'towing' | 'coast';

/** One stretch of a drive as planned or driven. */
export interface Phase {
  readonly kind: PhaseKind;
  readonly duration_s: number;
  /** Cabin blower, %, for this stretch; the value before holds when absent. */
  readonly heater_pct?: number;
  /** Engine speed held at standstill, for `hold`. */
  readonly rpm?: number;
}

/** Demands on the car, one entry per step of {@link DRIVE_STEP_S}. */
export interface DriveDemand {
  readonly speed_mps: Float64Array;
  readonly grade: Float64Array;
  readonly heater_pct: Float64Array;
  /** Engine speed asked for at standstill, rpm; 0 for idle. */
  readonly hold_rpm: Float64Array;
  readonly towed_kg: Float64Array;
}

/** Step of the simulated drive, s. */
export const DRIVE_STEP_S = 0.2;

/** Speed range (km/h), grade and stops of each kind of road. Stops per minute, seconds per stop. */
const ROADS: Readonly<
  Record<
    PhaseKind,
    { low: number; high: number; grade: number; stopsPerMin: number; stop_s: [number, number]; towed_kg: number }
  >
> = {
  idle: { low: 0, high: 0, grade: 0, stopsPerMin: 0, stop_s: [0, 0], towed_kg: 0 },
  hold: { low: 0, high: 0, grade: 0, stopsPerMin: 0, stop_s: [0, 0], towed_kg: 0 },
  town: { low: 22, high: 52, grade: 0, stopsPerMin: 1.3, stop_s: [6, 40], towed_kg: 0 },
  road: { low: 62, high: 90, grade: 0, stopsPerMin: 0.1, stop_s: [5, 15], towed_kg: 0 },
  motorway: { low: 98, high: 128, grade: 0, stopsPerMin: 0, stop_s: [0, 0], towed_kg: 0 },
  hill: { low: 40, high: 70, grade: 0.06, stopsPerMin: 0, stop_s: [0, 0], towed_kg: 0 },
  towing: { low: 60, high: 85, grade: 0.01, stopsPerMin: 0.1, stop_s: [5, 15], towed_kg: 1200 },
  coast: { low: 40, high: 70, grade: -0.05, stopsPerMin: 0, stop_s: [0, 0], towed_kg: 0 },
};

/** Speeds between which a stretch of a kind is driven, km/h. */
export const roadSpeed_kmh = (kind: PhaseKind): { readonly low: number; readonly high: number } => ROADS[kind];

const ACCELERATION_MPS2 = 1.3;
const BRAKING_MPS2 = 1.8;

/** Turns phases into second-by-second demands, with traffic drawn from `random`. */
export function drivePhases(phases: readonly Phase[], heater_pct: number, random: Random): DriveDemand {
  const steps = Math.max(1, Math.round(phases.reduce((sum, p) => sum + p.duration_s, 0) / DRIVE_STEP_S));
  const demand: DriveDemand = {
    speed_mps: new Float64Array(steps),
    grade: new Float64Array(steps),
    heater_pct: new Float64Array(steps),
    hold_rpm: new Float64Array(steps),
    towed_kg: new Float64Array(steps),
  };
  let k = 0;
  let speed = 0;
  let blower = heater_pct;
  for (const phase of phases) {
    const road = ROADS[phase.kind];
    blower = phase.heater_pct ?? blower;
    const end = Math.min(steps, k + Math.round(phase.duration_s / DRIVE_STEP_S));
    let target = random.uniform(road.low, road.high) / 3.6;
    let nextChange_s = random.uniform(8, 30);
    let stopped_s = 0;
    for (; k < end; k++) {
      nextChange_s -= DRIVE_STEP_S;
      stopped_s -= DRIVE_STEP_S;
      if (nextChange_s <= 0) {
        target = random.uniform(road.low, road.high) / 3.6;
        nextChange_s = random.uniform(10, 45);
      }
      if (stopped_s <= 0 && random.chance((road.stopsPerMin / 60) * DRIVE_STEP_S)) {
        stopped_s = random.uniform(road.stop_s[0], road.stop_s[1]) + speed / BRAKING_MPS2;
      }
      const wanted = stopped_s > 0 ? 0 : target;
      speed =
        wanted > speed
          ? Math.min(wanted, speed + ACCELERATION_MPS2 * (1 - speed / 70) * DRIVE_STEP_S)
          : Math.max(wanted, speed - BRAKING_MPS2 * DRIVE_STEP_S);
      demand.speed_mps[k] = speed;
      demand.grade[k] = speed > 1 ? road.grade : 0;
      demand.heater_pct[k] = blower;
      demand.hold_rpm[k] = phase.kind === 'hold' ? (phase.rpm ?? 2500) : 0;
      demand.towed_kg[k] = road.towed_kg;
    }
  }
  return demand;
}
