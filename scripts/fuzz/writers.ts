import { gzipSync, strToU8, zipSync } from 'fflate';
import { openDocumentOf, pageOf, workbookOf } from './sheets';
import { CHANNELS, pick, whole, type FuzzChannel, type Random, type TruthRow } from './truth';

/** A log as text lines, before it is packed. */
export interface Written {
  readonly lines: string[];
  readonly delimiter: string;
  readonly pack: 'none' | 'gzip' | 'zip' | 'workbook' | 'open document' | 'page';
  readonly crlf: boolean;
  readonly bom: boolean;
  /** Temperatures are in °F. */
  readonly american: boolean;
  /** Columns that the file holds. */
  readonly channels: readonly FuzzChannel[];
}

type Names = Readonly<Record<FuzzChannel | 'time', string>>;

const NAMES: readonly Names[] = [
  { time: 'Time', ect_c: 'Coolant', iat_c: 'Intake air temp', speed_kmh: 'Speed', rpm: 'RPM', load_pct: 'Load' },
  {
    time: 'Elapsed time',
    ect_c: 'Engine Coolant Temperature',
    iat_c: 'Intake Air Temperature',
    speed_kmh: 'Vehicle Speed',
    rpm: 'Engine RPM',
    load_pct: 'Calculated Engine Load',
  },
  {
    time: 'Zeit',
    ect_c: 'Kühlmitteltemperatur',
    iat_c: 'Ansauglufttemperatur',
    speed_kmh: 'Fahrzeuggeschwindigkeit',
    rpm: 'Motordrehzahl',
    load_pct: 'Motorlast',
  },
  {
    time: 'Temps',
    ect_c: 'Température liquide de refroidissement',
    iat_c: "Température d'air d'admission",
    speed_kmh: 'Vitesse',
    rpm: 'Régime moteur',
    load_pct: 'Charge moteur',
  },
  {
    time: 'Tijd',
    ect_c: 'Koelvloeistoftemperatuur',
    iat_c: 'Inlaatluchttemperatuur',
    speed_kmh: 'Snelheid',
    rpm: 'Toerental',
    load_pct: 'Motorbelasting',
  },
];
const UNITS = { time: 's', ect_c: '°C', iat_c: '°C', speed_kmh: 'km/h', rpm: '1/min', load_pct: '%' } as const;
const AMERICAN = { ...UNITS, ect_c: '°F', iat_c: '°F', speed_kmh: 'mph', rpm: 'rpm' } as const;

/** Columns beside the channels that could be taken for the coolant. */
const DECOYS = ['Radiator Coolant Temperature', 'Estimated Coolant Temperature', 'Oil Temperature', 'Catalyst Temp'];

const two = (n: number): string => String(n).padStart(2, '0');

/** How a table travels: quotes mean something in text only. */
const packing = (random: Random, quoted: boolean): Written['pack'] => {
  const pack = pick(random, [
    'none',
    'none',
    'none',
    'none',
    'gzip',
    'zip',
    'workbook',
    'open document',
    'page',
  ] as const);
  return quoted && pack !== 'gzip' && pack !== 'zip' ? 'none' : pack;
};

