import type { Cause, Vehicle } from '../../base';
import { NO_FAULT, type PlantFault } from '../fault';
import type { Random } from '../random';

/** A way in which a cause comes about: how it changes the car, and how often among the ways of its cause. */
interface FaultWay {
  readonly way: string;
  readonly share: number;
  readonly draw: (random: Random, vehicle: Vehicle) => Partial<PlantFault>;
}

const plain = (draw: FaultWay['draw']): FaultWay[] => [{ way: 'plain', share: 1, draw }];
const NONE: readonly FaultWay[] = plain(() => ({}));

/**
 * The ways of each cause, see docs/causes.md: severities from mild to gross. Shares are working figures; a garage meets
 * all of them.
 */
export const FAULT_WAYS: Readonly<Record<Cause, readonly FaultWay[]>> = {
  healthy: NONE,
  'insufficient-heat': NONE,
  'thermostat-stuck-open': plain((r) => ({ leakFraction: r.uniform(0.3, 1) })),
  'thermostat-leaking': [
    {
      way: 'seal',
      share: 0.35,
      draw: (r) => ({ leakFraction: 0.03 * 10 ** r.uniform(0, 1), leakPerRpm: r.uniform(0.1, 0.5) }),
    },
    { way: 'debris', share: 0.35, draw: (r) => ({ leakFraction: r.uniform(0.05, 0.32) }) },
    { way: 'vent', share: 0.3, draw: (r) => ({ leakFraction: 0.025 * 6 ** r.uniform(0, 1) }) },
  ],
  'thermostat-opens-early': [
    { way: 'tired-wax', share: 0.45, draw: (r) => ({ openingShift_k: -r.uniform(7, 30), spanScale: r.uniform(1, 2) }) },
    {
      way: 'weak-spring',
      share: 0.3,
      draw: (r) => ({ openingShift_k: -r.uniform(4, 20), springPerRpm_k: r.uniform(2, 9) }),
    },
    { way: 'wrong-part', share: 0.25, draw: (r) => ({ openingShift_k: -r.pick([8, 10, 12, 17, 22, 28]) }) },
  ],
  'thermostat-opens-late': [
    { way: 'shifted', share: 0.45, draw: (r) => ({ openingShift_k: r.uniform(6, 38) }) },
    { way: 'barely', share: 0.3, draw: (r) => ({ liftLimit: r.uniform(0.03, 0.2) }) },
    { way: 'sticky', share: 0.25, draw: (r) => ({ stick_k: r.uniform(6, 25) }) },
  ],
  'thermostat-stuck-closed': plain(() => ({ liftLimit: 0 })),
  'thermostat-heating-fault': [
    { way: 'dead', share: 0.4, draw: () => ({ heatingElement: 'dead' }) },
    { way: 'always-on', share: 0.6, draw: () => ({ heatingElement: 'always-on' }) },
  ],
  'sender-reads-low': [
    { way: 'offset', share: 0.4, draw: (r) => ({ senderOffset_k: -r.uniform(5, 30) }) },
    { way: 'series', share: 0.35, draw: (r) => ({ senderSeries_ohm: r.spread(90, 0.8) }) },
    { way: 'drift', share: 0.25, draw: (r) => ({ senderDrift: -r.uniform(0.08, 0.4) }) },
  ],
  'sender-reads-high': [
    { way: 'offset', share: 0.45, draw: (r) => ({ senderOffset_k: r.uniform(5, 30) }) },
    { way: 'parallel', share: 0.35, draw: (r) => ({ senderParallel_ohm: r.spread(2000, 0.8) }) },
    { way: 'drift', share: 0.2, draw: (r) => ({ senderDrift: r.uniform(0.06, 0.3) }) },
  ],
  'sender-slow': plain((r) => ({ senderLag_s: 20 * 10 ** r.uniform(0, 1) })),
  'sender-intermittent': [
    { way: 'contact', share: 0.45, draw: (r) => ({ dropoutsPerMin: r.spread(1.2, 0.8), dropoutKind: 'contact' }) },
    { way: 'open', share: 0.3, draw: (r) => ({ dropoutsPerMin: r.spread(0.7, 0.8), dropoutKind: 'open' }) },
    { way: 'short', share: 0.25, draw: (r) => ({ dropoutsPerMin: r.spread(0.7, 0.8), dropoutKind: 'short' }) },
  ],
  'sender-stuck': [
    {
      way: 'frozen',
      share: 0.4,
      draw: (r) => ({ frozenFrom_s: 0, frozenAt_c: r.chance(0.5) ? null : r.uniform(-20, 100) }),
    },
    { way: 'freezes', share: 0.3, draw: (r) => ({ frozenFrom_s: r.uniform(60, 900) }) },
    {
      way: 'near-frozen',
      share: 0.3,
      draw: (r) => ({ senderGain: r.uniform(0.02, 0.15), senderRest_c: r.uniform(-10, 95) }),
    },
  ],
  'gauge-sender-fault': [
    {
      way: 'low',
      share: 0.45,
      draw: (r) => (r.chance(0.5) ? { gaugeOffset_k: -r.uniform(7, 32) } : { gaugeSeries_ohm: r.spread(130, 0.6) }),
    },
    { way: 'high', share: 0.35, draw: (r) => ({ gaugeOffset_k: r.uniform(7, 32) }) },
    { way: 'stuck', share: 0.2, draw: () => ({ gaugeFrozen: true }) },
  ],
  'fan-not-running': plain(() => ({ fan: 'dead' })),
  'flow-restricted': [
    { way: 'impeller', share: 0.4, draw: (r) => ({ pumpScale: r.uniform(0.06, 0.4) }) },
    {
      way: 'core',
      share: 0.35,
      draw: (r) => ({ radiatorScale: r.uniform(0.12, 0.5), coreFlowScale: r.uniform(0.3, 0.9) }),
    },
    { way: 'airside', share: 0.25, draw: (r) => ({ airSideScale: r.uniform(0.08, 0.4) }) },
  ],
  'low-coolant-or-air': plain((r) => ({ airFraction: r.uniform(0.25, 0.9) })),
  'fan-always-on': plain(() => ({ fan: 'always-on' })),
};

