'use client';

import { addDays, format } from 'date-fns';
import { useState } from 'react';
import { newProof, type ProofVerdict } from '@/core/case';
import { useJob } from '@/job/JobProvider';
import type { ProofInHand } from '@/job/useProof';
import { useWrite } from '@/job/useWrite';
import { changeVehicle } from '@/storage/changeVehicle';
import { standingOf } from '@/storage/jobStanding';
import { signVerdict, undoVerdict } from '@/storage/proofs';
import type { JobStanding } from '@/storage/records';
import { TextField } from '@/ui/TextField';
import { useToast } from '@/ui/Toasts';
import { useUnits } from '@/ui/units';
import { learnInWorker } from '@/workers/client';

const VERDICTS: readonly { readonly key: ProofVerdict; readonly says: string; readonly then: string }[] = [
  { key: 'proven', says: 'Proven', then: 'The drive becomes the vehicle’s own baseline; the job is finished.' },
  { key: 'not-proven', says: 'Not proven yet', then: 'The job comes up again on the day below.' },
  { key: 'not-cured', says: 'Not cured', then: 'The odds stay open, with what was done taken into account.' },
];
/** Days until an unproven job is looked at again where nothing waits for a day. */
const AGAIN_DAYS = 3;
const dayText = (ms: number): string => format(ms, 'yyyy-MM-dd');

/** The day on which an unproven job is best looked at again. */
function dayAgain({ proposed }: ProofInHand, now: number): string {
  return dayText(proposed.due !== null && proposed.due > now ? proposed.due : addDays(now, AGAIN_DAYS).getTime());
}

/** Signs the verdict: proven needs the numbers, not proven a day. */
export function SignVerdict({ proof }: { proof: ProofInHand }) {
  const { job, vehicle } = useJob();
  const { say } = useUnits();
  const write = useWrite();
  const toast = useToast();
  const [chosen, setChosen] = useState<ProofVerdict | null>(null);
  const [now] = useState(() => Date.now());
  const [day, setDay] = useState<string | null>(null);
  const [by, setBy] = useState('');
  const [busy, setBusy] = useState(false);
  const { proposed, before, after } = proof;
  const verdict = chosen ?? proposed.verdict;
  const again = day ?? dayAgain(proof, now);
  const blocked = verdict === 'proven' && proposed.verdict !== 'proven';
  const standing = (): JobStanding =>
    verdict === 'proven'
      ? { state: 'finished' }
      : verdict === 'not-cured'
        ? { state: 'to-look-at' }
        : standingOf('look-again', again, now);
  /** The drive that proved it becomes what later drives of this vehicle are held against. */
  const learn = async () => {
    if (!after || vehicle.goodTraceIds.includes(after.record.id)) return null;
    const learned = await learnInWorker(after.record.trace, vehicle.vehicle, vehicle.memory);
    if (!learned.ok) {
      toast({ kind: 'error', text: 'Signed, but the drive could not be kept as the baseline. Keep it under Trace.' });
      return null;
    }
    const goodTraceIds = [...vehicle.goodTraceIds, after.record.id];
    return write(changeVehicle(vehicle.id, { memory: learned.value, goodTraceIds }, true));
  };
  const sign = async () => {
    setBusy(true);
    const text = (verdict === 'proven' ? proposed.shows : proposed.lacks).join('; ');
    const entry = newProof({
      ...{ item: 'verdict', answer: verdict, text, by: by.trim() },
      ...{ traceId: after?.record.id ?? '', beforeId: before?.record.id ?? '' },
    });
    const signed = await write(signVerdict(job.id, entry, standing()));
    const baseline = signed && verdict === 'proven' ? await learn() : null;
    setBusy(false);
    if (!signed) return;
    const undo = async () => {
      if (baseline) await write(changeVehicle(vehicle.id, baseline, true));
      await write(undoVerdict(signed));
    };
    toast({
      kind: 'info',
      text: `Signed: ${VERDICTS.find((v) => v.key === verdict)!.says.toLowerCase()}.${baseline ? ` The drive is ${vehicle.plate}’s baseline now.` : ''}`,
      action: { label: 'Undo', run: () => void undo() },
    });
  };
  return (
    <section aria-labelledby="sign-title" className="print:hidden" data-testid="sign">
      <h2 id="sign-title" className="text-2xl type-sign">
        Sign the verdict
      </h2>
      <div role="group" aria-label="Verdict" className="mt-2 flex flex-wrap gap-2">
        {VERDICTS.map(({ key, says }) => (
          <button
            key={key}
            type="button"
            aria-pressed={verdict === key}
            className={`btn min-h-14 text-lg ${verdict === key ? 'btn-neutral' : 'btn-outline'}`}
            onClick={() => setChosen(key)}
          >
            {says}
          </button>
        ))}
      </div>
      <p className="mt-2 leading-snug" data-testid="sign-says">
        {blocked
          ? `Proven needs numbers. Missing: ${say(proposed.lacks.join('; '))}.`
          : VERDICTS.find((v) => v.key === verdict)!.then}
      </p>
      <form
        className="mt-2 flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          void sign();
        }}
      >
        {verdict === 'not-proven' && (
          <TextField id="again-on" label="Look again on" type="date" className="w-44" value={again} onText={setDay} />
        )}
        <TextField id="signed-by" label="Signed by" className="w-56" hint="name" value={by} onText={setBy} />
        <button type="submit" className="btn min-h-12 btn-primary" disabled={busy || blocked || by.trim() === ''}>
          {busy ? 'Signing' : 'Sign'}
        </button>
      </form>
    </section>
  );
}
