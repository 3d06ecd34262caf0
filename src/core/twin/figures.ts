/** Figures of the twin that no parameter moves. */

/** Share of the wall heat that enters the cylinder head, and of the metal-to-coolant conductance there. */
export const FAST_HEAT = 0.58;
export const FAST_COUPLING = 0.62;

/** How far below its rating a heated thermostat opens under full heating where nobody said, K. Working figure. */
export const HEATED_BELOW_K = 17;

/** Share of the coolant flow that passes the cabin heater. */
export const HEATER_BRANCH = 0.13;

/**
 * Share of the mixed returns in what an inlet thermostat feels: one figure for all layouts, where the plant draws each
 * car's own. A working figure of the project, like the next ones.
 */
export const INLET_MIX = 0.88;

/** Temperature of block and oil from which an engine heats no more than when warm, °C. */
export const RUNNING_C = 90;

/** Below this a hybrid runs its engine to warm it; 10 K above it stops it in town, °C. Working figure. */
export const HYBRID_COLD_C = 50;

/** Air into the cabin heater above outside air, K. */
export const HEATER_AIR_RISE_K = 4;

/** Lag between the heating command of a heated thermostat and the wax, s. */
export const HEATING_LAG_S = 30;
