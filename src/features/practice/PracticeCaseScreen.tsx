'use client';

import { Link } from '@/ui/Link';
import { useState } from 'react';
import type { Figures } from '@/core/case';
import type { ItemId } from '@/core/evidence';
import { pricesFor } from '@/core/case';
import type { DrivePlan } from '@/core/planning';
import { costSoFar, isCured, isOver, LEVELS, testTaken, type PracticeSheet } from '@/core/practice';
import { useFigures } from '@/job/useFigures';
import { moneyText } from '@/job/money';
import { JOB_DRIVE } from '@/job/practiceJobs';
import { useRunning } from '@/job/useRunning';
import type { PracticeKept } from '@/storage/practices';
import { drivePracticeInWorker } from '@/workers/planClient';
import { DecideHere, type Decided } from './DecideHere';
import { DriveHere } from './DriveHere';
import { DrivePicture } from './DrivePicture';
import { PracticeAnswer } from './PracticeAnswer';
import { PracticeCard, PracticeSteps } from './PracticeCard';
import { TestsToTake } from './TestsToTake';
import { useDrives } from './useDrives';
import { usePractice, type PracticeInHand } from './usePractice';
import { inWords } from './inWords';

const WAYS = [
  { key: 'test', says: 'Test' },
  { key: 'drive', says: 'Drive' },
  { key: 'decide', says: 'Decide' },
] as const;

const stamp = () => ({ id: crypto.randomUUID(), at: Date.now() });

/** What has been spent: the figures that every step moves. */
function Spent({ sheet, figures }: { sheet: PracticeSheet; figures: Figures }) {
  const { minutes, money } = costSoFar(sheet, figures);
  return (
    <p className="flex gap-6" data-testid="practice-spent">
      <span className="text-5xl type-sign">{Math.round(minutes)} min</span>
      <span className="text-5xl type-sign">{moneyText(money, pricesFor(sheet.vehicle, figures.ownPrices))}</span>
    </p>
  );
}

function NextStep({ kept, figures, put }: { kept: PracticeKept; figures: Figures; put: PracticeInHand['put'] }) {
  const { sheet, traces } = kept;
  const [way, setWay] = useState<(typeof WAYS)[number]['key']>('test');
  const driving = useRunning();
  const move: PracticeInHand['put'] = (change, logged) => put((s) => (isOver(s) ? s : change(s)), logged);
  const take = (id: ItemId) => move((s) => testTaken(s, id, stamp()));
  const drive = async (plan: DrivePlan) => {
    const step = { kind: 'drive' as const, ...stamp(), plan };
    const { source } = sheet;
    if (source.kind === 'job') {
      const trace = traces[JOB_DRIVE];
      if (trace)
        move(
          (s) =>
            s.steps.some((d) => d.kind === 'drive')
              ? s
              : { ...s, steps: [...s.steps, { ...step, finding: source.finding }] },
          { [step.id]: trace },
        );
      return;
    }
    const nth = sheet.steps.filter((s) => s.kind === 'drive').length;
    const trace = await driving.run(() => {
      const { result, cancel } = drivePracticeInWorker(sheet, plan, nth);
      return { result: inWords(result), cancel };
    });
    if (trace) move((s) => ({ ...s, steps: [...s.steps, { ...step, finding: null }] }), { [step.id]: trace });
  };
  const decide = (decided: Decided) =>
    move((s) => ({
      ...s,
      steps: [...s.steps, { kind: 'repair', ...stamp(), ...decided, cured: isCured(s, decided.action, figures) }],
    }));
  return (
    <section aria-label="What next">
      <div role="group" aria-label="What next" className="mb-3 flex border-b border-base-content/30">
        {WAYS.map(({ key, says }) => (
          <button
            key={key}
            type="button"
            aria-pressed={way === key}
            className={`-mb-px min-h-12 flex-1 border-b-4 text-lg ${way === key ? 'border-primary font-bold' : 'border-transparent hover:border-base-300'}`}
            onClick={() => setWay(key)}
          >
            {says}
          </button>
        ))}
      </div>
      {way === 'test' && <TestsToTake sheet={sheet} figures={figures} onTake={(item) => take(item.id)} />}
      {way === 'drive' && (
        <DriveHere
          sheet={sheet}
          figures={figures}
          jobTrace={traces[JOB_DRIVE]}
          work={driving}
          onDrive={(plan) => void drive(plan)}
        />
      )}
      {way === 'decide' && <DecideHere sheet={sheet} figures={figures} onDecide={decide} />}
    </section>
  );
}

function Case({ kept, put }: { kept: PracticeKept; put: PracticeInHand['put'] }) {
  const { sheet, traces } = kept;
  const figures = useFigures()?.figures;
  const judging = useDrives(kept, figures, put);
  if (!figures) return <p className="p-8 type-label">Loading</p>;
  const over = isOver(sheet);
  const drives = sheet.steps.filter((s) => s.kind === 'drive');
  const shown = drives.at(-1);
  const trace = shown && traces[shown.id];
  return (
    <div className="mx-auto max-w-6xl px-3 py-5 sm:px-5">
      <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
        <div>
          <p className="type-label">
            <Link href="/practice" className="tap underline underline-offset-4">
              Practice
            </Link>
            , {sheet.source.kind === 'drawn' ? LEVELS[sheet.source.level].says.toLowerCase() : 'from an own job'}
          </p>
          <h1 className="text-2xl type-sign">{sheet.vehicle.label}</h1>
        </div>
        <Spent sheet={sheet} figures={figures} />
      </div>
      {over && (
        <PracticeAnswer
          sheet={sheet}
          figures={figures}
          judging={judging}
          onResult={(result) => put((s) => ({ ...s, result }))}
        />
      )}
      <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
        <div>
          <PracticeCard sheet={sheet} />
          {!over && <PracticeSteps sheet={sheet} figures={figures} />}
          {trace && (
            <div className="mt-4">
              <DrivePicture
                trace={trace}
                vehicle={sheet.vehicle}
                ambient_c={sheet.ambient_c}
                finding={over ? shown.finding : null}
              />
            </div>
          )}
        </div>
        {!over && (
          <div>
            <NextStep kept={kept} figures={figures} put={put} />
            <button
              type="button"
              className="btn mt-6 btn-ghost btn-sm"
              onClick={() => put((s) => (isOver(s) ? s : { ...s, endedAt: Date.now() }))}
            >
              Give up and see the answer
            </button>
          </div>
        )}
      </div>
    </div>
  );
}

/** One practice case: the card, the tests, the drive, the decision; then what it was and what parted it from the rest. */
export function PracticeCaseScreen({ id }: { id: string }) {
  const { found, put } = usePractice(id);
  if (found === undefined) return <p className="p-8 type-label">Loading</p>;
  if (found === null || typeof found === 'string')
    return (
      <div className="mx-auto max-w-3xl px-5 py-10">
        <h1 className="text-3xl type-sign">This case is not here</h1>
        <p className="mt-2">{found ?? 'It was deleted, or it lies in another browser.'}</p>
        <Link href="/practice" className="btn mt-4">
          Practice
        </Link>
      </div>
    );
  return <Case kept={found} put={put} />;
}