/** Pairs of faults that a garage meets in one car. */
export const FAULT_PAIRS: readonly (readonly [Cause, Cause])[] = [
  ['thermostat-stuck-open', 'sender-reads-low'],
  ['thermostat-stuck-open', 'sender-reads-high'],
  ['thermostat-stuck-open', 'gauge-sender-fault'],
  ['thermostat-leaking', 'sender-reads-low'],
  ['thermostat-leaking', 'sender-slow'],
  ['thermostat-leaking', 'gauge-sender-fault'],
  ['thermostat-opens-early', 'sender-intermittent'],
  ['thermostat-opens-early', 'gauge-sender-fault'],
  ['thermostat-opens-late', 'fan-not-running'],
  ['thermostat-stuck-closed', 'low-coolant-or-air'],
  ['thermostat-stuck-open', 'low-coolant-or-air'],
  ['low-coolant-or-air', 'fan-not-running'],
  ['low-coolant-or-air', 'sender-intermittent'],
  ['flow-restricted', 'sender-reads-low'],
  ['fan-always-on', 'thermostat-leaking'],
];

/** A fault with the way it came about. */
export interface DrawnFault {
  readonly fault: PlantFault;
  readonly ways: readonly { readonly cause: Cause; readonly way: string }[];
}

function pickWay(cause: Cause, random: Random): FaultWay {
  const ways = FAULT_WAYS[cause];
  let left = random.uniform(0, 1);
  for (const way of ways) if ((left -= way.share) < 0) return way;
  return ways[ways.length - 1]!;
}

/** Draws one fault, or two in one car. The first cause names it. */
export function drawWays(causes: readonly Cause[], random: Random, vehicle: Vehicle): DrawnFault {
  let fault: PlantFault = { ...NO_FAULT, cause: causes[0]! };
  const ways = causes.map((cause) => {
    const { way, draw } = pickWay(cause, random);
    fault = { ...fault, ...draw(random, vehicle) };
    return { cause, way };
  });
  return { fault, ways };
}

/** The fault of a cause in one of its ways. Throws for a way that the cause has not got. */
export function drawFaultWay(cause: Cause, way: string, random: Random, vehicle: Vehicle): PlantFault {
  const found = FAULT_WAYS[cause].find((w) => w.way === way);
  if (!found) throw new RangeError(`drawFaultWay: ${cause} has no way called ${way}`);
  return { ...NO_FAULT, cause, ...found.draw(random, vehicle) };
}
