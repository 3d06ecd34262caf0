import type { Cause, Vehicle } from '../../base';
import { COMMON_SENDER, readingWithFault } from '../../sender';
import { normalCdf } from '../../signal';
import { NO_TWIN_FAULT, type TwinFault } from '../../twin';

/** A severity that a cause frees: z (standard normal) to a physical value. */
export interface Severity {
  readonly name: string;
  readonly label: string;
  readonly unit: string;
  readonly toValue: (z: number) => number;
}

/**
 * One way a cause can come about: which parameters of the twin it frees or moves, and how the reading relates to the
 * sender's element. A cause with several ways has several hypotheses, each with its share.
 */
export interface Hypothesis {
  readonly cause: Cause;
  readonly variant: string;
  /** Share of this way among the ways of its cause. */
  readonly share: number;
  readonly severities: readonly Severity[];
  readonly toFault: (values: readonly number[]) => TwinFault;
  /** Reading from element temperature, in place; absent when they are the same. */
  readonly observe?: (element_c: Float64Array, values: readonly number[]) => void;
  /** Starting points of the severities, in z, from which fits begin. */
  readonly starts: readonly (readonly number[])[];
  readonly applies?: (vehicle: Vehicle) => boolean;
}

const linear = (name: string, label: string, unit: string, low: number, high: number): Severity => ({
  name,
  label,
  unit,
  toValue: (z) => low + (high - low) * normalCdf(z),
});

const logarithmic = (name: string, label: string, unit: string, low: number, high: number): Severity => ({
  name,
  label,
  unit,
  toValue: (z) => low * (high / low) ** normalCdf(z),
});

const withFault = (change: Partial<TwinFault>): TwinFault => ({ ...NO_TWIN_FAULT, ...change });
const one = [[0]] as const;
const spread = [[-1], [0.6]] as const;

function offsetReading(element_c: Float64Array, values: readonly number[]): void {
  for (let k = 0; k < element_c.length; k++) element_c[k]! += values[0]!;
}

function wiredReading(series: boolean): (element_c: Float64Array, values: readonly number[]) => void {
  return (element_c, values) => {
    const fault = { series_ohm: series ? values[0]! : 0, parallel_ohm: series ? Infinity : values[0]! };
    for (let k = 0; k < element_c.length; k++) {
      element_c[k] = readingWithFault(Math.min(160, Math.max(-50, element_c[k]!)), fault, COMMON_SENDER.curve);
    }
  };
}

const heated = (vehicle: Vehicle): boolean => vehicle.thermostat.heated;

/** The sound vehicle: no fault. Stands first. */
export const SOUND: Hypothesis = {
  cause: 'healthy',
  variant: 'sound',
  share: 1,
  severities: [],
  toFault: () => NO_TWIN_FAULT,
  starts: [[]],
};

/**
 * All hypotheses. Ranges of the severities: project notes on what each cause means (leak 0.3-1 open, 0.03-0.3
 * leaking; opening 8-45 K early, 6-40 K late; lag 20-200 s), with a margin at the ends.
 */
