import { CHANNELS, isChannelName, type ChannelName } from '../../base';
import { CHANNEL_WORDS, OTHER_TEMPERATURES, OTHER_THINGS } from './channelWords';

/** What a header says: the channel, and the unit if one is written. */
export interface HeaderReading {
  readonly channel: ChannelName | 'time_s' | null;
  /** Canonical unit symbol, see `columnUnits`; null when none is written. */
  readonly unit: string | null;
  /** True when the words name the channel outright; false for a mere temperature of something. */
  readonly sure: boolean;
  /** True when the words name something else: a target, a voltage, the gearbox. */
  readonly excluded: boolean;
}

/** Words for units as loggers write them, to a symbol. */
const UNIT_WORDS: readonly (readonly [RegExp, string])[] = [
  [/^(°|º|deg\.?\s*)?c(elsius)?$/i, '°C'],
  [/^(°|º|deg\.?\s*)?f(ahrenheit)?$/i, '°F'],
  [/^k(elvin)?$/, 'K'],
  [/^(km\/?h|kph|kmph|km\/t)$/i, 'km/h'],
  [/^(mph|mi\/h|miles\/h(our)?)$/i, 'mph'],
  [/^m\/s$/i, 'm/s'],
  [/^(rpm|1\/min|u\/min|min-1|min⁻¹|r\/min|tr\/min|giri\/min|ot\/min|obr\/min|varv\/min|o\/min)$/i, 'rpm'],
  [/^(%|pct|percent|prozent)$/i, '%'],
  [/^(g\/s|g\/sec|gps|grams?\/s(ec)?)$/i, 'g/s'],
  [/^kg\/h$/i, 'kg/h'],
  [/^lb\/min$/i, 'lb/min'],
  [/^(s|sec|secs|seconds?|sek|sekunden|sekunder)$/i, 's'],
  [/^(ms|msec|milliseconds?|millis)$/i, 'ms'],
  [/^(us|µs|μs|microseconds?)$/i, 'µs'],
  [/^(ns|nanoseconds?)$/i, 'ns'],
  [/^(min|mins|minutes?|minuten|minuter)$/i, 'min'],
  [/^(h|hrs?|hours?)$/i, 'h'],
  [/^(d|days?)$/i, 'd'],
  // Units of other things: a column that names one is none of ours.
  [/^(m?v|volts?|mvolt)$/i, 'V'],
  [/^(k?ohms?|k?Ω)$/i, 'Ω'],
  [/^(m?bar|[kh]?pa|mmhg|inhg)$/i, 'kPa'],
  [/^psi[ag]?$/i, 'psi'],
  [/^(l|litres?|liters?|gal|l\/h|l\/100 ?km|mpg)$/i, 'l'],
  [/^(km|mi|miles|ft)$/i, 'km'],
  [/^(a|amps?|ma|k?w|hp|nm|lb-?ft|hz)$/i, 'W'],
];

/** The unit a piece of text names, or null. */
export function unitOfText(text: string): string | null {
  const trimmed = text
    .trim()
    .replace(/^[[(]|[\])]$/g, '')
    .trim();
  return UNIT_WORDS.find(([pattern]) => pattern.test(trimmed))?.[1] ?? null;
}

/** Letters that Unicode does not take apart into a base and an accent. */
const UNDECOMPOSED: Readonly<Record<string, string>> = { ł: 'l', ø: 'o', æ: 'ae', œ: 'oe', ß: 'ss' };

const plain = (text: string): string =>
  text
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[łøæœß]/g, (letter) => UNDECOMPOSED[letter]!)
    .replace(/[^a-z0-9/%]+/g, ' ')
    .trim();

/** Splits a header into its words and a unit in brackets or behind it. */
function splitUnit(header: string): { words: string; unit: string | null } {
  const bracket = /[[(]([^\])]*)[\])]\s*$/.exec(header);
  if (bracket) {
    const unit = unitOfText(bracket[1]!);
    if (unit) return { words: header.slice(0, bracket.index), unit };
  }
  const tail = /[\s_,:/.-]+(°?\s?[A-Za-z%/]+-?1?)\s*$/.exec(header);
  if (tail) {
    const unit = unitOfText(tail[1]!);
    // A lone letter at the end is a sensor's name more often than a unit, but for temperatures and time.
    const loneLetter = /^[a-z]$/i.test(tail[1]!) && !/^[cfksh]$/i.test(tail[1]!);
    if (unit && !loneLetter && !/^(s|h|t)$/i.test(header)) return { words: header.slice(0, tail.index), unit };
  }
  const glued = /(°[CF]|%)\s*$/.exec(header);
  if (glued) return { words: header.slice(0, glued.index), unit: unitOfText(glued[1]!) };
  return { words: header, unit: null };
}

/** The unit that a header names in brackets or behind its words; null without one. */
export const unitOfHeader = (header: string): string | null => splitUnit(header).unit;

const CANONICAL_UNIT = {
  temperature: '°C',
  speed: 'km/h',
  rotation: 'rpm',
  percent: '%',
  massFlow: 'g/s',
} as const;

/** Reads one header cell: canonical names exactly, other wordings by their words. */
export function readHeader(header: string): HeaderReading {
  const exact = header.trim().toLowerCase();
  if (exact === 'time_s') return { channel: 'time_s', unit: 's', sure: true, excluded: false };
  if (isChannelName(exact)) {
    return { channel: exact, unit: CANONICAL_UNIT[CHANNELS[exact].quantity], sure: true, excluded: false };
  }
  const { words, unit } = splitUnit(header);
  const text = plain(words);
  const all = plain(header);
  const matching = (t: string) => CHANNEL_WORDS.find(([pattern]) => pattern.test(t))?.[1] ?? null;
  // "Engine RPM": the unit is the name.
  const found = matching(text) ?? matching(all);
  if (found === 'time_s') {
    const named = unit ?? (/^minutes?$/.test(text) ? 'min' : null);
    return { channel: found, unit: named, sure: true, excluded: false };
  }
  const nothing = { channel: null, unit, sure: false, excluded: true };
  if (OTHER_THINGS.test(text) && found !== 'thermostat_heater_pct') return nothing;
  if (found !== null) {
    const foreign = CHANNELS[found].quantity === 'temperature' && OTHER_TEMPERATURES.test(text);
    return foreign ? nothing : { channel: found, unit, sure: true, excluded: false };
  }
  if (OTHER_TEMPERATURES.test(text)) return nothing;
  const temperature = /\btemp|\btc\d|\bdeg\b|temperatur/.test(text) || unit === '°C' || unit === '°F';
  return { channel: temperature ? 'ect_c' : null, unit, sure: false, excluded: false };
}
