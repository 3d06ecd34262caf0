'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Archive, Keyboard, Moon, Sun } from 'lucide-react';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { DEFAULT_SETTINGS, loadSettings } from '@/storage/settings';
import { ToastProvider } from '@/ui/Toasts';
import { UnitsProvider } from '@/ui/units';
import { UnsavedProvider } from '@/ui/useTyped';
import { NewerVersionBar } from './NewerVersionBar';
import { Places } from './Places';
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
  useHotkeys('n', () => router.push('/jobs/new'), { preventDefault: true });
  useHotkeys('t', toggleTheme);
  return (
    <UnitsProvider units={settings}>
      <ToastProvider>
        <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-base-100 focus:p-3">
          Skip to content
        </a>
        <header className="flex h-13 items-center gap-2 border-b-2 border-base-content bg-base-100 px-3 sm:px-5 lg:gap-6 print:hidden">
          <Link href="/" className="tap flex items-center gap-2" aria-label="Varmek, jobs">
            <svg width="20" height="24" viewBox="0 0 20 24" aria-hidden className="self-center">
              <path d="M1 21 C5 21 5 7 10 6 S16 6 19 6" fill="none" stroke="currentColor" strokeWidth="3" />
              <path d="M1 21 C8 20 9 13 19 12" fill="none" stroke="var(--family-open)" strokeWidth="3" />
            </svg>
            <span className="text-2xl type-sign max-sm:hidden">Varmek</span>
          </Link>
          <Places>
            <button type="button" className="sm:hidden" onClick={() => setUnitsOpen(true)}>
              Units: {settings.temperature} {settings.speed}
            </button>
            <Link href="/keeping" className="sm:hidden">
              What is kept: backup, bin
            </Link>
            <button type="button" className="sm:hidden" onClick={() => setHelpOpen(true)}>
              Keyboard shortcuts
            </button>
          </Places>
          <div className="flex-1" />
          {status}
          <button
            type="button"
            className="btn btn-ghost btn-sm max-sm:hidden"
            aria-label={`Units: ${settings.temperature}, ${settings.speed}. Change`}
            onClick={() => setUnitsOpen(true)}
          >
            {settings.temperature} {settings.speed}
          </button>
          <Link
            href="/keeping"
            className="btn btn-square btn-ghost btn-sm max-sm:hidden"
            aria-label="What is kept: backup, bin"
          >
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
            className="btn btn-square btn-ghost btn-sm max-sm:hidden"
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
