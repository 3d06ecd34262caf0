import { number, object, string, ValidationError } from 'yup';
import { NO_COLD_READINGS, type ColdReadings } from '@/storage/records';

const reading = (label: string, low: number, high: number) =>
  number()
    .typeError(`${label}: not understood.`)
    .nullable()
    .min(low, `${label}: too low to be true.`)
    .max(high, `${label}: too high to be true.`);

/** What a cold look can read, SI. */
export const coldSchema = object({
  level_mm: reading('Level', -500, 500),
  levelAt_c: reading('Temperature', -50, 130),
  freeze_c: reading('Freeze point', -75, 1),
  coolantColour: string().max(80),
  coolantYears: reading('Age', 0, 60),
  capRated_kpa: reading('Cap rating', 0, 300),
  capMeasured_kpa: reading('Release pressure', 0, 300),
  soak_h: reading('Stood for', 0, 2000),
  soakEct_c: reading('Coolant reading', -60, 150),
  soakIat_c: reading('Intake air', -60, 80),
  soakOutside_c: reading('Outside air', -60, 60),
  soakProbe_c: reading('Probe', -60, 80),
  unplugged_c: reading('Unplugged', -80, 300),
  bridged_c: reading('Bridged', -80, 300),
  ohmCold_ohm: reading('Resistance', 1, 1_000_000),
  ohmCold_c: reading('Temperature', -50, 150),
  ohmWarm_ohm: reading('Resistance', 1, 1_000_000),
  ohmWarm_c: reading('Temperature', -50, 150),
  notes: string().max(4000),
});

/** Name of a numeric reading. */
export type ReadingName = {
  [K in keyof ColdReadings]: ColdReadings[K] extends number | null ? K : never;
}[keyof ColdReadings];

/** What is wrong with one reading; undefined when nothing is. */
export function readingError(name: ReadingName, value: number | null): string | undefined {
  try {
    coldSchema.validateSyncAt(name, { ...NO_COLD_READINGS, [name]: value });
    return undefined;
  } catch (error) {
    if (error instanceof ValidationError) return error.message;
    throw error;
  }
}
