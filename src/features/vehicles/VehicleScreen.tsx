'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Download, Plus } from 'lucide-react';
import dynamic from 'next/dynamic';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState } from 'react';
import { causeName } from '@/core/evidence';
import { repeatedParts } from '@/core/case';
import { writeVehicleFile } from '@/core/formats';
import { STATE_NAME } from '@/job/jobWords';
import { UndoButtons } from '@/job/UndoButtons';
import { useKeep } from '@/job/useKeep';
import { useWrite } from '@/job/useWrite';
import { changeVehicle, type VehicleChange } from '@/storage/changeVehicle';
import { vehicleScope } from '@/storage/journal/journalMiddleware';
import { carried } from '@/storage/revert';
import { listVehicleTraces } from '@/storage/traces';
import { putBack } from '@/storage/bin';
import { deleteVehicle, listVehicleJobs, listVehicleWorks, loadVehicle } from '@/storage/vehicles';
import type { VehicleRecord } from '@/storage/records';
import { saveFile } from '@/ui/saveFile';
import { useToast } from '@/ui/Toasts';
import { useUnits } from '@/ui/units';
import { PartsSection } from './PartsSection';
import { SenderSection } from './SenderSection';
import { DriftTrends } from './DriftTrends';
import { driftPoints, judgedAlike, settledLevel_c } from './drift';
import { dropVehicleDraft, keepVehicleDraft, readVehicleDraft } from './vehicleDraft';
import { toFormValues, toVehicle, type VehicleFormValues } from './vehicleFields';
import { VehicleForm } from './VehicleForm';
import { WideTable } from '@/ui/WideTable';

const DriftChart = dynamic(() => import('./DriftChart').then((m) => m.DriftChart), { ssr: false });

