import { normalCdf } from '../signal';

/** A closed cold system pumped up and left. */
export interface PressureHold {
  readonly start_kpa: number;
  readonly end_kpa: number;
  readonly minutes: number;
}

/** What a pressure hold means. */
export interface HoldFinding {
  /** Pressure lost in a minute, kPa; negative where it rose. */
  readonly drop_kpapmin: number;
  /** Probability that it leaks. */
  readonly leaks: number;
  readonly says: string;
}

/** Loss within this is the tester's hose and the air's cooling, kPa. */
const SETTLES_KPA = 3;
const LEAST_MIN = 5;

/** Whether pumping up goes over what the cap is made for; null where the rating is not known. */
export const overCap = (start_kpa: number, cap_kpa: number | null): boolean | null =>
  cap_kpa === null ? null : start_kpa > cap_kpa + 2;

/** What a pressure that fell, or held, says. @param sd_kpa of the gauge, one reading */
export function holdCheck({ start_kpa, end_kpa, minutes }: PressureHold, sd_kpa: number): HoldFinding {
  const fell = start_kpa - end_kpa;
  const drop_kpapmin = fell / minutes;
  const sd = Math.hypot(sd_kpa, sd_kpa, 1);
  const leaks = normalCdf((fell - SETTLES_KPA - sd) / sd);
  const short = minutes < LEAST_MIN;
  if (leaks > 0.5) {
    const says = `It fell by ${Math.round(fell)} kPa in ${minutes} min: it leaks. Look for wet places, then into the cylinders with a gas test.`;
    return { drop_kpapmin, leaks, says };
  }
  return short
    ? {
        drop_kpapmin,
        leaks: Math.max(leaks, 0.3),
        says: `Held for ${minutes} min only: give it ${LEAST_MIN} minutes or more.`,
      }
    : { drop_kpapmin, leaks, says: `Held for ${minutes} min. Tight cold does not prove tight hot.` };
}
