'use client';

import { useState } from 'react';
import { ACTION_KINDS, ACTIONS, actionSpec, SCHOOLS, type ActionKind, type TestWorth } from '@/core/case';
import type { CautionId } from '@/core/cautions';
import { CAUSE_TEXT, causeName } from '@/core/evidence';
import { AnswerItem } from '@/job/AnswerItem';
import { causeLook } from '@/job/causeLook';
import { Cautions } from '@/job/Cautions';
import { percent } from '@/job/jobWords';
import { useJob } from '@/job/JobProvider';
import { SchoolList } from '@/job/SchoolList';
import { useWrite } from '@/job/useWrite';
import { addEntry, undoEntries } from '@/storage/entries';
import { Glyph } from '@/ui/Glyph';
import { useUnits } from '@/ui/units';
import { ActionTable } from './ActionTable';
import { moneyText } from '@/job/money';
import { usePrices } from './usePrices';

const TESTS_SHOWN = 4;
/** Causes whose remedy is named, share. */
const NAMED_FROM = 0.05;

/** To act at once beside to test first, each with its expected cost. */
function TwoRoutes() {
  const { decision } = useJob().case;
  const { prices } = usePrices();
  const { say } = useUnits();
  const best = decision.actions[0]!;
  const test = decision.tests[0];
  const saves = test && test.saves > 0;
  const route = 'border-t-4 pt-2';
  return (
    <section aria-label="Two ways to go on" className="grid grid-cols-1 gap-x-10 gap-y-4 md:grid-cols-2">
      <div className={`${route} ${saves ? 'border-base-content/30' : 'border-primary'}`} data-testid="act-at-once">
        <p className="type-label">Act at once</p>
        <p className="text-4xl type-sign">{moneyText(best.cost, prices)}</p>
        <p className="text-lg leading-snug">
          {ACTIONS[best.action].says}. It cures the car with {percent(best.p_cured)}.
        </p>
      </div>
      <div className={`${route} ${saves ? 'border-primary' : 'border-base-content/30'}`} data-testid="test-first">
        <p className="type-label">Test first</p>
        {test && decision.testFirst !== null ? (
          <>
            <p className="text-4xl type-sign">{moneyText(decision.testFirst, prices)}</p>
            <p className="text-lg leading-snug">
              {say(test.proposal.item.ask)}, about {test.proposal.item.minutes} min.{' '}
              {saves
                ? `Saves ${moneyText(test.saves, prices)} on average.`
                : 'No answer would change the choice enough to pay for the time.'}
            </p>
          </>
        ) : (
          <p className="text-lg leading-snug">No test is open that would tell anything.</p>
        )}
      </div>
    </section>
  );
}

/** Cautions that belong to a proposed test. */
const TEST_CAUTIONS: Readonly<Record<string, readonly CautionId[]>> = {
  'bench-thermostat': ['bench-water'],
  'rev-test': ['revving-in-place', 'belts-and-fan', 'carbon-monoxide'],
  'fan-cuts-in': ['stay-with-it', 'carbon-monoxide', 'fan-starts-alone'],
  'housing-infrared': ['no-hot-hoses'],
  'hose-hot-both': ['no-hot-hoses'],
  'unplug-rails': ['key-off-before-unplugging'],
  'road-steady': ['driver-drives', 'suspect-car'],
};

