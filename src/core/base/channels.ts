/**
 * The channels a warm-up trace can carry: one table for names, units and the range a real car can produce.
 * Names and units are those of the canonical CSV.
 */

/** Kind of quantity, which decides the units a channel can be shown or imported in. */
export type Quantity = 'temperature' | 'speed' | 'rotation' | 'percent' | 'massFlow';

interface ChannelSpec {
  readonly label: string;
  readonly quantity: Quantity;
  /** Values outside are not a measurement: drop-outs, rails and wrong units. */
  readonly min: number;
  readonly max: number;
}

/** Every channel beside time, in the order of the canonical CSV. */
export const CHANNELS = {
  ect_c: { label: 'Coolant (engine control unit)', quantity: 'temperature', min: -60, max: 260 },
  ect2_c: { label: 'Coolant, second engine sensor', quantity: 'temperature', min: -60, max: 260 },
  gauge_c: { label: 'Coolant (dash gauge)', quantity: 'temperature', min: -60, max: 260 },
  iat_c: { label: 'Intake air', quantity: 'temperature', min: -60, max: 150 },
  ambient_c: { label: 'Outside air', quantity: 'temperature', min: -60, max: 70 },
  speed_kmh: { label: 'Road speed', quantity: 'speed', min: 0, max: 400 },
  rpm: { label: 'Engine speed', quantity: 'rotation', min: 0, max: 12000 },
  load_pct: { label: 'Calculated load', quantity: 'percent', min: 0, max: 250 },
  maf_gps: { label: 'Intake air mass flow', quantity: 'massFlow', min: 0, max: 800 },
  fan_pct: { label: 'Radiator fan command', quantity: 'percent', min: 0, max: 100 },
  heater_pct: { label: 'Cabin blower', quantity: 'percent', min: 0, max: 100 },
  thermostat_heater_pct: { label: 'Thermostat heating command', quantity: 'percent', min: 0, max: 100 },
  oil_c: { label: 'Engine oil', quantity: 'temperature', min: -60, max: 220 },
  rad_out_c: { label: 'Radiator outlet', quantity: 'temperature', min: -60, max: 200 },
} as const satisfies Record<string, ChannelSpec>;

/** Column name of a channel. */
export type ChannelName = keyof typeof CHANNELS;

/** Channel names in canonical order. */
export const CHANNEL_NAMES = Object.keys(CHANNELS) as ChannelName[];

/** True for a canonical column name other than `time_s`. */
export function isChannelName(name: string): name is ChannelName {
  return Object.hasOwn(CHANNELS, name);
}
