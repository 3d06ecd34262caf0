import { MEASUREMENTS, isMeasurement } from '@/core/case';
import { findItem } from '@/core/evidence';

const BENCH: Readonly<Record<string, string>> = {
  'bench-sender': 'Sender on the bench',
  'bench-thermostat': 'Thermostat in hot water',
  'bench-wiggle': 'Wiggled wire, logged',
  'bench-mix': 'Refractometer',
};

/** A test by its key in words. */
export function testName(key: string): string {
  if (key === 'drive') return 'Logged warm-up drive';
  if (BENCH[key] !== undefined) return BENCH[key];
  if (isMeasurement(key)) return MEASUREMENTS[key].title;
  return findItem(key)?.ask ?? key;
}
