'use client';

import { useRouter, useSearchParams } from 'next/navigation';
import { startingVehicle } from '@/core/planning';
import { useWrite } from '@/job/useWrite';
import { addVehicle } from '@/storage/vehicles';
import { toFormValues, toVehicle } from './vehicleFields';
import { VehicleForm } from './VehicleForm';

const FIRST = toFormValues('', startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false }));

/** Adds a vehicle; from a new job it leads back there. */
export function NewVehicleScreen() {
  const router = useRouter();
  const write = useWrite();
  const then = useSearchParams().get('then');
  return (
    <VehicleForm
      title="New vehicle"
      start={FIRST}
      onSave={async (values) => {
        const { plate, variant, mileage_km } = values;
        const fields = { plate, variant, mileage_km: mileage_km ?? null, vehicle: toVehicle(values) };
        const added = await write(addVehicle(fields));
        if (added) router.push(then === 'job' ? `/jobs/new?vehicle=${added.id}` : `/vehicles/${added.id}`);
      }}
    />
  );
}
