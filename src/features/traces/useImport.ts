'use client';

import { useRef, useState } from 'react';
import type { Result } from '@/core/base';
import type { ImportError, ReadOptions, ReadTrace } from '@/core/formats';
import { useWrite } from '@/job/useWrite';
import { loadColumnChoices, saveColumnChoices } from '@/storage/columnChoices';
import { startImport, type RunningImport } from '@/workers/client';

/** A file being read, for the screen. */
export interface Reading {
  readonly name: string;
  /** Share of the file taken, 0 to 1. */
  readonly share: number;
}

/** A reading with the choices it was made by. */
export interface Imported {
  readonly read: ReadTrace;
  readonly options: ReadOptions;
}

const headersOf = (error: ImportError): readonly string[] | null => error.guesses?.map((g) => g.header) ?? null;

/** Reads files in the worker, with progress and stop; files with known headers are read as chosen before. */
export function useImport(): {
  reading: Reading | null;
  read: (file: Blob, name: string, options: ReadOptions | null) => Promise<Result<Imported, ImportError>>;
  stop: () => void;
} {
  const write = useWrite();
  const [reading, setReading] = useState<Reading | null>(null);
  const running = useRef<RunningImport | null>(null);

  const once = async (file: Blob, name: string, options: ReadOptions): Promise<Result<Imported, ImportError>> => {
    setReading({ name, share: 0 });
    running.current = startImport(file, options, (share) => setReading({ name, share }));
    const result = await running.current.result;
    setReading(null);
    return result.ok ? { ok: true, value: { read: result.value, options } } : result;
  };

  const read = async (
    file: Blob,
    name: string,
    options: ReadOptions | null,
  ): Promise<Result<Imported, ImportError>> => {
    const result = await once(file, name, options ?? {});
    const headers = result.ok ? result.value.read.report.headers : headersOf(result.error);
    if (!headers) return result;
    if (options?.mapping) {
      if (result.ok) await write(saveColumnChoices(headers, options));
      return result;
    }
    const known = await loadColumnChoices(headers);
    return known ? once(file, name, { ...options, ...known }) : result;
  };

  return { reading, read, stop: () => running.current?.cancel() };
}
