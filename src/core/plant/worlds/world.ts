/**
 * The structure of a simulated world: which laws hold in it, where things sit, who controls what. Two worlds differ in
 * what no parameter of the other could make. A car is drawn into a world; {@link HOME_WORLD} is the one that demo data,
 * practice and predictions come from.
 *
 * Laws are the textbook alternatives: Nusselt exponents of 0.5 to 0.85 on either side of a radiator (Incropera & DeWitt,
 * ch. 7-8), pumps that are driven or electric, bypasses that stay open or shut against the housing, waxes whose lift is
 * straight, eager or late in its span. Where no source gives a figure the range is a working figure, wide on purpose.
 */
export interface World {
  readonly name: string;
  /** Share of the wall heat that enters the head. */
  readonly headHeat: number;
  /** How much less wall heat a wall 100 K above running temperature takes: gas temperature against wall temperature. */
  readonly gasToWall: number;
  /** Added wall heat, share, of a cold engine on late ignition during its first minute. */
  readonly catalystHeating: number;
  /** Exchange between oil and block coolant by an oil cooler, kW/K. */
  readonly oilCooler_kw_k: number;
  /** Electric heater in the coolant that runs while a diesel is cold, kW. */
  readonly coolantHeater_kw: number;
  /** Pump flow against engine speed: exponent. */
  readonly pumpExponent: number;
  /** True for a pump that the control unit runs by temperature, not by engine speed. */
  readonly electricPump: boolean;
  /** How far the bypass shuts as the valve opens, 0...1. */
  readonly bypassShuts: number;
  /** Exponents of the radiator's air side and coolant side. */
  readonly airExponent: number;
  readonly coolantExponent: number;
  /** Exponent of the coolant film in the engine. */
  readonly filmExponent: number;
  /** Shutters before the radiator that stay closed while the reading is low: share of the face. */
  readonly shutters: number;
  /** Lift over the opening span. */
  readonly valveShape: 'smooth' | 'straight' | 'eager' | 'late';
  /** Extra wax lag, share, while little flows past it. */
  readonly stagnantWax: number;
  /** Where the control unit's sender sits, and its filter, s. */
  readonly senderPlace: 'head' | 'outlet' | 'block';
  readonly readingFilter_s: number;
  /** Where the second sensor sits. */
  readonly secondPlace: 'engine' | 'pump-inlet' | 'radiator-outlet';
  /** What decides when a heated thermostat is heated. */
  readonly heatingMap: 'hard-work' | 'load' | 'speed' | 'intake' | 'target' | 'late';
  /** Fan: switched with hysteresis, or in proportion; and whether air conditioning runs it. */
  readonly fanControl: 'switched' | 'proportional' | 'two-speed';
  readonly fanWithCooling: number;
  /** Rise of idle speed with a cold reading, share at -10 °C. */
  readonly coldIdle: number;
  /** A hybrid's engine may stop from this reading on, °C. */
  readonly stopsFrom_c: number;
  /** Cabin blower that waits for warm coolant. */
  readonly blowerWaits: boolean;
  /** Power from which the engine is geared up; factor on engine speed. */
  readonly gearing: number;
}

/** The world of demo data, practice and predictions. */
export const HOME_WORLD: World = {
  name: 'home',
  headHeat: 0.66,
  gasToWall: 0,
  catalystHeating: 0,
  oilCooler_kw_k: 0,
  coolantHeater_kw: 0,
  pumpExponent: 1,
  electricPump: false,
  bypassShuts: 0,
  airExponent: 0.62,
  coolantExponent: 0.7,
  filmExponent: 0.6,
  shutters: 0,
  valveShape: 'smooth',
  stagnantWax: 0,
  senderPlace: 'head',
  readingFilter_s: 0,
  secondPlace: 'engine',
  heatingMap: 'hard-work',
  fanControl: 'switched',
  fanWithCooling: 0,
  coldIdle: 0,
  stopsFrom_c: 55,
  blowerWaits: false,
  gearing: 1,
};
