'use client';

import { useEffect, useSyncExternalStore, type ReactNode } from 'react';
import { useWrite } from '@/job/useWrite';
import { askToProtect, loadDurability, tidyStore } from '@/storage/durability';
import { listJobIds } from '@/storage/pastJobs';
import { openStore, storeState, watchStore, type StoreState } from '@/storage/openStore';

const OPENING: StoreState = { kind: 'opening' };

/** What to say where the store cannot be used. */
function Closed({ title, children, reloads }: { title: string; children: ReactNode; reloads: boolean }) {
  return (
    <div role="alert" className="mx-auto max-w-3xl px-5 py-16" data-testid="store-closed">
      <h1 className="text-4xl type-sign">{title}</h1>
      <p className="mt-4 text-lg">{children}</p>
      {reloads && (
        <button type="button" className="btn mt-6 btn-lg btn-primary" onClick={() => location.reload()}>
          Reload this tab
        </button>
      )}
    </div>
  );
}

/** Asks the browser once per visit to protect what is here, as soon as there is something; a refusal is no error. */
async function protect(): Promise<void> {
  const [jobs, { protected: isProtected }] = await Promise.all([listJobIds(), loadDurability()]);
  if (jobs.length > 0 && isProtected === false) await askToProtect();
}

/** Clears away what had its time, and asks for protection, once the store is open. */
export function useTidyStore(): void {
  const write = useWrite();
  useEffect(() => {
    void write(tidyStore(Date.now()));
    void protect();
  }, [write]);
}

/** Lets everything that reads the store come when it is open, and says what is the matter where it is not. */
export function StoreGate({ children }: { children: ReactNode }) {
  const state = useSyncExternalStore(watchStore, storeState, () => OPENING);
  useEffect(() => openStore(), []);
  switch (state.kind) {
    case 'opening':
      return <p className="p-8 type-label">Loading</p>;
    case 'ready':
      return children;
    case 'blocked':
      return (
        <Closed title="Nothing can be kept here" reloads>
          {state.why} Until then no job can be opened or begun, so that nothing is typed in vain.
        </Closed>
      );
    case 'held':
      return (
        <Closed title="Another tab is of an older version" reloads={false}>
          Varmek was updated. Close its other tabs, or reload them: what they have kept stays, and this one goes on by
          itself.
        </Closed>
      );
    case 'newer':
      return (
        <Closed title="Varmek was updated in another tab" reloads>
          This tab is of the version before and keeps nothing any more. What was kept is there after a reload; words
          that were being typed into a text come back too.
        </Closed>
      );
  }
}
