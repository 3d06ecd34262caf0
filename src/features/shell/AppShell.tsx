'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Archive, Keyboard, Moon, Sun } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { DEFAULT_SETTINGS, loadSettings } from '@/storage/settings';
import { ToastProvider } from '@/ui/Toasts';
import { UnitsProvider } from '@/ui/units';
import { UnsavedProvider } from '@/ui/useTyped';
import { NewerVersionBar } from './NewerVersionBar';
import { ShortcutHelp } from './ShortcutHelp';
import { useTidyStore } from './StoreGate';
import { UnitsDialog } from './UnitsDialog';
import { UnsavedBar } from './UnsavedBar';
import { useTheme } from './useTheme';
import { useWaiting } from './useWaiting';

/** Below the messages, which say where it fails. */
function Tidied() {
  useTidyStore();
  return null;
}

/** Frame of every screen: name, places, units, theme, help. */
export function AppShell({ status, children }: { status: ReactNode; children: ReactNode }) {
  const settings = useLiveQuery(loadSettings, []) ?? DEFAULT_SETTINGS;
  const waiting = useWaiting();
  const [theme, toggleTheme] = useTheme();
  const [helpOpen, setHelpOpen] = useState(false);
  const [unitsOpen, setUnitsOpen] = useState(false);
  const router = useRouter();
  useHotkeys('shift+slash', () => setHelpOpen(true), { useKey: false });
  useHotkeys('g>j', () => router.push('/'));
  useHotkeys('g>v', () => router.push('/vehicles'));
  useHotkeys('g>m', () => router.push('/triage'));
  useHotkeys('g>f', () => router.push('/figures'));
  useHotkeys('g>b', () => router.push('/bench'));
  useHotkeys('g>p', () => router.push('/procedures'));
  useHotkeys('g>h', () => router.push('/history'));
  useHotkeys('g>k', () => router.push('/keeping'));
  useHotkeys('n', () => router.push('/jobs/new'), { preventDefault: true });
  useHotkeys('t', toggleTheme);
  return (
    <UnitsProvider units={settings}>
      <ToastProvider>
        <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-base-100 focus:p-3">
          Skip to content
        </a>
        <header className="flex h-13 items-center gap-2 border-b-2 border-base-content bg-base-100 px-5 lg:gap-6 print:hidden">
          <Link href="/" className="flex items-baseline gap-2" aria-label="Varmek, jobs">
            <svg width="20" height="24" viewBox="0 0 20 24" aria-hidden className="self-center">
              <path d="M1 21 C5 21 5 7 10 6 S16 6 19 6" fill="none" stroke="currentColor" strokeWidth="3" />
              <path d="M1 21 C8 20 9 13 19 12" fill="none" stroke="var(--family-open)" strokeWidth="3" />
            </svg>
            <span className="text-2xl type-sign">Varmek</span>
          </Link>
          <nav aria-label="Places" className="flex gap-2.5 font-semibold whitespace-nowrap lg:gap-5">
            <Link href="/" className="underline-offset-8 hover:underline">
              Jobs
            </Link>
            <Link href="/vehicles" className="underline-offset-8 hover:underline">
              Vehicles
            </Link>
            <Link href="/triage" className="underline-offset-8 hover:underline">
              Many logs
            </Link>
            <Link href="/bench" className="underline-offset-8 hover:underline">
              Bench
            </Link>
            <Link href="/procedures" className="underline-offset-8 hover:underline">
              Procedures
            </Link>
            <Link href="/history" className="underline-offset-8 hover:underline">
              History
            </Link>
            <Link href="/figures" className="underline-offset-8 hover:underline">
              Figures
            </Link>
          </nav>
          <div className="flex-1" />
          {status}
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            aria-label={`Units: ${settings.temperature}, ${settings.speed}. Change`}
            onClick={() => setUnitsOpen(true)}
          >
            {settings.temperature} {settings.speed}
          </button>
          <Link href="/keeping" className="btn btn-square btn-ghost btn-sm" aria-label="What is kept: backup, bin">
            <Archive aria-hidden className="size-5" />
          </Link>
          <button
            type="button"
            className="btn btn-square btn-ghost btn-sm"
            aria-label={theme === 'yard' ? 'Dark, for the bay' : 'Light, for the yard'}
            onClick={toggleTheme}
          >
            {theme === 'yard' ? <Moon aria-hidden className="size-5" /> : <Sun aria-hidden className="size-5" />}
          </button>
          <button
            type="button"
            className="btn btn-square btn-ghost btn-sm"
            aria-label="Keyboard shortcuts"
            onClick={() => setHelpOpen(true)}
          >
            <Keyboard aria-hidden className="size-5" />
          </button>
        </header>
        <UnsavedBar waiting={waiting} />
        <NewerVersionBar />
        <main id="main">
          <UnsavedProvider value={waiting.count > 0}>{children}</UnsavedProvider>
          <Tidied />
        </main>
        <UnitsDialog open={unitsOpen} onClose={() => setUnitsOpen(false)} />
        <ShortcutHelp open={helpOpen} onClose={() => setHelpOpen(false)} />
      </ToastProvider>
    </UnitsProvider>
  );
}
