/**
 * Effect of ram air on the radiator relative to 100 km/h: an air side that grows with about the 0.65th power of the
 * flow (turbulent fins; Incropera & DeWitt, ch. 7-8), above the natural draught.
 */
export const ramAirOf = (speedRel: number): number => (0.04 + speedRel) ** 0.65;
