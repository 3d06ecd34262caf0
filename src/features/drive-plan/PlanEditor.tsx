'use client';

import { PhaseList, SOAKS } from '@/job/PhaseList';
import type { PlanRecord } from '@/storage/records';
import { QuantityInput } from '@/ui/QuantityInput';

/** Composes a drive from phases, with weather, heater, soak and stop limit. */
export function PlanEditor({ plan, onChange }: { plan: PlanRecord; onChange: (change: Partial<PlanRecord>) => void }) {
  return (
    <div>
      <PhaseList phases={plan.phases} onChange={(phases) => onChange({ phases })} />
      <div className="mt-2 grid grid-cols-2 gap-x-4 gap-y-2">
        <QuantityInput
          id="plan-ambient"
          label="Outside air"
          family="temperature"
          value={plan.ambient_c}
          digits={0}
          onChange={(v) => v !== null && !Number.isNaN(v) && onChange({ ambient_c: v })}
        />
        <QuantityInput
          id="plan-heater"
          label="Heater blower"
          family={null}
          unit="%"
          value={plan.heater_pct}
          digits={0}
          onChange={(v) => v !== null && !Number.isNaN(v) && onChange({ heater_pct: v })}
        />
        <div>
          <label className="block leading-tight font-semibold" htmlFor="plan-soak">
            Stood before
          </label>
          <select
            id="plan-soak"
            className="select mt-1 text-base"
            value={plan.startExcess_k}
            onChange={(e) => onChange({ startExcess_k: Number(e.target.value) })}
          >
            {SOAKS.map((s) => (
              <option key={s.startExcess_k} value={s.startExcess_k}>
                {s.name}
              </option>
            ))}
          </select>
        </div>
        <QuantityInput
          id="plan-altitude"
          label="Highest place"
          family={null}
          unit="m"
          value={plan.altitude_m ?? null}
          digits={0}
          hint="empty: the shop’s"
          onChange={(v) => (v === null || !Number.isNaN(v)) && onChange({ altitude_m: v })}
        />
        <QuantityInput
          id="plan-limit"
          label="Stop at"
          family="temperature"
          value={plan.limit_c}
          digits={0}
          onChange={(v) => v !== null && !Number.isNaN(v) && onChange({ limit_c: v })}
        />
      </div>
    </div>
  );
}
