'use client';

import { ChevronDown } from 'lucide-react';
import { Link } from '@/ui/Link';
import { usePathname, useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Menu } from '@/ui/Menu';

/** Stages of a job in the order of the work. */
export const STAGES = [
  { key: '1', name: 'Arrival', path: '/arrival' },
  { key: '2', name: 'Cold look', path: '/cold-look' },
  { key: '3', name: 'Drive', path: '/drive' },
  { key: '4', name: 'Trace', path: '' },
  { key: '5', name: 'Desk', path: '/desk' },
  { key: '6', name: 'Bench', path: '/bench' },
  { key: '7', name: 'Case', path: '/case' },
  { key: '8', name: 'Decide', path: '/decide' },
  { key: '9', name: 'Repair', path: '/repair' },
  { key: 'q', name: 'Prove', path: '/prove' },
  { key: 'r', name: 'Report', path: '/report' },
] as const;

/** Steps through the stages; figures 1 to 9, q and r on the keyboard do the same. */
export function StageNav({ jobId, children }: { jobId: string; children: ReactNode }) {
  const here = usePathname();
  const router = useRouter();
  const base = `/jobs/${jobId}`;
  useHotkeys(
    STAGES.map((s) => s.key),
    (_, hotkey) => {
      const stage = STAGES.find((s) => s.key === hotkey.keys?.join(''));
      if (stage) router.push(base + stage.path);
    },
  );
  const links = STAGES.map((stage) => {
    const path = base + stage.path;
    const active = stage.path === '' ? here === base : here.startsWith(path);
    return { ...stage, path, active };
  });
  const now = links.find((s) => s.active) ?? links[0]!;
  return (
    <nav
      aria-label="Stages of the job"
      className="flex flex-wrap items-stretch gap-1 px-3 sm:px-5 lg:flex-nowrap print:hidden"
    >
      <div className="sm:hidden">
        <Menu
          side="left"
          label={
            <>
              <span className="type-label">{now.key}</span> {now.name}
              <ChevronDown aria-label="all stages" className="size-4" />
            </>
          }
        >
          {links.map((stage) => (
            <Link key={stage.key} href={stage.path} className={stage.active ? 'font-bold' : ''}>
              <span className="type-label">{stage.key}</span> {stage.name}
            </Link>
          ))}
        </Menu>
      </div>
      {links.map((stage) => (
        <Link
          key={stage.key}
          href={stage.path}
          aria-current={stage.active ? 'page' : undefined}
          className={`flex min-h-11 items-center gap-1.5 border-b-4 px-2 whitespace-nowrap max-sm:hidden ${stage.active ? 'border-primary font-bold' : 'border-transparent hover:border-base-300'}`}
        >
          <span className="type-label">{stage.key}</span> {stage.name}
        </Link>
      ))}
      {children}
    </nav>
  );
}
