import type { Cause, CauseFamily } from '../base';

/** Plain words for a cause. */
interface CauseText {
  /** Short name, as on the odds picture. */
  readonly name: string;
  /** What it means, one clause. */
  readonly means: string;
  /** What to do about it once it is settled. */
  readonly then: string;
}

/** Names and meanings of the causes in the trade's words. */
export const CAUSE_TEXT: Readonly<Record<Cause, CauseText>> = {
  healthy: {
    name: 'Nothing wrong',
    means: 'thermostat and sender do what they should',
    then: 'Look elsewhere; keep this trace as the vehicle\u2019s own.',
  },
  'insufficient-heat': {
    name: 'Cold day, nothing wrong',
    means: 'too little engine heat for this cold, airflow or heater setting',
    then: 'Explain it; drive it warmer or longer before judging again.',
  },
  'thermostat-stuck-open': {
    name: 'Thermostat stuck open',
    means: 'open wide at all temperatures',
    then: 'Bench-test it, then replace it with its seal.',
  },
  'thermostat-leaking': {
    name: 'Thermostat leaking',
    means: 'closes, but lets coolant past when shut',
    then: 'Look at seat and seal before buying a thermostat.',
  },
  'thermostat-opens-early': {
    name: 'Thermostat opens early',
    means: 'opens well below its rating',
    then: 'Check the stamped rating, then bench-test.',
  },
  'thermostat-opens-late': {
    name: 'Thermostat opens late',
    means: 'opens well above its rating, or barely',
    then: 'Do not drive it hot; bench-test it.',
  },
  'thermostat-stuck-closed': {
    name: 'Thermostat stuck closed',
    means: 'never opens',
    then: 'Do not drive it; replace the thermostat.',
  },
  'thermostat-heating-fault': {
    name: 'Thermostat heating fault',
    means: 'its heating element is dead or always on',
    then: 'Test element, supply and control line before ordering.',
  },
  'sender-reads-low': {
    name: 'Sender reads low',
    means: 'the coolant is warmer than the reading says',
    then: 'Measure the sender and its plug; never trust the gauge for overheating meanwhile.',
  },
  'sender-reads-high': {
    name: 'Sender reads high',
    means: 'the coolant is cooler than the reading says',
    then: 'Measure the sender and its plug.',
  },
  'sender-slow': {
    name: 'Sender slow',
    means: 'the reading lags far behind the coolant',
    then: 'Check that its tip is clean and in the flow, then replace it.',
  },
  'sender-intermittent': {
    name: 'Sender drops out',
    means: 'spikes or drop-outs that no coolant can follow',
    then: 'Wiggle plug and wire while watching the reading.',
  },
  'sender-stuck': {
    name: 'Sender frozen',
    means: 'the reading does not move',
    then: 'Unplug and bridge it: does the reading follow?',
  },
  'gauge-sender-fault': {
    name: 'Gauge sender wrong',
    means: 'the engine\u2019s sender is right, the gauge\u2019s own is not',
    then: 'Measure the gauge\u2019s sender; drive by the scan reading.',
  },
  'fan-not-running': {
    name: 'Fan not running',
    means: 'rises at standstill, recovers with road speed',
    then: 'Fuse, relay, motor, control: find why before replacing a fuse.',
  },
  'flow-restricted': {
    name: 'Flow restricted',
    means: 'pump or radiator passes too little',
    then: 'Pump, belt, radiator face and core in turn.',
  },
  'low-coolant-or-air': {
    name: 'Low coolant or air',
    means: 'air at the sender or too little coolant',
    then: 'Find where it goes, fill, bleed, and log again.',
  },
  'fan-always-on': {
    name: 'Fan always on',
    means: 'the fan runs when it should not',
    then: 'Relay, control unit fail-safe, air conditioning request.',
  },
};

/** Short name of a cause. */
export const causeName = (cause: Cause): string => CAUSE_TEXT[cause].name;

/** Names of the families, for legends. */
export const FAMILY_NAME: Readonly<Record<CauseFamily, string>> = {
  sound: 'nothing wrong',
  open: 'open path',
  shut: 'shut or held',
  sender: 'sender',
  flow: 'flow and air',
};
