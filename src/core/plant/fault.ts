import type { Cause, Vehicle } from '../base';
import type { Random } from './random';

/** What is wrong with a simulated vehicle, in physical terms. */
export interface PlantFault {
  readonly cause: Cause;
  /** Share of full radiator flow that passes a shut thermostat. */
  readonly leakFraction: number;
  /** Growth of that share per 1000 rpm: a seal that is pressed open. */
  readonly leakPerRpm: number;
  readonly openingShift_k: number;
  /** How much lower a weak spring opens per 1000 rpm of the pump, K. */
  readonly springPerRpm_k: number;
  /** Friction of a sticking stem: it opens and closes this much late, K. */
  readonly stick_k: number;
  /** Factor on the opening span: tired wax. */
  readonly spanScale: number;
  /** Largest lift the valve reaches, share of full. */
  readonly liftLimit: number;
  readonly heatingElement: 'works' | 'dead' | 'always-on';
  readonly senderOffset_k: number;
  readonly senderSeries_ohm: number;
  readonly senderParallel_ohm: number;
  /** Drift that grows with temperature: share of the reading above 20 °C. */
  readonly senderDrift: number;
  /** Share of the engine's course that the reading still follows; 1 when alive. */
  readonly senderGain: number;
  /** Level around which such a reading stays, °C. */
  readonly senderRest_c: number;
  readonly senderLag_s: number;
  /** Drop-outs per minute. */
  readonly dropoutsPerMin: number;
  /** What a drop-out shows: either, a bad contact, an open or a shorted wire. */
  readonly dropoutKind: 'any' | 'contact' | 'open' | 'short';
  /** Frozen from this time on, s; Infinity when alive. */
  readonly frozenFrom_s: number;
  readonly frozenAt_c: number | null;
  readonly gaugeOffset_k: number;
  readonly gaugeSeries_ohm: number;
  readonly gaugeFrozen: boolean;
  readonly fan: 'works' | 'dead' | 'always-on';
  readonly pumpScale: number;
  readonly radiatorScale: number;
  /** Air side of the radiator left, and flow through a clogged core, share. */
  readonly airSideScale: number;
  readonly coreFlowScale: number;
  /** Share of the engine's coolant that is missing or replaced by air. */
  readonly airFraction: number;
}

/** A sound vehicle. */
export const NO_FAULT: PlantFault = {
  cause: 'healthy',
  leakFraction: 0,
  leakPerRpm: 0,
  openingShift_k: 0,
  springPerRpm_k: 0,
  stick_k: 0,
  spanScale: 1,
  liftLimit: 1,
  heatingElement: 'works',
  senderOffset_k: 0,
  senderSeries_ohm: 0,
  senderParallel_ohm: Infinity,
  senderDrift: 0,
  senderGain: 1,
  senderRest_c: 0,
  senderLag_s: 0,
  dropoutsPerMin: 0,
  dropoutKind: 'any',
  frozenFrom_s: Infinity,
  frozenAt_c: null,
  gaugeOffset_k: 0,
  gaugeSeries_ohm: 0,
  gaugeFrozen: false,
  fan: 'works',
  pumpScale: 1,
  radiatorScale: 1,
  airSideScale: 1,
  coreFlowScale: 1,
  airFraction: 0,
};

type Draw = (random: Random, vehicle: Vehicle) => Partial<PlantFault>;

const lowSender: Draw = (r) =>
  r.chance(0.6) ? { senderOffset_k: -r.uniform(5, 28) } : { senderSeries_ohm: r.spread(90, 0.6) };
const highSender: Draw = (r) =>
  r.chance(0.6) ? { senderOffset_k: r.uniform(5, 28) } : { senderParallel_ohm: r.spread(2500, 0.6) };

/** How each cause is drawn. Ranges follow the meanings of the causes; severities run from mild to gross. */
const DRAWS: Readonly<Record<Cause, Draw>> = {
  healthy: () => ({}),
  'insufficient-heat': () => ({}),
  'thermostat-stuck-open': (r) => ({ leakFraction: r.uniform(0.3, 1) }),
  'thermostat-leaking': (r) => ({ leakFraction: 0.03 * 10 ** r.uniform(0, 1) }),
  'thermostat-opens-early': (r) => ({ openingShift_k: -r.uniform(8, 45) }),
  'thermostat-opens-late': (r) =>
    r.chance(0.7) ? { openingShift_k: r.uniform(6, 40) } : { liftLimit: r.uniform(0.03, 0.2) },
  'thermostat-stuck-closed': () => ({ liftLimit: 0 }),
  'thermostat-heating-fault': (r) => ({ heatingElement: r.chance(0.5) ? 'dead' : 'always-on' }),
  'sender-reads-low': lowSender,
  'sender-reads-high': highSender,
  'sender-slow': (r) => ({ senderLag_s: 20 * 10 ** r.uniform(0, 1) }),
  'sender-intermittent': (r) => ({ dropoutsPerMin: r.spread(1.2, 0.7) }),
  'sender-stuck': (r) => ({
    frozenFrom_s: r.chance(0.5) ? 0 : r.uniform(60, 400),
    frozenAt_c: r.chance(0.3) ? r.uniform(20, 85) : null,
  }),
  'gauge-sender-fault': (r) =>
    r.chance(0.6)
      ? { gaugeOffset_k: r.uniform(8, 30) * (r.chance(0.6) ? -1 : 1) }
      : { gaugeSeries_ohm: r.spread(130, 0.5) },
  'fan-not-running': () => ({ fan: 'dead' }),
  'flow-restricted': (r) =>
    r.chance(0.6) ? { pumpScale: r.uniform(0.08, 0.35) } : { radiatorScale: r.uniform(0.12, 0.4) },
  'low-coolant-or-air': (r) => ({ airFraction: r.uniform(0.3, 0.9) }),
  'fan-always-on': () => ({ fan: 'always-on' }),
};

/** Draws a fault of a given cause. `insufficient-heat` is a sound vehicle: the drive makes it. */
export function drawFault(cause: Cause, random: Random, vehicle: Vehicle): PlantFault {
  return { ...NO_FAULT, cause, ...DRAWS[cause](random, vehicle) };
}
