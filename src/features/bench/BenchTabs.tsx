'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { useJob } from '@/job/JobProvider';

const DESKS = [
  { name: 'Sender and gauge', path: 'sender' },
  { name: 'Thermostat', path: 'thermostat' },
  { name: 'Fan and circuits', path: 'fan' },
  { name: 'Coolant', path: 'coolant' },
] as const;

/** The desks of the bench, one beside the other. */
export function BenchTabs({ children }: { children: ReactNode }) {
  const here = usePathname();
  const base = `/jobs/${useJob().job.id}/bench`;
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
            className={`-mb-px flex min-h-11 items-center border-b-4 ${here === `${base}/${path}` ? 'border-primary font-bold' : 'border-transparent hover:border-base-300'}`}
          >
            {name}
          </Link>
        ))}
      </nav>
      {children}
    </div>
  );
}
