import { temperatureText } from '../../base';
import { elementCheck, fanCheck, holdCheck, ROAR, type CircuitFinding } from '../../bench';
import type { ItemId } from '../../evidence';
import { normalCdf } from '../../signal';
import type { LineContext } from '../context';
import type { MeasurementEntry } from '../entry';
import { sdOf } from '../measurements';
import { measuredLine, softAnswer, type LineDraft } from './draft';

type Derive = (entry: MeasurementEntry, context: LineContext) => LineDraft[];

/** An item's first answer believed as far as the readings speak for it. */
function circuitLine(context: LineContext, id: ItemId, seen: string, { faultRatio }: CircuitFinding): LineDraft[] {
  const faulty = faultRatio / (1 + faultRatio);
  return [measuredLine(context, id, seen, softAnswer(context, id, [faulty, 1 - faulty]))];
}

/** Supply and current of an electric fan. */
export const fan: Derive = (entry, context) => {
  const { supply_v, running_a } = entry.values;
  if (supply_v === undefined && running_a === undefined) return [];
  const tolerance = { current_a: sdOf(entry, 'running_a'), voltage_v: sdOf(entry, 'supply_v') };
  const found = fanCheck(entry.values, tolerance);
  const read = [
    ...(supply_v === undefined ? [] : [`${supply_v.toFixed(1)} V at its plug`]),
    ...(running_a === undefined ? [] : [`draws ${running_a.toFixed(1)} A`]),
  ];
  return circuitLine(context, 'fan-current', `Fan commanded on: ${read.join(', ')}`, found);
};

/** Resistance, supply and control line of a heated thermostat. */
export const element: Derive = (entry, context) => {
  const { part_ohm, supply_v, control_v, wiggle_ohm } = entry.values;
  const found = elementCheck(entry.values);
  if (found.notes.length === 0 || !context.vehicle.thermostat.heated) return [];
  const read = [
    ...(part_ohm === undefined ? [] : [`${part_ohm} Ω at the part`]),
    ...(supply_v === undefined ? [] : [`supply ${supply_v} V`]),
    ...(control_v === undefined ? [] : [`control line ${control_v} V`]),
    ...(wiggle_ohm === undefined ? [] : [`moved by ${wiggle_ohm} Ω`]),
  ];
  return circuitLine(context, 'heating-element', `Heating circuit: ${read.join(', ')}`, found);
};

/** A cold system pumped up. */
export const hold: Derive = (entry, context) => {
  const { start_kpa, end_kpa, minutes } = entry.values;
  if (start_kpa === undefined || end_kpa === undefined || minutes === undefined) return [];
  const { leaks } = holdCheck({ start_kpa, end_kpa, minutes }, sdOf(entry, 'start_kpa'));
  const seen = `Pumped to ${Math.round(start_kpa)} kPa, ${Math.round(end_kpa)} kPa after ${minutes} min`;
  return [measuredLine(context, 'pressure-hold', seen, softAnswer(context, 'pressure-hold', [leaks, 1 - leaks]))];
};

/** When a viscous fan began to roar. */
export const clutch: Derive = (entry, context) => {
  const { roars_c } = entry.values;
  if (roars_c === undefined || context.vehicle.fan.kind !== 'viscous') return [];
  const sd = Math.hypot(sdOf(entry, 'roars_c'), 4);
  const always = normalCdf((ROAR.cold_c - roars_c) / sd);
  const late = normalCdf((roars_c - ROAR.late_c) / sd);
  const hot = Math.max(0, 1 - always - late);
  const seen = `Viscous fan roars from ${temperatureText(roars_c)}`;
  return [measuredLine(context, 'clutch-roar', seen, softAnswer(context, 'clutch-roar', [late, hot, always]))];
};
