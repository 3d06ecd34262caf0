import type { Trace, Vehicle } from '../base';
import { monitorInput, prepareDrive, type DriveKnowledge, type Finding } from '../judge';
import { runMonitors, type CodeResult, type MonitorSettings } from '../monitor';
import { COMMON_SENDER, readingWithFault } from '../sender';
import { resample } from '../signal';
import {
  NO_TWIN_FAULT,
  simulateTwin,
  SOUND_WIRING,
  STEPS_PER_BIN,
  twinPrior,
  twinTruth,
  twinWorkspace,
  type SenderWiring,
  type TwinFault,
  type TwinInputs,
  type TwinParameters,
} from '../twin';

/** What can be changed on a drive. */
export interface WhatIf {
  /** Stamp on the part that is fitted, °C. */
  readonly rated_c: number;
  /** Flow past the shut valve, share of full. */
  readonly leak: number;
  /** Opening above (below) its stamp, K. */
  readonly opening_k: number;
  readonly offset_k: number;
  readonly series_ohm: number;
  readonly outside_c: number;
  /** Cabin blower over the whole drive, %; null as it was. */
  readonly heater_pct: number | null;
  /** Share of the radiator's face that is covered, %. */
  readonly cover_pct: number;
  readonly altitude_m: number;
}

/** What the models make of a changed drive. Arrays have one entry per bin. */
export interface WhatIfRun {
  readonly time_s: Float64Array;
  readonly reading_c: Float64Array;
  readonly coolant_c: Float64Array;
  readonly lift: Float64Array;
  readonly outlet_c: Float64Array;
}

/** A drive made ready to be run again, changed. */
export interface WhatIfDrive {
  /** As the best fit has it: running it gives the fitted curve. */
  readonly asFitted: WhatIf;
  /** The same vehicle with nothing broken. */
  readonly sound: WhatIf;
  readonly run: (change: WhatIf) => WhatIfRun;
  /**
   * Whether the slow warm-up code would set on the changed drive; the control unit knows the rating by the papers. Begun
   * from the drive as fitted, nothing changed is the drive itself; begun from a sound car it never is, as a fault that no
   * slider has (a frozen sender) is gone too.
   */
  readonly warmUpCode: (change: WhatIf, settings: MonitorSettings, from?: 'asFitted' | 'sound') => CodeResult;
}

/** Effect of a blower step on the heater: the twin's own law (`twin/inputs`). */
const blowerEffect = (pct: number): number => 0.07 + 0.93 * (Math.max(0, pct) / 100) ** 0.7;
/** Height over which the air thins by a factor e, m, and how heat through a radiator follows the air's density. */
const SCALE_HEIGHT_M = 8400;
const DENSITY_EXPONENT = 0.6;
/** A full cover still lets some air past, share. */
const PAST_COVER = 0.06;

const isSame = (a: WhatIf, b: WhatIf): boolean =>
  (Object.keys(WHAT_IF_RANGES) as (keyof WhatIf)[]).every((key) => a[key] === b[key]);

/** The sliders' ranges: what is met on cars and roads. */
export const WHAT_IF_RANGES = {
  rated_c: [65, 110],
  leak: [0, 1],
  opening_k: [-45, 45],
  offset_k: [-30, 30],
  series_ohm: [0, 500],
  outside_c: [-30, 45],
  heater_pct: [0, 100],
  cover_pct: [0, 100],
  altitude_m: [0, 4000],
} as const satisfies Record<keyof WhatIf, readonly [number, number]>;

function read(element_c: Float64Array, wiring: SenderWiring): Float64Array {
  const wired = wiring.series_ohm > 0 || Number.isFinite(wiring.parallel_ohm);
  return element_c.map((t) => {
    const at = wired ? readingWithFault(Math.min(160, Math.max(-50, t)), wiring, COMMON_SENDER.curve) : t;
    return at + wiring.offset_k;
  });
}

/**
 * Makes a judged drive ready to be run again with something changed: the fitted vehicle on the same road.
 *
 * @param trace the judged trace, at least two rows
 */
