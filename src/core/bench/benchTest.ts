import { array, boolean, mixed, number, object, string } from 'yup';
import { GLYCOLS, type Glycol } from '../coolant';
import { USUAL_CIRCUIT, type CurveSpec, type ReadingCircuit } from '../sender';
import { USUAL_GAUGE, type GaugeScale } from './gauge';
import { USUAL_TOLERANCE, type SenderReading, type SenderValue } from './sender/reading';
import { USUAL_THERMOMETER_SD_K } from './thermostat/types';
import { VALVE_STATES, type ValveState, type WaterReading } from './thermostat/reading';

/** A sender measured at known temperatures. */
export interface SenderBench {
  readonly of: 'sender';
  readonly which: 'engine' | 'gauge';
  readonly curve: CurveSpec;
  readonly circuit: ReadingCircuit | null;
  readonly readings: readonly SenderReading[];
  readonly gauge: GaugeScale;
}

/** A thermostat in heated water, and what was looked at cold. */
export interface ThermostatBench {
  readonly of: 'thermostat';
  readonly rated_c: number;
  readonly fullOpen_c: number | null;
  readonly readings: readonly WaterReading[];
  readonly thermometerSd_k: number;
  readonly altitude_m: number;
  readonly lightWhenCold: boolean | null;
  /** Deposits on the stem, a worn seal, a spring weaker than the new part's, a vent that sticks. */
  readonly deposits: boolean | null;
  readonly sealDamaged: boolean | null;
  readonly springWeak: boolean | null;
  readonly ventStuck: boolean | null;
  /** Cleaned before this test. */
  readonly cleaned: boolean;
}

/** A recording made while plug and wire were moved. */
export interface WiggleBench {
  readonly of: 'wiggle';
  readonly fileName: string;
  readonly unit: '°C' | 'Ω' | 'V';
  readonly samples: number;
  readonly length_s: number;
  readonly scatter: number;
  readonly dropped: number;
  readonly leaps: readonly { readonly at_s: number; readonly from: number; readonly to: number }[];
}

/** A refractometer reading, with what it was read on and what is in the car. */
export interface MixBench {
  readonly of: 'mix';
  readonly glycol: Glycol;
  readonly scale: Glycol;
  readonly reads_c: number;
}

/** Readings of one bench test; what follows from them is worked out anew each time. */
export type BenchTest = SenderBench | ThermostatBench | WiggleBench | MixBench;

const finite = () => number().required().test('finite', '${path} must be a number', Number.isFinite);
const orNull = () => number().nullable().default(null);
const yesNo = () => boolean().nullable().default(null);

const pair = () =>
  mixed<readonly [number, number]>()
    .test(
      'pair',
      '${path} must be a temperature and a resistance',
      (v) => Array.isArray(v) && v.length === 2 && v.every(Number.isFinite),
    )
    .required();

const curveSchema = object({
  kind: mixed<CurveSpec['kind']>().oneOf(['family', 'points', 'table', 'beta']).required(),
  family: string().max(100),
  points: array(pair()).max(500).default(undefined),
  ohm: number(),
  at_c: number(),
  beta_k: number(),
});

const circuitSchema = object({
  reference_v: finite().moreThan(0).max(30),
  pullUp_ohm: finite().moreThan(0).max(1e7),
  second: object({ pullUp_ohm: finite().moreThan(0), from_c: finite() })
    .nullable()
    .default(null),
  bits: number().integer().min(4).max(24).nullable().default(null),
});

const SCHEMAS = {
  sender: object({
    of: mixed<'sender'>().oneOf(['sender']).required(),
    which: mixed<SenderBench['which']>().oneOf(['engine', 'gauge']).default('engine'),
    curve: curveSchema.required(),
    circuit: circuitSchema.nullable().default(null),
    readings: array(
      object({
        true_c: finite(),
        trueSd_k: finite().moreThan(0),
        of: mixed<SenderValue>().oneOf(['ohm', 'volt', 'shown_c']).required(),
        value: finite(),
        sd_pct: finite().moreThan(0),
      }),
    )
      .max(500)
      .default([]),
    gauge: object({ cold_c: finite(), from_c: finite(), to_c: finite(), red_c: finite() }).default(USUAL_GAUGE),
  }),
  thermostat: object({
    of: mixed<'thermostat'>().oneOf(['thermostat']).required(),
    rated_c: finite().min(40).max(130),
    fullOpen_c: orNull(),
    readings: array(
      object({
        t_s: finite(),
        water_c: orNull(),
        lift_mm: orNull(),
        state: mixed<ValveState>()
          .oneOf([...VALVE_STATES])
          .nullable()
          .default(null),
      }),
    )
      .max(36_000)
      .default([]),
    thermometerSd_k: number().moreThan(0).max(20).default(USUAL_THERMOMETER_SD_K),
    altitude_m: number().min(-400).max(6000).default(0),
    lightWhenCold: yesNo(),
    deposits: yesNo(),
    sealDamaged: yesNo(),
    springWeak: yesNo(),
    ventStuck: yesNo(),
    cleaned: boolean().default(false),
  }),
  wiggle: object({
    of: mixed<'wiggle'>().oneOf(['wiggle']).required(),
    fileName: string().max(1000).default(''),
    unit: mixed<WiggleBench['unit']>().oneOf(['°C', 'Ω', 'V']).required(),
    samples: finite(),
    length_s: finite(),
    scatter: finite(),
    dropped: finite(),
    leaps: array(object({ at_s: finite(), from: finite(), to: finite() }))
      .max(100_000)
      .default([]),
  }),
  mix: object({
    of: mixed<'mix'>().oneOf(['mix']).required(),
    glycol: mixed<Glycol>()
      .oneOf([...GLYCOLS])
      .required(),
    scale: mixed<Glycol>()
      .oneOf([...GLYCOLS])
      .required(),
    reads_c: finite().min(-75).max(1),
  }),
} as const;

/** The shape of a bench test of a kind; null for one that this version does not know. */
export const benchTestSchema = (of: unknown) =>
  typeof of === 'string' && Object.hasOwn(SCHEMAS, of) ? SCHEMAS[of as BenchTest['of']] : null;

/** A sender test before anything was measured. */
export const newSenderBench = (
  which: SenderBench['which'],
  points: readonly (readonly [number, number])[],
): SenderBench => ({
  of: 'sender',
  which,
  curve:
    points.length >= 3
      ? { kind: 'points', points }
      : { kind: 'family', family: which === 'engine' ? 'generic-2k5' : 'generic-gauge-hundreds' },
  circuit: USUAL_CIRCUIT,
  readings: [],
  gauge: USUAL_GAUGE,
});

/** A thermostat test before anything was seen. */
export const newThermostatBench = (
  rated_c: number,
  fullOpen_c: number | null,
  altitude_m: number,
): ThermostatBench => ({
  of: 'thermostat',
  ...{ rated_c, fullOpen_c, altitude_m },
  readings: [],
  thermometerSd_k: USUAL_THERMOMETER_SD_K,
  ...{ lightWhenCold: null, deposits: null, sealDamaged: null, springWeak: null, ventStuck: null },
  cleaned: false,
});

/** Readings with the tolerances of the usual instruments where none is given. */
export const readingsOf = (
  given: readonly (Pick<SenderReading, 'true_c' | 'of' | 'value'> & Partial<SenderReading>)[],
): SenderReading[] => given.map((r) => ({ ...USUAL_TOLERANCE, ...r }));
