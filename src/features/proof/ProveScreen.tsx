'use client';

import { format } from 'date-fns';
import { Link } from '@/ui/Link';
import { WORK, type ProofEntry, type ProofVerdict } from '@/core/case';
import { figureOf } from '@/core/proof';
import { causeLook } from '@/job/causeLook';
import { useJob } from '@/job/JobProvider';
import { percent } from '@/job/jobWords';
import { PrintHead } from '@/job/PrintHead';
import { SchoolList } from '@/job/SchoolList';
import { useFeatureFigure } from '@/job/useFeatureFigure';
import { useProof, type ProofInHand } from '@/job/useProof';
import { useUnits } from '@/ui/units';
import { AcceptanceList } from './AcceptanceList';
import { BeforeAfter } from './BeforeAfter';
import { ProofPlanView } from './ProofPlanView';
import { PROOF_SCHOOLS } from './proofSchools';
import { SignVerdict } from './SignVerdict';

const VERDICT_TEXT: Readonly<Record<ProofVerdict, string>> = {
  proven: 'Proven',
  'not-proven': 'Not proven yet',
  'not-cured': 'Not cured',
};
/** The same of a car on which nothing was done. */
const AS_IT_IS_TEXT: Readonly<Record<ProofVerdict, string>> = {
  proven: 'Sound as it is',
  'not-proven': 'Not shown sound yet',
  'not-cured': 'Not sound',
};
const VERDICT_COLOUR: Readonly<Record<ProofVerdict, string>> = {
  proven: causeLook('healthy').colour,
  'not-proven': 'var(--color-base-content)',
  'not-cured': 'var(--color-error)',
};

/** The level that it holds, before and after: the number that matters. */
function HeldLevel({ proof }: { proof: ProofInHand }) {
  const figure = useFeatureFigure()('°C');
  const { before, after, pair } = proof;
  const is = after?.look ? figureOf(after.look, 'plateau').told : null;
  if (!is) return null;
  const was = before?.look ? figureOf(before.look, 'plateau').told : null;
  const change = pair?.changes.find((c) => c.name === 'plateau');
  const at = (v: number) => figure.value(v).toFixed(0);
  return (
    <div data-testid="held-level">
      <p className="type-label">Level it holds{was ? ', before and after' : ''}</p>
      <p className="text-5xl type-sign whitespace-nowrap">
        {was && <span className="text-base-content/60">{at(was.value)} → </span>}
        {at(is.value)} {figure.unit}
      </p>
      {change && (
        <p className="text-sm">
          {change.change < 0 ? '−' : '+'}
          {Math.abs(figure.sd(change.change)).toFixed(1)} ± {figure.sd(change.sd).toFixed(1)}{' '}
          {figure.unit.replace('°C', 'K')}
        </p>
      )}
    </div>
  );
}

/** What the figures allow to be said, and what it lacks. */
function Standing({ proof, signed }: { proof: ProofInHand; signed: ProofEntry | null }) {
  const { say } = useUnits();
  const { proposed, judging, measuring, failed, works, after } = proof;
  const { job, case: found } = useJob();
  return (
    <div className="flex flex-wrap items-start gap-x-10 gap-y-3">
      <div className="min-w-72 flex-1">
        <p className="type-label">By the figures, the {works.length > 0 ? 'repair' : 'car'} is</p>
        <p
          className="text-5xl type-sign"
          data-testid="proof-verdict"
          style={{ color: VERDICT_COLOUR[proposed.verdict] }}
        >
          {(works.length > 0 ? VERDICT_TEXT : AS_IT_IS_TEXT)[proposed.verdict]}
        </p>
        {signed && (
          <p className="font-semibold" data-testid="signed">
            Signed {VERDICT_TEXT[signed.answer as ProofVerdict].toLowerCase()} by {signed.by},{' '}
            {format(signed.at, 'd MMM yyyy')}
          </p>
        )}
        <p className="mt-1">
          {works.map((w) => WORK[w.work].done).join('; ') || 'Nothing was done to the car'}. Sound now with{' '}
          {percent(proposed.sound)}.
        </p>
        {found.separability && !found.separability.separable && (
          <p className="mt-1 border-l-4 border-warning pl-3" data-testid="proof-separable">
            {found.separability.says}
          </p>
        )}
        {measuring && <p className="type-label">Measuring the drives.</p>}
        {judging && <p className="type-label">A drive waits for the judge: the odds follow when it is through.</p>}
        {failed !== null && (
          <p role="alert" className="text-error">
            A drive could not be measured: {failed}
          </p>
        )}
        {proposed.lacks.length > 0 && (
          <ul className="mt-2 list-disc pl-5 leading-snug" data-testid="proof-lacks">
            {proposed.lacks.map((l) => (
              <li key={l}>{say(l)}</li>
            ))}
          </ul>
        )}
        {proposed.verdict === 'not-cured' && (
          <p className="mt-2 leading-snug" data-testid="not-cured">
            What was replaced is taken into account: now it is {found.headline.text.toLowerCase()}
            {found.headline.share === null ? '' : `, ${percent(found.headline.share)}`}.{' '}
            <Link className="underline underline-offset-4" href={`/jobs/${job.id}/decide`}>
              Decide anew
            </Link>
          </p>
        )}
        {after === null && works.length > 0 && (
          <p className="mt-2">Drive it as below, then drop the log anywhere on this job.</p>
        )}
      </div>
      <HeldLevel proof={proof} />
    </div>
  );
}

/** The proof of a repair: before against after, the acceptance in its order, and the verdict that is signed. */
export function ProveScreen() {
  const { job, entries } = useJob();
  const proof = useProof();
  const signed =
    entries.findLast((e): e is ProofEntry => e.kind === 'proof' && e.item === 'verdict' && e.takenBack !== true) ??
    null;
  const stands = signed && proof.works.every((w) => w.at <= signed.at) ? signed : null;
  return (
    <div className="px-5 pt-4 pb-16">
      <PrintHead title="Proof" log={proof.after?.record.fileName ?? ''} />
      <div className="grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1.45fr)_minmax(0,1fr)]">
        <div className="flex min-w-0 flex-col gap-6">
          <Standing proof={proof} signed={stands} />
          {proof.after === null && <ProofPlanView proof={proof.plan} />}
          <BeforeAfter proof={proof} />
          <SignVerdict key={stands?.id ?? ''} proof={proof} />
          {stands && (
            <p className="flex flex-wrap gap-3 print:hidden">
              <Link className="btn btn-primary" href={`/jobs/${job.id}/report`}>
                Report for the customer
              </Link>
              <Link className="btn" href={`/jobs/${job.id}/report/close`}>
                Hand over and close
              </Link>
            </p>
          )}
          {proof.after !== null && <ProofPlanView proof={proof.plan} />}
        </div>
        <div className="flex min-w-0 flex-col gap-6">
          <AcceptanceList rows={proof.rows} />
          <SchoolList schools={PROOF_SCHOOLS} />
        </div>
      </div>
    </div>
  );
}
