'use client';

import type { ClosingSheet, NextDue } from '@/core/closing';
import { useJob } from '@/job/JobProvider';
import type { ClosingInHand } from '@/job/useClosing';
import { changeClosing } from '@/storage/closings';
import { RangedInput } from '@/ui/RangedInput';
import { SavedText } from '@/ui/SavedText';
import { TextField } from '@/ui/TextField';
import { MOST_KM } from './mostKm';

/** What is due next, and what the next one who has this car should know. */
export function NextTime({ inHand }: { inHand: ClosingInHand }) {
  const { job } = useJob();
  const { closing, put } = inHand;
  const due = (to: Partial<NextDue>) => put((now) => ({ nextDue: { ...now.nextDue, ...to } }));
  const text = (key: 'notesNext' | 'toWatch') => (to: (kept: string) => string) =>
    changeClosing(job.id, (s): ClosingSheet => ({ ...s, [key]: to(s[key]) }));
  return (
    <section aria-labelledby="next-title" className="print:hidden">
      <h2 id="next-title" className="text-2xl type-sign">
        Next time
      </h2>
      <div className="mt-2 flex flex-wrap gap-4">
        <TextField
          id="due-what"
          label="Due next"
          className="w-64"
          hint="coolant by the handbook"
          value={closing.nextDue.what}
          onText={(what) => due({ what })}
        />
        <TextField
          id="due-on"
          label="On"
          type="date"
          className="w-44"
          value={closing.nextDue.on}
          onText={(on) => due({ on })}
        />
        <RangedInput
          id="due-km"
          label="Or at"
          family="distance"
          digits={0}
          value={closing.nextDue.at_km}
          low={0}
          high={MOST_KM}
          onValue={(at_km) => due({ at_km })}
          onEmptied={() => due({ at_km: null })}
        />
        <TextField
          id="due-source"
          label="By whose word"
          className="w-52"
          hint="handbook, page"
          value={closing.nextDue.source}
          onText={(source) => due({ source })}
        />
      </div>
      <div className="mt-3 grid grid-cols-1 gap-4 md:grid-cols-2">
        <SavedText
          id="notes-next"
          label="For next time on this vehicle"
          hint="hidden screw, tool that fitted, what broke: it comes up at its next arrival"
          rows={3}
          value={closing.notesNext}
          onSave={text('notesNext')}
        />
        <SavedText
          id="to-watch"
          label="Told the customer to watch"
          hint="goes into the report"
          rows={3}
          value={closing.toWatch}
          onSave={text('toWatch')}
        />
      </div>
    </section>
  );
}
