import type { Vehicle } from '../base';
import { monitorsOf } from '../judge';
import type { MonitorSettings } from '../monitor';
import type { DrivePlan } from './drivePlan';
import { simulatedDrive } from './simulatedDrive';

/** What a thermostat of another rating does on days of one temperature. */
export interface RatingDay {
  readonly ambient_c: number;
  /** Share of the drives on which the monitor came to a verdict at all. */
  readonly runs: number;
  /** Share of drawn sound vehicles whose slow warm-up code would set with it. */
  readonly setsCode: number;
  /** The same with the rating that the control unit expects. */
  readonly setsAnyway: number;
  /** Reading that it holds at the end of the drive, °C: mean of the drawn vehicles. */
  readonly holds_c: number;
}

/** Days that are tried, °C, and vehicles drawn for each. */
const DAYS_C = [-20, -10, 0, 10, 20] as const;
const DRAWN = 4;
/** The end of the drive over which the level is taken, s. */
const END_S = 300;
/** An everyday drive on which the monitor comes to a verdict. */
const PHASES: DrivePlan['phases'] = [
  { kind: 'idle', duration_s: 60 },
  { kind: 'town', duration_s: 420 },
  { kind: 'road', duration_s: 1200 },
];

/**
 * Tries a fitted rating against the one that the control unit expects: sound vehicles of this kind, an everyday drive,
 * days from hard frost to summer. A generator: it yields the share done.
 *
 * @param fitted_c rating of the part that goes in, °C
 */
export function* ratingEffect(
  vehicle: Vehicle,
  fitted_c: number,
  settings: MonitorSettings,
): Generator<number, readonly RatingDay[], undefined> {
  const shift = fitted_c - vehicle.thermostat.rated_c;
  const { full_open_c, heated_rated_c } = vehicle.thermostat;
  const moved = (c: number | null) => (c === null ? null : c + shift);
  const fitted: Vehicle = {
    ...vehicle,
    thermostat: {
      ...vehicle.thermostat,
      rated_c: fitted_c,
      full_open_c: moved(full_open_c),
      heated_rated_c: moved(heated_rated_c),
    },
  };
  const days: RatingDay[] = [];
  for (const ambient_c of DAYS_C) {
    const plan: DrivePlan = { phases: PHASES, ambient_c, heater_pct: ambient_c < 10 ? 50 : 0, startExcess_k: 0 };
    const tried = { fitted: 0, expected: 0, holds: 0, ran: 0 };
    for (let seed = 1; seed <= DRAWN; seed++) {
      yield (days.length + (seed - 1) / DRAWN) / DAYS_C.length;
      const trace = simulatedDrive(fitted, plan, 'healthy', seed);
      const [warmUp] = monitorsOf(trace, vehicle, settings);
      if (warmUp!.ran === true) tried.ran++;
      if (warmUp!.wouldSet) tried.fitted++;
      if (shift === 0) tried.expected = tried.fitted;
      else if (monitorsOf(simulatedDrive(vehicle, plan, 'healthy', seed), vehicle, settings)[0]!.wouldSet)
        tried.expected++;
      const end = trace.channels.ect_c.slice(-END_S);
      tried.holds += end.reduce((a, b) => a + b, 0) / end.length / DRAWN;
    }
    days.push({
      ambient_c,
      runs: tried.ran / DRAWN,
      setsCode: tried.fitted / DRAWN,
      setsAnyway: tried.expected / DRAWN,
      holds_c: tried.holds,
    });
  }
  return days;
}
