'use client';

import { Link } from '@/ui/Link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { useJob } from '@/job/JobProvider';
import { PrintHead } from '@/job/PrintHead';
import { isLooseBench } from '@/storage/benches';

const DESKS = [
  { name: 'Sender and gauge', path: 'sender' },
  { name: 'Thermostat', path: 'thermostat' },
  { name: 'Fan and circuits', path: 'fan' },
  { name: 'Coolant', path: 'coolant' },
] as const;

/** The desks of the bench, one beside the other. */
export function BenchTabs({ children }: { children: ReactNode }) {
  const here = usePathname();
  const { job } = useJob();
  const base = `/jobs/${job.id}/bench`;
  const desk = DESKS.find(({ path }) => here === `${base}/${path}`);
  return (
    <div className="px-5 pt-2 pb-16">
      <nav
        aria-label="Desks of the bench"
        className="flex flex-wrap gap-x-6 border-b border-base-content/30 print:hidden"
      >
        {DESKS.map(({ name, path }) => (
          <Link
            key={path}
            href={`${base}/${path}`}
            aria-current={here === `${base}/${path}` ? 'page' : undefined}
            className={`-mb-px flex min-h-11 items-center border-b-4 bay:min-w-11 ${here === `${base}/${path}` ? 'border-primary font-bold' : 'border-transparent hover:border-base-300'}`}
          >
            {name}
          </Link>
        ))}
        <button type="button" className="btn my-auto ml-auto btn-ghost btn-sm" onClick={() => window.print()}>
          Print the sheet
        </button>
      </nav>
      {isLooseBench(job) ? (
        <p className="mb-3 hidden text-2xl type-sign print:block">{job.complaint}</p>
      ) : (
        <PrintHead title={`Bench: ${desk?.name.toLowerCase() ?? ''}`} log="" />
      )}
      {children}
    </div>
  );
}
