'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { useLiveQuery } from 'dexie-react-hooks';
import { Link } from '@/ui/Link';
import { useRouter, useSearchParams } from 'next/navigation';
import { useState, type ChangeEvent } from 'react';
import { useForm } from 'react-hook-form';
import { object, string } from 'yup';
import { useWrite } from '@/job/useWrite';
import { addJob } from '@/storage/jobs';
import type { VehicleRecord } from '@/storage/records';
import { listVehicles } from '@/storage/vehicles';
import { dropDraft, keepDraft, readDraft } from '@/ui/draft';

/** Where the customer's words wait while a vehicle is added. */
const DRAFT = 'new job';

const schema = object({
  vehicleId: string().required('Choose the vehicle, or add it first.'),
  complaint: string().trim().max(2000, 'Keep it under 2000 characters.').default(''),
});

/** A new job: which vehicle, and what the customer says. */
export function NewJobScreen() {
  const vehicles = useLiveQuery(listVehicles, []);
  // The form waits for its choices: a select cannot hold a value that it does not offer yet.
  return vehicles === undefined ? <p className="p-8 type-label">Loading</p> : <NewJobForm vehicles={vehicles} />;
}

function NewJobForm({ vehicles }: { vehicles: readonly VehicleRecord[] }) {
  const wanted = useSearchParams().get('vehicle') ?? '';
  const write = useWrite();
  const router = useRouter();
  // What was typed before a vehicle is added waits for the way back.
  const [typed] = useState(() => readDraft(DRAFT) ?? '');
  const form = useForm({ resolver: yupResolver(schema), defaultValues: { vehicleId: wanted, complaint: typed } });
  const { errors, isSubmitting } = form.formState;
  const submit = form.handleSubmit(async (fields) => {
    const added = await write(addJob(fields));
    if (!added) return;
    dropDraft(DRAFT, form.getValues('complaint') ?? '');
    router.push(`/jobs/${added.id}/arrival`);
  });
  return (
    <form noValidate onSubmit={(e) => void submit(e)} className="mx-auto max-w-2xl px-5 py-8">
      <h1 className="text-4xl type-sign">New job</h1>
      <label className="mt-6 block font-semibold" htmlFor="vehicle">
        Vehicle
      </label>
      <div className="mt-1 flex gap-3">
        <select
          id="vehicle"
          className="select flex-1 select-lg"
          aria-describedby="vehicle-error"
          {...form.register('vehicleId')}
        >
          <option value="">Choose</option>
          {vehicles.map((v) => (
            <option key={v.id} value={v.id}>
              {v.plate} ({v.vehicle.label})
            </option>
          ))}
        </select>
        <Link href="/vehicles/new?then=job" className="btn btn-lg">
          Add a vehicle
        </Link>
      </div>
      <p id="vehicle-error" role="alert" className="mt-1 min-h-6 text-error">
        {errors.vehicleId?.message}
      </p>
      <label className="mt-3 block font-semibold" htmlFor="complaint">
        What the customer says
      </label>
      <textarea
        id="complaint"
        rows={4}
        className="textarea mt-1 w-full text-base"
        placeholder="Slow to warm up on cold mornings, heater weak, light after ten minutes"
        {...form.register('complaint', {
          onChange: (e: ChangeEvent<HTMLTextAreaElement>) => keepDraft(DRAFT, e.target.value),
        })}
      />
      <p role="alert" className="min-h-6 text-error">
        {errors.complaint?.message}
      </p>
      <button type="submit" className="btn mt-4 btn-lg btn-primary" disabled={isSubmitting}>
        Open the job
      </button>
    </form>
  );
}