export function prepareWhatIf(
  trace: Trace,
  vehicle: Vehicle,
  finding: Pick<Finding, 'inner' | 'curves'>,
  known: DriveKnowledge = {},
): WhatIfDrive {
  const { findings, inputs, problem } = prepareDrive(trace, vehicle, known);
  const prior = twinPrior(inputs, known.memory ?? null);
  const workspace = twinWorkspace(inputs);
  const { parameters, knots, fault, wiring } = finding.inner;
  const base: WhatIf = {
    rated_c: vehicle.thermostat.rated_c,
    leak: 0,
    opening_k: 0,
    offset_k: 0,
    series_ohm: 0,
    outside_c: parameters.ambient,
    heater_pct: null,
    cover_pct: 0,
    altitude_m: 0,
  };
  const asFitted: WhatIf = {
    ...base,
    leak: fault.leak,
    opening_k: fault.openingShift_k,
    offset_k: wiring.offset_k,
    series_ohm: wiring.series_ohm,
  };
  const time_s = Float64Array.from({ length: inputs.bins }, (_, k) => (k + 0.5) * inputs.step_s * STEPS_PER_BIN);

  /** Everything else that the fit found (fan, pump, air) stays, unless nothing is to be broken. */
  const runWith = (change: WhatIf, rest: TwinFault, by: SenderWiring): WhatIfRun => {
    const { heater_pct } = change;
    const blower = heater_pct === null ? inputs.blower : inputs.blower.map(() => blowerEffect(heater_pct));
    // What a person sets on the heater is a setting: a guess of its use gives way to it.
    const heaterUse = heater_pct === null || inputs.heaterLogged ? parameters.heater : Math.max(parameters.heater, 0.1);
    const changed: TwinInputs = { ...inputs, blower };
    const p: TwinParameters = {
      ...parameters,
      ambient: change.outside_c,
      opening: parameters.opening + (change.rated_c - vehicle.thermostat.rated_c),
      heater: heaterUse,
      senderOffset: 0,
    };
    const uncovered = PAST_COVER + (1 - PAST_COVER) * (1 - change.cover_pct / 100);
    const air = Math.exp((-change.altitude_m / SCALE_HEIGHT_M) * DENSITY_EXPONENT);
    const broken: TwinFault = {
      ...rest,
      leak: change.leak,
      openingShift_k: change.opening_k,
      readingOffset_k: change.offset_k,
      radiatorScale: rest.radiatorScale * uncovered * air,
    };
    const truth = twinTruth(changed);
    const element = Float64Array.from(simulateTwin(changed, prior, p, knots, broken, workspace, truth));
    const reading_c = read(element, { ...by, offset_k: change.offset_k, series_ohm: change.series_ohm });
    for (let k = 0; k < reading_c.length; k++) reading_c[k]! += parameters.senderOffset;
    return { time_s, reading_c, coolant_c: truth.coolant_c, lift: truth.lift, outlet_c: truth.radiator_c };
  };
  const asDriven = monitorInput({ trace, findings, problem, expected_c: finding.curves.healthyLow_c });
  const run = (change: WhatIf): WhatIfRun => runWith(change, fault, wiring);
  return {
    asFitted,
    sound: base,
    run,
    warmUpCode: (change, settings, from = 'asFitted') => {
      // Nothing changed is the drive itself, and has its own answer; what is changed is the curve that is drawn.
      if (from === 'asFitted' && isSame(change, asFitted)) return runMonitors(asDriven, settings)[0]!;
      const onDrive = (values: Float64Array) => resample(time_s, values, asDriven.time_s);
      const soundAt = (outside_c: number) => runWith({ ...base, outside_c }, NO_TWIN_FAULT, SOUND_WIRING).reading_c;
      const outside_k = change.outside_c - base.outside_c;
      const before = soundAt(base.outside_c);
      const expected_k = onDrive(soundAt(change.outside_c).map((v, i) => v - before[i]!));
      const reading_c = onDrive(run(change).reading_c);
      return runMonitors(
        {
          ...asDriven,
          reading_c,
          expected_c: asDriven.expected_c.map((v, i) => v + expected_k[i]!),
          start_c: reading_c[0]!,
          intake_c: asDriven.intake_c === null ? change.outside_c : asDriven.intake_c + outside_k,
          ambient_c: asDriven.ambient_c === null ? null : asDriven.ambient_c + outside_k,
        },
        settings,
      )[0]!;
    },
  };
}
