'use client';

import { useRef, useState } from 'react';
import type { Result } from '@/core/base';
import type { ImportError, ReadOptions, ReadTrace } from '@/core/formats';
import { useWrite } from '@/job/useWrite';
import { loadColumnChoices, saveColumnChoices } from '@/storage/columnChoices';
import { startImport, type RunningImport } from '@/workers/client';

/** A file being read, for the screen. */
export interface FileInProgress {
  readonly name: string;
  /** Share of the file taken, 0 to 1. */
  readonly share: number;
}

/** Reads files in the worker, with progress and stop; files with known headers are read as chosen before. */
export function useImport(): {
  reading: FileInProgress | null;
  read: (file: Blob, name: string, options: ReadOptions) => Promise<Result<ReadTrace, ImportError>>;
  stop: () => void;
} {
  const write = useWrite();
  const [reading, setReading] = useState<FileInProgress | null>(null);
  const running = useRef<RunningImport | null>(null);

  const read = async (file: Blob, name: string, options: ReadOptions): Promise<Result<ReadTrace, ImportError>> => {
    setReading({ name, share: 0 });
    const known = await loadColumnChoices();
    running.current = startImport(file, options, known, (share) => setReading({ name, share }));
    const result = await running.current.result;
    setReading(null);
    if (result.ok && options.mapping) await write(saveColumnChoices(result.value.report.headers, options));
    return result;
  };

  return { reading, read, stop: () => running.current?.cancel() };
}
