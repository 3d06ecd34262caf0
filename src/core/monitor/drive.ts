/** What the monitors look at; arrays share `time_s`, NaN is missing, a channel that was not logged is null. */
export interface MonitorInput {
  readonly time_s: Float64Array;
  /** When the engine first ran, s: run time counts from here; null where it never ran. */
  readonly started_s: number | null;
  /** Raw reading, °C. */
  readonly reading_c: Float64Array;
  /** Slowest warm-up expected of a sound vehicle on this drive, °C. */
  readonly expected_c: Float64Array;
  /** What opens the thermostat at its lowest, by the vehicle's papers, °C. */
  readonly rated_c: number;
  readonly displacement_l: number;
  /** An electrically heated thermostat: has circuit codes of its own. */
  readonly heated: boolean;
  /** Reading when the engine started, °C; NaN without one. */
  readonly start_c: number;
  readonly intake_c: number | null;
  readonly ambient_c: number | null;
  readonly oil_c: number | null;
  readonly speed_kmh: Float64Array | null;
  /** Air taken in, g/s. */
  readonly air_gps: Float64Array | null;
  /** Fuel burnt, g/s, by the best estimate there is. */
  readonly fuel_gps: Float64Array | null;
  /** Times at which a drop-out began, s. */
  readonly dropouts_s: readonly number[];
}

/** A drive of which only the reading is known: the rest as if not logged. */
export const NOTHING_ELSE_LOGGED = {
  started_s: 0,
  displacement_l: 1.6,
  heated: false,
  intake_c: null,
  ambient_c: null,
  oil_c: null,
  speed_kmh: null,
  air_gps: null,
  fuel_gps: null,
  dropouts_s: [],
} as const satisfies Partial<MonitorInput>;