function TestTable({ tests }: { tests: readonly TestWorth[] }) {
  const { prices } = usePrices();
  const { say } = useUnits();
  return (
    <section aria-labelledby="tests-title">
      <h2 id="tests-title" className="text-2xl type-sign">
        Tests by what they save
      </h2>
      <ul className="mt-2" data-testid="tests">
        {tests.slice(0, TESTS_SHOWN).map((t) => (
          <li key={t.proposal.item.id} className="border-t border-base-content/15 py-2">
            <p className="flex gap-4">
              <span className="flex-1 font-semibold">{say(t.proposal.item.ask)}</span>
              <span className="whitespace-nowrap">
                {t.saves > 0 ? <strong>saves {moneyText(t.saves, prices)}</strong> : 'saves nothing'}
                <span className="type-label">, {t.proposal.item.minutes} min</span>
              </span>
            </p>
            <Cautions className="mt-1" of={TEST_CAUTIONS[t.proposal.item.id] ?? []} />
            <div className="mt-1">
              <AnswerItem item={t.proposal.item.id} />
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What a person chooses, and why: it becomes an entry. */
function Choice({ first }: { first: ActionKind }) {
  const { job, vehicle } = useJob();
  const write = useWrite();
  const [action, setAction] = useState<ActionKind | null>(null);
  const [reason, setReason] = useState('');
  const chosen = action ?? first;
  const keep = async () => {
    const kept = await write(addEntry(job.id, { kind: 'decision', action: chosen, reason: reason.trim() }), {
      says: `Written down: ${ACTIONS[chosen].says.toLowerCase()}.`,
      undo: undoEntries,
    });
    if (kept !== null) setReason('');
  };
  return (
    <section aria-labelledby="choice-title">
      <h2 id="choice-title" className="text-2xl type-sign">
        Your choice
      </h2>
      <form
        className="mt-2 flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          void keep();
        }}
      >
        <select
          className="select w-80 max-w-full text-base"
          aria-label="What is chosen"
          value={chosen}
          onChange={(e) => setAction(e.target.value as ActionKind)}
        >
          {ACTION_KINDS.filter((k) => !actionSpec(k).onlyHeated || vehicle.vehicle.thermostat.heated).map((k) => (
            <option key={k} value={k}>
              {ACTIONS[k].says}
            </option>
          ))}
        </select>
        <input
          className="input min-w-64 flex-1 text-base"
          aria-label="Why"
          placeholder="Why: the customer needs it today"
          maxLength={400}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
        <button type="submit" className="btn btn-primary">
          Write it down
        </button>
      </form>
    </section>
  );
}

/** What to do about each cause that is in play. */
function Remedies() {
  const { now } = useJob().case;
  return (
    <section aria-labelledby="remedies-title">
      <h2 id="remedies-title" className="text-2xl type-sign">
        If it is this
      </h2>
      <dl className="mt-2" data-testid="remedies">
        {now
          .filter((o) => o.probability >= NAMED_FROM)
          .map(({ cause, probability }) => {
            const look = causeLook(cause);
            return (
              <div key={cause} className="border-t border-base-content/15 py-1.5">
                <dt className="flex items-center gap-2 font-semibold">
                  <Glyph shape={look.shape} colour={look.colour} size={12} /> {causeName(cause)} {percent(probability)}
                </dt>
                <dd className="leading-snug">{CAUSE_TEXT[cause].then}</dd>
              </div>
            );
          })}
      </dl>
    </section>
  );
}

/** Where workshops disagree about the choices at the top: both sides, and what settles it. */
function Schools({ actions }: { actions: readonly ActionKind[] }) {
  const shown = SCHOOLS.filter((s) => s.actions.length === 0 || s.actions.some((a) => actions.includes(a)));
  return <SchoolList schools={shown} />;
}

/** Where it is decided what to do: costs of the choices, worth of the tests, both schools, and the person's choice. */
export function DecideScreen() {
  const { decision } = useJob().case;
  const top = decision.actions.slice(0, 3).map((a) => a.action);
  return (
    <div className="px-5 pt-4 pb-16">
      <TwoRoutes />
      <div className="mt-7 grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]">
        <div className="space-y-8">
          <ActionTable actions={decision.actions} />
          <Choice key={top[0]} first={top[0]!} />
          <TestTable tests={decision.tests} />
        </div>
        <div className="space-y-8">
          <Remedies />
          <Schools actions={top} />
          <Cautions of={['maker-first']} />
        </div>
      </div>
    </div>
  );
}