/** Traces of a vehicle over time: what each showed, and the level it settled at. */
function History({ vehicle }: { vehicle: VehicleRecord }) {
  const traces = useLiveQuery(() => listVehicleTraces(vehicle.id), [vehicle.id]) ?? [];
  const works = useLiveQuery(() => listVehicleWorks(vehicle.id), [vehicle.id]) ?? [];
  const { showTemperature } = useUnits();
  if (traces.length === 0) return <p className="mt-2">No trace yet.</p>;
  const points = driftPoints(traces);
  return (
    <>
      {points.filter((p) => p.settled_c !== null).length > 1 && (
        <DriftChart points={points} rated_c={vehicle.vehicle.thermostat.rated_c} />
      )}
      <DriftTrends points={points} works={works} />
      <WideTable label="Traces over time">
        <table className="mt-2 w-full">
          <thead>
            <tr className="border-b border-base-content/40 text-left">
              <th scope="col" className="py-1">
                Trace
              </th>
              <th scope="col">Settled at</th>
              <th scope="col">Finding</th>
              <th scope="col">Known good</th>
            </tr>
          </thead>
          <tbody>
            {traces.map(({ trace, finding }) => {
              const level = finding ? settledLevel_c(finding) : null;
              return (
                <tr key={trace.id} className="border-b border-base-content/15">
                  <th scope="row" className="py-1.5 text-left font-normal">
                    <Link href={`/jobs/${trace.jobId}`} className="underline underline-offset-4">
                      {trace.fileName}
                    </Link>{' '}
                    <span className="type-label">{new Date(trace.importedAt).toISOString().slice(0, 10)}</span>
                  </th>
                  <td>{showTemperature(level ?? NaN)}</td>
                  <td>
                    {finding
                      ? `${causeName(finding.verdict.cause)} ${Math.round(100 * finding.verdict.probability)} %`
                      : 'not judged'}
                  </td>
                  <td>{vehicle.goodTraceIds.includes(trace.id) ? 'yes' : ''}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </WideTable>
    </>
  );
}

/** A vehicle: its data, its parts, its traces over time, its memory. */
export function VehicleScreen({ vehicleId }: { vehicleId: string }) {
  const record = useLiveQuery(() => loadVehicle(vehicleId), [vehicleId]);
  const jobs = useLiveQuery(() => listVehicleJobs(vehicleId), [vehicleId]) ?? [];
  const toast = useToast();
  const keep = useKeep();
  const write = useWrite();
  const router = useRouter();
  // The vehicle with which editing began: another tab may change it meanwhile.
  const [draft] = useState(() => readVehicleDraft(vehicleId));
  const [base, setBase] = useState<VehicleRecord | null>(draft?.base ?? null);
  const keepTyped = useCallback(
    (values: VehicleFormValues) => {
      if (base) keepVehicleDraft({ values, base });
    },
    [base],
  );
  const leaveForm = () => {
    dropVehicleDraft(vehicleId);
    setBase(null);
  };
  useEffect(() => {
    if (record) document.title = `${record.plate} · Varmek`;
  }, [record]);
  if (record === undefined) return <p className="p-8 type-label">No such vehicle, or still loading.</p>;
  if (base) {
    const start = {
      ...toFormValues(base.plate, base.vehicle),
      variant: base.variant,
      mileage_km: base.mileage_km,
    };
    return (
      <VehicleForm
        title={base.plate}
        start={start}
        // A form that is opened again begins with the vehicle as it stands.
        typed={base === draft?.base ? draft.values : null}
        onTyped={keepTyped}
        onGiveUp={leaveForm}
        onSave={async (values) => {
          const { plate, variant, mileage_km } = values;
          const vehicle = toVehicle(values);
          const edited = { plate, variant, mileage_km: mileage_km ?? null, vehicle };
          const { plate: p, variant: v, mileage_km: km, vehicle: was } = base;
          const began = { plate: p, variant: v, mileage_km: km, vehicle: was };
          const alike = judgedAlike(vehicle, base.vehicle);
          const forgets = record.memory !== null && !alike;
          const kept = await write(
            changeVehicle(
              vehicleId,
              (now) => ({
                ...carried<VehicleChange>(began, edited, {
                  ...{ plate: now.plate, variant: now.variant, mileage_km: now.mileage_km, vehicle: now.vehicle },
                }),
                ...(alike ? {} : { memory: null, goodTraceIds: [] }),
              }),
              !alike,
            ),
            {
              says: alike
                ? 'Saved.'
                : `Saved. Its traces are judged again with the new figures${forgets ? '; what its known-good traces taught is forgotten' : ''}.`,
              undo: (before) => changeVehicle(vehicleId, before, !alike),
            },
          );
          if (kept !== null) leaveForm();
        }}
      />
    );
  }
  const forget = () =>
    write(changeVehicle(vehicleId, { memory: null, goodTraceIds: [] }, true), {
      says: `What ${record.plate}'s good traces taught is forgotten.`,
      undo: (before) => changeVehicle(vehicleId, before, true),
    });
  const remove = async () => {
    const gone = await write(deleteVehicle(vehicleId));
    if (gone === null) {
      if (jobs.length > 0) toast({ kind: 'error', text: `Jobs still stand on ${record.plate}: delete them first.` });
      return;
    }
    router.push('/vehicles');
    toast({
      kind: 'info',
      text: `${record.plate} deleted.`,
      action: { label: 'Undo', run: () => keep(() => putBack(gone)) },
    });
  };
  return (
    <div className="mx-auto max-w-6xl px-5 py-6">
      <div className="flex flex-wrap items-center gap-3">
        <div className="flex-1">
          <h1 className="text-4xl type-sign">{record.plate}</h1>
          <p className="type-label">
            {record.vehicle.label}
            {record.variant && `, ${record.variant}`}
          </p>
        </div>
        <UndoButtons scope={vehicleScope(vehicleId)} />
        <button
          type="button"
          className="btn"
          onClick={() => saveFile(`${record.plate}.json`, writeVehicleFile(record.vehicle), 'application/json')}
        >
          <Download aria-hidden className="size-5" /> Vehicle file
        </button>
        <button type="button" className="btn" onClick={() => setBase(record)}>
          Change its data
        </button>
        <Link href={`/jobs/new?vehicle=${record.id}`} className="btn btn-primary">
          <Plus aria-hidden className="size-5" /> New job
        </Link>
      </div>
      {repeatedParts(record.parts).map((part) => (
        <p key={part} role="alert" className="mt-4 border-l-8 border-warning pl-3 text-lg" data-testid="repeat-alert">
          {part} was replaced more than once. The same part again points upstream: wiring, earth, warped housing, wrong
          part.
        </p>
      ))}
      <div className="mt-6 grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)]">
        <div>
          <PartsSection vehicle={record} />
          <SenderSection vehicle={record} />
          <section className="mt-6">
            <h2 className="text-2xl type-sign">Jobs</h2>
            {jobs.length === 0 ? (
              <>
                <p className="mt-2">No job stands on this vehicle.</p>
                <button type="button" className="btn mt-2" onClick={() => void remove()}>
                  Delete the vehicle
                </button>
              </>
            ) : (
              <ul className="mt-2" data-testid="vehicle-jobs">
                {jobs.map((job) => (
                  <li key={job.id} className="flex items-baseline gap-3 border-t border-base-content/15 py-1">
                    <Link href={`/jobs/${job.id}/arrival`} className="tap flex-1 underline underline-offset-4">
                      {job.complaint || 'No words of the customer'}
                    </Link>
                    <span className="type-label">{STATE_NAME[job.state]}</span>
                    <span className="type-label">{new Date(job.createdAt).toISOString().slice(0, 10)}</span>
                  </li>
                ))}
              </ul>
            )}
          </section>
        </div>
        <section>
          <h2 className="text-2xl type-sign">Traces over time</h2>
          <History vehicle={record} />
          <h2 className="mt-6 text-2xl type-sign">Memory</h2>
          {record.memory === null ? (
            <p className="mt-2">
              No known-good trace yet. When a trace of this vehicle is sound, say so on its finding: later traces are
              then judged against this very vehicle instead of vehicles of its kind.
            </p>
          ) : (
            <>
              <p className="mt-2">
                Learned from {record.goodTraceIds.length} known-good{' '}
                {record.goodTraceIds.length === 1 ? 'trace' : 'traces'}.
              </p>
              <button type="button" className="btn mt-2" onClick={() => void forget()}>
                Forget it
              </button>
            </>
          )}
        </section>
      </div>
    </div>
  );
}
