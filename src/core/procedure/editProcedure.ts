import { procedureStep, type Procedure, type ProcedureStep } from './procedure';

/** Steps in another order, or fewer of them: what leads back to a step leads back to it wherever it is now. */
function reordered(procedure: Procedure, order: readonly number[]): Procedure {
  const steps = order.map((from, at): ProcedureStep => {
    const step = procedure.steps[from]!;
    const to = step.backTo === null ? -1 : order.indexOf(step.backTo);
    // Back to a step that now comes later, or is gone, is back to nowhere.
    return { ...step, backTo: to >= 0 && to <= at ? to : null };
  });
  return { ...procedure, steps };
}

const numbers = (procedure: Procedure): number[] => procedure.steps.map((_, i) => i);

/** The procedure with a step moved to another place. */
export function stepMoved(procedure: Procedure, from: number, to: number): Procedure {
  const order = numbers(procedure).filter((i) => i !== from);
  order.splice(to, 0, from);
  return reordered(procedure, order);
}

/** The procedure without a step. */
export const stepRemoved = (procedure: Procedure, at: number): Procedure =>
  reordered(
    procedure,
    numbers(procedure).filter((i) => i !== at),
  );

/** The procedure with a new step at its end. */
export const stepAdded = (procedure: Procedure): Procedure => ({
  ...procedure,
  steps: [...procedure.steps, procedureStep({ says: '' })],
});

/** The procedure with fields of a step changed; what no longer goes with them is taken out. */
export function stepChanged(procedure: Procedure, at: number, to: Partial<ProcedureStep>): Procedure {
  const steps = procedure.steps.map((step, i) => {
    if (i !== at) return step;
    const next = { ...step, ...to };
    return {
      ...next,
      duration_s: next.waits === 'time' ? next.duration_s : null,
      ...(next.waits === 'time' ? { least_s: null, most_s: null, backTo: null, until: '', mostTimes: null } : {}),
      ...(next.engine === 'raised' ? {} : { rpmLow: null, rpmHigh: null }),
    };
  });
  return { ...procedure, steps };
}

/** A procedure of the shop's own, from a shipped one or from nothing. */
export const ownProcedure = (id: string, from: Procedure | null): Procedure => ({
  ...(from ?? {
    ...{ name: '', use: 'bleed', variant: '', page: '', stop_c: null, minimum_l: null },
    conditions: [],
    steps: [procedureStep({ says: '' })],
  }),
  ...{ id, source: '' },
  ...(from ? { name: `${from.name}, our own` } : {}),
});
