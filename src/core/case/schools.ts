import type { ActionKind } from './actions';

/** A question on which workshops disagree, with both sides and what physics or safety settles. */
export interface School {
  readonly id: string;
  readonly question: string;
  readonly one: string;
  readonly other: string;
  readonly settles: string;
  /** Choices beside which it stands; empty: beside all. */
  readonly actions: readonly ActionKind[];
}

/** The disagreements that bear on what to do. */
export const SCHOOLS: readonly School[] = [
  {
    id: 'sender-or-valve-first',
    question: 'Sender or thermostat first?',
    one: 'The thermostat: it is the part that wears, and the sender reported the fault, so it works.',
    other: 'The sender: it is cheap and quick, and one that reads low sets the same code.',
    settles:
      'That it reported proves nothing: a sender that reads low reports exactly this. A cold soak, the shape of the trace and a second thermometer tell them apart.',
    actions: ['replace-thermostat', 'replace-sender', 'replace-both'],
  },
  {
    id: 'replace-or-test',
    question: 'Replace on suspicion, or test first?',
    one: 'Replace: the part is cheap, and the car leaves today.',
    other: 'Test: coolant, hours and a missed cause are not cheap, and a bench test takes minutes.',
    settles: 'Log first; replace on strong evidence. The costs above weigh the two with your own prices.',
    actions: [],
  },
  {
    id: 'drive-with-open-valve',
    question: 'Drive on with a thermostat that is stuck open?',
    one: 'No: it runs rich and wears.',
    other: 'For a warm season it does no harm.',
    settles:
      'Not at once dangerous; a cold engine, condensation and poor demisting do harm over time. One that is jammed part-way is not to be relied on.',
    actions: ['leave-it', 'replace-thermostat'],
  },
  {
    id: 'no-valve',
    question: 'Run without a thermostat?',
    one: 'In an emergency, or to flush.',
    other: 'Never.',
    settles:
      'For a short flush only. It stays cool; where the valve also shuts the bypass, coolant takes the short way and the engine may overheat under load. No valve fitted: mark the car; short runs only.',
    actions: ['replace-thermostat'],
  },
  {
    id: 'added-valve',
    question: 'A second thermostat in the hose, where the first is hard to reach?',
    one: 'It saves the strip-down.',
    other: 'Mend the proper one.',
    settles:
      'It needs flow past its element and another path; unvented in the only outlet it sits in dead cool water while the engine overheats. Added valve: confirm bypass flow; monitored run; not a repair.',
    actions: ['replace-thermostat'],
  },
  {
    id: 'whose-part',
    question: 'The maker’s part or another?',
    one: 'The maker’s: fewer repeats.',
    other: 'Another: price, stock, rebuilt ones are fine.',
    settles: 'No physics. Keep the outcomes; a run of failures points as much to wiring as to the part.',
    actions: ['replace-thermostat', 'replace-sender', 'replace-both', 'replace-pump', 'replace-radiator'],
  },
  {
    id: 'housing-material',
    question: 'Plastic or metal housing?',
    one: 'Plastic, as it came.',
    other: 'Metal, after a plastic one cracked.',
    settles: 'No rule; torque and clean faces matter. Use the value; plastic cracks and leaks later.',
    actions: ['replace-thermostat', 'replace-both'],
  },
  {
    id: 'insert-or-assembly',
    question: 'The insert alone or the whole housing?',
    one: 'The insert, if it can be had.',
    other: 'The assembly: brittle plastic and an old seal come out with it.',
    settles: 'Age and price decide. A housing that brings a new sender along shares the credit for the cure.',
    actions: ['replace-thermostat', 'replace-both'],
  },
  {
    id: 'open-failure-overheats',
    question: 'Can a thermostat that failed open make an engine overheat?',
    one: 'Sometimes.',
    other: 'Only cool running.',
    settles:
      'Rarely: a part-open or missing valve leaves the bypass open, a fully open double-acting one shuts it. Look for level, fan and pump first.',
    actions: ['replace-thermostat', 'mend-fan', 'replace-pump', 'top-up-and-bleed'],
  },
];
