import type { Vehicle } from '../base';

/** What goes on in the cooling circuit at one moment, by the model. */
export interface CircuitMoment {
  readonly coolant_c: number;
  /** Valve lift, 0...1. */
  readonly lift: number;
  /** Share of the pump's flow through the radiator, and past it. */
  readonly radiatorShare: number;
  readonly bypassShare: number;
  /** Pump against 2500 rpm, 0 with the engine off. */
  readonly pump: number;
  readonly upperHose_c: number;
  readonly lowerHose_c: number;
  readonly heaterHose_c: number;
  readonly fanRuns: boolean;
  /** What is happening, in a sentence or two. */
  readonly says: string;
  /** What a hand would feel, hose by hose. */
  readonly feels: readonly { readonly hose: string; readonly feel: string; readonly at_c: number }[];
}

/** What a moment is made of. */
export interface CircuitState {
  readonly coolant_c: number;
  readonly lift: number;
  /** Coolant leaving the radiator, °C. */
  readonly outlet_c: number;
  readonly outside_c: number;
  /** Flow past the shut valve, share of full. */
  readonly leak: number;
  readonly pump: number;
  readonly fanRuns: boolean;
  readonly heated: boolean;
}

/** Share of the pump's flow through the radiator with the valve wide open, and through the heater (twin). */
const RADIATOR_SHARE = 0.72;
const HEATER_SHARE = 0.13;
/** Flow through the radiator from which a dead-ended hose takes on the engine's temperature. */
const FILLS_FROM = 0.01;

/** How warm a hose feels: a hand bears 50 °C for a while and 60 °C for moments (ISO 13732-1, smooth surfaces). */
function feelOf(at_c: number): string {
  if (at_c < 30) return 'cold';
  if (at_c < 42) return 'hand-warm';
  if (at_c < 55) return 'hot to hold';
  return 'too hot to touch';
}

function sayWhat(s: CircuitState, vehicle: Vehicle, share: number): string {
  const inlet = vehicle.thermostat.location === 'inlet';
  const heated = s.heated ? ' Its heating pushes the wax to open earlier.' : '';
  if (s.pump < 0.05) return 'The engine is off: nothing flows, the head goes on warming what stands in it.';
  if (s.lift < 0.02 && s.leak > 0.02) {
    return `The valve is shut, yet ${Math.round(100 * share)} % of the flow slips past it through the radiator and carries heat away.${heated}`;
  }
  if (s.lift < 0.02) {
    return inlet
      ? `The wax at the pump inlet is cold and the valve shut: coolant goes round engine, bypass and heater; nothing leaves the radiator.${heated}`
      : `The wax at the engine outlet is cold and the valve shut: coolant goes round engine, bypass and heater; the radiator stands still.${heated}`;
  }
  if (s.lift > 0.9)
    return `The valve is wide open: all that can go through the radiator does, regulation is at its end.${heated}`;
  return `The wax holds the valve at ${Math.round(100 * s.lift)} %: as much goes through the radiator as heat is left over.${heated}`;
}

/**
 * What a hose of a sound car does on a warm-up, by where the thermostat sits (work rule: layout first, then expectation).
 *
 * @param opens_s when it opens on this drive; null when that is not told
 */
export function hoseExpectation(vehicle: Vehicle, place: string, opens_s: number | null): string {
  const inlet = vehicle.thermostat.location === 'inlet';
  const when = opens_s === null ? 'the opening' : `the opening at minute ${(opens_s / 60).toFixed(1)}`;
  const where = inlet ? 'thermostat at the pump inlet' : 'thermostat at the engine outlet';
  switch (place) {
    case 'upper hose':
      return inlet
        ? `Sound, ${where}: warms with the engine from the start, so it tells nothing of the valve.`
        : `Sound, ${where}: cold until ${when}, then hot at once. Warm from the start means it lets through.`;
    case 'lower hose':
      return inlet
        ? `Sound, ${where}: cold until ${when}. Warm from the start means it lets through.`
        : `Sound, ${where}: cold until ${when}, then slowly warm.`;
    case 'heater hose':
      return 'Sound: warms with the engine, both of them with the heater on. One hot and one cool means little flow.';
    default:
      return '';
  }
}

/** The circuit at one moment. */
export function circuitAt(s: CircuitState, vehicle: Vehicle): CircuitMoment {
  const inlet = vehicle.thermostat.location === 'inlet';
  const share = RADIATOR_SHARE * Math.min(1, s.leak + (1 - s.leak) * s.lift);
  const flows = share >= FILLS_FROM && s.pump >= 0.05;
  // With the valve at the inlet the upper hose hangs on the engine outlet: it warms by itself, the lower one does not.
  const upper = flows ? s.coolant_c : inlet ? s.outside_c + 0.75 * (s.coolant_c - s.outside_c) : s.outlet_c;
  const heaterHose_c = s.coolant_c;
  const feels = [
    { hose: 'Upper hose', at_c: upper },
    { hose: 'Lower hose', at_c: s.outlet_c },
    { hose: 'Heater hoses', at_c: heaterHose_c },
  ].map((h) => ({ ...h, feel: feelOf(h.at_c) }));
  const running = s.pump >= 0.05;
  return {
    ...{ coolant_c: s.coolant_c, lift: s.lift, pump: s.pump, fanRuns: s.fanRuns, feels, heaterHose_c },
    radiatorShare: running ? share : 0,
    bypassShare: running ? 1 - share - HEATER_SHARE : 0,
    upperHose_c: upper,
    lowerHose_c: s.outlet_c,
    says: sayWhat(s, vehicle, share),
  };
}
