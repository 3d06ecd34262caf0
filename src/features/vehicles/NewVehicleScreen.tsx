'use client';

import { useRouter, useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { startingVehicle } from '@/core/planning';
import { useWrite } from '@/job/useWrite';
import { addVehicle } from '@/storage/vehicles';
import { dropVehicleDraft, keepVehicleDraft, readVehicleDraft } from './vehicleDraft';
import { toFormValues, toVehicle, type VehicleFormValues } from './vehicleFields';
import { VehicleForm } from './VehicleForm';

const FIRST = toFormValues('', startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false }));

const keepTyped = (values: VehicleFormValues) => keepVehicleDraft({ values, base: null });

/** Adds a vehicle; from a new job it leads back there. */
export function NewVehicleScreen() {
  const router = useRouter();
  const write = useWrite();
  const then = useSearchParams().get('then');
  const [typed] = useState(() => readVehicleDraft(null)?.values ?? null);
  return (
    <VehicleForm
      title="New vehicle"
      start={FIRST}
      typed={typed}
      onTyped={keepTyped}
      onGiveUp={() => {
        dropVehicleDraft(null);
        router.push(then === 'job' ? '/jobs/new' : '/vehicles');
      }}
      onSave={async (values) => {
        const { plate, variant, mileage_km } = values;
        const fields = { plate, variant, mileage_km: mileage_km ?? null, vehicle: toVehicle(values) };
        const added = await write(addVehicle(fields));
        if (!added) return;
        dropVehicleDraft(null);
        router.push(then === 'job' ? `/jobs/new?vehicle=${added.id}` : `/vehicles/${added.id}`);
      }}
    />
  );
}
