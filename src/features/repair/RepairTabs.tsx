'use client';

import { Link } from '@/ui/Link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { newSheet } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { PrintHead } from '@/job/PrintHead';
import { useKeep } from '@/job/useKeep';
import { beginRepair, undoRepair } from '@/storage/repairs';

const PARTS = [
  { name: 'Plan', path: '' },
  { name: 'Make safe', path: '/safe' },
  { name: 'Strip and refit', path: '/strip' },
  { name: 'Drain and flush', path: '/drain' },
  { name: 'Mix and fill', path: '/fill' },
  { name: 'Bleed', path: '/bleed' },
] as const;

/** Parts of the repair in the order of the work. */
export function RepairTabs({ children }: { children: ReactNode }) {
  const here = usePathname();
  const { job, vehicle, repair, repairUnread } = useJob();
  const keep = useKeep();
  const base = `/jobs/${job.id}/repair`;
  const part = PARTS.find(({ path }) => here === base + path);
  const again = () =>
    keep(() => beginRepair(job.id, newSheet(vehicle.vehicle)), {
      says: 'Another repair is begun; the one before is kept.',
      undo: undoRepair,
    });
  return (
    <div className="px-5 pt-2 pb-16">
      <nav
        aria-label="Parts of the repair"
        className="flex flex-wrap gap-x-6 border-b border-base-content/30 print:hidden"
      >
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
        {part?.path !== '' && (
          <button type="button" className="btn my-auto ml-auto btn-ghost btn-sm" onClick={() => window.print()}>
            Print
          </button>
        )}
      </nav>
      <PrintHead title={`Repair: ${part?.name.toLowerCase() ?? ''}`} log="" />
      {repairUnread !== null && (
        <p role="alert" className="mt-3 border-l-4 border-warning pl-3">
          The repair on this job was written by another version: {repairUnread}. It is kept as it came and cannot be
          changed here.
        </p>
      )}
      {(repairUnread !== null || repair?.closedAt != null) && (
        <p className="mt-3 flex flex-wrap items-center gap-4 print:hidden">
          {repair?.closedAt != null && <strong>Filled and bled. This repair is closed.</strong>}
          <button type="button" className="btn btn-sm" onClick={again}>
            Begin another repair
          </button>
        </p>
      )}
      {/* In the bay everything is pressed in gloves. */}
      <div data-gloves className="[--size-field:0.275rem]">
        {children}
      </div>
    </div>
  );
}