/** Writes a drive as a table in a dialect drawn at random. */
export function writeTable(truth: readonly TruthRow[], random: Random): Written {
  const canonical = random() < 0.15;
  const delimiter = canonical ? ',' : pick(random, [',', ',', ';', '\t', '|']);
  const comma = !canonical && delimiter !== ',' && random() < 0.5;
  const american = !canonical && random() < 0.2;
  const named = canonical || random() < 0.8;
  const grouped = !canonical && random() < 0.12;
  const quoted = !canonical && random() < 0.12;
  const clock = !canonical && random() < 0.25;
  const names = pick(random, NAMES);
  const units = american ? AMERICAN : UNITS;
  const channels = CHANNELS.filter((c) => c === 'ect_c' || random() < 0.8);
  const order = canonical ? channels : [...channels].sort(() => random() - 0.5);
  const decoy = !canonical && random() < 0.3 ? pick(random, DECOYS) : null;
  const decoyAt = whole(random, 0, order.length);
  const start = whole(random, 0, 80_000);

  const number = (value: number, decimals: number): string => {
    let text = value.toFixed(decimals);
    const [integer, fraction] = text.split('.') as [string, string | undefined];
    const groups = grouped ? integer.replace(/\B(?=(\d{3})+$)/g, comma ? '.' : ',') : integer;
    text = fraction === undefined ? groups : `${groups}${comma ? ',' : '.'}${fraction}`;
    return quoted || (delimiter === ',' && text.includes(',')) ? `"${text}"` : text;
  };
  const valueOf = (row: TruthRow, channel: FuzzChannel): string => {
    const value = row[channel];
    if (channel === 'ect_c' || channel === 'iat_c') return number(american ? 1.8 * value + 32 : value, 1);
    if (channel === 'speed_kmh' && american) return number(value / 1.609344, 1);
    return number(value, 0);
  };
  const timeOf = (t: number): string => {
    if (!clock) return number(t, 1);
    const s = start + t;
    const at = Math.floor(s) % 86_400;
    return `${two(Math.floor(at / 3600))}:${two(Math.floor(at / 60) % 60)}:${two(at % 60)}.${(s % 1).toFixed(1).slice(2)}`;
  };
  const header = (channel: FuzzChannel | 'time'): string => {
    if (canonical) return channel === 'time' ? 'time_s' : channel;
    const unit = channel === 'time' && clock ? '' : units[channel];
    const text = named && unit !== '' ? `${names[channel]} (${unit})` : names[channel];
    return quoted ? `"${text}"` : text;
  };
  const withDecoy = (cells: string[], cell: string): string[] => {
    if (decoy) cells.splice(decoyAt + 1, 0, cell);
    return cells;
  };
  const lines = [
    ...(random() < 0.15 && !canonical ? ['Hand logger 7', 'Drive of the morning', ''] : []),
    withDecoy([header('time'), ...order.map(header)], decoy ? `${decoy} (°C)` : '').join(delimiter),
    ...truth.map((row) =>
      withDecoy([timeOf(row.time_s), ...order.map((c) => valueOf(row, c))], number(0.6 * row.ect_c + 4, 1)).join(
        delimiter,
      ),
    ),
  ];
  return {
    lines,
    delimiter,
    pack: packing(random, quoted),
    crlf: random() < 0.3,
    bom: random() < 0.15,
    american,
    channels,
  };
}

/** Writes a drive as JSON: records, columns or one record per line. */
export function writeJson(truth: readonly TruthRow[], random: Random): Written {
  const kind = pick(random, ['records', 'columns', 'lines'] as const);
  const names = pick(random, NAMES);
  const channels = CHANNELS.filter((c) => c === 'ect_c' || random() < 0.8);
  const record = (row: TruthRow): Record<string, number> =>
    Object.fromEntries([
      [`${names.time} (s)`, row.time_s],
      ...channels.map((c) => [`${names[c]} (${UNITS[c]})`, row[c]]),
    ]);
  const records = truth.map(record);
  let lines: string[];
  if (kind === 'lines') lines = records.map((r) => JSON.stringify(r));
  else if (kind === 'records') lines = JSON.stringify(records, null, 1).split('\n');
  else {
    const keys = Object.keys(records[0]!);
    lines = JSON.stringify(Object.fromEntries(keys.map((k) => [k, records.map((r) => r[k])]))).split('\n');
  }
  return { lines, delimiter: ',', pack: 'none', crlf: false, bom: false, american: false, channels };
}

/** The bytes of a log. */
export function bytesOf({ lines, pack, crlf, bom, delimiter }: Written): Uint8Array {
  const cells = (): string[][] => lines.map((l) => l.split(delimiter));
  if (pack === 'workbook') return workbookOf(cells());
  if (pack === 'open document') return openDocumentOf(cells());
  if (pack === 'page') return pageOf(cells());
  const text = (bom ? '\uFEFF' : '') + lines.join(crlf ? '\r\n' : '\n') + (crlf ? '\r\n' : '\n');
  const bytes = strToU8(text);
  if (pack === 'gzip') return gzipSync(bytes);
  return pack === 'zip' ? zipSync({ 'log.csv': bytes }) : bytes;
}
