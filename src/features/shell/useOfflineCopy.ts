'use client';

import { useEffect, useState } from 'react';

/** A newer version that is here whole and waits until it is taken over. */
export interface NewerVersion {
  readonly takeOver: () => void;
}

/**
 * Has the browser keep a copy of the program that works without the server. The first copy comes quietly; a newer
 * version waits until every tab is closed, or until a person takes it over.
 */
export function useOfflineCopy(): NewerVersion | null {
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  useEffect(() => {
    const { serviceWorker } = navigator as { readonly serviceWorker?: ServiceWorkerContainer };
    if (!serviceWorker || process.env.NODE_ENV !== 'production') return undefined;
    // The first copy takes over the page that fetched it: it is of the same version.
    const hadCopy = serviceWorker.controller !== null;
    let live = true;
    const found = (worker: ServiceWorker | null) => {
      worker?.addEventListener('statechange', () => {
        if (live && worker.state === 'installed' && hadCopy) setWaiting(worker);
      });
    };
    const reload = () => {
      if (hadCopy) location.reload();
    };
    serviceWorker.addEventListener('controllerchange', reload);
    serviceWorker.register('/sw.js', { updateViaCache: 'none' }).then(
      (registration: ServiceWorkerRegistration | undefined) => {
        // A browser may answer with nothing where it allows no copy.
        if (!live || !registration) return;
        if (registration.waiting && hadCopy) setWaiting(registration.waiting);
        found(registration.installing);
        registration.addEventListener('updatefound', () => found(registration.installing));
      },
      (error: unknown) => {
        // Without the server there is nothing newer, and a browser may allow no copy at all: the program runs on.
        if (!(error instanceof Error)) throw error;
      },
    );
    return () => {
      live = false;
      serviceWorker.removeEventListener('controllerchange', reload);
    };
  }, []);
  return waiting && { takeOver: () => waiting.postMessage('take over') };
}
