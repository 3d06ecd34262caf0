'use client';

import { Menu as MenuIcon } from 'lucide-react';
import { Link } from '@/ui/Link';
import { usePathname, useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Menu } from '@/ui/Menu';

/** How long after `g` its second key may come, ms: one second is too short for gloves, and for a page that is busy. */
const SECOND_KEY_MS = 4000;

/** The places of the shop beside its jobs; `g` and the key leads there. */
const PLACES = [
  { key: 'j', name: 'Jobs', path: '/' },
  { key: 'v', name: 'Vehicles', path: '/vehicles' },
  { key: 'm', name: 'Many logs', path: '/triage' },
  { key: 'b', name: 'Bench', path: '/bench' },
  { key: 'p', name: 'Procedures', path: '/procedures' },
  { key: 'h', name: 'History', path: '/history' },
  { key: 'f', name: 'Figures', path: '/figures' },
  { key: 'l', name: 'Practice', path: '/practice' },
] as const;
/** Reached by its sign at the right. */
const KEEPING = { key: 'k', path: '/keeping' };

/** Ways to all places: a row where there is room, else a menu. @param children what else belongs into the menu */
export function Places({ children }: { children: ReactNode }) {
  const here = usePathname();
  const router = useRouter();
  const all = [...PLACES, KEEPING];
  useHotkeys(
    all.map((p) => `g>${p.key}`),
    (_, hotkey) => {
      const place = all.find((p) => hotkey.keys?.join('').endsWith(p.key));
      if (place) router.push(place.path);
    },
    { sequenceTimeoutMs: SECOND_KEY_MS },
  );
  const links = PLACES.map((place) => (
    <Link
      key={place.key}
      href={place.path}
      aria-current={here === place.path ? 'page' : undefined}
      className="underline-offset-8 hover:underline aria-[current=page]:underline aria-[current=page]:decoration-2"
    >
      {place.name}
    </Link>
  ));
  return (
    <>
      <nav aria-label="Places" className="flex gap-4 font-semibold whitespace-nowrap max-lg:hidden xl:gap-5">
        {links}
      </nav>
      <div className="lg:hidden">
        <Menu
          side="left"
          label={
            <>
              <MenuIcon aria-hidden className="size-5" /> Places
            </>
          }
        >
          {links}
          {children}
        </Menu>
      </div>
    </>
  );
}
