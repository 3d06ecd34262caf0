/** What a stored freeze frame holds, as far as it could be read; °C, km/h, rpm, %, s. */
export interface FreezeFrame {
  readonly coolant_c: number | null;
  readonly intake_c: number | null;
  readonly speed_kmh: number | null;
  readonly rpm: number | null;
  readonly load_pct: number | null;
  /** Time since the engine started. */
  readonly run_s: number | null;
}

const NUMBER = '(-?\\d+(?:[.,]\\d+)?)';
const numberOf = (text: string): number => Number(text.replace(',', '.'));

/** A number that follows one of the words, with the unit after it; null when none does. */
function after(text: string, words: string, units: string): { value: number; unit: string } | null {
  const found = new RegExp(`(?:${words})[^\\d\\n;,-]{0,24}${NUMBER}\\s*(${units})?`, 'i').exec(text);
  return found ? { value: numberOf(found[1]!), unit: (found[2] ?? '').toLowerCase() } : null;
}

const celsius = (q: { value: number; unit: string } | null): number | null =>
  q && (q.unit.includes('f') ? (q.value - 32) / 1.8 : q.value);

/**
 * Reads a freeze frame as people write it down ("coolant 62 C, 1800 rpm, 64 km/h, load 35 %, run time 412 s"); what is
 * not there is null. Null when nothing at all could be read.
 */
export function readFrame(text: string): FreezeFrame | null {
  const speed =
    after(text, '(?<!engine )speed|vss', 'km/?h|kph|mph') ??
    (() => {
      const found = new RegExp(`${NUMBER}\\s*(km/?h|kph|mph)`, 'i').exec(text);
      return found ? { value: numberOf(found[1]!), unit: found[2]!.toLowerCase() } : null;
    })();
  const turns = new RegExp(`${NUMBER}\\s*(?:rpm|1/min)`, 'i').exec(text);
  const rpm = turns ? numberOf(turns[1]!) : (after(text, 'rpm|engine speed', '1/min')?.value ?? null);
  const run = after(text, 'run ?time|since start|run', 'min(?:utes)?|s(?:ec)?(?:onds)?|h');
  const frame: FreezeFrame = {
    coolant_c: celsius(after(text, 'coolant|ect|engine temp', '°? ?[CF]\\b')),
    intake_c: celsius(after(text, 'intake|iat', '°? ?[CF]\\b')),
    speed_kmh: speed && (speed.unit === 'mph' ? speed.value * 1.609344 : speed.value),
    rpm,
    load_pct: after(text, 'load', '%')?.value ?? null,
    run_s: run && (run.unit.startsWith('min') ? run.value * 60 : run.unit === 'h' ? run.value * 3600 : run.value),
  };
  return Object.values(frame).some((v) => v !== null) ? frame : null;
}

/** The moment of a drive that is most like a freeze frame. */
export interface FrameFit {
  readonly at_s: number;
  /** True when everything that both hold agrees within its tolerance. */
  readonly fits: boolean;
  /** What differs there: the frame's value against the drive's. */
  readonly differs: readonly {
    readonly what: string;
    readonly frame: number;
    readonly drive: number;
    readonly unit: string;
  }[];
  /** Quantities that both hold. */
  readonly compared: number;
}

/** Columns of a drive that a frame can be held against; null where not logged. */
export interface FrameDrive {
  readonly time_s: Float64Array;
  readonly reading_c: Float64Array;
  readonly intake_c: Float64Array | null;
  readonly speed_kmh: Float64Array | null;
  readonly rpm: Float64Array | null;
  readonly load_pct: Float64Array | null;
}

/**
 * How near is near: a frame is frozen a second or two after the moment, and another drive is another day. Working
 * figures.
 */
const TOLERANCE = { coolant_c: 3, intake_c: 8, speed_kmh: 8, rpm: 250, load_pct: 15, run_s: 45 } as const;
const NAMES = {
  coolant_c: ['coolant', '°C'],
  intake_c: ['intake air', '°C'],
  speed_kmh: ['road speed', 'km/h'],
  rpm: ['engine speed', 'rpm'],
  load_pct: ['load', '%'],
  run_s: ['time since start', 's'],
} as const;

/** Where a frame fits a drive best; null when they share no quantity or the drive holds no reading. */
export function frameFit(frame: FreezeFrame, drive: FrameDrive): FrameFit | null {
  const columns = {
    ...{ coolant_c: drive.reading_c, intake_c: drive.intake_c, speed_kmh: drive.speed_kmh },
    ...{ rpm: drive.rpm, load_pct: drive.load_pct, run_s: drive.time_s },
  };
  const shared = (Object.keys(TOLERANCE) as (keyof typeof TOLERANCE)[]).filter(
    (k) => frame[k] !== null && columns[k] !== null,
  );
  if (shared.length === 0) return null;
  let best = -1;
  let least = Infinity;
  for (let i = 0; i < drive.time_s.length; i++) {
    let sum = 0;
    for (const k of shared) {
      const v = columns[k]![i]!;
      sum += Number.isFinite(v) ? ((v - frame[k]!) / TOLERANCE[k]) ** 2 : Infinity;
    }
    if (sum < least) {
      least = sum;
      best = i;
    }
  }
  if (best < 0) return null;
  const differs = shared
    .filter((k) => Math.abs(columns[k]![best]! - frame[k]!) > TOLERANCE[k])
    .map((k) => ({ what: NAMES[k][0], unit: NAMES[k][1], frame: frame[k]!, drive: columns[k]![best]! }));
  return { at_s: drive.time_s[best]!, fits: differs.length === 0, differs, compared: shared.length };
}
