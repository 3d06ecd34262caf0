import type { Vehicle } from '../base';
import type { RepairSheet } from '../repair';

/** One line of the hand-over. */
export interface HandOverStep {
  readonly id: string;
  readonly says: string;
}

/** What is gone through before the keys go back, for this vehicle and this job. */
export function handOverSteps(vehicle: Vehicle, repair: RepairSheet | null): HandOverStep[] {
  const steps: (HandOverStep | null)[] = [
    { id: 'clean', says: 'Clean: no coolant on belts, paint, exhaust, seats; tray and rags away' },
    vehicle.fan.kind === 'engine-driven' ? null : { id: 'fan', says: 'Fan has cycled, in and out' },
    { id: 'heater', says: 'Heater hot at the vents, screen clears' },
    { id: 'lamp', says: 'Lamp out, no stored code; codes from before handed over in writing' },
    repair && repair.drain.lines.length > 0
      ? { id: 'label', says: 'Cap or tank labelled: coolant, strength, date' }
      : null,
    repair && repair.plan.parts.length > 0 ? { id: 'old-parts', says: 'Old parts shown, kept or sent back' } : null,
    repair && repair.safe.battery
      ? { id: 'battery', says: 'Clock, radio, windows set again after the battery was off' }
      : null,
    repair && repair.plan.exceptions.length > 0
      ? { id: 'exceptions', says: 'What is outside the maker’s way told, with its risk and its day' }
      : null,
    { id: 'cold-recheck', says: 'Day for the cold look appointed: level and leaks, days later' },
    { id: 'told', says: 'Told what to watch, and to stop at the red mark without opening the cap' },
  ];
  return steps.filter((s): s is HandOverStep => s !== null);
}
