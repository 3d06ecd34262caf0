'use client';

import { useRouter } from 'next/navigation';
import { useRef } from 'react';
import { useToast } from '@/ui/Toasts';
import { openJob } from './moveJob';

/** Opens a job that was saved as a file, here or in another shop. */
export function OpenJobButton() {
  const input = useRef<HTMLInputElement>(null);
  const router = useRouter();
  const toast = useToast();
  const take = async (file: File | undefined) => {
    if (!file) return;
    const opened = await openJob(file);
    if (!opened.ok) return toast({ kind: 'error', text: opened.error });
    router.push(`/jobs/${opened.value}/arrival`);
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".zip"
        className="hidden"
        aria-label="Saved job"
        data-testid="job-file"
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <button type="button" className="btn" onClick={() => input.current?.click()}>
        Open a saved job
      </button>
    </>
  );
}
