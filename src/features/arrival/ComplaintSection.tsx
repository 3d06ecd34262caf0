'use client';

import { Link } from '@/ui/Link';
import { saidBefore, standingAnswer, standingReading } from '@/core/case';
import { CATALOGUE, complaintConflicts } from '@/core/evidence';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { MeasuredField } from '@/job/MeasuredField';
import { useKeep } from '@/job/useKeep';
import { giveAnswer } from '@/storage/entries';
import { changeJobText } from '@/storage/jobs';
import { Caution } from '@/ui/Caution';
import { SavedText } from '@/ui/SavedText';

const STATEMENTS = CATALOGUE.filter((item) => item.stage === 'complaint');

/** The complaint as short plain statements, each a piece of evidence, with conditions and free words beside. */
export function ComplaintSection() {
  const { job, entries, vehicle } = useJob();
  const keep = useKeep();
  const given = STATEMENTS.filter((s) => standingAnswer(entries, s.id)?.answer === 'yes').map((s) => s.id);
  const before = saidBefore(entries);
  const doubtful = given.includes('complaint-gauge-disagrees') || given.includes('complaint-needle-jumps');
  return (
    <section aria-labelledby="complaint-title">
      <h2 id="complaint-title" className="text-2xl type-sign">
        What the customer says
      </h2>
      <ul className="mt-2 grid grid-cols-1 gap-x-6 md:grid-cols-2">
        {STATEMENTS.map((item) => {
          const on = given.includes(item.id);
          return (
            <li key={item.id} className="border-b border-base-content/15">
              <button
                type="button"
                role="checkbox"
                aria-checked={on}
                title={item.reason}
                className={`flex min-h-12 w-full items-center gap-3 text-left leading-tight ${on ? 'font-bold' : ''}`}
                onClick={() => keep(() => giveAnswer(job.id, { kind: 'statement', item: item.id, answer: 'yes' }))}
              >
                <span
                  aria-hidden
                  className={`grid size-6 shrink-0 place-items-center border-2 border-base-content text-lg leading-none ${on ? 'bg-base-content text-base-100' : ''}`}
                >
                  {on ? '✓' : ''}
                </span>
                {item.ask}
              </button>
            </li>
          );
        })}
      </ul>
      {before.length > 0 && (
        <p className="mt-2" data-testid="said-before">
          <span className="type-label">Before the work: </span>
          {STATEMENTS.filter((s) => before.includes(s.id))
            .map((s) => s.ask)
            .join('; ')}
          . Tick what is said of the car as it is now.
        </p>
      )}
      {complaintConflicts(given).map((says) => (
        <Caution key={says} role="alert" className="mt-3">
          {says}
        </Caution>
      ))}
      <div className="mt-4 grid grid-cols-1 gap-4 md:grid-cols-2">
        <SavedText
          id="complaint"
          label="In the customer’s words"
          value={job.complaint}
          rows={3}
          onSave={(to) => changeJobText(job.id, 'complaint', to)}
        />
        <SavedText
          id="conditions"
          label="When it happens"
          hint="Speed, load, heater, minutes from the start"
          value={job.conditions}
          rows={3}
          onSave={(to) => changeJobText(job.id, 'conditions', to)}
        />
      </div>
      <div className="mt-3">
        <MeasuredField
          name="outside"
          value="outside_c"
          place="complaint"
          label="Outside air when it happens"
          reading={standingReading(entries, 'outside', 'complaint')}
        />
      </div>
      <Cautions
        className="mt-4"
        of={[
          'screen-must-clear',
          ...(doubtful ? (['doubtful-gauge'] as const) : []),
          ...(given.includes('complaint-overheats') ? (['overheating-on-the-road', 'past-the-limit'] as const) : []),
          ...(vehicle.vehicle.engine.hybrid ? (['orange-cables'] as const) : []),
        ]}
      />
      <Link href={`/jobs/${job.id}/cold-look`} className="btn mt-5 btn-lg btn-primary">
        Go on to the cold look
      </Link>
    </section>
  );
}
