import { quantileSorted } from 'd3-array';
import type { Trace, Vehicle } from '../base';
import {
  driveSeries,
  FEATURES,
  findBend,
  findPhases,
  isTold,
  measureFeatures,
  smoothed,
  type DriveMark,
  type DrivePhases,
  type DriveSeries,
  type FeatureDrive,
  type FeatureName,
  type FeatureSpec,
  type Smoothed,
  type Told,
} from '../drive';
import {
  opensAt_s,
  prepareDrive,
  regulates_c,
  soundDrives,
  type DrawnDrive,
  type DriveKnowledge,
  type Opening,
  type PreparedDrive,
} from '../judge';
import { resample } from '../signal';
import type { HeatSource } from '../twin';

/** What a drive is looked at with beside the trace. */
export interface LookOptions extends DriveKnowledge {
  /** When the valve opens by the judgement of this drive; null when it was not judged. */
  readonly opening: Opening | null;
  /** Distance of the code threshold below the rating, K. */
  readonly belowRating_k: number;
  /** Temperature above which a drive must stop, °C. */
  readonly limit_c: number;
  readonly marks?: readonly DriveMark[];
}

/** One figure of a drive beside what a sound vehicle would have shown. */
export interface FeatureRow {
  readonly name: FeatureName;
  readonly label: string;
  readonly unit: FeatureSpec['unit'];
  /** Null where it could not be told: `why` says the reason. */
  readonly told: Told | null;
  readonly why: string;
  /** 10th and 90th percentile of sound vehicles on this drive; null where they would not show it either. */
  readonly expected: readonly [low: number, high: number] | null;
}

/** A drive measured: on one grid, cut into phases, with its figures. */
export interface DriveLook {
  readonly series: DriveSeries;
  readonly smooth: Smoothed;
  readonly phases: DrivePhases;
  readonly features: readonly FeatureRow[];
  readonly heatSource: HeatSource;
  readonly threshold_c: number;
  readonly outside_c: number | null;
}

/** Sound vehicles drawn for the expectations. */
const DRAWS = 24;
/** Relative uncertainty of the fuel power by what it was estimated from: air flow meters to a few percent, guesses wide. */
const FUEL_SD: Readonly<Record<HeatSource, number>> = {
  'air-flow': 0.06,
  load: 0.12,
  'road-load': 0.2,
  'engine-speed': 0.3,
  unknown: 1,
};
/** Scatter of fan switches between cars of a kind, K (plant and twin: 1 to 1.5). */
const FAN_SCATTER_K = 2;
/** Figures that a drawn drive does not show: what it would be is not modelled, or follows what was logged. */
const NOT_DRAWN: readonly FeatureName[] = ['fan-on', 'fan-off', 'fan-cycles', 'fan-fall', 'heater-effectiveness'];

/** What each figure is read from, before its bend is looked for. */
function featureDrive(prepared: PreparedDrive, vehicle: Vehicle, options: LookOptions): FeatureDrive {
  const { masked, inputs } = prepared;
  const series = driveSeries(masked, inputs);
  const smooth = smoothed(series);
  const bend = findBend(series, smooth, options.opening);
  const opens_c = regulates_c(vehicle);
  const outside_c = inputs.ambientSd_k <= 5 ? inputs.ambientGuess_c : null;
  return {
    ...{ series, smooth, vehicle, opens_c, bend, outside_c },
    phases: findPhases(series, smooth, vehicle, inputs.heatSource, opensFrom(bend.found?.at_s ?? null, options)),
    threshold_c: opens_c - options.belowRating_k,
    limit_c: options.limit_c,
    fuelSd: FUEL_SD[inputs.heatSource],
    marks: options.marks ?? [],
  };
}

/** When it opens for the phases: the bend, else where the models have it. */
const opensFrom = (bend_s: number | null, { opening }: LookOptions): number | null =>
  bend_s ?? (opening && opening.share >= 0.5 ? opening.at_s : null);

/** The same drive with a drawn sound vehicle's reading. */
function drawnFeatureDrive(drive: FeatureDrive, drawn: DrawnDrive, prepared: PreparedDrive): FeatureDrive {
  const { bin_s } = prepared.problem;
  const middles = Float64Array.from(drawn.reading_c, (_, k) => (k + 0.5) * bin_s);
  const reading_c = resample(middles, drawn.reading_c, drive.series.time_s);
  const series = { ...drive.series, reading_c };
  const smooth = smoothed(series);
  const at_s = opensAt_s(drawn.lift, bin_s);
  const found =
    at_s === null
      ? null
      : {
          at_s,
          atSd_s: 0,
          reading_c: reading_c[Math.min(reading_c.length - 1, Math.round(at_s))]!,
          readingSd_k: 0,
        };
  const phases = findPhases(series, smooth, drive.vehicle, prepared.inputs.heatSource, at_s);
  return { ...drive, series, smooth, phases, bend: { found, why: 'A sound vehicle would not open on this drive.' } };
}

/** Percentiles of a figure over drawn vehicles; null where less than half of them show it. */
function percentiles(values: readonly (Told | null)[]): readonly [number, number] | null {
  const told = values.flatMap((v) => (v ? [v.value] : [])).sort((a, b) => a - b);
  if (told.length < values.length / 2) return null;
  return [quantileSorted(told, 0.1)!, quantileSorted(told, 0.9)!];
}

function expectations(
  drive: FeatureDrive,
  prepared: PreparedDrive,
): Readonly<Partial<Record<FeatureName, readonly [number, number] | null>>> {
  const runs = soundDrives(prepared, DRAWS).map((d) => measureFeatures(drawnFeatureDrive(drive, d, prepared)));
  const { fan } = drive.vehicle;
  const switching = (at_c: number | null) =>
    at_c === null ? null : ([at_c - FAN_SCATTER_K, at_c + FAN_SCATTER_K] as const);
  const drawn = FEATURES.filter((f) => !NOT_DRAWN.includes(f.name)).map(({ name }) => [
    name,
    percentiles(runs.map((r) => (isTold(r[name]) ? r[name] : null))),
  ]);
  return {
    ...(Object.fromEntries(drawn) as Partial<Record<FeatureName, readonly [number, number] | null>>),
    'fan-on': switching(fan.on_c),
    'fan-off': switching(fan.off_c),
  };
}

/**
 * Measures a drive: phases, and every figure with its uncertainty, its place and what a sound vehicle of the kind would
 * have shown on this very drive.
 *
 * @param trace at least two rows
 */
export function lookAtDrive(trace: Trace, vehicle: Vehicle, options: LookOptions): DriveLook {
  const prepared = prepareDrive(trace, vehicle, options);
  const drive = featureDrive(prepared, vehicle, options);
  const expected = expectations(drive, prepared);
  const told = measureFeatures(drive);
  const features = FEATURES.map(({ name, label, unit }): FeatureRow => {
    const one = told[name];
    return {
      ...{ name, label, unit, expected: expected[name] ?? null },
      told: isTold(one) ? one : null,
      why: isTold(one) ? '' : one.why,
    };
  });
  const { series, smooth, phases, threshold_c, outside_c } = drive;
  return { series, smooth, phases, features, heatSource: prepared.inputs.heatSource, threshold_c, outside_c };
}
