import { COMMON_SENDER, ntcCelsius, ntcOhms, readingWithFault } from '../sender';
import type { PlantFault } from './fault';
import type { Random } from './random';

/** Steps of the control unit's analogue-to-digital converter. */
const ADC_STEPS = 1023;

/** What the control unit shows for a sensing element at `element_c`: NTC, wiring, pull-up, converter, table, offset. */
export function controlUnitReading_c(
  element_c: number,
  wiring: {
    readonly series_ohm: number;
    readonly parallel_ohm: number;
    readonly offset_k: number;
    /** Drift: share of what lies above 20 °C. */
    readonly drift: number;
    /** Share of the course that a nearly frozen sender still follows, and the level at which it rests. */
    readonly gain: number;
    readonly rest_c: number;
  },
): number {
  const { curve, pullUp_ohm } = COMMON_SENDER;
  const seen_c =
    wiring.series_ohm > 0 || Number.isFinite(wiring.parallel_ohm)
      ? readingWithFault(element_c, wiring, curve)
      : element_c;
  const followed_c = wiring.gain === 1 ? seen_c : wiring.rest_c + wiring.gain * (seen_c - wiring.rest_c);
  const ohms = ntcOhms(Math.min(150, Math.max(-45, followed_c)), curve);
  const step = Math.min(ADC_STEPS - 1, Math.max(1, Math.round((ADC_STEPS * ohms) / (ohms + pullUp_ohm))));
  const read_c = ntcCelsius((pullUp_ohm * step) / (ADC_STEPS - step), curve);
  return read_c + wiring.offset_k + wiring.drift * Math.max(0, read_c - 20);
}

/** Element of the engine's sender and the disturbances on its wire. */
export interface SenderState {
  element_c: number;
  wet: boolean;
  dropoutLeft_s: number;
  dropoutReading_c: number;
  frozen_c: number | null;
}

/** A sender at rest with the engine. */
export const soakedSender = (engine_c: number, random: Random, fault: PlantFault): SenderState => ({
  element_c: engine_c,
  wet: !random.chance(fault.airFraction),
  dropoutLeft_s: 0,
  dropoutReading_c: 0,
  frozen_c: null,
});

/** Advances the element: in coolant it follows within seconds, in an air pocket it hardly does. */
export function stepSender(
  state: SenderState,
  fault: PlantFault,
  random: Random,
  at: { coolant_c: number; ambient_c: number; rpm: number; lag_s: number },
  dt: number,
): void {
  if (fault.airFraction > 0) {
    if (state.wet) state.wet = !random.chance(0.03 * fault.airFraction * dt);
    else state.wet = random.chance((0.004 + (0.012 * at.rpm) / 3000) * (1.2 - fault.airFraction) * dt);
  }
  const target = state.wet ? at.coolant_c : at.coolant_c - 0.25 * (at.coolant_c - at.ambient_c);
  const lag = (state.wet ? at.lag_s : 110) + fault.senderLag_s;
  state.element_c += ((target - state.element_c) * dt) / lag;
}

/** The reading with its disturbances (drop-outs, freezing) on the wire. */
export function disturbedReading_c(
  state: SenderState,
  fault: PlantFault,
  random: Random,
  reading_c: number,
  at: { time_s: number },
  dt: number,
): number {
  if (at.time_s >= fault.frozenFrom_s) {
    state.frozen_c ??= fault.frozenAt_c ?? reading_c;
    return state.frozen_c;
  }
  state.dropoutLeft_s -= dt;
  if (state.dropoutLeft_s > 0) return state.dropoutReading_c;
  if (fault.dropoutsPerMin > 0 && random.chance((fault.dropoutsPerMin / 60) * dt)) {
    state.dropoutLeft_s = random.spread(2.5, 0.8);
    if (fault.dropoutKind !== 'any') {
      state.dropoutReading_c =
        fault.dropoutKind === 'open'
          ? -40
          : fault.dropoutKind === 'short'
            ? 140
            : Math.max(-40, reading_c - random.spread(18, 0.7));
      return state.dropoutReading_c;
    }
    state.dropoutReading_c = random.chance(0.5)
      ? -40
      : Math.max(-40, reading_c + random.uniform(15, 55) * (random.chance(0.7) ? -1 : 1));
    return state.dropoutReading_c;
  }
  return reading_c;
}
