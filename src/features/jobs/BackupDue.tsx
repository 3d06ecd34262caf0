'use client';

import { formatDistanceToNow } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { loadBackupState } from '@/storage/durability';

/** Says that a backup is due: the last one is old, or much was done since. */
export function BackupDue() {
  const [now] = useState(() => Date.now());
  const state = useLiveQuery(() => loadBackupState(now), [now]);
  if (!state?.due) return null;
  const last =
    state.at === null ? 'There is no backup yet' : `The last backup was ${formatDistanceToNow(state.at)} ago`;
  return (
    <p className="mt-4 border-l-4 border-warning pl-3" data-testid="backup-due">
      {last}, and {state.since} changes since live in this browser only.{' '}
      <Link href="/keeping" className="font-semibold underline underline-offset-4">
        Save a backup
      </Link>
    </p>
  );
}
