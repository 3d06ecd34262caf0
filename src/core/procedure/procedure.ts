import type { CautionId } from '../cautions';
import { walkOf, type Run, type Step } from './runner';

/** What ends a step: a tick, its time, the thermostat's opening, the engine being cold, or a level that was read. */
export const WAITS = ['tick', 'time', 'opening', 'cold', 'level'] as const;
export type Wait = (typeof WAITS)[number];

/** What the engine does in a step. */
export const ENGINE_STATES = ['off', 'idle', 'raised', 'driven'] as const;
export type EngineState = (typeof ENGINE_STATES)[number];

/** One step, as a person writes it. */
export interface ProcedureStep {
  readonly says: string;
  readonly waits: Wait;
  readonly engine: EngineState;
  /** For a timed step, s; null where it waits for something else. */
  readonly duration_s: number | null;
  /** A step that waits may have a least and a most time, s. */
  readonly least_s: number | null;
  readonly most_s: number | null;
  /** Engine speed to hold, rpm. */
  readonly rpmLow: number | null;
  readonly rpmHigh: number | null;
  readonly cap: 'on' | 'off' | null;
  /** A hose is pinched in this step, or let go. */
  readonly clamp: 'on' | 'off' | null;
  /** Number of the step to go back to until it is enough; null: none. */
  readonly backTo: number | null;
  /** Until when it is repeated, in words. */
  readonly until: string;
  /** How often at most before somebody looks for another reason. */
  readonly mostTimes: number | null;
}

/** What a procedure is for. */
export const PROCEDURE_USES = ['bleed', 'flush', 'wait'] as const;
export type ProcedureUse = (typeof PROCEDURE_USES)[number];

/** A procedure as data: shipped ones are generic; a shop writes its own, by engine, from the maker's pages. */
export interface Procedure {
  readonly id: string;
  readonly name: string;
  readonly use: ProcedureUse;
  /** Engines or layouts that it is for, in words. */
  readonly variant: string;
  /** Where it comes from, and the page. */
  readonly source: string;
  readonly page: string;
  /** Before it begins, in words, each ticked. */
  readonly conditions: readonly string[];
  /** Engine off at this reading, °C; null: the vehicle's own limit. */
  readonly stop_c: number | null;
  /** Least that must be filled in before the engine starts, l; null: not stated. */
  readonly minimum_l: number | null;
  readonly steps: readonly ProcedureStep[];
}

const PLAIN: ProcedureStep = {
  ...{ says: '', waits: 'tick', engine: 'off', duration_s: null, least_s: null, most_s: null },
  ...{ rpmLow: null, rpmHigh: null, cap: null, clamp: null, backTo: null, until: '', mostTimes: null },
};

/** A step from the fields that matter of it. */
export const procedureStep = (fields: Partial<ProcedureStep> & { readonly says: string }): ProcedureStep => ({
  ...PLAIN,
  ...fields,
});

/** The steps as the runner walks them. */
export const stepsOf = (procedure: Procedure): (Step<Wait> & ProcedureStep)[] =>
  procedure.steps.map((s) => ({ ...s, kind: s.waits, duration_s: s.waits === 'time' ? s.duration_s : null }));

/** Time of the timed steps from a place on, s, and how many steps wait for something else. */
export function timeLeft(
  procedure: Procedure,
  run: Run,
  elapsed_s: number,
): { readonly timed_s: number; readonly waits: number } {
  const steps = stepsOf(procedure);
  const places = walkOf(steps, run);
  const here = places.find((p) => p.to_s === null || elapsed_s < p.to_s);
  if (!here) return { timed_s: 0, waits: 0 };
  let timed_s = here.to_s === null ? 0 : here.to_s - elapsed_s;
  let waits = here.to_s === null ? 1 : 0;
  for (const step of steps.slice(here.index + 1)) {
    if (step.duration_s === null) waits++;
    else timed_s += step.duration_s;
  }
  return { timed_s, waits };
}

