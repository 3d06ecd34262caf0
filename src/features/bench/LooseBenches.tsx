'use client';

import { format } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { startingVehicle } from '@/core/planning';
import { useWrite } from '@/job/useWrite';
import { addLooseBench, listLooseBenches } from '@/storage/benches';

/** What a bench test without a vehicle begins with: figures of no car, each to be overwritten. */
const NOBODYS = { ...startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false }), label: 'no vehicle' };

const STARTS = [
  { path: 'sender', name: 'A sender or a gauge' },
  { path: 'thermostat', name: 'A thermostat in hot water' },
  { path: 'fan', name: 'A fan or a circuit' },
  { path: 'coolant', name: 'Coolant and cap' },
] as const;

/** Parts on the table that belong to no job yet. */
export function LooseBenches() {
  const benches = useLiveQuery(listLooseBenches, []);
  const write = useWrite();
  const router = useRouter();
  const begin = async (path: string, name: string) => {
    const job = await write(addLooseBench(name, NOBODYS));
    if (job) router.push(`/jobs/${job.id}/bench/${path}`);
  };
  return (
    <div className="mx-auto max-w-4xl px-5 py-6">
      <h1 className="text-4xl type-sign">Bench</h1>
      <p className="mt-2">
        Test a part without a job: a new one from the shelf, one that came by post, the thermostat of an engine cooled
        by raw water. What you find can go into a job later.
      </p>
      <div className="mt-4 grid grid-cols-2 gap-3">
        {STARTS.map(({ path, name }) => (
          <button
            key={path}
            type="button"
            className="btn min-h-16 justify-start btn-outline text-lg"
            onClick={() => void begin(path, name)}
          >
            {name}
          </button>
        ))}
      </div>
      <h2 className="mt-8 text-2xl type-sign">On the table</h2>
      {benches?.length === 0 && (
        <p className="mt-1">Nothing. Begin above; it stays here until it goes into a job or is deleted.</p>
      )}
      <ul data-testid="loose-benches">
        {benches?.map(({ job, entries }) => (
          <li key={job.id} className="border-t border-base-content/15">
            <Link
              href={`/jobs/${job.id}/bench/sender`}
              className="flex min-h-14 items-center justify-between gap-6 hover:bg-base-200"
            >
              <span className="text-lg font-semibold">{job.complaint}</span>
              <span className="type-label">
                {entries.length} {entries.length === 1 ? 'entry' : 'entries'}, {format(job.updatedAt, 'd MMM HH:mm')}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}
