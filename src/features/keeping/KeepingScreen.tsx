'use client';

import { useEffect, useState } from 'react';
import { askToProtect, loadDurability, type Durability } from '@/storage/durability';
import { BackupSection } from './BackupSection';
import { BinSection } from './BinSection';
import { megabytes } from './megabytes';
import { RestoreSection } from './RestoreSection';

/** What the browser has promised, in words a person can act on. */
function promise({ protected: isProtected }: Durability): string {
  if (isProtected === null) return 'This browser does not say how safely it keeps what is here.';
  if (isProtected) return 'Protected: this browser deletes nothing of it by itself.';
  return 'Not protected: with its disk full this browser may delete all of it without a word.';
}

function DurabilitySection() {
  const [state, setState] = useState<Durability | null>(null);
  const [asked, setAsked] = useState(false);
  useEffect(() => {
    let live = true;
    void loadDurability().then((found) => {
      if (live) setState(found);
    });
    return () => {
      live = false;
    };
  }, [asked]);
  const ask = async () => {
    await askToProtect();
    setAsked(true);
  };
  return (
    <section aria-labelledby="durability-title">
      <h2 id="durability-title" className="text-2xl type-sign">
        In this browser
      </h2>
      {state && (
        <>
          <p className={`mt-1 max-w-prose ${state.protected === false ? 'font-semibold' : ''}`} data-testid="promise">
            {promise(state)}
          </p>
          {state.used_bytes !== null && state.most_bytes !== null && (
            <p className="type-label">
              {megabytes(state.used_bytes)} used of {megabytes(state.most_bytes)} that it allows
            </p>
          )}
          {state.protected === false && (
            <>
              <button type="button" className="btn mt-3" onClick={() => void ask()}>
                Ask it to protect this
              </button>
              {asked && (
                <p role="status" className="mt-2 max-w-prose">
                  It does not promise now. Bookmark or install Varmek and ask again, and keep a backup on another disk.
                </p>
              )}
            </>
          )}
          <p className="mt-3 max-w-prose text-sm">
            Everything stays on this machine, in this browser. Clearing the browser&rsquo;s data takes it away; a
            private window forgets it when it is closed.
          </p>
        </>
      )}
    </section>
  );
}

/** What is kept and how safely: the browser, backups, what was deleted. */
export function KeepingScreen() {
  return (
    <div className="mx-auto max-w-6xl px-5 py-6">
      <h1 className="text-4xl type-sign">What is kept</h1>
      <div className="mt-5 grid grid-cols-1 gap-x-12 gap-y-8 md:grid-cols-2">
        <BackupSection />
        <DurabilitySection />
        <div className="md:col-span-2">
          <RestoreSection />
        </div>
        <div className="md:col-span-2">
          <BinSection />
        </div>
      </div>
    </div>
  );
}
