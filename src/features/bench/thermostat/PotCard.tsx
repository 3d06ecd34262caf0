'use client';

import { useState } from 'react';
import { VALVE_STATES, type ValveState, type WaterReading } from '@/core/bench';
import { elapsedAt, NOT_BEGUN, paused, started, type Run } from '@/core/procedure';
import { useRun } from '@/job/useRun';
import { clock } from '@/ui/clock';
import { QuantityInput } from '@/ui/QuantityInput';
import { useUnits } from '@/ui/units';

const STATE_NAME: Readonly<Record<ValveState, string>> = { closed: 'Closed', moving: 'Moving', open: 'Open' };

/** The moment of a press, s of the clock, to a tenth. */
const moment_s = (run: Run): number => Math.round(10 * elapsedAt(run, Date.now())) / 10;

/** The clock beside the pot: type the water, press what the eye sees. It goes on through a reload. */
export function PotCard({ onReading }: { onReading: (reading: WaterReading) => string | null }) {
  const { say } = useUnits();
  const { run, running, elapsed_s, change } = useRun('pot');
  const [water_c, setWater] = useState<number | null>(null);
  const [error, setError] = useState<string | null>(null);
  const press = (state: ValveState | null) => {
    if (state === null && water_c === null) return setError('Type the water’s temperature first.');
    // The first press starts the clock.
    if (!running) change(started);
    setError(onReading({ t_s: moment_s(run), water_c, lift_mm: null, state }));
  };
  return (
    <section aria-labelledby="pot-title" className="border-t-2 border-base-content pt-3 print:hidden">
      <h3 id="pot-title" className="sr-only">
        Clock of the pot
      </h3>
      <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
        <p className="text-6xl type-sign leading-none tabular-nums" role="timer" data-testid="pot-clock">
          {clock(elapsed_s)}
        </p>
        <div className="flex gap-2">
          <button
            type="button"
            className="btn min-h-14 min-w-28 btn-lg btn-primary"
            onClick={() => change(running ? paused : started)}
          >
            {running ? 'Pause' : elapsed_s > 0 ? 'Go on' : 'Start'}
          </button>
          {!running && elapsed_s > 0 && (
            <button
              type="button"
              className="btn min-h-14"
              onClick={() => change(() => NOT_BEGUN, `The clock stood at ${clock(elapsed_s)}.`)}
            >
              Back to zero
            </button>
          )}
        </div>
        <QuantityInput
          id="pot-water"
          label="Water now"
          family="temperature"
          hint="empty: from the log"
          value={water_c}
          onChange={setWater}
        />
      </div>
      <div className="mt-2 flex gap-3">
        {VALVE_STATES.map((state) => (
          <button
            key={state}
            type="button"
            className="btn min-h-20 flex-1 btn-outline btn-xl"
            onClick={() => press(state)}
          >
            {STATE_NAME[state]}
          </button>
        ))}
        <button type="button" className="btn min-h-20 btn-outline" onClick={() => press(null)}>
          Water only
        </button>
      </div>
      {error && (
        <p role="alert" className="mt-1 text-error">
          {say(error)} Nothing was added.
        </p>
      )}
    </section>
  );
}
