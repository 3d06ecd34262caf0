'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { X } from 'lucide-react';
import { useForm } from 'react-hook-form';
import { object, string } from 'yup';
import type { VehicleRecord } from '@/storage/records';
import { useKeep } from '@/job/useKeep';
import { useWrite } from '@/job/useWrite';
import { changeParts } from '@/storage/vehicles';

const partSchema = object({
  part: string().trim().required('Name the part.').max(80),
  when: string().trim().max(40).default(''),
  detail: string().trim().max(120).default(''),
});

/** Parts replaced so far, with rating and date as far as known. */
export function PartsSection({ vehicle }: { vehicle: VehicleRecord }) {
  const keep = useKeep();
  const write = useWrite();
  const form = useForm({ resolver: yupResolver(partSchema), defaultValues: { part: '', when: '', detail: '' } });
  const add = form.handleSubmit(async (part) => {
    const kept = await write(changeParts(vehicle.id, (parts) => [part, ...parts]));
    if (kept !== null) form.reset();
  });
  return (
    <section>
      <h2 className="text-2xl type-sign">Parts replaced</h2>
      <form noValidate className="mt-2 grid grid-cols-[1.2fr_0.8fr_1.2fr_auto] gap-2" onSubmit={(e) => void add(e)}>
        <input
          className="input w-full"
          aria-label="Part"
          placeholder="Thermostat"
          list="part-names"
          {...form.register('part')}
        />
        <datalist id="part-names">
          {['Thermostat', 'Coolant temperature sender', 'Gauge sender', 'Water pump', 'Radiator', 'Fan', 'Cap'].map(
            (p) => (
              <option key={p} value={p} />
            ),
          )}
        </datalist>
        <input className="input w-full" aria-label="When" placeholder="2025-11" {...form.register('when')} />
        <input
          className="input w-full"
          aria-label="Rating or make"
          placeholder="88 °C, pattern"
          {...form.register('detail')}
        />
        <button type="submit" className="btn">
          Add
        </button>
      </form>
      <p role="alert" className="min-h-6 text-sm text-error">
        {form.formState.errors.part?.message}
      </p>
      <ul>
        {vehicle.parts.map((p, i) => (
          <li key={i} className="flex items-center gap-3 border-t border-base-content/15">
            <span className="flex-1">
              <span className="font-semibold">{p.part}</span>, {p.when || 'date not known'}
              {p.detail && `, ${p.detail}`}
            </span>
            <button
              type="button"
              className="btn btn-square btn-ghost btn-sm"
              aria-label={`Remove ${p.part}`}
              onClick={() =>
                keep(() => changeParts(vehicle.id, (parts) => parts.filter((_, k) => k !== i)), {
                  says: `${p.part} removed.`,
                  undo: (before) => changeParts(vehicle.id, () => before),
                })
              }
            >
              <X aria-hidden className="size-4" />
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
