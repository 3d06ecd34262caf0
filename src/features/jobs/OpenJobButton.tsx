'use client';

import { useRouter } from 'next/navigation';
import { openJob } from '@/job/jobFile';
import { useWrite } from '@/job/useWrite';
import { FileButton } from '@/ui/FileButton';

/** Opens a job that was saved as a file, here or in another shop. */
export function OpenJobButton() {
  const router = useRouter();
  const write = useWrite();
  const take = async (file: File) => {
    const id = await write(openJob(file));
    if (id !== null) router.push(`/jobs/${id}/arrival`);
  };
  return (
    <FileButton label="Saved job" accept=".zip" testId="job-file" onFile={(file) => void take(file)}>
      Open a saved job
    </FileButton>
  );
}
