'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { FileUp, Plus } from 'lucide-react';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useRef } from 'react';
import { repeatedParts } from '@/core/case';
import { readVehicleFile } from '@/core/formats';
import { addVehicle, listVehicles } from '@/storage/vehicles';
import { useToast } from '@/ui/Toasts';
import { useUnits } from '@/ui/units';
import { WideTable } from '@/ui/WideTable';

/** Every vehicle of the shop. */
export function VehiclesScreen() {
  const vehicles = useLiveQuery(listVehicles, []);
  const { show, showTemperature } = useUnits();
  const input = useRef<HTMLInputElement>(null);
  const toast = useToast();
  const router = useRouter();
  const take = async (file: File | undefined) => {
    if (!file) return;
    const read = readVehicleFile(await file.text());
    if (!read.ok) return toast({ kind: 'error', text: `${file.name}: ${read.error.message}` });
    const added = await addVehicle({
      plate: read.value.label || file.name.replace(/\.json$/i, ''),
      vehicle: read.value,
    });
    if (!added.ok) return toast({ kind: 'error', text: added.error.message });
    router.push(`/vehicles/${added.value.id}`);
  };
  if (vehicles === undefined) return <p className="p-8 type-label">Loading</p>;
  return (
    <div className="mx-auto max-w-6xl px-5 py-6">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="flex-1 text-4xl type-sign max-sm:basis-full">Vehicles</h1>
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          className="sr-only"
          aria-label="Vehicle file"
          tabIndex={-1}
          onChange={(e) => void take(e.target.files?.[0])}
        />
        <button type="button" className="btn" onClick={() => input.current?.click()}>
          <FileUp aria-hidden className="size-5" /> Import a vehicle file
        </button>
        <Link href="/vehicles/new" className="btn btn-primary">
          <Plus aria-hidden className="size-5" /> New vehicle
        </Link>
      </div>
      {vehicles.length === 0 ? (
        <p className="py-10 text-lg">No vehicle yet. Add one: its name, kind and size of engine are enough to begin.</p>
      ) : (
        <WideTable label="Vehicles">
          <table className="mt-5 w-full max-sm:text-sm max-sm:[&_td]:pl-1 max-sm:[&_td]:wrap-anywhere max-sm:[&_th]:pl-1">
            <thead>
              <tr className="border-b border-base-content/40 text-left">
                <th scope="col" className="py-1">
                  Vehicle
                </th>
                <th scope="col">Thermostat</th>
                <th scope="col">Coolant</th>
                <th scope="col">Mileage</th>
                <th scope="col">Known good</th>
              </tr>
            </thead>
            <tbody>
              {vehicles.map((v) => (
                <tr key={v.id} className="border-b border-base-content/15">
                  <th scope="row" className="py-3 text-left font-normal">
                    <Link
                      href={`/vehicles/${v.id}`}
                      className="flex min-h-8 items-center text-xl type-sign wrap-anywhere underline-offset-4 hover:underline bay:min-h-11"
                    >
                      {v.plate}
                    </Link>
                    <span className="type-label">{v.vehicle.label}</span>
                    {repeatedParts(v.parts).map((part) => (
                      <span key={part} className="ml-2 font-semibold text-error">
                        {part} again and again
                      </span>
                    ))}
                  </th>
                  <td>
                    {showTemperature(v.vehicle.thermostat.rated_c)}, {v.vehicle.thermostat.location}
                    {v.vehicle.thermostat.heated ? ', heated' : ''}
                  </td>
                  <td>{show('volume', v.vehicle.coolant.volume_l, 1)}</td>
                  <td>{v.mileage_km === null ? 'not known' : show('distance', v.mileage_km)}</td>
                  <td>{v.goodTraceIds.length === 0 ? 'no trace' : `${v.goodTraceIds.length} traces`}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </WideTable>
      )}
    </div>
  );
}
