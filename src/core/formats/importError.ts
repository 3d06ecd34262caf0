import type { ColumnGuess, Preview } from './column';

/** Why a file could not be read. */
export type ImportErrorCode =
  | 'empty'
  | 'not-text'
  | 'too-large'
  | 'bad-archive'
  | 'several-files'
  | 'line-too-long'
  | 'too-many-columns'
  | 'ragged-rows'
  | 'no-header'
  | 'no-time'
  | 'no-temperature'
  | 'needs-mapping'
  | 'too-few-rows'
  | 'all-empty'
  | 'time-backwards'
  | 'bad-number'
  | 'bad-json'
  | 'wrong-schema'
  | 'not-read'
  | 'not-written'
  | 'cancelled';

/** What a person can settle, so that the file is read after all. */
export interface ImportQuestion {
  /** What each column might be. */
  readonly guesses: readonly ColumnGuess[];
  /** The course of each column. */
  readonly previews: readonly Preview[];
  /** Commas may part thousands or decimals: which, must be said too. */
  readonly numbersOpen: boolean;
}

/** A reading failure in plain data: what, where, and how to mend it (the message says the last). */
export interface ImportError {
  readonly code: ImportErrorCode;
  readonly message: string;
  /** Line in the file, from 1; null when the whole file is meant. */
  readonly line: number | null;
  /** Header of the column concerned. */
  readonly column: string | null;
  /** What a person could choose; null where no choice would help. */
  readonly question: ImportQuestion | null;
}

/** Builds an {@link ImportError}. */
export function importError(
  code: ImportErrorCode,
  message: string,
  where: { line?: number | null; column?: string | null; question?: ImportQuestion } = {},
): ImportError {
  const { line = null, column = null, question = null } = where;
  return { code, message, line, column, question };
}
