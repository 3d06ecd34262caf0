'use client';

import { Link } from '@/ui/Link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { useJob } from '@/job/JobProvider';

const PARTS = [
  { name: 'For the customer', path: '' },
  { name: 'For the shop', path: '/shop' },
  { name: 'Hand over and close', path: '/close' },
] as const;

/** Reports of a job and its closing. */
export function ReportTabs({ children }: { children: ReactNode }) {
  const here = usePathname();
  const { job } = useJob();
  const base = `/jobs/${job.id}/report`;
  return (
    <div className="px-5 pt-2 pb-16 print:p-0">
      <nav aria-label="Reports" className="flex flex-wrap gap-x-6 border-b border-base-content/30 print:hidden">
        {PARTS.map(({ name, path }) => (
          <Link
            key={path}
            href={base + path}
            aria-current={here === base + path ? 'page' : undefined}
            className={`-mb-px flex min-h-12 items-center border-b-4 bay:min-w-11 ${here === base + path ? 'border-primary font-bold' : 'border-transparent hover:border-base-300'}`}
          >
            {name}
          </Link>
        ))}
      </nav>
      {children}
    </div>
  );
}
