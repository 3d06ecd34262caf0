/** Places in which a control unit's second coolant sensor may sit; `unknown` where nobody said. */
export const SECOND_SENSOR_PLACES = ['unknown', 'engine', 'pump-inlet', 'radiator-outlet'] as const;

/** Place of a second coolant sensor. */
export type SecondSensorPlace = (typeof SECOND_SENSOR_PLACES)[number];

/** What is known of a vehicle before any trace: the fields of the vehicle file. Unknowns are null. */
export interface Vehicle {
  readonly label: string;
  readonly engine: {
    readonly fuel: 'petrol' | 'diesel';
    readonly hybrid: boolean;
    readonly displacement_l: number;
    readonly idle_rpm: number;
    readonly kerb_mass_kg: number;
  };
  readonly thermostat: {
    /** Opening temperature; of a heated thermostat, with its element off. */
    readonly rated_c: number;
    readonly full_open_c: number | null;
    /** Where the wax sits: `outlet` feels coolant leaving the engine, `inlet` the mix at the pump. */
    readonly location: 'outlet' | 'inlet';
    readonly heated: boolean;
    /** Lowest temperature a heated thermostat can be made to open at. */
    readonly heated_rated_c: number | null;
  };
  readonly coolant: { readonly volume_l: number; readonly glycol_pct: number; readonly cap_kpa: number | null };
  readonly fan: {
    readonly kind: 'electric' | 'viscous' | 'engine-driven';
    readonly on_c: number | null;
    readonly off_c: number | null;
  };
  /** Absent: everything in it is unknown. */
  readonly sensors?: { readonly second: SecondSensorPlace };
}
