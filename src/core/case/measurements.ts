import type { UnitFamily } from '../base';

/** One value of a measurement: what it is, its unit, what can be true, and how well the usual instrument knows it. */
export interface ValueSpec {
  readonly label: string;
  /** Family of units; null for a bare number in `unit`. */
  readonly family: UnitFamily | null;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  /** Standard uncertainty of the usual instrument; in percent of the reading where `relative`. */
  readonly sd: number;
  readonly relative?: true;
}

const celsius = (label: string, min: number, max: number, sd: number): ValueSpec => ({
  ...{ label, min, max, sd },
  family: 'temperature',
  unit: '°C',
});
const pressure = (label: string): ValueSpec => ({ label, family: 'pressure', unit: 'kPa', min: 0, max: 300, sd: 5 });
const bare = (label: string, unit: string, min: number, max: number, sd: number): ValueSpec => ({
  ...{ label, unit, min, max, sd },
  family: null,
});
const ohms = (label: string): ValueSpec => ({
  ...{ label, family: null, unit: 'Ω', min: 1, max: 1_000_000, sd: 1 },
  relative: true,
});

const volts = (label: string): ValueSpec => ({ label, family: null, unit: 'V', min: 0, max: 60, sd: 0.1 });

/**
 * Everything that can be measured on a job, with its values. Usual instruments: control units round to a degree and are
 * trusted to about 1.5 K, workshop thermometers to 1 K, infrared on a matt housing to 3 K, a cap tester to 5 kPa, an
 * ohmmeter to 1 %: working figures, to be overwritten by what the instrument says of itself.
 */
export const MEASUREMENTS = {
  level: {
    title: 'Cold level',
    values: {
      above_mark_mm: { label: 'Above the mark', family: 'length', unit: 'mm', min: -500, max: 500, sd: 3 },
      at_c: celsius('Read at', -50, 130, 1),
      filled_to_mm: { label: 'Then filled up to', family: 'length', unit: 'mm', min: -500, max: 500, sd: 3 },
      heat_cycles: bare('Warmed through since the level before', 'times', 0, 200, 0.1),
    },
  },
  coolant: {
    title: 'Coolant',
    values: {
      freezes_c: celsius('Freezes at', -75, 1, 1.5),
      age_years: bare('In the car for', 'years', 0, 60, 0.5),
    },
  },
  cap: { title: 'Pressure cap', values: { stamped_kpa: pressure('Stamped'), releases_kpa: pressure('Releases at') } },
  soak: {
    title: 'Key on after a night',
    values: {
      stood_h: bare('Stood for', 'h', 0, 2000, 0.5),
      ect_c: celsius('Coolant', -60, 150, 1.5),
      iat_c: celsius('Intake air', -60, 80, 1.5),
      outside_c: celsius('Outside', -60, 60, 1.5),
      probe_c: celsius('Probe', -60, 80, 1),
    },
  },
  rails: {
    title: 'Sender unplugged, then bridged',
    values: {
      unplugged_c: celsius('Unplugged reads', -80, 300, 1),
      bridged_c: celsius('Bridged reads', -80, 300, 1),
    },
  },
  resistance: {
    title: 'Sender resistance',
    values: {
      cold_c: celsius('Cold, at', -50, 150, 1),
      cold_ohm: ohms('Cold'),
      warm_c: celsius('Warm, at', -50, 150, 1),
      warm_ohm: ohms('Warm'),
    },
  },
  housing: {
    title: 'Housing against scan reading, warm',
    values: { housing_c: celsius('Housing', -50, 200, 3), scan_c: celsius('Scan', -60, 200, 1.5) },
  },
  needle: {
    title: 'Gauge against scan reading, warm',
    values: { gauge_c: celsius('Gauge', -50, 200, 5), scan_c: celsius('Scan', -60, 200, 1.5) },
  },
  moment: {
    title: 'Scan, needle and reference at one moment',
    values: {
      reference_c: celsius('Reference', -50, 160, 1),
      scan_c: celsius('Scan', -60, 200, 1.5),
      gauge_c: celsius('Needle', -50, 200, 5),
    },
  },
  fan: {
    title: 'Radiator fan, commanded on',
    values: {
      supply_v: volts('At its plug'),
      running_a: { label: 'Draws', family: null, unit: 'A', min: 0, max: 150, sd: 0.3 },
      fuse_a: { label: 'Its fuse', family: null, unit: 'A', min: 1, max: 200, sd: 0.01 },
      earthDrop_v: { label: 'Lost in its earth', family: null, unit: 'V', min: 0, max: 30, sd: 0.02 },
      blown: bare('Fuse blown so far', 'times', 0, 50, 0.1),
    },
  },
  clutch: {
    title: 'Viscous fan by time',
    values: {
      roars_c: celsius('Roars from', -40, 160, 2),
      quiet_c: celsius('Quiet again at', -40, 160, 2),
      rpm: bare('At', 'rpm', 300, 8000, 50),
    },
  },
  element: {
    title: 'Heating circuit of the thermostat',
    values: {
      part_ohm: { label: 'At the part', family: null, unit: 'Ω', min: 0, max: 10_000_000, sd: 1, relative: true },
      supply_v: volts('Supply pin, key on'),
      control_v: volts('Control line, commanded'),
      wiggle_ohm: { label: 'Moved by, wiggled', family: null, unit: 'Ω', min: 0, max: 10_000_000, sd: 0.2 },
    },
  },
  hold: {
    title: 'Pressure hold, cold',
    values: {
      start_kpa: { ...pressure('Pumped to'), sd: 2 },
      end_kpa: { ...pressure('Then'), sd: 2 },
      minutes: bare('After', 'min', 0.5, 2000, 0.1),
    },
  },
  outside: { title: 'Outside air', values: { outside_c: celsius('Outside', -60, 60, 1.5) } },
} as const satisfies Readonly<
  Record<string, { readonly title: string; readonly values: Readonly<Record<string, ValueSpec>> }>
>;

/** Name of a measurement. */
export type MeasurementName = keyof typeof MEASUREMENTS;

/** True for the name of a known measurement. */
export const isMeasurement = (name: string): name is MeasurementName => Object.hasOwn(MEASUREMENTS, name);

/** The values of a measurement with their specifications. */
export const valuesOf = (name: MeasurementName): Readonly<Record<string, ValueSpec>> => MEASUREMENTS[name].values;

/** What is wrong with one value; null when nothing is. */
export function valueError(name: MeasurementName, value: string, si: number): string | null {
  const spec = valuesOf(name)[value];
  if (!spec) return `${MEASUREMENTS[name].title} has no value ${value}.`;
  if (!Number.isFinite(si)) return `${spec.label}: not understood.`;
  if (si < spec.min) return `${spec.label}: too low to be true.`;
  return si > spec.max ? `${spec.label}: too high to be true.` : null;
}

/** Standard uncertainty of one value: what was given with it, else that of the usual instrument. */
export function sdOf(
  entry: {
    readonly name: MeasurementName;
    readonly values: Readonly<Record<string, number>>;
    readonly tolerance: Readonly<Record<string, number>>;
  },
  value: string,
): number {
  const given = entry.tolerance[value];
  if (given !== undefined) return given;
  const spec = valuesOf(entry.name)[value];
  if (!spec) throw new RangeError(`sdOf: ${entry.name} has no value ${value}`);
  return spec.relative ? (spec.sd / 100) * Math.abs(entry.values[value] ?? 0) : spec.sd;
}
