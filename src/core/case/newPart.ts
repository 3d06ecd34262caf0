import { judgeThermostat } from '../bench';
import type { Entry } from './entry';
import { benchTests } from './standing';

/** True where the new thermostat was tested in hot water and found good. */
export function newThermostatPassed(entries: readonly Entry[]): boolean {
  const [standing] = benchTests(entries, { of: 'thermostat', part: 'new' });
  if (standing?.test.of !== 'thermostat') return false;
  const judged = judgeThermostat(standing.test);
  return judged.ok && judged.value.verdict === 'good';
}
