'use client';

import { useEffect } from 'react';
import { database } from '@/storage/database';
import { demoWasLoaded } from '@/storage/settings';
import { useToast } from '@/ui/Toasts';
import { loadDemo } from './loadDemo';

let started = false;

/** Loads the demo garage into an empty shop when the server was started as a demo. */
export function DemoLoader({ wanted }: { wanted: boolean }) {
  const toast = useToast();
  useEffect(() => {
    if (!wanted || started) return;
    started = true;
    void (async () => {
      const ids = await database().jobs.toCollection().primaryKeys();
      // A shop of its own is left alone; a demo that a reload broke off is taken up again.
      if ((await demoWasLoaded()) || ids.some((id) => !id.startsWith('demo-'))) return;
      const loaded = await loadDemo();
      if (!loaded.ok) toast({ kind: 'error', text: `The demo garage could not be loaded: ${loaded.error}` });
    })();
  }, [wanted, toast]);
  return null;
}
