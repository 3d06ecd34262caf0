import { CHANNELS, fail, ok, type Result } from '../../base';
import type { MappedColumn } from '../column';
import type { ImportError } from '../importError';
import { presentSample } from '../table/growingNumbers';
import { ask, type MapInput, type Mapping } from './question';
import { isImperial, temperatureUnit } from './understand';

/** A coolant and an air that start above these, °C, start hot; or cold, and in °F. */
const WARM_COOLANT = 40;
const WARM_AIR = 38;

/** True where no temperature of the file names a unit and all start so warm that their figures may as well be °F. */
function startsWarm(input: MapInput, mapping: Mapping, coolant: MappedColumn): boolean {
  const temperatures = mapping.columns.filter((c) => CHANNELS[c.channel].quantity === 'temperature');
  if (temperatures.some((c) => c.unit !== null)) return false;
  const startOf = (c: MappedColumn): number => presentSample(input.table.columns[c.column]!.numbers)[0] ?? NaN;
  const airs = temperatures.filter((c) => c.channel === 'iat_c' || c.channel === 'ambient_c');
  return startOf(coolant) >= WARM_COOLANT && airs.every((c) => !(startOf(c) < WARM_AIR));
}

/** Gives temperatures without a unit the one that their values tell, and asks where they leave it open. */
export function settleUnits(input: MapInput, mapping: Mapping): Result<Mapping, ImportError> {
  const coolant = mapping.columns.find((c) => c.channel === 'ect_c' && c.unit === null);
  const byValues = coolant && temperatureUnit(input.table.columns[coolant.column]!.numbers, false).unit;
  // Who writes one temperature in °F writes the others so, and miles.
  const imperial =
    byValues === '°F' ||
    isImperial(
      input.guesses,
      mapping.columns.map((c) => c.unit),
    );
  const notes = [...mapping.notes];
  const columns: MappedColumn[] = [];
  for (const column of mapping.columns) {
    const { quantity, label } = CHANNELS[column.channel];
    if (column.unit !== null) {
      columns.push(column);
      continue;
    }
    if (quantity === 'speed' && imperial) {
      notes.push(`${column.header} names no unit; the file writes other American units, so it was read as mph.`);
      columns.push({ ...column, unit: 'mph', confidence: 'likely', why: 'unit from the other columns' });
      continue;
    }
    if (quantity !== 'temperature') {
      columns.push(column);
      continue;
    }
    const { unit, open } =
      byValues === '°F' && column.channel !== 'ect_c'
        ? ({ unit: '°F', open: false } as const)
        : temperatureUnit(input.table.columns[column.column]!.numbers, imperial);
    const warm = column.channel === 'ect_c' && unit === '°C' && !imperial && startsWarm(input, mapping, column);
    if ((open || warm) && column.channel === 'ect_c') {
      return fail(
        ask(
          input,
          `${column.header} names no unit and its values fit both °C and °F. Choose the unit of the ${label.toLowerCase()}.`,
        ),
      );
    }
    notes.push(
      unit === '°C'
        ? `${column.header} names no unit and was read as °C.`
        : `${column.header} names no unit; its values are ${unit}, so they were converted.`,
    );
    columns.push({
      ...column,
      unit,
      confidence: column.confidence === 'sure' ? 'likely' : column.confidence,
      why: 'unit from its values',
    });
  }
  return ok({ ...mapping, columns, notes });
}
