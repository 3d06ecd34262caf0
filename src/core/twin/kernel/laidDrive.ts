import { STEPS_PER_BIN, type TwinInputs } from '../inputs';
import type { TwinPrior } from '../parameters';
import { runSettings } from '../runSettings';
import type { Switched, TwinFault } from '../twinFault';
import { ACTIVITY_RANGE, ACTIVITY_STEP, type UnknownDrive } from '../unknownDrive';
import type { Kernel } from './kernel';
import * as L from './layout';

/** Directions that there is room for. */
export const ROOM = 48;
/** Header and the compiler's own data lie below, in numbers. */
const ARRAYS_FROM = 1024;

/** Where the arrays of a drive lie, in numbers. */
export interface Places {
  readonly constants: number;
  readonly knots: number;
  readonly first: number;
  readonly where: number;
  readonly value: number;
  readonly element: number;
  readonly outlet: number;
  readonly elementAlong: number;
  readonly outletAlong: number;
  readonly fourConstants: number;
  readonly fourKnots: number;
  readonly fourElement: number;
  readonly fourOutlet: number;
  readonly end: number;
}

const SWITCHED: Readonly<Record<Switched, number>> = { works: 0, dead: 1, 'always-on': 2 };

/** Two numbers of memory hold four of single precision. */
const FOUR = 2;

/** The tables of a drive that is not known, row by row as four runs side by side read them. */
function tablesByRow({ speedRel, ramAir, pumpRel, logFuel }: UnknownDrive): Float64Array {
  const rows = new Float32Array(4 * speedRel.length);
  for (let row = 0; row < speedRel.length; row++) {
    rows.set([speedRel[row]!, ramAir[row]!, pumpRel[row]!, logFuel[row]!], 4 * row);
  }
  return new Float64Array(rows.buffer);
}

