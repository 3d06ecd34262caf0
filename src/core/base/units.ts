/**
 * Conversions between SI (inside) and the units on the tool in the hand (at the edges only).
 * Factors are exact by definition unless said otherwise (international yard and pound, 1959; US and imperial gallon).
 */

/** 0 °C in kelvin. */
export const KELVIN_AT_0_C = 273.15;
/** One mile in kilometres. */
export const KM_PER_MILE = 1.609344;
/** One pound-force per square inch in kPa. */
export const KPA_PER_PSI = 6.894757;
/** One US liquid gallon in litres. */
export const L_PER_US_GALLON = 3.785411784;
/** One imperial gallon in litres. */
export const L_PER_IMPERIAL_GALLON = 4.54609;
/** One pound-foot in N·m. */
export const NM_PER_LB_FT = 1.3558179;

/** One pound (avoirdupois) in kilograms, and one inch in millimetres. */
export const KG_PER_LB = 0.45359237;
export const MM_PER_INCH = 25.4;

/** °F to °C. @example fahrenheitToCelsius(212) // => 100 */
export const fahrenheitToCelsius = (f: number): number => ((f - 32) * 5) / 9;

/** °C to °F. @example celsiusToFahrenheit(100) // => 212 */
export const celsiusToFahrenheit = (c: number): number => (c * 9) / 5 + 32;

/** °C to K. */
export const celsiusToKelvin = (c: number): number => c + KELVIN_AT_0_C;

/** A family of units for one kind of reading; each unit maps to and from the stored SI value. */
export interface Unit {
  readonly symbol: string;
  /** Other spellings people type, lower case, without spaces or degree signs. */
  readonly spellings: readonly string[];
  readonly toSi: (value: number) => number;
  readonly fromSi: (value: number) => number;
}

const scaled = (symbol: string, factor: number, ...spellings: string[]): Unit => ({
  symbol,
  spellings: [symbol.toLowerCase().replace(/[\s°·]/g, ''), ...spellings],
  toSi: (v) => v * factor,
  fromSi: (v) => v / factor,
});

/** Every unit a reading can be shown or typed in; the first of each family is the stored one. */
export const UNITS = {
  temperature: [
    scaled('°C', 1, 'celsius', 'degc'),
    {
      symbol: '°F',
      spellings: ['f', 'fahrenheit', 'degf'],
      toSi: fahrenheitToCelsius,
      fromSi: celsiusToFahrenheit,
    },
  ],
  temperatureDifference: [scaled('°C', 1, 'k'), scaled('°F', 5 / 9, 'f')],
  speed: [scaled('km/h', 1, 'kmh', 'kph'), scaled('mph', KM_PER_MILE)],
  distance: [scaled('km', 1), scaled('mi', KM_PER_MILE, 'mile', 'miles')],
  pressure: [scaled('kPa', 1), scaled('psi', KPA_PER_PSI), scaled('bar', 100)],
  volume: [
    scaled('l', 1, 'litre', 'litres', 'liter', 'liters', 'ltr'),
    scaled('US gal', L_PER_US_GALLON, 'gal', 'usgal', 'gallon', 'gallons'),
    scaled('imp gal', L_PER_IMPERIAL_GALLON, 'impgal', 'ukgal'),
    scaled('US qt', L_PER_US_GALLON / 4, 'qt', 'usqt', 'quart', 'quarts'),
    scaled('imp qt', L_PER_IMPERIAL_GALLON / 4, 'impqt'),
  ],
  mass: [scaled('kg', 1), scaled('lb', KG_PER_LB, 'lbs', 'pound', 'pounds')],
  length: [scaled('mm', 1), scaled('in', MM_PER_INCH, 'inch', 'inches', '"')],
  torque: [
    scaled('N·m', 1, 'nm'),
    scaled('lb·ft', NM_PER_LB_FT, 'lbft', 'lb-ft', 'ftlb', 'ft-lb'),
    scaled('lb·in', NM_PER_LB_FT / 12, 'lbin', 'lb-in', 'inlb', 'in-lb'),
  ],
} as const satisfies Record<string, readonly Unit[]>;

/** A family of units. */
export type UnitFamily = keyof typeof UNITS;

/** The unit of a family with a given symbol. @throws {RangeError} if the family has none */
export function unitOf(family: UnitFamily, symbol: string): Unit {
  const found = (UNITS[family] as readonly Unit[]).find((u) => u.symbol === symbol);
  if (!found) throw new RangeError(`unitOf: ${family} has no unit ${symbol}`);
  return found;
}

/**
 * Reads a number typed with or without a unit ("190F", "15 psi", "3,2 l") and returns the SI value.
 *
 * @param text what was typed; a decimal comma is understood
 * @param family kind of reading
 * @param shown symbol of the unit assumed when none is typed
 * @returns SI value, or null when the text is not a number with a unit of this family
 * @example parseQuantity('212 F', 'temperature', '°C') // => 100
 */
export function parseQuantity(text: string, family: UnitFamily, shown: string): number | null {
  const match = /^\s*([-+−]?\d*[.,]?\d+|[-+−]?\d+[.,]?)\s*(.*?)\s*$/u.exec(text);
  if (!match) return null;
  const value = Number(match[1]!.replace(',', '.').replace('−', '-'));
  if (!Number.isFinite(value)) return null;
  const typed = match[2]!.toLowerCase().replace(/[\s°·.]/g, '');
  if (typed === '') return unitOf(family, shown).toSi(value);
  const unit = (UNITS[family] as readonly Unit[]).find((u) => u.spellings.includes(typed));
  return unit ? unit.toSi(value) : null;
}
