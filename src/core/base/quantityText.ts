/**
 * How quantities stand in sentences: temperatures as `81 °C`, differences as `6 K`, speeds as `10 km/h`, pressures as
 * `103 kPa`. Written one way only, so that a sentence can be shown in a shop's own units.
 */
import { unitOf, type UnitFamily } from './units';

/** Digits of a number, never a minus before nothing but zeros. */
const fixed = (value: number, digits: number): string => value.toFixed(digits).replace(/^-(0(?:\.0+)?)$/, '$1');

/** A temperature in a sentence. */
export const temperatureText = (c: number, digits = 0): string => `${fixed(c, digits)} °C`;

/** The size of a temperature difference in a sentence; the words around it say which way. */
export const differenceText = (k: number, digits = 0): string => `${Math.abs(k).toFixed(digits)} K`;

const FAMILY_OF = {
  '°C': 'temperature',
  K: 'temperatureDifference',
  'km/h': 'speed',
  kPa: 'pressure',
} as const satisfies Record<string, UnitFamily>;

/** One number or a range such as `80-100`, with one of the units above. */
const QUANTITY = /(?:(\d+)-)?((?:(?<![\d-])-)?\d+(?:\.\d+)?) (°C|km\/h|kPa|K(?![\w/]))/g;

/**
 * A sentence of core with its quantities in other units. Digits after the point are kept; a difference is shown with
 * the unit of temperature, as people say it.
 *
 * @param symbolOf unit to show per family; one that the family does not have throws
 * @throws {RangeError} if a family has no unit with that symbol
 * @example inShownUnits('It read 100 °C, 10 K above.', () => '°F') // => 'It read 212 °F, 18 °F above.'
 */
export function inShownUnits(sentence: string, symbolOf: (family: UnitFamily) => string): string {
  return sentence.replace(
    QUANTITY,
    (_, from: string | undefined, number: string, written: keyof typeof FAMILY_OF): string => {
      const family = FAMILY_OF[written];
      const symbol = symbolOf(family);
      const digits = number.split('.')[1]?.length ?? 0;
      const shown = (text: string) => fixed(unitOf(family, symbol).fromSi(Number(text)), digits);
      return `${from === undefined ? '' : `${shown(from)}-`}${shown(number)} ${symbol}`;
    },
  );
}