/** Time that the engine has run in a run, s: the opening is waited for by it. */
export const engineTime_s = (procedure: Procedure, run: Run, elapsed_s: number): number =>
  walkOf(stepsOf(procedure), run)
    .filter((p) => p.step.engine !== 'off' && p.from_s < elapsed_s)
    .reduce((s, p) => s + Math.min(p.to_s ?? Infinity, elapsed_s) - p.from_s, 0);

/** Where a step stands in its time: too short, right, or past its most. */
export function inWindow(step: ProcedureStep, since_s: number): 'too-short' | 'right' | 'too-long' {
  if (step.least_s !== null && since_s < step.least_s) return 'too-short';
  return step.most_s !== null && since_s > step.most_s ? 'too-long' : 'right';
}

/** Where cap and clamp stand at a step: the latest word on each up to it. */
export function standsAt(procedure: Procedure, index: number): { readonly capOff: boolean; readonly clamped: boolean } {
  const before = procedure.steps.slice(0, index + 1);
  return {
    capOff: before.findLast((s) => s.cap !== null)?.cap === 'off',
    clamped: before.findLast((s) => s.clamp !== null)?.clamp === 'on',
  };
}

/**
 * The cautions of a step, from what is done in it: those of a shop's own procedure follow without its author thinking of
 * them.
 */
export function cautionsOf(procedure: Procedure, index: number): CautionId[] {
  const step = procedure.steps[index];
  if (!step) return [];
  const { capOff, clamped } = standsAt(procedure, index);
  const running = step.engine !== 'off';
  const found: CautionId[] = [];
  if (running && capOff) found.push('cap-off-running');
  if (step.engine === 'raised') found.push('revving-in-place');
  if (step.engine === 'idle' || step.engine === 'raised')
    found.push('carbon-monoxide', 'belts-and-fan', 'stay-with-it');
  if (running) found.push('sensor-in-air');
  if (step.engine === 'driven') found.push('driver-drives', 'suspect-car');
  if (step.waits === 'cold' || (!running && (step.cap !== null || step.waits === 'level'))) {
    found.push('never-open-hot', 'any-coolant-burns');
  }
  if (clamped || step.clamp === 'off') found.push('clamped-hose');
  return found;
}

/** What is wrong with a procedure, each with the number of its step; empty when it can be run. */
export function procedureErrors(procedure: Procedure): { readonly step: number | null; readonly says: string }[] {
  const found: { step: number | null; says: string }[] = [];
  if (procedure.name.trim() === '') found.push({ step: null, says: 'It needs a name.' });
  if (procedure.steps.length === 0) found.push({ step: null, says: 'It needs a step.' });
  procedure.steps.forEach((s, i) => {
    const wrong = (says: string) => found.push({ step: i, says: `Step ${i + 1}: ${says}` });
    if (s.says.trim() === '') wrong('say what is done.');
    if (s.waits === 'time' && !(s.duration_s !== null && s.duration_s > 0)) wrong('a timed step needs its time.');
    if (s.engine === 'raised' && (s.rpmLow === null || s.rpmHigh === null)) wrong('say between which engine speeds.');
    if (s.rpmLow !== null && s.rpmHigh !== null && s.rpmLow > s.rpmHigh)
      wrong('the lower engine speed is above the higher.');
    if (s.least_s !== null && s.most_s !== null && s.least_s > s.most_s)
      wrong('the least time is longer than the most.');
    if (s.backTo !== null && !(s.backTo >= 0 && s.backTo <= i))
      wrong('it can only go back to itself or an earlier step.');
    if (s.backTo !== null && s.waits === 'time') wrong('a step that is repeated until it is enough ends by a person.');
  });
  const last = procedure.steps.length - 1;
  if (last >= 0 && standsAt(procedure, last).clamped) {
    found.push({ step: last, says: 'A hose is pinched and never let go: add the step that takes the clamp off.' });
  }
  return found;
}
