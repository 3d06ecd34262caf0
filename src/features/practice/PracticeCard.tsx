'use client';

import { stepCost, testAsks, type PracticeSheet, type PracticeStep } from '@/core/practice';
import { pricesFor, actionSpec, type Figures } from '@/core/case';
import { causeName, findItem } from '@/core/evidence';
import { PHASE_NAME } from '@/core/planning';
import { percent } from '@/job/jobWords';
import { moneyText } from '@/job/money';
import { useUnits } from '@/ui/units';

const saysOf = (item: string, answer: string): string =>
  findItem(item)?.answers.find((a) => a.key === answer)?.says ?? answer;

/** What stands on the card when the car comes in. */
export function PracticeCard({ sheet }: { sheet: PracticeSheet }) {
  const { say, show, showTemperature } = useUnits();
  const { vehicle, given, ambient_c } = sheet;
  const of = (stage: string) => given.filter((g) => findItem(g.item)?.stage === stage);
  const complaints = of('complaint');
  const codes = of('code');
  return (
    <section aria-label="Job card" data-testid="practice-card">
      <p className="text-2xl type-sign leading-tight">
        {complaints.length === 0
          ? 'Yearly check, nothing noticed.'
          : complaints.map((g) => say(testAsks(g.item))).join('. ')}
      </p>
      <p className="mt-1 font-semibold">
        {codes.length === 0 ? 'No code stored.' : codes.map((g) => `${say(testAsks(g.item))}.`).join(' ')}
      </p>
      <p className="mt-1 type-label">
        {vehicle.label}
        {vehicle.engine.hybrid ? ', hybrid' : ''}, thermostat {showTemperature(vehicle.thermostat.rated_c)} at the{' '}
        {vehicle.thermostat.location}
        {vehicle.thermostat.heated ? ', heated' : ''}, {show('volume', vehicle.coolant.volume_l, 1)} coolant, fan{' '}
        {vehicle.fan.kind}
        {ambient_c === null ? '' : `; outside ${showTemperature(ambient_c)}`}
      </p>
    </section>
  );
}

function StepWords({ step }: { step: PracticeStep }) {
  const { say } = useUnits();
  switch (step.kind) {
    case 'test':
      return (
        <>
          {say(testAsks(step.item))}: <strong>{say(saysOf(step.item, step.answer))}</strong>
        </>
      );
    case 'drive':
      return (
        <>
          Logged drive:{' '}
          {step.plan.phases
            .map((p) => `${PHASE_NAME[p.kind].toLowerCase()} ${Math.round(p.duration_s / 60)}`)
            .join(', ')}{' '}
          min
        </>
      );
    case 'repair':
      return (
        <>
          {actionSpec(step.action).says}, as {causeName(step.cause).toLowerCase()} at {percent(step.certainty)}:{' '}
          <strong>{step.cured ? 'cured' : 'not cured, the customer is back'}</strong>
        </>
      );
  }
}

/** What was done so far, each with what it cost. */
export function PracticeSteps({ sheet, figures }: { sheet: PracticeSheet; figures: Figures }) {
  const prices = pricesFor(sheet.vehicle, figures.ownPrices);
  if (sheet.steps.length === 0) return <p className="mt-2">Nothing done yet: every test, drive and part costs.</p>;
  return (
    <ol className="mt-2" data-testid="practice-steps">
      {sheet.steps.map((step) => {
        const cost = stepCost(step, prices);
        return (
          <li key={step.id} className="flex items-baseline gap-3 border-b border-base-content/15 py-1.5">
            <span className="min-w-0 flex-1">
              <StepWords step={step} />
            </span>
            <span className="text-right type-label whitespace-nowrap">
              {Math.round(cost.minutes)} min, {moneyText(cost.money, prices)}
            </span>
          </li>
        );
      })}
    </ol>
  );
}
