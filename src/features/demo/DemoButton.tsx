'use client';

import { useState } from 'react';
import { useToast } from '@/ui/Toasts';
import { loadDemo } from './loadDemo';

/** Loads the demo garage by hand. */
export function DemoButton() {
  const toast = useToast();
  const [busy, setBusy] = useState(false);
  return (
    <button
      type="button"
      className="btn btn-lg"
      disabled={busy}
      onClick={() => {
        setBusy(true);
        void loadDemo().then((result) => {
          setBusy(false);
          if (!result.ok) toast({ kind: 'error', text: `The demo garage could not be loaded: ${result.error}` });
        });
      }}
    >
      {busy ? 'Loading the demo garage' : 'Load the demo garage'}
    </button>
  );
}
