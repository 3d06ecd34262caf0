'use client';

import { pricesFor, type Figures } from '@/core/case';
import type { CatalogueItem, Stage } from '@/core/evidence';
import { testCost, testsLeft, type PracticeSheet } from '@/core/practice';
import { moneyText } from '@/job/money';
import { useUnits } from '@/ui/units';

const STAGE_NAME: Readonly<Partial<Record<Stage, string>>> = {
  'cold-look': 'Cold, bonnet open',
  'key-on': 'Key on',
  running: 'Running',
  bench: 'On the bench',
};

/** Every test that can still be taken, with what it costs before its answer is known. */
export function TestsToTake({
  sheet,
  figures,
  onTake,
}: {
  sheet: PracticeSheet;
  figures: Figures;
  onTake: (item: CatalogueItem) => void;
}) {
  const { say } = useUnits();
  const prices = pricesFor(sheet.vehicle, figures.ownPrices);
  const left = testsLeft(sheet, figures);
  if (left.length === 0) return <p>Every test is taken. Drive it, or decide.</p>;
  return (
    <>
      {sheet.source.kind === 'job' && (
        <p className="text-sm">Of an own job only what was looked at there can be asked.</p>
      )}
      {(Object.keys(STAGE_NAME) as Stage[]).map((stage) => {
        const items = left.filter((item) => item.stage === stage);
        if (items.length === 0) return null;
        return (
          <section key={stage} aria-label={STAGE_NAME[stage]} className="mt-3 first:mt-0">
            <h3 className="font-bold">{STAGE_NAME[stage]}</h3>
            <ul>
              {items.map((item) => {
                const cost = testCost(item, prices);
                return (
                  <li key={item.id}>
                    <button
                      type="button"
                      className="flex min-h-11 w-full items-center gap-3 border-b border-base-content/15 py-1 text-left hover:bg-base-200"
                      onClick={() => onTake(item)}
                    >
                      <span className="min-w-0 flex-1 leading-snug">{say(item.ask)}</span>
                      <span className="type-label whitespace-nowrap">
                        {Math.round(cost.minutes)} min, {moneyText(cost.money, prices)}
                      </span>
                    </button>
                  </li>
                );
              })}
            </ul>
          </section>
        );
      })}
    </>
  );
}