export const HYPOTHESES: readonly Hypothesis[] = [
  SOUND,
  {
    cause: 'thermostat-stuck-open',
    variant: 'open',
    share: 1,
    severities: [linear('leak_fraction', 'Flow past the shut valve', 'of full flow', 0.28, 1.05)],
    toFault: ([leak]) => withFault({ leak: Math.min(1, leak!) }),
    starts: spread,
  },
  {
    cause: 'thermostat-leaking',
    variant: 'leaking',
    share: 1,
    severities: [linear('leak_fraction', 'Flow past the shut valve', 'of full flow', 0.025, 0.32)],
    toFault: ([leak]) => withFault({ leak: leak! }),
    starts: spread,
  },
  {
    cause: 'thermostat-opens-early',
    variant: 'early',
    share: 0.75,
    severities: [linear('opening_shift_k', 'Opens below its rating by', 'K', -48, -6)],
    toFault: ([shift]) => withFault({ openingShift_k: shift! }),
    starts: [[-0.9], [0], [0.9]],
  },
  {
    cause: 'thermostat-opens-early',
    variant: 'spring',
    share: 0.25,
    severities: [
      linear('spring_k', 'Opens lower per 1000 rpm by', 'K', 1, 10),
      linear('opening_shift_k', 'Opens below its rating by', 'K', -25, -2),
    ],
    toFault: ([spring, shift]) => withFault({ springPerRpm_k: spring!, openingShift_k: shift! }),
    starts: [[0, 0]],
  },
  {
    cause: 'thermostat-opens-late',
    variant: 'late',
    share: 0.5,
    severities: [linear('opening_shift_k', 'Opens above its rating by', 'K', 5, 42)],
    toFault: ([shift]) => withFault({ openingShift_k: shift! }),
    starts: [[-0.9], [0.3], [1.4]],
  },
  {
    cause: 'thermostat-opens-late',
    variant: 'barely',
    share: 0.3,
    severities: [logarithmic('lift_limit', 'Opens at most', 'of full lift', 0.02, 0.25)],
    toFault: ([lift]) => withFault({ liftLimit: lift! }),
    starts: one,
  },
  {
    cause: 'thermostat-opens-late',
    variant: 'sticky',
    share: 0.2,
    severities: [linear('stick_k', 'Opens and closes late by', 'K', 4, 26)],
    toFault: ([stick]) => withFault({ stick_k: stick! }),
    starts: one,
  },
  {
    cause: 'thermostat-stuck-closed',
    variant: 'closed',
    share: 1,
    severities: [],
    toFault: () => withFault({ liftLimit: 0 }),
    starts: [[]],
  },
  {
    cause: 'thermostat-heating-fault',
    variant: 'dead',
    share: 0.55,
    severities: [],
    toFault: () => withFault({ heatingElement: 'dead' }),
    starts: [[]],
    applies: heated,
  },
  {
    cause: 'thermostat-heating-fault',
    variant: 'always-on',
    share: 0.45,
    severities: [],
    toFault: () => withFault({ heatingElement: 'always-on' }),
    starts: [[]],
    applies: heated,
  },
  {
    cause: 'sender-reads-low',
    variant: 'offset',
    share: 0.6,
    severities: [linear('offset_k', 'Sender off by', 'K', -30, -4)],
    toFault: ([offset]) => withFault({ readingOffset_k: offset! }),
    observe: offsetReading,
    starts: [[-0.6], [0.8]],
  },
  {
    cause: 'sender-reads-low',
    variant: 'series',
    share: 0.4,
    severities: [logarithmic('series_ohm', 'Resistance in the plug', 'Ω', 15, 500)],
    toFault: () => withFault({ readingOffset_k: -8 }),
    observe: wiredReading(true),
    starts: one,
  },
  {
    cause: 'sender-reads-high',
    variant: 'offset',
    share: 0.6,
    severities: [linear('offset_k', 'Sender off by', 'K', 4, 30)],
    toFault: ([offset]) => withFault({ readingOffset_k: offset! }),
    observe: offsetReading,
    starts: [[-0.8], [0.6]],
  },
  {
    cause: 'sender-reads-high',
    variant: 'parallel',
    share: 0.4,
    severities: [logarithmic('parallel_ohm', 'Leakage across the sender', 'Ω', 500, 15000)],
    toFault: () => NO_TWIN_FAULT,
    observe: wiredReading(false),
    starts: one,
  },
  {
    cause: 'sender-slow',
    variant: 'slow',
    share: 1,
    severities: [logarithmic('lag_s', 'Lag of the sender', 's', 25, 230)],
    toFault: ([lag]) => withFault({ senderLag_s: lag! }),
    starts: one,
  },
  {
    cause: 'fan-not-running',
    variant: 'dead',
    share: 1,
    severities: [],
    toFault: () => withFault({ fan: 'dead' }),
    starts: [[]],
  },
  {
    cause: 'flow-restricted',
    variant: 'pump',
    share: 0.6,
    severities: [logarithmic('pump_scale', 'Coolant flow left', 'of normal', 0.06, 0.45)],
    toFault: ([scale]) => withFault({ pumpScale: scale! }),
    starts: one,
  },
  {
    cause: 'flow-restricted',
    variant: 'radiator',
    share: 0.4,
    severities: [logarithmic('radiator_scale', 'Radiator left', 'of normal', 0.1, 0.5)],
    toFault: ([scale]) => withFault({ radiatorScale: scale! }),
    starts: one,
  },
  {
    cause: 'low-coolant-or-air',
    variant: 'air',
    share: 0.5,
    severities: [linear('air_fraction', 'Coolant missing', 'of the engine', 0.2, 1)],
    toFault: ([air]) => withFault({ air: air! }),
    starts: one,
  },
  {
    cause: 'low-coolant-or-air',
    variant: 'air-lag',
    share: 0.5,
    severities: [
      linear('air_fraction', 'Coolant missing', 'of the engine', 0.2, 1),
      logarithmic('lag_s', 'Lag of the sender in air', 's', 10, 150),
    ],
    toFault: ([air, lag]) => withFault({ air: air!, senderLag_s: lag! }),
    starts: [[0, 0]],
  },
  {
    cause: 'fan-always-on',
    variant: 'on',
    share: 1,
    severities: [],
    toFault: () => withFault({ fan: 'always-on' }),
    starts: [[]],
  },
];
