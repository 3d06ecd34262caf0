'use client';

import { useState } from 'react';
import { engineTime_s, standingAt, stepsOf, withReading, type Procedure, type RunReading } from '@/core/procedure';
import { openingWords, totals } from '@/core/repair';
import { useRepair } from '@/job/useRepair';
import { Caution } from '@/ui/Caution';
import { clock } from '@/ui/clock';
import { QuantityInput } from '@/ui/QuantityInput';
import { useUnits } from '@/ui/units';
import { ProcedureRunner, type ProcedureStanding } from '../runner/ProcedureRunner';
import { RunnerFoot } from '../runner/RunnerFoot';
import type { ProcedureRun } from '../runner/useProcedureRun';
import type { OpeningDue } from './useOpeningDue';

const READING_NAME: Readonly<Record<RunReading['what'], string>> = {
  level: 'level',
  temperature: 'coolant',
  opening: 'opened',
  'fan-on': 'fan on',
  'fan-off': 'fan off',
  bubbles: 'bubbles',
  'no-bubbles': 'no bubbles',
  'topped-up': 'topped up',
};

/** What is logged with one press, each with its moment. */
function Taps({ hand, stop_c }: { hand: ProcedureRun; stop_c: number }) {
  const { show } = useUnits();
  const [coolant_c, setCoolant] = useState<number | null>(null);
  const [entry, setEntry] = useState(0);
  const log = (what: RunReading['what'], value: number | null = null) =>
    hand.change(
      (r) => withReading(r, { what, value }, Date.now()),
      `${READING_NAME[what]}, minute ${clock(hand.elapsed_s)}.`,
    );
  const readings = hand.run.readings ?? [];
  const hot = readings.some((r) => r.what === 'temperature' && r.value !== null && r.value >= stop_c);
  const typed = coolant_c !== null && coolant_c > -50 && coolant_c < 160;
  return (
    <div className="mt-4 border-t border-base-content/20 pt-3">
      <div className="flex flex-wrap items-start gap-3 print:hidden">
        {(['fan-on', 'fan-off', 'bubbles', 'no-bubbles', 'topped-up'] as const).map((what) => (
          <button key={what} type="button" className="btn mt-4 min-h-14 btn-outline btn-lg" onClick={() => log(what)}>
            {READING_NAME[what]}
          </button>
        ))}
        <QuantityInput
          key={entry}
          id="run-coolant"
          label="Coolant now"
          family="temperature"
          value={coolant_c}
          onChange={setCoolant}
        />
        <button
          type="button"
          className="btn mt-4 min-h-14 btn-outline btn-lg"
          disabled={!typed}
          onClick={() => {
            log('temperature', coolant_c);
            setCoolant(null);
            setEntry(entry + 1);
          }}
        >
          Log it
        </button>
      </div>
      {hot && (
        <Caution kind="danger" role="alert" testId="run-too-hot">
          Engine off: past {show('temperature', stop_c)}. Heater and blower full, do not open it.
        </Caution>
      )}
      {readings.length > 0 && (
        <ol className="mt-1 flex flex-wrap gap-x-5 gap-y-1" data-testid="run-readings">
          {readings.map((r, i) => (
            <li key={`${r.at_s} ${i}`}>
              <strong>{clock(r.at_s)}</strong> {READING_NAME[r.what]}
              {r.value === null
                ? ''
                : ` ${show(r.what === 'temperature' || r.what === 'opening' ? 'temperature' : 'length', r.value)}`}
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}

/** The bleeding under way. */
export function BleedRun({ procedure, hand, due }: { procedure: Procedure; hand: ProcedureRun; due: OpeningDue }) {
  const { sheet } = useRepair();
  const { show } = useUnits();
  const { conditions } = sheet.bleed;
  const missing = procedure.conditions.filter((c) => !conditions.includes(c));
  const minimum_l = sheet.fill.beforeStart_l ?? procedure.minimum_l;
  const in_l = totals(sheet.drain.lines).in_l;
  const dry = minimum_l !== null && in_l < minimum_l;
  const at = standingAt(stepsOf(procedure), hand.run, hand.now);
  const begun = hand.running || hand.elapsed_s > 0;
  const words = due.window && openingWords(due.window, engineTime_s(procedure, hand.run, hand.elapsed_s));
  // The step that waits for the opening says when it is due, by the model.
  const note = (here: ProcedureStanding) =>
    here.step.waits === 'opening' ? (
      <p
        className={`mt-3 text-2xl leading-snug ${words?.stop ? 'font-bold text-error' : 'font-semibold'}`}
        data-testid="step-due"
      >
        {words?.says ??
          (due.working ? 'Working out when it is due' : 'Not due at idle today by the model: hold the engine speed.')}
      </p>
    ) : null;
  // Its moment is worth keeping.
  const done: ProcedureRun['actions']['done'] = (turn) => {
    if (at?.step.waits === 'opening') {
      hand.change((r, at) => withReading(r, { what: 'opening', value: null }, at));
    }
    hand.actions.done(turn);
  };
  return (
    <section aria-label="Bleeding" className="border-t-2 border-base-content pt-3">
      {!begun && missing.length > 0 && (
        <Caution testId="conditions-missing">
          {missing.length} {missing.length === 1 ? 'condition is' : 'conditions are'} not ticked yet.
        </Caution>
      )}
      {dry && (at?.step.engine === 'off' || !begun) && (
        <Caution kind="danger" role="alert" testId="run-minimum">
          Do not start the engine: {show('volume', minimum_l - in_l, 1)} are missing to the minimum of{' '}
          {show('volume', minimum_l, 1)}.
        </Caution>
      )}
      <ProcedureRunner
        procedure={procedure.stop_c === null ? { ...procedure, stop_c: due.stop_c } : procedure}
        run={hand.run}
        now={hand.now}
        elapsed_s={hand.elapsed_s}
        actions={{ ...hand.actions, done }}
        onStep={hand.signal}
        note={note}
      >
        {begun && <Taps hand={hand} stop_c={procedure.stop_c ?? due.stop_c} />}
      </ProcedureRunner>
      <RunnerFoot hand={hand} />
    </section>
  );
}