/** Lays a drive into the kernel's memory. */
function lay(kernel: Kernel, inputs: TwinInputs, prior: TwinPrior, cellCapacity: number, knots: number): Places {
  const { vehicle, unknownDrive: drive, steps, bins } = inputs;
  let next = ARRAYS_FROM;
  const room = (length: number): number => {
    const at = next;
    // Vectors are sixteen bytes: every array begins at an even number.
    next += length + (length % 2);
    return at;
  };
  const arrays: readonly (readonly [slot: number, values: Float64Array | null])[] = [
    [L.P_SPECIFIC, inputs.specificFuel],
    [L.P_LOG_FUEL, inputs.logFuel],
    [L.P_SPEED, inputs.speedRel],
    [L.P_RAM, inputs.ramAir],
    [L.P_PUMP, inputs.pumpRel],
    [L.P_BLOWER, inputs.blower],
    [L.P_FAN, inputs.fan],
    [L.P_HEATING, inputs.thermostatHeater],
    [L.P_KNOT_AT, prior.knotAt],
    [L.P_TABLE_SPEED, drive?.speedRel ?? null],
    [L.P_TABLE_RAM, drive?.ramAir ?? null],
    [L.P_TABLE_PUMP, drive?.pumpRel ?? null],
    [L.P_TABLE_LOG, drive?.logFuel ?? null],
    [L.P_TABLE_WARM, drive?.warmShare ?? null],
    [L.P_FOUR_TABLES, drive && tablesByRow(drive)],
  ];
  const laid = arrays.flatMap(([slot, values]) => (values ? [{ slot, values, at: room(values.length) }] : []));
  const constants = room(L.CONSTANTS);
  const knotsAt = room(knots);
  const rows = L.CONSTANTS + knots;
  const first = room(rows + 1);
  const where = room((rows * ROOM) / 8);
  const value = room((rows * ROOM) / 2);
  const state = room(L.STATES * ROOM);
  const element = room(bins);
  const outlet = room(bins);
  const elementAlong = room(bins * ROOM);
  const outletAlong = room(bins * ROOM);
  const fourConstants = room(FOUR * L.CONSTANTS);
  const fourKnots = room(FOUR * knots);
  const fourElement = room(FOUR * bins);
  const fourOutlet = room(FOUR * bins);
  const memory = kernel.memory(next);
  const settings = runSettings(vehicle);
  const header: Readonly<Record<number, number>> = {
    [L.H_STEPS]: steps,
    [L.H_BINS]: bins,
    [L.H_STEPS_PER_BIN]: STEPS_PER_BIN,
    [L.H_STEP_S]: inputs.step_s,
    [L.H_INLET]: settings.inlet ? 1 : 0,
    [L.H_HEATED_BY_K]: settings.heatedBy_k,
    [L.H_RATED_C]: vehicle.thermostat.rated_c,
    [L.H_ENGINE_ON]: settings.engineOn,
    [L.H_HYBRID]: vehicle.engine.hybrid ? 1 : 0,
    [L.H_FAN_KIND]: settings.viscous ? 1 : settings.belted ? 2 : inputs.fan ? 3 : 0,
    [L.H_FAN_WIDTH_K]: settings.fanWidth_k,
    [L.H_HEATING_LOGGED]: inputs.thermostatHeater ? 1 : 0,
    [L.H_COLD_HEAT]: prior.coldHeat,
    [L.H_CELL_CAPACITY]: cellCapacity,
    [L.H_KNOTS]: knots,
    [L.H_ROWS]: drive?.speedRel.length ?? 0,
    [L.H_ACTIVITY_RANGE]: ACTIVITY_RANGE,
    [L.H_ACTIVITY_STEP]: ACTIVITY_STEP,
    [L.P_CONSTANTS]: 8 * constants,
    [L.P_KNOTS]: 8 * knotsAt,
    [L.P_FEEDS_FIRST]: 8 * first,
    [L.P_FEEDS_WHERE]: 8 * where,
    [L.P_FEEDS_VALUE]: 8 * value,
    [L.P_STATE]: 8 * state,
    [L.P_ELEMENT]: 8 * element,
    [L.P_OUTLET]: 8 * outlet,
    [L.P_ELEMENT_ALONG]: 8 * elementAlong,
    [L.P_OUTLET_ALONG]: 8 * outletAlong,
    [L.P_FOUR_CONSTANTS]: 8 * fourConstants,
    [L.P_FOUR_KNOTS]: 8 * fourKnots,
    [L.P_FOUR_ELEMENT]: 8 * fourElement,
    [L.P_FOUR_OUTLET]: 8 * fourOutlet,
  };
  memory.fill(0, 0, L.HEADER);
  for (const [slot, value] of Object.entries(header)) memory[Number(slot)] = value;
  for (const { slot, values, at } of laid) {
    memory[slot] = 8 * at;
    memory.set(values, at);
  }
  return {
    ...{ constants, knots: knotsAt, first, where, value, element, outlet, elementAlong, outletAlong },
    ...{ fourConstants, fourKnots, fourElement, fourOutlet },
    end: next,
  };
}

/** The drive that lies in memory: most runs after one another are of the same. */
let inMemory: { inputs: TwinInputs; prior: TwinPrior; cellCapacity: number; places: Places } | null = null;

function placesOf(kernel: Kernel, inputs: TwinInputs, prior: TwinPrior, cellCapacity: number, knots: number): Places {
  if (inMemory?.inputs !== inputs || inMemory.prior !== prior || inMemory.cellCapacity !== cellCapacity) {
    inMemory = { inputs, prior, cellCapacity, places: lay(kernel, inputs, prior, cellCapacity, knots) };
  }
  return inMemory.places;
}

/** What runs are of: a drive, with the state of what a fault switches. */
export interface KernelDrive {
  readonly inputs: TwinInputs;
  readonly prior: TwinPrior;
  readonly fault: Pick<TwinFault, 'fan' | 'heatingElement'>;
  /** Of each of the radiator's two cells, kJ/K. */
  readonly cellCapacity: number;
}

/** The constants of vehicle and fault as `constantList` gives them, and the knots of the heat, of one run. */
export interface RunFigures {
  readonly constants: Float64Array;
  readonly knots: Float64Array;
}

/** Makes the drive ready for runs. @param knots of each run */
export function layDrive(kernel: Kernel, drive: KernelDrive, knots: number): { memory: Float64Array; places: Places } {
  const { inputs, prior, fault, cellCapacity } = drive;
  const places = placesOf(kernel, inputs, prior, cellCapacity, knots);
  const memory = kernel.memory(places.end);
  memory[L.H_FAN_STATE] = SWITCHED[fault.fan];
  memory[L.H_HEATING_STATE] = SWITCHED[fault.heatingElement];
  return { memory, places };
}
