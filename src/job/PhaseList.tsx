'use client';

import { Plus, X } from 'lucide-react';
import { PHASE_KINDS, PHASE_NAME, PLAN_TEMPLATES, planLength_s } from '@/core/planning';
import type { PlanRecord } from '@/storage/records';

type Phases = PlanRecord['phases'];
type Phase = Phases[number];

/** Soaks a driver can name: engine above outside air at the start, K. */
export const SOAKS = [
  { startExcess_k: 0, name: 'a night' },
  { startExcess_k: 15, name: 'a few hours' },
  { startExcess_k: 45, name: 'half an hour' },
] as const;

/** Composes a drive from phases, from a known drive or one by one. */
export function PhaseList({ phases, onChange }: { phases: Phases; onChange: (phases: Phases) => void }) {
  const put = (i: number, phase: Phase) => onChange(phases.map((p, k) => (k === i ? phase : p)));
  return (
    <>
      <div className="flex items-center gap-2">
        <select
          aria-label="Start from a drive"
          className="select flex-1"
          value=""
          onChange={(e) => {
            const found = PLAN_TEMPLATES.find((t) => t.name === e.target.value);
            if (found) onChange(found.phases);
          }}
        >
          <option value="">Start from a drive</option>
          {PLAN_TEMPLATES.map((t) => (
            <option key={t.name}>{t.name}</option>
          ))}
        </select>
        <span className="text-xl type-sign whitespace-nowrap">{Math.round(planLength_s({ phases }) / 60)} min</span>
      </div>
      <ol className="mt-2">
        {phases.map((phase, i) => (
          <li key={i} className="flex items-center gap-2 border-b border-base-content/15 py-1">
            <select
              aria-label={`Phase ${i + 1}`}
              className="select min-w-0 flex-1 text-base"
              value={phase.kind}
              onChange={(e) => put(i, { ...phase, kind: e.target.value as Phase['kind'] })}
            >
              {PHASE_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {PHASE_NAME[kind]}
                </option>
              ))}
            </select>
            <input
              type="number"
              aria-label={`Minutes of phase ${i + 1}`}
              className="input w-18 text-right text-base"
              min={0.5}
              max={120}
              step={0.5}
              value={phase.duration_s / 60}
              onChange={(e) => put(i, { ...phase, duration_s: 60 * Number(e.target.value) })}
            />
            <span className="type-label">min</span>
            <button
              type="button"
              className="btn btn-square btn-ghost btn-sm"
              aria-label={`Remove phase ${i + 1}`}
              disabled={phases.length === 1}
              onClick={() => onChange(phases.filter((_, k) => k !== i))}
            >
              <X aria-hidden className="size-4" />
            </button>
          </li>
        ))}
      </ol>
      <button
        type="button"
        className="btn mt-1 btn-ghost btn-sm"
        onClick={() => onChange([...phases, { kind: 'idle', duration_s: 300 }])}
      >
        <Plus aria-hidden className="size-4" /> Add a phase
      </button>
    </>
  );
}
