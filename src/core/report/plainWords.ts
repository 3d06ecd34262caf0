import type { Cause } from '../base';
import type { Grade } from '../evidence';
import type { ProofVerdict, WorkKind } from '../case';
import type { OTHER_FAULTS } from '../repair';

/** What a cause means to the person who drives the car, and what they notice should it come back. */
interface PlainCause {
  readonly found: string;
  readonly watch: string;
}

const COOL: Omit<PlainCause, 'found'> = {
  watch: 'If the heater stays lukewarm or the gauge stays low on the road again, come back.',
};
const HOT: Omit<PlainCause, 'found'> = {
  watch: 'If the gauge climbs towards the red mark: heater full on, stop safely, engine off. Do not open the cap.',
};
const READING: Omit<PlainCause, 'found'> = {
  watch: 'If the gauge jumps, sticks or reads oddly again, do not trust it for overheating: come in.',
};

/** Causes in the words of a driver. */
export const PLAIN_CAUSE: Readonly<Record<Cause, PlainCause>> = {
  healthy: { found: 'The cooling system works as it should.', ...COOL },
  'insufficient-heat': {
    found: 'Nothing is faulty. In that cold, on those drives, the engine makes too little heat to warm up further.',
    watch: 'Longer drives warm it up; with the heater on full and much idling it stays cool in hard frost.',
  },
  'thermostat-stuck-open': {
    found: 'The thermostat stayed open, so coolant was cooled before the engine was warm.',
    ...COOL,
  },
  'thermostat-leaking': {
    found: 'The thermostat let coolant past even when shut, so the engine warmed slowly.',
    ...COOL,
  },
  'thermostat-opens-early': { found: 'The thermostat opened too soon, so the engine ran too cool.', ...COOL },
  'thermostat-opens-late': { found: 'The thermostat opened too late, so the engine ran too hot.', ...HOT },
  'thermostat-stuck-closed': { found: 'The thermostat did not open, so the engine could overheat.', ...HOT },
  'thermostat-heating-fault': {
    found: 'The electric heating of the thermostat did not work, so the engine ran at the wrong temperature.',
    ...HOT,
  },
  'sender-reads-low': {
    found: 'The engine was warm enough. Its temperature sensor, or the wire to it, reported too little.',
    ...READING,
  },
  'sender-reads-high': {
    found: 'The engine was not too hot. Its temperature sensor, or the wire to it, reported too much.',
    ...READING,
  },
  'sender-slow': { found: 'The temperature sensor reported too late.', ...READING },
  'sender-intermittent': { found: 'The temperature sensor, or its wire, lost contact now and then.', ...READING },
  'sender-stuck': { found: 'The temperature sensor always reported nearly the same.', ...READING },
  'gauge-sender-fault': { found: 'The gauge on the dash read wrong; the engine’s own sensor was right.', ...READING },
  'fan-not-running': { found: 'The fan did not run when it should, so it got hot at standstill.', ...HOT },
  'flow-restricted': { found: 'Too little coolant got through pump or radiator, so it got hot.', ...HOT },
  'low-coolant-or-air': {
    found: 'There was too little coolant, or air in it.',
    watch: 'Look at the level when the engine is cold. If it falls, come back: topping up is no repair.',
  },
  'fan-always-on': { found: 'The fan ran when it should not.', ...COOL },
};

/** How sure a finding is, for a person who does not deal in odds. */
export function howSure(grade: Grade, share: number | null): string {
  if (share === null) return 'It cannot be told from what was measured.';
  const of = `about ${Math.round(100 * share)} in 100`;
  if (grade === 'confirmed') return `Sure by what was measured (${of}).`;
  if (grade === 'likely') return `Very likely, not certain (${of}).`;
  return `The most likely of several causes, not certain (${of}).`;
}

/** Work in the words of a driver. */
export const PLAIN_WORK: Readonly<Record<WorkKind, string>> = {
  'replaced-thermostat': 'Thermostat replaced with its seal',
  'replaced-seal': 'Seal of the thermostat renewed',
  'replaced-sender': 'Temperature sensor replaced',
  'mended-wiring': 'Wiring of the temperature sensor mended',
  'replaced-gauge-sender': 'Sensor of the dash gauge replaced',
  'mended-heating-circuit': 'Electric circuit of the thermostat mended',
  'mended-fan': 'Fan or its circuit mended',
  'topped-up-and-bled': 'Coolant topped up, air let out',
  'drained-and-filled': 'Coolant renewed, air let out',
  'cleaned-radiator': 'Cooling system flushed',
  'replaced-radiator': 'Radiator replaced',
  'replaced-pump': 'Water pump replaced',
  'replaced-cap': 'Pressure cap replaced',
};

/** A verdict in the words of a driver. */
export const PLAIN_VERDICT: Readonly<Record<ProofVerdict, string>> = {
  proven: 'The repair is proven: driven again in the conditions of your complaint, with readings as of a sound car.',
  'not-proven': 'The repair is not proven yet.',
  'not-cured': 'The fault is still there: what was done did not cure it, and the search goes on.',
};

/** What was found where it is none of the causes, in the words of a driver. */
export const PLAIN_OTHER: Readonly<
  Record<(typeof OTHER_FAULTS)[number], { readonly found: string; readonly watch: readonly string[] }>
> = {
  leak: { found: 'Coolant was getting out of the cooling system.', watch: [PLAIN_CAUSE['low-coolant-or-air'].watch] },
  preventive: { found: 'Nothing was faulty: the work was done before it became due.', watch: [] },
  'not-known': { found: 'What is wrong is not known yet.', watch: [] },
};
