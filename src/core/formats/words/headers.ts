import { CHANNELS, isChannelName, type ChannelName } from '../../base';
import { CHANNEL_WORDS, ENGINE_WORDS, OTHER_COOLANTS, OTHER_TEMPERATURES, OTHER_THINGS } from './channelWords';

/** What a header says: the channel, and the unit if one is written. */
export interface HeaderReading {
  readonly channel: ChannelName | 'time_s' | null;
  /** Canonical unit symbol, see `columnUnits`; null when none is written. */
  readonly unit: string | null;
  /** True when the words name the channel outright; false for a mere temperature of something. */
  readonly sure: boolean;
  /** True when the words name something else: a target, a voltage, the gearbox. */
  readonly excluded: boolean;
  /** True when the words say that it is the engine's own. */
  readonly engine: boolean;
  /** What stands in brackets like a unit and is none that is known; null in the usual case. */
  readonly oddUnit: string | null;
}

/** Words for units as loggers write them, to a symbol. */
const UNIT_WORDS: readonly (readonly [RegExp, string])[] = [
  [/^(°|º|deg\.?\s*)?c(elsius)?$|^[°º]с$/i, '°C'],
  [/^(°|º|deg\.?\s*)?f(ahrenheit)?$/i, '°F'],
  [/^(°?k|kelvin)$/i, 'K'],
  [/^(km\/?h|kph|kmph|km\/t|км\/ч)$/i, 'km/h'],
  [/^(mph|mi\/h|miles\/h(our)?)$/i, 'mph'],
  [/^m\/s$/i, 'm/s'],
  [/^(rpm|1\/min|u\/min|min-1|min⁻¹|r\/min|tr\/min|giri\/min|ot\/min|obr\/min|varv\/min|o\/min|об\/мин)$/i, 'rpm'],
  [/^(rps|rev\/s|r\/s|u\/s|1\/s|tr\/s)$/i, 'rps'],
  [
    /^(k ?rpm|[x×*] ?1000( ?(rpm|1\/min|u\/min|min-1))?|1000 ?(rpm|1\/min|u\/min|min-1)|(rpm|1\/min|u\/min) ?[x×*] ?1000)$/i,
    '1000 rpm',
  ],
  [/^(%|pct|percent|prozent)$/i, '%'],
  [/^(g\/s|g\/sec|gps|grams?\/s(ec)?)$/i, 'g/s'],
  [/^kg\/h$/i, 'kg/h'],
  [/^lb\/min$/i, 'lb/min'],
  [/^(s|sec|secs|seconds?|sek|sekunden|sekunder|с|сек|sn|mp|秒)$/i, 's'],
  [/^(ms|msec|milliseconds?|millis)$/i, 'ms'],
  [/^(us|µs|μs|microseconds?)$/i, 'µs'],
  [/^(ns|nanoseconds?)$/i, 'ns'],
  [/^(min|mins|minutes?|minuten|minuter|мин|dk|perc|分)$/i, 'min'],
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

/** Longest name of a column that is read and shown, characters. */
const LONGEST_NAME = 120;
/** Longest unit, characters. */
const LONGEST_UNIT = 24;

/** Words of a file as far as they are read and shown. */
export const clip = (text: string): string => (text.length > LONGEST_NAME ? `${text.slice(0, LONGEST_NAME)}…` : text);

/** The unit a piece of text names, or null. */
export function unitOfText(text: string): string | null {
  if (text.length > LONGEST_UNIT) return null;
  const trimmed = text
    .trim()
    // A degree sign that was written in one encoding and read in another.
    .replace(/Â(?=[°º])|ï¿½|\uFFFD(?=[CFcf]$)/g, '')
    .normalize('NFKC')
    .replace(/^[[(]|[\])]$/g, '')
    .trim();
  return UNIT_WORDS.find(([pattern]) => pattern.test(trimmed))?.[1] ?? null;
}

/** Letters that Unicode does not take apart into a base and an accent. */
const UNDECOMPOSED: Readonly<Record<string, string>> = { ł: 'l', ø: 'o', æ: 'ae', œ: 'oe', ß: 'ss', ı: 'i', đ: 'd' };

const plain = (text: string): string =>
  text
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[łøæœßıđ]/g, (letter) => UNDECOMPOSED[letter]!)
    .replace(/[^\p{L}0-9/%]+/gu, ' ')
    .trim();

