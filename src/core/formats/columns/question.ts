import type { ColumnGuess, MappedColumn } from '../column';
import { importError, type ImportError } from '../importError';
import type { RowTable } from '../table/rowTable';
import { previewsOf } from './understand';

/** Which columns are read as what. */
export interface Mapping {
  /** Columns that may hold the time. */
  readonly times: readonly { readonly at: number; readonly unit: string | null }[];
  readonly columns: readonly MappedColumn[];
  readonly notes: readonly string[];
}

/** What the mapping needs to know about the file. */
export interface MapInput {
  readonly table: RowTable;
  readonly guesses: readonly ColumnGuess[];
  readonly headerLine: number | null;
  readonly numbersOpen: boolean;
}

/** A question to a person, with what is known so far. */
export function ask(input: MapInput, message: string, code: ImportError['code'] = 'needs-mapping'): ImportError {
  return importError(code, message, {
    line: input.headerLine,
    question: { guesses: input.guesses, previews: previewsOf(input.table), numbersOpen: input.numbersOpen },
  });
}
