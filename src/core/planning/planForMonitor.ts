import type { Vehicle } from '../base';
import type { MonitorSettings } from '../monitor';
import type { DrivePlan } from './drivePlan';

/** What a drive must be like for the slow warm-up monitor to come to a verdict. */
export interface MonitorDrive {
  /** Conditions in words, SI. */
  readonly conditions: readonly string[];
  /** Conditions that this plan cannot meet whatever its phases: the weather, the soak. */
  readonly unmet: readonly string[];
  readonly phases: DrivePlan['phases'];
}

/** A drive on which the monitor decides: mostly road, little standing, long past any warm-up, s. */
const PHASES: DrivePlan['phases'] = [
  { kind: 'idle', duration_s: 60 },
  { kind: 'town', duration_s: 300 },
  { kind: 'road', duration_s: 1500 },
];

const whole = (v: number): string => String(Math.round(v));

/** The conditions of the warm-up monitor, and a drive that meets those that driving can meet. */
export function driveForMonitor(vehicle: Vehicle, plan: DrivePlan, settings: MonitorSettings): MonitorDrive {
  const { startFrom_c, startTo_c, coldestIntake_c, idleShareTo_pct, meanSpeedFrom_kmh, warmUp } = settings;
  const start_c = plan.ambient_c + plan.startExcess_k;
  const tells = {
    'sound-vehicle': 'long enough for the slowest sound vehicle to be warm',
    time: 'longer than the time allowed from this start',
    air: 'until the engine has taken in the air allowed from this start; log the air flow',
    fuel: 'until the engine has burnt the fuel allowed from this start',
  } as const;
  return {
    conditions: [
      `Start between ${whole(startFrom_c)} °C and ${whole(startTo_c)} °C, cold through.`,
      `Intake air of ${whole(coldestIntake_c)} °C or more.`,
      `Drive ${tells[warmUp]}.`,
      `At most ${whole(idleShareTo_pct)} % of the warm-up standing${
        meanSpeedFrom_kmh > 0 ? `, a mean of ${whole(meanSpeedFrom_kmh)} km/h or more` : ''
      }.`,
      ...(vehicle.engine.hybrid ? ['Keep the engine running: a hybrid that stops it does not warm up.'] : []),
    ],
    unmet: [
      ...(start_c < startFrom_c
        ? [`At ${whole(start_c)} °C it is too cold: wait for a day above ${whole(startFrom_c)} °C.`]
        : []),
      ...(start_c > startTo_c ? [`A start at ${whole(start_c)} °C is too warm: let it stand overnight.`] : []),
      ...(plan.ambient_c < coldestIntake_c
        ? [`Intake air of ${whole(plan.ambient_c)} °C is too cold: it needs ${whole(coldestIntake_c)} °C.`]
        : []),
    ],
    phases: PHASES,
  };
}
