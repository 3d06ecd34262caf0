/**
 * Where things lie in the memory of the kernel: a header of numbers at address 0, the constants of a run, then arrays
 * that the header points to. Read by the host and, as it stands, by the kernel's compiler.
 */

/** Header slots that hold numbers; yes and no as 1 and 0. */
export const H_STEPS = 0;
export const H_BINS = 1;
export const H_STEPS_PER_BIN = 2;
export const H_STEP_S = 3;
export const H_INLET = 4;
export const H_HEATED_BY_K = 5;
export const H_RATED_C = 6;
export const H_ENGINE_ON = 7;
export const H_HYBRID = 8;
/** 0 by the reading, 1 viscous, 2 driven by the engine, 3 logged. */
export const H_FAN_KIND = 9;
/** 0 works, 1 dead, 2 always on. */
export const H_FAN_STATE = 10;
export const H_FAN_WIDTH_K = 11;
/** 0 works, 1 dead, 2 always on. */
export const H_HEATING_STATE = 12;
export const H_HEATING_LOGGED = 13;
export const H_COLD_HEAT = 14;
export const H_CELL_CAPACITY = 15;
export const H_KNOTS = 16;
/** Rows of the tables of a drive that is not known; 0 where it is. */
export const H_ROWS = 17;
export const H_ACTIVITY_RANGE = 18;
export const H_ACTIVITY_STEP = 19;
export const H_WANTS_OUTLET = 20;

/** Header slots that hold addresses of arrays. */
export const P_SPECIFIC = 24;
export const P_LOG_FUEL = 25;
export const P_SPEED = 26;
export const P_RAM = 27;
export const P_PUMP = 28;
export const P_BLOWER = 29;
export const P_FAN = 30;
export const P_HEATING = 31;
export const P_KNOT_AT = 32;
export const P_TABLE_SPEED = 33;
export const P_TABLE_RAM = 34;
export const P_TABLE_PUMP = 35;
export const P_TABLE_LOG = 36;
export const P_TABLE_WARM = 37;
export const P_CONSTANTS = 38;
export const P_KNOTS = 39;
/**
 * What the directions change, four neighbours at a time: constant or knot i (knots after the constants) is moved by the
 * entries from `first[i]` up to `first[i + 1]`, each with the place of its directions in a row, bytes, and by how much.
 */
export const P_FEEDS_FIRST = 40;
export const P_FEEDS_WHERE = 41;
export const P_FEEDS_VALUE = 42;
/** Room for {@link STATES} single numbers per direction. */
export const P_STATE = 47;
export const P_ELEMENT = 43;
export const P_OUTLET = 44;
/** Bin k along direction d at `d × bins + k`. */
export const P_ELEMENT_ALONG = 45;
export const P_OUTLET_ALONG = 46;

/**
 * For four runs side by side, each number as four of single precision, one a run: constants, knots, what they read. The
 * tables of a drive that is not known lie by rows: speed, ram air, pump, logarithm of fuel.
 */
export const P_FOUR_CONSTANTS = 48;
export const P_FOUR_KNOTS = 49;
export const P_FOUR_ELEMENT = 50;
export const P_FOUR_OUTLET = 51;
export const P_FOUR_TABLES = 52;

/** Numbers of the header. */
export const HEADER = 56;
/** Derivatives that are carried from step to step, and what feeds them. */
export const STATES = 23;

/** Order of the constants of a run. */
export const C_HEAT_SCALE = 0;
export const C_HEAT_TILT = 1;
export const C_SLOW_CAPACITY = 2;
export const C_METAL_CAPACITY = 3;
export const C_COOLANT_CAPACITY = 4;
export const C_LIQUID = 5;
export const C_AIR = 6;
export const C_COUPLING = 7;
export const C_RADIATOR = 8;
export const C_HEATER = 9;
export const C_LOSS = 10;
export const C_FLOW = 11;
export const C_PUMP_SCALE = 12;
export const C_AMBIENT = 13;
export const C_START_EXCESS = 14;
export const C_LEAK = 15;
export const C_OPENING = 16;
export const C_SPRING = 17;
export const C_PER_SPAN = 18;
export const C_HYSTERESIS = 19;
export const C_LIFT_LIMIT = 20;
export const C_READING_OFFSET = 21;
export const C_SENDER_GAIN = 22;
export const C_WAX_GAIN = 23;
export const C_FAN_ON = 24;
export const C_FAN_FLOW = 25;
export const C_HEATING_THRESHOLD = 26;
export const C_HEATING_EFFECT = 27;
export const C_HEATING_BASE = 28;
export const CONSTANTS = 29;
