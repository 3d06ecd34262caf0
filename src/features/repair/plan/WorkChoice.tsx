'use client';

import { CAUSES } from '@/core/base';
import { ACTIONS, actionSpec, WORK, WORK_KINDS, type WorkKind } from '@/core/case';
import { causeName } from '@/core/evidence';
import { missingParts, OTHER_FAULTS, type FaultFound, type RepairSheet } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { useRepair } from '@/job/useRepair';
import { TextField } from '@/ui/TextField';

const OTHER_NAME: Readonly<Record<(typeof OTHER_FAULTS)[number], string>> = {
  leak: 'A leak',
  preventive: 'None: done ahead of time',
  'not-known': 'Not known yet',
};

/** Work that is planned, from the choice that was made, and the fault that was found: two different things. */
export function WorkChoice() {
  const { entries, vehicle, case: found } = useJob();
  const { sheet, change, put } = useRepair();
  const { plan } = sheet;
  const decision = entries.findLast((e) => e.kind === 'decision' && e.takenBack !== true);
  const chosen = decision?.kind === 'decision' ? decision.action : found.decision.actions[0]!.action;
  const planWorks = (works: readonly WorkKind[]) =>
    change((s): RepairSheet => {
      const next = { ...s.plan, works };
      const kept = next.parts.filter((p) => p.work === null || works.includes(p.work));
      const parts = [...kept, ...missingParts({ ...next, parts: kept }, vehicle.vehicle, () => crypto.randomUUID())];
      return { ...s, plan: { ...next, parts, minutesPlanned: next.minutesPlanned ?? actionSpec(chosen).minutes } };
    });
  const toggle = (kind: WorkKind) =>
    planWorks(plan.works.includes(kind) ? plan.works.filter((w) => w !== kind) : [...plan.works, kind]);
  const fromChoice = actionSpec(chosen).work;
  const offered = fromChoice.length > 0 && fromChoice.some((w) => !plan.works.includes(w));
  return (
    <section aria-labelledby="work-title">
      <h2 id="work-title" className="text-2xl type-sign">
        What is done
      </h2>
      {offered && (
        <p className="mt-2 flex flex-wrap items-center gap-3">
          <span>
            {decision ? 'Your choice' : 'Cheapest all told'}: <strong>{ACTIONS[chosen].says}</strong>
          </span>
          <button
            type="button"
            className="btn btn-primary"
            onClick={() => planWorks([...new Set([...plan.works, ...fromChoice])])}
          >
            Plan it
          </button>
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="Work planned">
        {WORK_KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            aria-pressed={plan.works.includes(kind)}
            className={`btn h-auto min-h-11 max-w-full whitespace-normal ${plan.works.includes(kind) ? 'btn-neutral' : 'border-base-content/25 btn-ghost'}`}
            onClick={() => toggle(kind)}
          >
            {WORK[kind].done}
          </button>
        ))}
      </div>
      <div className="mt-3 grid grid-cols-1 gap-4 sm:grid-cols-2">
        <label className="block">
          <span className="block leading-tight font-semibold">Fault found</span>
          <select
            className="select mt-1 w-full text-base"
            value={plan.fault ?? ''}
            onChange={(e) => put('plan', { fault: (e.target.value || null) as FaultFound | null })}
          >
            <option value="">Not said</option>
            {OTHER_FAULTS.map((f) => (
              <option key={f} value={f}>
                {OTHER_NAME[f]}
              </option>
            ))}
            {CAUSES.map((c) => (
              <option key={c} value={c}>
                {causeName(c)}
              </option>
            ))}
          </select>
          <span className="text-sm text-base-content/75">
            Not the part fitted: a missing seal is no stuck valve, a leak no warm-up fault.
          </span>
        </label>
        <TextField
          id="fault-words"
          label="In words"
          hint="seal swollen, seat clean"
          value={plan.faultWords}
          onText={(faultWords) => put('plan', { faultWords })}
        />
      </div>
    </section>
  );
}