/** What looks like a unit in brackets: few letters, a quotient, a factor. */
const LIKE_UNIT =
  /^(?!(?:ecu|pcm|ecm|obd|can|raw|avg)$)(?:[a-zµ°]{1,4}\/[a-z0-9]{1,4}|[x×*/]\s?\d+|°\w{1,2}|[a-z]{1,3})$/i;

/** Splits a header into its words and a unit in brackets or behind it. */
function splitUnit(header: string): { words: string; unit: string | null; odd?: string } {
  const times = /\s[x×*] ?1000$/i.exec(header);
  if (times) return { words: header.slice(0, times.index), unit: unitOfText(times[0]) };
  const bracket = /[[(]([^\])]*)[\])]\s*$/.exec(header);
  if (bracket) {
    const unit = unitOfText(bracket[1]!);
    if (unit) return { words: header.slice(0, bracket.index), unit };
    if (LIKE_UNIT.test(bracket[1]!)) return { words: header, unit: null, odd: bracket[1]! };
  }
  const tail = /[\s_,:/.-]+(°?\s?[A-Za-z%/]+-?1?)\s*$/.exec(header);
  if (tail) {
    const unit = unitOfText(tail[1]!);
    // A lone letter at the end is a sensor's name more often than a unit, but for temperatures and time.
    const loneLetter = /^[a-z]$/i.test(tail[1]!) && !/^[cfksh]$/i.test(tail[1]!);
    // A receiver of satellites is no gram per second.
    const isReceiver = /^gps$/i.test(tail[1]!);
    if (unit && !loneLetter && !isReceiver && !/^(s|h|t)$/i.test(header))
      return { words: header.slice(0, tail.index), unit };
  }
  const glued = /(Â?°[CF]|%)\s*$/.exec(header);
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

/** Headers read lately: the same few are asked for again and again. */
const read = new Map<string, HeaderReading>();
const MOST_READ = 4000;

/** Reads one header cell: canonical names exactly, other wordings by their words. */
export function readHeader(header: string): HeaderReading {
  const short = clip(header);
  let found = read.get(short);
  if (!found) {
    found = readWords(short);
    if (read.size >= MOST_READ) read.clear();
    read.set(short, found);
  }
  return found;
}

function readWords(header: string): HeaderReading {
  const exact = header.trim().toLowerCase();
  const usual = { sure: true, excluded: false, engine: false, oddUnit: null };
  if (exact === 'time_s') return { ...usual, channel: 'time_s', unit: 's' };
  if (isChannelName(exact)) {
    return { ...usual, channel: exact, unit: CANONICAL_UNIT[CHANNELS[exact].quantity], engine: exact === 'ect_c' };
  }
  const { words, unit, odd = null } = splitUnit(header);
  const text = plain(words);
  const all = plain(header);
  const matching = (t: string) => CHANNEL_WORDS.find(([pattern]) => pattern.test(t))?.[1] ?? null;
  // "Engine RPM": the unit is the name.
  const found = matching(text) ?? matching(all);
  if (found === 'time_s') {
    const named = unit ?? (/^minutes?$/.test(text) ? 'min' : null);
    return { ...usual, channel: found, unit: named };
  }
  const nothing = { ...usual, channel: null, unit, sure: false, excluded: true };
  if (OTHER_THINGS.test(text) && found !== 'thermostat_heater_pct') return nothing;
  if (found !== null) {
    const isCoolant = found === 'ect_c' || found === 'ect2_c';
    // A control unit that tells the coolant's temperature is not hot itself.
    const things = isCoolant ? text.replace(/\b(ecu|pcm)\b/, '') : text;
    const foreign = CHANNELS[found].quantity === 'temperature' && OTHER_TEMPERATURES.test(things);
    if (foreign || (isCoolant && OTHER_COOLANTS.test(text))) return nothing;
    return { ...usual, channel: found, unit, engine: ENGINE_WORDS.test(text), oddUnit: odd };
  }
  if (OTHER_TEMPERATURES.test(text)) return nothing;
  const temperature =
    /\btemp|\btc\d|\bdeg\b|temperatur|lampotila|teplot|homerseklet|sicaklik|температур|温度/.test(text) ||
    unit === '°C' ||
    unit === '°F';
  return { ...usual, channel: temperature ? 'ect_c' : null, unit, sure: false };
}
