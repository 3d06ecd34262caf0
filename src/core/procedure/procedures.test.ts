import { describe, expect, it } from 'vitest';
import {
  BLEED_PROCEDURES,
  cautionsOf,
  cleanerTimer,
  coolTimer,
  cureTimer,
  GENTLE_FLUSH,
  inWindow,
  NOT_BEGUN,
  ownProcedure,
  procedureErrors,
  procedureStep,
  readDraft,
  readProcedure,
  readProcedureFile,
  soakTimer,
  standsAt,
  started,
  stepAdded,
  stepChanged,
  stepEnded,
  stepMoved,
  stepRemoved,
  stepsOf,
  timeLeft,
  writeProcedureFile,
  type Procedure,
} from '.';

const SHIPPED = [...BLEED_PROCEDURES, GENTLE_FLUSH, cureTimer(60), coolTimer(60), soakTimer(60), cleanerTimer(60, 90)];
const hold = procedureStep({
  says: 'Hold',
  waits: 'time',
  duration_s: 120,
  engine: 'raised',
  rpmLow: 2000,
  rpmHigh: 2500,
});
const OWN: Procedure = {
  ...{ id: 'own', name: 'Ours', use: 'bleed', variant: '1.6', source: 'manual', page: '12' },
  ...{ conditions: ['heater hot'], stop_c: 108, minimum_l: 4 },
  steps: [
    procedureStep({ says: 'Fill', cap: 'off' }),
    hold,
    procedureStep({ says: 'Stays?', waits: 'level', backTo: 1, mostTimes: 3 }),
  ],
};

describe('shipped procedures', () => {
  it('cover every way: screw, funnel, raised tank, vacuum, self-bleeding, timed holds, drives', () => {
    expect(BLEED_PROCEDURES.map((p) => p.id)).toEqual([
      ...[
        'bleed-screw',
        'high-funnel',
        'raised-tank',
        'vacuum-fill',
        'self-bleeding-tank',
        'timed-holds',
        'drive-cycles',
      ],
    ]);
  });

  it.each(SHIPPED.map((p) => [p.name, p] as const))('%s can be run, saved, and opened again', (_, procedure) => {
    expect(procedureErrors(procedure)).toEqual([]);
    expect(readProcedureFile(JSON.parse(writeProcedureFile(procedure)))).toEqual({ ok: true, value: procedure });
  });

  it.each(BLEED_PROCEDURES.map((p) => [p.name, p] as const))(
    '%s ends cold, by a level, with cap on and no clamp',
    (_, p) => {
      expect(p.steps.some((s) => s.waits === 'level' && s.backTo !== null)).toBe(true);
      expect(p.steps.some((s) => s.waits === 'cold')).toBe(true);
      expect(standsAt(p, p.steps.length - 1).clamped).toBe(false);
      // Nothing runs hot, or is driven, with its cap off and nobody told.
      p.steps.forEach((s, i) => {
        if (s.engine !== 'off' && standsAt(p, i).capOff) expect(cautionsOf(p, i)).toContain('cap-off-running');
        if (s.engine === 'driven') expect(standsAt(p, i).capOff).toBe(false);
      });
    },
  );
});

describe('cautions follow from what is done', () => {
  const at = (fields: Parameters<typeof procedureStep>[0], before: readonly Procedure['steps'][number][] = []) => {
    const steps = [...before, procedureStep(fields)];
    return cautionsOf({ ...OWN, steps }, steps.length - 1);
  };
  it('raised engine speed, idling, driving', () => {
    expect(at({ says: 'x', engine: 'raised' })).toEqual(
      expect.arrayContaining(['revving-in-place', 'belts-and-fan', 'carbon-monoxide', 'sensor-in-air', 'stay-with-it']),
    );
    expect(at({ says: 'x', engine: 'idle' })).not.toContain('revving-in-place');
    expect(at({ says: 'x', engine: 'driven' })).toEqual(expect.arrayContaining(['driver-drives', 'sensor-in-air']));
    expect(at({ says: 'x', engine: 'driven' })).not.toContain('carbon-monoxide');
  });
  it('cap, clamp, hot system', () => {
    expect(at({ says: 'x', engine: 'idle', cap: 'off' })).toContain('cap-off-running');
    expect(at({ says: 'x', waits: 'cold' })).toContain('never-open-hot');
    expect(at({ says: 'x', cap: 'off' })).toContain('never-open-hot');
    const pinched = procedureStep({ says: 'pinch', clamp: 'on' });
    expect(at({ says: 'x' }, [pinched])).toContain('clamped-hose');
    expect(at({ says: 'x', clamp: 'off' }, [pinched])).toContain('clamped-hose');
    expect(at({ says: 'x' })).toEqual([]);
    expect(cautionsOf(OWN, 99)).toEqual([]);
  });
});

