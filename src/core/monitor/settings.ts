/**
 * Definitions of the monitors: a shop writes its own maker's over them. Codes: SAE J2012. The warm-up rule: 13 CCR
 * 1968.2 (e)(10). Makers choose their own limits, so every limit is a setting and none here is a maker's value.
 */

/** Limits that are one number each. */
export interface MonitorLimits {
  /** Start readings between which the warm-up monitor runs, °C. */
  readonly startFrom_c: number;
  readonly startTo_c: number;
  /** Reading counts as warm this far under the rating, K (the rule's 11 °C / 20 °F). */
  readonly belowRating_k: number;
  /** Time the reading may lag behind the expected warm-up before the fault is declared, s. */
  readonly grace_s: number;
  /** Coldest intake air at which the monitor runs, °C. */
  readonly coldestIntake_c: number;
  /** Largest share of the warm-up at idle at which a failure counts, %. */
  readonly idleShareTo_pct: number;
  /** Least mean road speed of the warm-up at which a failure counts, km/h. */
  readonly meanSpeedFrom_kmh: number;
  /** Reading from which closed loop must be possible, °C. */
  readonly closedLoop_c: number;
  /** Difference to the other temperatures after a soak that is called a fault, K. */
  readonly soakSpread_k: number;
  /** How far the other temperatures may differ and still prove a soak, K. */
  readonly soakAgree_k: number;
  /** Rails of the sender circuit, °C. */
  readonly coldRail_c: number;
  readonly hotRail_c: number;
  /** A rail must last this long to count, s. */
  readonly railFor_s: number;
  readonly overTemperature_c: number;
  /** Over-temperature must last this long, s. */
  readonly overTemperatureFor_s: number;
  /** Failing drives in a row that light the lamp: of the plausibility monitors and of the circuit's. */
  readonly drivesToLamp: number;
  readonly drivesToLampCircuit: number;
}

/** An amount by the reading at the start: °C and what is allowed from there, rising in °C, straight in between. */
export type StartTable = readonly (readonly [start_c: number, allowed: number])[];

/** What decides when the warm-up is due: the fitted kind of vehicle, a clock, or what the engine has taken in. */
export const WARM_UP_KINDS = ['sound-vehicle', 'time', 'air', 'fuel'] as const;
/** Kind of warm-up definition. */
export type WarmUpKind = (typeof WARM_UP_KINDS)[number];

/** The tables by start temperature. */
export interface MonitorTables {
  /** Time to be warm, s. */
  readonly time: StartTable;
  /** Air taken in to be warm, g per litre of displacement. */
  readonly air: StartTable;
  /** Fuel burnt to be warm, g per litre of displacement. */
  readonly fuel: StartTable;
  /** Time to the closed-loop temperature, s. */
  readonly closedLoop: StartTable;
}

/** Limits, tables and kind of the monitors; editable. */
export interface MonitorSettings extends MonitorLimits {
  readonly warmUp: WarmUpKind;
  readonly tables: MonitorTables;
}

/**
 * Typical figures of the trade, not any maker's. The amounts of air and fuel are a third more than a middling engine
 * needs to warm its metal and coolant at two fifths of the fuel's heat (energy balance, `docs/decisions/0016`).
 */
export const MONITOR_DEFAULTS: MonitorSettings = {
  startFrom_c: -8,
  startTo_c: 50,
  belowRating_k: 11,
  grace_s: 120,
  coldestIntake_c: -9,
  idleShareTo_pct: 50,
  meanSpeedFrom_kmh: 0,
  closedLoop_c: 20,
  soakSpread_k: 15,
  soakAgree_k: 4,
  coldRail_c: -39,
  hotRail_c: 138,
  railFor_s: 5,
  overTemperature_c: 120,
  overTemperatureFor_s: 10,
  drivesToLamp: 2,
  drivesToLampCircuit: 1,
  warmUp: 'sound-vehicle',
  tables: {
    time: [
      [-10, 1380],
      [10, 1020],
      [30, 720],
      [50, 420],
    ],
    air: [
      [-10, 6500],
      [10, 5000],
      [30, 3500],
      [50, 2000],
    ],
    fuel: [
      [-10, 442],
      [10, 340],
      [30, 238],
      [50, 136],
    ],
    closedLoop: [
      [-30, 600],
      [-10, 300],
      [10, 120],
    ],
  },
};
