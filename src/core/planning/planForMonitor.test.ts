import { describe, expect, it } from 'vitest';
import { monitorsOf } from '../judge';
import { MONITOR_DEFAULTS } from '../monitor';
import { driveForMonitor, PLAN_TEMPLATES, simulatedDrive, startingVehicle, type DrivePlan } from './index';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const plan: DrivePlan = { phases: PLAN_TEMPLATES[2]!.phases, ambient_c: 8, heater_pct: 0, startExcess_k: 0 };
const codeOf = (p: DrivePlan, cause: 'healthy' | 'thermostat-stuck-open') =>
  monitorsOf(simulatedDrive(vehicle, p, cause, 4), vehicle, MONITOR_DEFAULTS)[0]!;

describe('a drive for the slow warm-up monitor', () => {
  it('standing still it does not judge a broken car; on the proposed drive it does, and passes a sound one', () => {
    expect(codeOf(plan, 'thermostat-stuck-open').wouldSet).toBeNull();
    const proposed = { ...plan, phases: driveForMonitor(vehicle, plan, MONITOR_DEFAULTS).phases };
    expect(codeOf(proposed, 'thermostat-stuck-open')).toMatchObject({ ran: true, wouldSet: true });
    expect(codeOf(proposed, 'healthy')).toMatchObject({ ran: true, wouldSet: false });
  });

  it('says what no driving can mend: frost, a warm engine', () => {
    const unmet = (change: Partial<DrivePlan>) =>
      driveForMonitor(vehicle, { ...plan, ...change }, MONITOR_DEFAULTS).unmet;
    expect(unmet({})).toEqual([]);
    expect(unmet({ ambient_c: -15 }).join(' ')).toMatch(/too cold: wait for a day above -8 °C.*Intake air of -15 °C/);
    expect(unmet({ startExcess_k: 60 }).join(' ')).toMatch(/too warm: let it stand overnight/);
  });

  it('names the conditions of the definition in use', () => {
    const said = (warmUp: typeof MONITOR_DEFAULTS.warmUp) =>
      driveForMonitor(vehicle, plan, { ...MONITOR_DEFAULTS, warmUp, meanSpeedFrom_kmh: 30 }).conditions.join(' ');
    expect(said('air')).toMatch(/taken in the air.*log the air flow/);
    expect(said('time')).toMatch(/longer than the time allowed/);
    expect(said('fuel')).toMatch(/mean of 30 km\/h/);
  });
});
