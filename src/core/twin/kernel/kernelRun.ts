import { STEPS_PER_BIN, type TwinInputs } from '../inputs';
import type { TwinPrior } from '../parameters';
import type { RunConstants } from '../runConstants';
import { runSettings } from '../runSettings';
import type { Switched, TwinFault } from '../twinFault';
import { ACTIVITY_RANGE, ACTIVITY_STEP } from '../unknownDrive';
import type { Kernel } from './kernel';
import * as L from './layout';

/** The constants of a run in the order in which the kernel has them. */
export const CONSTANT_ORDER = [
  'heatScale',
  'heatTilt',
  'slowCapacity',
  'metalCapacity',
  'coolantCapacity',
  'liquid',
  'air',
  'coupling',
  'radiator',
  'heater',
  'loss',
  'flow',
  'pumpScale',
  'ambient',
  'startExcess',
  'leak',
  'opening',
  'spring',
  'perSpan',
  'hysteresis',
  'liftLimit',
  'readingOffset',
  'senderGain',
  'waxGain',
  'fanOn',
  'fanFlow',
  'heatingThreshold',
  'heatingEffect',
  'heatingBase',
] as const satisfies readonly (keyof RunConstants)[];

/** A change of a constant of the run, or of a knot of its heat, along one direction. */
export interface Feed {
  /** Position in {@link CONSTANT_ORDER}, or that of the knot after all constants. */
  readonly row: number;
  readonly direction: number;
  readonly value: number;
}

/** Directions that go through a step together. */
const LANES = 4;

/** Directions that there is room for, and feeds. */
const ROOM = 48;
const ROOM_FEEDS = 8 * ROOM;
/** Header and the compiler's own data lie below, in numbers. */
const ARRAYS_FROM = 1024;

/** Where the arrays of a drive lie, in numbers. */
interface Places {
  readonly constants: number;
  readonly knots: number;
  readonly first: number;
  readonly where: number;
  readonly value: number;
  readonly element: number;
  readonly outlet: number;
  readonly elementAlong: number;
  readonly outletAlong: number;
  readonly end: number;
}

const SWITCHED: Readonly<Record<Switched, number>> = { works: 0, dead: 1, 'always-on': 2 };

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
  ];
  const laid = arrays.flatMap(([slot, values]) => (values ? [{ slot, values, at: room(values.length) }] : []));
  const constants = room(L.CONSTANTS);
  const knotsAt = room(knots);
  const first = room(L.CONSTANTS + knots + 1);
  const where = room(ROOM_FEEDS);
  const value = room(ROOM_FEEDS);
  const state = room(L.STATES * ROOM);
  const element = room(bins);
  const outlet = room(bins);
  const elementAlong = room(bins * ROOM);
  const outletAlong = room(bins * ROOM);
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
  };
  memory.fill(0, 0, L.HEADER);
  for (const [slot, value] of Object.entries(header)) memory[Number(slot)] = value;
  for (const { slot, values, at } of laid) {
    memory[slot] = 8 * at;
    memory.set(values, at);
  }
  return {
    ...{ constants, knots: knotsAt, first, where, value, element, outlet, elementAlong, outletAlong },
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

/** What a run is of: a drive, the constants of vehicle and fault, and the knots of its heat. */
export interface KernelRun {
  readonly inputs: TwinInputs;
  readonly prior: TwinPrior;
  readonly fault: TwinFault;
  readonly constants: RunConstants;
  readonly knots: Float64Array;
  /** Of each of the radiator's two cells, kJ/K. */
  readonly cellCapacity: number;
}

function begin(kernel: Kernel, run: KernelRun): { memory: Float64Array; places: Places } {
  const { inputs, prior, fault, constants, knots, cellCapacity } = run;
  const places = placesOf(kernel, inputs, prior, cellCapacity, knots.length);
  const memory = kernel.memory(places.end);
  memory[L.H_FAN_STATE] = SWITCHED[fault.fan];
  memory[L.H_HEATING_STATE] = SWITCHED[fault.heatingElement];
  for (let i = 0; i < CONSTANT_ORDER.length; i++) memory[places.constants + i] = constants[CONSTANT_ORDER[i]!];
  memory.set(knots, places.knots);
  return { memory, places };
}

/** Derivatives of a run along some directions: bin k along direction d at `d × bins + k`. Views: copy to keep. */
export interface RunTangents {
  readonly element: Float64Array;
  readonly outlet: Float64Array | null;
  /** The run itself, as `simulateTwin` gives it. */
  readonly element_c: Float64Array;
}

/** Puts what the directions change into memory, by rows. */
function layFeeds(memory: Float64Array, { first, where, value }: Places, rows: number, feeds: readonly Feed[]): void {
  const next = new Int32Array(rows + 1);
  for (const { row } of feeds) next[row + 1]!++;
  for (let row = 0; row < rows; row++) next[row + 1]! += next[row]!;
  // Whole numbers take half the room that was made for them.
  const whole = new Int32Array(memory.buffer);
  whole.set(next, 2 * first);
  for (const feed of feeds) {
    const at = next[feed.row]!++;
    whole[2 * where + at] = Float32Array.BYTES_PER_ELEMENT * feed.direction;
    memory[value + at] = feed.value;
  }
}

/**
 * Runs the twin with its derivatives along `count` directions; none is the run alone. Throws a RangeError for more than there is room for.
 *
 * @param feeds what the directions change
 */
export function runTangents(
  kernel: Kernel,
  run: KernelRun,
  count: number,
  feeds: readonly Feed[],
  wantsOutlet: boolean,
): RunTangents {
  const width = LANES * Math.ceil(count / LANES);
  if (width > ROOM || feeds.length > ROOM_FEEDS) {
    throw new RangeError(
      `runTangents: room for ${ROOM} directions and ${ROOM_FEEDS} feeds, got ${count}, ${feeds.length}`,
    );
  }
  const { memory, places } = begin(kernel, run);
  layFeeds(memory, places, L.CONSTANTS + run.knots.length, feeds);
  memory[L.H_WANTS_OUTLET] = wantsOutlet ? 1 : 0;
  kernel.run(width);
  const { bins } = run.inputs;
  const along = (at: number) => memory.subarray(at, at + count * bins);
  return {
    element: along(places.elementAlong),
    outlet: wantsOutlet ? along(places.outletAlong) : null,
    element_c: memory.subarray(places.element, places.element + bins),
  };
}
