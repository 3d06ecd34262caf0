import { CHANNELS, fahrenheitToCelsius, KELVIN_AT_0_C, KM_PER_MILE, type ChannelName } from '../../base';

/** Conversion of one logged unit to the canonical one. Factors: see `base/units`; 1 lb = 453.59237 g. */
const TO_CANONICAL: Readonly<Record<string, (value: number) => number>> = {
  '°C': (v) => v,
  '°F': fahrenheitToCelsius,
  K: (v) => v - KELVIN_AT_0_C,
  'km/h': (v) => v,
  mph: (v) => v * KM_PER_MILE,
  'm/s': (v) => v * 3.6,
  rpm: (v) => v,
  rps: (v) => 60 * v,
  '1000 rpm': (v) => 1000 * v,
  '%': (v) => v,
  'g/s': (v) => v,
  'kg/h': (v) => v / 3.6,
  'lb/min': (v) => (v * 453.59237) / 60,
};

/** Units that a channel may be logged in; the first is canonical. */
export const UNITS_OF_QUANTITY = {
  temperature: ['°C', '°F', 'K'],
  speed: ['km/h', 'mph', 'm/s'],
  rotation: ['rpm', 'rps', '1000 rpm'],
  percent: ['%'],
  massFlow: ['g/s', 'kg/h', 'lb/min'],
} as const;

/** A unit written in a header fits the channel it stands on. */
export function unitFits(channel: ChannelName, unit: string): boolean {
  return (UNITS_OF_QUANTITY[CHANNELS[channel].quantity] as readonly string[]).includes(unit);
}

/** Canonical unit of a channel. */
export const canonicalUnit = (channel: ChannelName): string => UNITS_OF_QUANTITY[CHANNELS[channel].quantity][0];

/** Converts a column in place. @throws {RangeError} for an unknown unit */
export function convertColumn(values: Float64Array, unit: string): void {
  const convert = TO_CANONICAL[unit];
  if (!convert) throw new RangeError(`convertColumn: unknown unit ${unit}`);
  for (let i = 0; i < values.length; i++) values[i] = convert(values[i]!);
}

/**
 * Unit of a temperature column that names none: a warm engine reads 75-115 in °C and 165-240 in °F, and kelvins stand
 * above 230 from the start.
 */
export function guessTemperatureUnit(values: Float64Array): '°C' | '°F' | 'K' {
  const sorted = values.filter(Number.isFinite).sort();
  if (sorted.length === 0) return '°C';
  const high = sorted[Math.floor(0.9 * (sorted.length - 1))]!;
  const low = sorted[0]!;
  if (low > 225 && high < 420) return 'K';
  return high > 142 ? '°F' : '°C';
}