describe('a procedure of one’s own', () => {
  it('names what is wrong, step by step', () => {
    expect(procedureErrors(OWN)).toEqual([]);
    const says = (steps: readonly Procedure['steps'][number][]) =>
      procedureErrors({ ...OWN, steps }).map((e) => e.says);
    expect(says([])).toEqual(['It needs a step.']);
    expect(says([procedureStep({ says: ' ' })])).toEqual(['Step 1: say what is done.']);
    expect(says([{ ...hold, duration_s: null }])).toEqual(['Step 1: a timed step needs its time.']);
    expect(says([{ ...hold, rpmLow: null }])).toEqual(['Step 1: say between which engine speeds.']);
    expect(says([{ ...hold, rpmLow: 3000 }])).toEqual(['Step 1: the lower engine speed is above the higher.']);
    expect(says([procedureStep({ says: 'x', least_s: 10, most_s: 5 })])).toEqual([
      expect.stringContaining('longer than the most'),
    ]);
    expect(says([procedureStep({ says: 'x', backTo: 2 })])).toEqual([expect.stringContaining('earlier step')]);
    expect(says([{ ...hold, backTo: 0 }])).toEqual([expect.stringContaining('ends by a person')]);
    expect(says([procedureStep({ says: 'x', clamp: 'on' })])).toEqual([expect.stringContaining('never let go')]);
    expect(procedureErrors({ ...OWN, name: '' })[0]!.says).toBe('It needs a name.');
  });

  it('keeps its repeats through moves, removals and additions', () => {
    // Fill, Hold, Stays? (back to Hold): Fill goes to the end.
    const moved = stepMoved(OWN, 0, 2);
    expect(moved.steps.map((s) => s.says)).toEqual(['Hold', 'Stays?', 'Fill']);
    expect(moved.steps[1]!.backTo).toBe(0);
    expect(stepMoved(moved, 2, 0)).toEqual(OWN);
    // Back to a step that now comes later is no repeat.
    expect(stepMoved(OWN, 2, 0).steps[0]!.backTo).toBeNull();
    expect(stepRemoved(OWN, 0).steps[1]!.backTo).toBe(0);
    expect(stepRemoved(OWN, 1).steps[1]!.backTo).toBeNull();
    expect(stepAdded(OWN).steps).toHaveLength(4);
  });

  it('drops what no longer goes with a step', () => {
    expect(stepChanged(OWN, 1, { engine: 'idle' }).steps[1]).toMatchObject({
      rpmLow: null,
      rpmHigh: null,
      duration_s: 120,
    });
    expect(stepChanged(OWN, 1, { waits: 'tick' }).steps[1]).toMatchObject({ duration_s: null });
    expect(stepChanged(OWN, 2, { waits: 'time', duration_s: 60 }).steps[2]).toMatchObject({
      backTo: null,
      mostTimes: null,
    });
  });

  it('is copied from a shipped one under a name of its own, without its source', () => {
    const copy = ownProcedure('new', BLEED_PROCEDURES[0]!);
    expect(copy).toMatchObject({ id: 'new', name: 'Bleed screw, our own', source: '' });
    expect(copy.steps).toEqual(BLEED_PROCEDURES[0]!.steps);
    expect(ownProcedure('new', null)).toMatchObject({ name: '', steps: [procedureStep({ says: '' })] });
  });

  it('counts what is left, and what waits', () => {
    const steps = stepsOf(OWN);
    let run = started(NOT_BEGUN, 0);
    expect(timeLeft(OWN, run, 0)).toEqual({ timed_s: 120, waits: 2 });
    run = stepEnded(steps, run, 10_000);
    expect(timeLeft(OWN, run, 40)).toEqual({ timed_s: 90, waits: 1 });
    run = stepEnded(steps, run, 200_000);
    expect(timeLeft(OWN, run, 200)).toEqual({ timed_s: 0, waits: 0 });
  });

  it('a wait has a least and a most time', () => {
    const cleaner = cleanerTimer(600, 1800).steps[0]!;
    expect([0, 599, 600, 1800, 1801].map((s) => inWindow(cleaner, s))).toEqual([
      ...['too-short', 'too-short', 'right', 'right', 'too-long'],
    ]);
    expect(inWindow(cleanerTimer(600, null).steps[0]!, 1e6)).toBe('right');
  });
});

describe('a procedure’s file', () => {
  it('says what is wrong and where', () => {
    const error = (text: string) => {
      const read = readProcedureFile(JSON.parse(text));
      return read.ok ? null : read.error;
    };
    const file = (procedure: unknown) => JSON.stringify({ schema: 'varmek-procedure/1', procedure });
    expect(error('[]')).toContain('schema must be');
    expect(error('null')).toContain('schema must be');
    expect(error('{"schema":"varmek-procedure/7"}')).toContain('newer Varmek');
    expect(error(file({ ...OWN, colour: 'red' }))).toContain('colour');
    expect(error(file({ ...OWN, steps: [{ ...hold, engine: 'flying' }] }))).toContain('steps[0].engine');
    expect(error(file({ ...OWN, stop_c: 900 }))).toContain('stop_c');
    expect(error(file({ ...OWN, steps: [{ ...hold, duration_s: null }] }))).toBe(
      'Step 1: a timed step needs its time.',
    );
  });

  it('an unfinished one is kept as a draft and not run', () => {
    const draft = { ...OWN, name: '', steps: [] };
    expect(readDraft(draft)).toMatchObject({ ok: true });
    expect(readProcedure(draft)).toMatchObject({ ok: false });
    expect(readDraft({ ...OWN, steps: [{ says: 'Fill' }] })).toMatchObject({
      ok: true,
      value: { steps: [{ waits: 'tick', backTo: null }] },
    });
  });
});
