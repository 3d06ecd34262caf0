'use client';

import { coolTimer } from '@/core/procedure';
import { opensSystem, safeSteps } from '@/core/repair';
import { AnswerItem } from '@/job/AnswerItem';
import { Cautions } from '@/job/Cautions';
import { CoolGate } from '@/job/CoolGate';
import { useJob } from '@/job/JobProvider';
import { useRepair } from '@/job/useRepair';
import { useRun } from '@/job/useRun';
import { TextField } from '@/ui/TextField';
import { Disagreements } from '../Disagreements';
import { TickList, toggled } from '../TickList';
import { WaitTimer } from '../WaitTimer';

/** Half an hour: the least after key-off before anything is opened, as on the cold look. */
const COOL_S = 1800;

const NEEDS: readonly { readonly key: 'raise' | 'lift' | 'battery' | 'air'; readonly says: string }[] = [
  { key: 'raise', says: 'Car is raised' },
  { key: 'lift', says: 'Engine is lifted a little' },
  { key: 'battery', says: 'Hands near alternator, starter or fan: battery off' },
  { key: 'air', says: 'Compressed air is used' },
];

/** Making safe: only what this job needs, in its order. */
export function SafeScreen() {
  const { vehicle } = useJob();
  const { sheet, put } = useRepair();
  const { safe, plan } = sheet;
  const cooled_s = useRun('cool').elapsed_s;
  const opens = plan.works.length === 0 || opensSystem(plan.works);
  const steps = safeSteps({ ...safe, hybrid: vehicle.vehicle.engine.hybrid, opens });
  const left = steps.filter((s) => safe.done[s.id] === undefined);
  const tick = (id: string) => put('safe', ({ done }) => ({ done: toggled(done, id, Date.now()) }));
  const need = (key: (typeof NEEDS)[number]['key']) => put('safe', (now) => ({ [key]: !now[key] }));
  return (
    <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]">
      <section aria-labelledby="safe-title">
        <h2 id="safe-title" className="text-[2.25rem] type-sign leading-none" data-testid="safe-left">
          {left.length === 0 ? 'Safe to begin' : `${left.length} of ${steps.length} to make safe`}
        </h2>
        <div className="mt-3">
          <TickList
            steps={steps}
            done={safe.done}
            testId="safe-steps"
            onTick={tick}
            extra={(id) =>
              id === 'cool' ? (
                <div className="space-y-3">
                  <WaitTimer kind="cool" procedure={coolTimer(COOL_S)} />
                  <CoolGate timed_min={cooled_s > 0 ? cooled_s / 60 : null} />
                </div>
              ) : null
            }
          />
        </div>
      </section>
      <section aria-labelledby="needs-title">
        <h2 id="needs-title" className="text-2xl type-sign">
          What this job needs
        </h2>
        <ul className="mt-2">
          {NEEDS.map(({ key, says }) => (
            <li key={key}>
              <label className="flex min-h-12 items-center gap-3">
                <input type="checkbox" className="checkbox" checked={safe[key]} onChange={() => need(key)} />
                {says}
              </label>
            </li>
          ))}
        </ul>
        <p className="mt-1 text-sm type-label">
          {vehicle.vehicle.engine.hybrid
            ? 'The vehicle is a hybrid: its step stands first.'
            : 'No hybrid by the vehicle’s page.'}{' '}
          Battery: off near alternator, starter or fan, else a choice; learned values and readiness are lost.
        </p>
        <div className="mt-4 grid grid-cols-2 gap-4">
          <TextField
            id="safe-place"
            label="Place"
            hint="hall, bay 2"
            value={safe.place}
            onText={(place) => put('safe', { place })}
          />
          <TextField
            id="safe-weather"
            label="Weather"
            hint="dry, 8 °C"
            value={safe.weather}
            onText={(weather) => put('safe', { weather })}
          />
        </div>
        <div className="mt-5">
          <h3 className="text-xl type-sign">Codes before they are cleared</h3>
          <p className="text-sm">They belong on the arrival page with their freeze frames.</p>
          <div className="mt-1">
            <AnswerItem item="look-level-low" label="Cold level before anything is opened" />
          </div>
        </div>
        <Disagreements at="safe" />
        <Cautions className="mt-5" of={['maker-first']} />
      </section>
    </div>
  );
}
