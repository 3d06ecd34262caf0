'use client';

import { format } from 'date-fns';
import { Check, Clock, Minus, X } from 'lucide-react';
import { useState } from 'react';
import { LEFT_OUT, newProof, proofItem } from '@/core/case';
import type { CautionId } from '@/core/cautions';
import type { AcceptanceItem, AcceptanceRow, AcceptanceState } from '@/core/proof';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { useKeep } from '@/job/useKeep';
import { giveProof, undoEntries } from '@/storage/entries';
import { AnswerButtons } from '@/ui/AnswerButtons';
import { useUnits } from '@/ui/units';

const STATE_WORD: Readonly<Record<AcceptanceState, string>> = {
  met: 'met',
  failed: 'failed',
  open: 'open',
  waits: 'not yet',
  'left-out': 'left out',
  'not-needed': 'not needed',
};
const STATE_LOOK: Readonly<Record<AcceptanceState, string>> = {
  met: 'border-success bg-success text-success-content',
  failed: 'border-error bg-error text-error-content',
  open: 'border-base-content/60',
  waits: 'border-base-content/60',
  'left-out': 'border-base-content/40 bg-base-300',
  'not-needed': 'border-base-content/20',
};
const MARK: Readonly<Partial<Record<AcceptanceState, typeof Check>>> = {
  met: Check,
  failed: X,
  waits: Clock,
  'left-out': Minus,
};
/** Cautions that stand where the hands are. */
const ITEM_CAUTIONS: Readonly<Partial<Record<AcceptanceItem, readonly CautionId[]>>> = {
  washed: ['cover-before-rinsing', 'no-solvent'],
  'leaks-hot': ['never-open-hot', 'fan-starts-alone', 'belts-and-fan'],
  'codes-saved': ['save-before-clearing'],
  'fan-cycled': ['stay-with-it', 'carbon-monoxide', 'fan-starts-alone'],
  'cabin-heat': ['screen-must-clear'],
};

/** The mark of a state, with its word for those who do not see it. */
function StateMark({ state }: { state: AcceptanceState }) {
  const Icon = MARK[state];
  return (
    <span className={`mt-0.5 flex size-7 shrink-0 items-center justify-center border-2 ${STATE_LOOK[state]}`}>
      {Icon && <Icon aria-hidden className="size-5" strokeWidth={3} />}
      <span className="sr-only">{STATE_WORD[state]}</span>
    </span>
  );
}

/** Leaves an item out, with the reason. */
function LeaveOut({ onReason }: { onReason: (reason: string) => void }) {
  const [reason, setReason] = useState<string | null>(null);
  if (reason === null) {
    return (
      <button type="button" className="min-h-11 px-2 underline underline-offset-4" onClick={() => setReason('')}>
        leave out
      </button>
    );
  }
  return (
    <form
      className="flex min-w-64 flex-1 gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (reason.trim() === '') return;
        onReason(reason.trim());
        setReason(null);
      }}
    >
      <input
        className="input flex-1 text-base"
        aria-label="Why it is left out"
        placeholder="Why: no tester in the shop"
        maxLength={400}
        autoFocus
        value={reason}
        onChange={(e) => setReason(e.target.value)}
      />
      <button type="submit" className="btn" disabled={reason.trim() === ''}>
        Leave out
      </button>
    </form>
  );
}

function Row({ row, answer }: { row: AcceptanceRow; answer: string | null }) {
  const { job } = useJob();
  const { say } = useUnits();
  const keep = useKeep();
  const [changing, setChanging] = useState(false);
  const { ask, answers } = proofItem(row.item);
  const give = (key: string, text = '') => {
    setChanging(false);
    keep(() => giveProof(job.id, newProof({ item: row.item, answer: key, text })), {
      says: `${ask.split(/[:,]/)[0]}: ${key === LEFT_OUT ? 'left out' : (answers[key] ?? key)}.`,
      undo: undoEntries,
    });
  };
  const unsettled = row.state === 'open' || row.state === 'waits';
  const asks = (unsettled && row.state !== 'waits') || changing;
  /** What is settled stands in one line: the eye goes to what is open. */
  const short = (row.state === 'met' || row.state === 'left-out') && !changing;
  return (
    <li className="border-t border-base-content/15 py-2" data-testid={`accept-${row.item}`} data-state={row.state}>
      <div className="flex gap-3">
        <StateMark state={row.state} />
        <div className="min-w-0 flex-1 leading-snug">
          <p className="flex items-baseline gap-2">
            <span className={unsettled || row.state === 'failed' ? 'font-semibold' : ''}>
              {short ? `${ask.split(/[:,]/)[0]}: ` : ask}
              {short && <strong>{say(row.says)}</strong>}
              {short && answer !== null && (
                <button
                  type="button"
                  className="ml-2 tap underline underline-offset-4 print:hidden"
                  onClick={() => setChanging(true)}
                >
                  change
                </button>
              )}
            </span>
            {row.at !== null && (
              <span className="ml-auto type-label whitespace-nowrap">{format(row.at, 'd MMM, HH:mm')}</span>
            )}
            {row.at === null && row.state === 'waits' && row.due !== null && (
              <span className="ml-auto type-label whitespace-nowrap">from {format(row.due, 'EEE d MMM')}</span>
            )}
          </p>
          {row.says !== '' && !short && (
            <p className={row.state === 'failed' ? 'font-semibold text-error' : 'text-base-content/80'}>
              {say(row.says)}
            </p>
          )}
          {unsettled && <Cautions className="mt-1" of={ITEM_CAUTIONS[row.item] ?? []} />}
          <div className={`flex flex-wrap items-center gap-2 print:hidden ${short ? '' : 'mt-1'}`}>
            {asks && row.byHand && (
              <AnswerButtons
                label={ask}
                answers={Object.entries(answers).map(([key, says]) => ({ key, says }))}
                chosen={answer}
                onChoose={(key) => give(key)}
              />
            )}
            {asks && <LeaveOut onReason={(reason) => give(LEFT_OUT, reason)} />}
            {!asks && !short && (answer !== null || row.state === 'waits') && (
              <button type="button" className="tap underline underline-offset-4" onClick={() => setChanging(true)}>
                {answer === null ? 'answer it now' : 'change'}
              </button>
            )}
          </div>
        </div>
      </div>
    </li>
  );
}

/** The acceptance in the order of the work: what is met, what is open, what waits for its day. */
export function AcceptanceList({ rows }: { rows: readonly AcceptanceRow[] }) {
  const { entries } = useJob();
  const needed = rows.filter((r) => r.state !== 'not-needed');
  const done = needed.filter((r) => r.state === 'met' || r.state === 'left-out').length;
  const last = entries.findLastIndex((e) => e.kind === 'work' && e.takenBack !== true);
  const answerOf = (item: AcceptanceItem) => {
    const said = entries.slice(last + 1).findLast((e) => e.kind === 'proof' && e.item === item && e.takenBack !== true);
    return said?.kind === 'proof' ? said.answer : null;
  };
  return (
    <section aria-labelledby="acceptance-title">
      <h2 id="acceptance-title" className="flex items-baseline gap-3 text-2xl type-sign">
        Acceptance
        <span className="text-base type-label" data-testid="accepted-count">
          {done} of {needed.length}
        </span>
      </h2>
      <ol className="mt-1" data-testid="acceptance">
        {needed.map((row) => (
          <Row key={row.item} row={row} answer={answerOf(row.item)} />
        ))}
      </ol>
    </section>
  );
}
