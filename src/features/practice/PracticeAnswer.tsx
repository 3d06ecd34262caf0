'use client';

import { Link } from '@/ui/Link';
import { useEffect, useEffectEvent, useMemo } from 'react';
import type { Cause } from '@/core/base';
import { pricesFor, type Figures } from '@/core/case';
import { causeName } from '@/core/evidence';
import {
  actionSays,
  reviewOf,
  testAsks,
  WAY_TEXT,
  type PracticeResult,
  type PracticeSheet,
  type StepReview,
} from '@/core/practice';
import { causeLook } from '@/job/causeLook';
import { factorText, percent } from '@/job/jobWords';
import { moneyText } from '@/job/money';
import { Glyph } from '@/ui/Glyph';
import { useUnits } from '@/ui/units';

/** From this on a step parted the truth from its rival. */
const PARTED_FROM = 1.25;

const did = ({ step }: StepReview): string =>
  step.kind === 'test' ? testAsks(step.item) : step.kind === 'drive' ? 'Logged drive' : actionSays(step.action);

/** Whether a cause was named, or one that leads to the same act. */
const rightText = (cause: Cause, right: boolean, { truth }: PracticeSheet): string =>
  truth.causes.includes(cause) ? 'right' : right ? 'right, as the same is done' : 'wrong';

/** What one step was worth, in words. */
function worth({ step, parted }: StepReview): string {
  if (step.kind === 'repair') return step.cured ? 'cured' : 'not cured';
  if (step.kind === 'drive' && step.finding === null) return 'being judged';
  return parted < PARTED_FROM && parted > 1 / PARTED_FROM ? 'told nothing' : `the truth ${factorText(parted)}`;
}

function StepsTable({ steps }: { steps: readonly StepReview[] }) {
  const { say } = useUnits();
  if (steps.length === 0) return null;
  return (
    <table className="mt-2 w-full [&_td]:py-1.5 [&_td]:pr-3 [&_td]:align-top [&_th]:pr-3" data-testid="practice-review">
      <thead>
        <tr className="text-left text-sm">
          <th scope="col" className="font-normal">
            Step
          </th>
          <th scope="col" className="font-normal">
            What it did
          </th>
          <th scope="col" className="font-normal">
            Best test then
          </th>
        </tr>
      </thead>
      <tbody>
        {steps.map((s) => (
          <tr key={s.step.id} className="border-t border-base-content/15">
            <td>{say(did(s))}</td>
            <td className={s.parted >= PARTED_FROM ? 'font-semibold' : ''}>
              {worth(s)}
              {s.step.kind !== 'repair' && (
                <span className="block text-sm">
                  {percent(s.before)} to {percent(s.after)}
                </span>
              )}
            </td>
            <td className="text-sm">{s.better === null ? 'this, or enough known' : say(testAsks(s.better))}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What it was, what parted it from the rest, what would have been better, what the way cost. */
export function PracticeAnswer({
  sheet,
  figures,
  judging,
  onResult,
}: {
  sheet: PracticeSheet;
  figures: Figures;
  judging: number | null;
  /** Called once with what came of it, when every drive is judged. */
  onResult: (result: PracticeResult) => void;
}) {
  const { say } = useUnits();
  const review = useMemo(() => reviewOf(sheet, figures), [sheet, figures]);
  const isNew = judging === null && sheet.result === undefined;
  const keepResult = useEffectEvent(() => onResult(review.result));
  useEffect(() => {
    if (isNew) keepResult();
  }, [isNew]);
  const prices = pricesFor(sheet.vehicle, figures.ownPrices);
  const money = (amount: number) => moneyText(amount, prices);
  const [cause] = sheet.truth.causes;
  const look = causeLook(cause!);
  const way = WAY_TEXT[sheet.truth.way];
  const { first, varmekSays, score } = review.result;
  const { varmek } = review;
  return (
    <section aria-label="The answer" className="mt-4 border-y-2 border-base-content py-4" data-testid="practice-answer">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        <Glyph shape={look.shape} colour={look.colour} size={40} />
        <p className="text-5xl type-sign leading-none">{sheet.truth.causes.map(causeName).join(' or ')}</p>
        <p className="ml-auto text-5xl type-sign leading-none" data-testid="practice-score">
          {score} <span className="text-base">of 100</span>
        </p>
      </div>
      {way !== undefined && <p className="mt-1 text-lg">It was this: {way}.</p>}
      <dl className="mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1 text-lg">
        <dt>You</dt>
        <dd data-testid="practice-you">
          {first === null ? (
            'did not decide'
          ) : (
            <>
              <strong>{causeName(first.cause)}</strong> at {percent(first.certainty)}:{' '}
              {rightText(first.cause, first.right, sheet)}
            </>
          )}
        </dd>
        <dt>Varmek, on the same</dt>
        <dd>
          <strong>{causeName(varmekSays.cause)}</strong> at {percent(varmekSays.share)}:{' '}
          {rightText(varmekSays.cause, varmekSays.right, sheet)}
          {judging !== null && <span className="type-label"> (a drive is still being judged: {percent(judging)})</span>}
        </dd>
      </dl>
      <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)]">
        <div>
          <h2 className="text-2xl type-sign">What parted it from the rest</h2>
          <StepsTable steps={review.steps} />
          {review.steps.length === 0 && <p className="mt-1">Nothing was tested.</p>}
        </div>
        <div>
          <h2 className="text-2xl type-sign">What it cost</h2>
          <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-4 gap-y-1" data-testid="practice-cost">
            <dt>Your way</dt>
            <dd className="text-right font-bold">
              {Math.round(review.cost.minutes)} min, {money(review.cost.money)}
            </dd>
            <dt>Varmek&rsquo;s way, by tests alone</dt>
            <dd className="text-right">
              {Math.round(varmek.cost.minutes)} min, {money(varmek.cost.money)}
            </dd>
            <dt>The cure, by one who knew</dt>
            <dd className="text-right">
              {Math.round(review.cure.minutes)} min, {money(review.cure.money)}
            </dd>
          </dl>
          <p className="mt-2 text-sm leading-snug">
            Varmek&rsquo;s way:{' '}
            {[...varmek.tests.map((t) => say(testAsks(t))), ...varmek.actions.map(actionSays)].join('; ')}. 100 of 100
            is to be no dearer than it.
          </p>
          <Link href="/practice" className="btn mt-4 btn-primary">
            Another case
          </Link>
        </div>
      </div>
    </section>
  );
}
