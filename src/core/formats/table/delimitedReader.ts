import type { ImportError } from '../importError';
import { plural } from './lineList';
import { gridReader } from './gridReader';
import { withNotes, type SourceReader } from './readers';
import { isBlanks, RecordSplitter, type TextRecord } from './records';

const DELIMITER_NAME: Readonly<Record<string, string>> = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'pipe' };

const describe = (delimiter: string): string =>
  isBlanks(delimiter) ? delimiter : `${DELIMITER_NAME[delimiter] ?? `"${delimiter}"`} separated`;

/** Reader for delimited text. */
export function delimitedReader(
  delimiter: string,
  how: { readonly timeColumns: ReadonlySet<number>; readonly skip: number },
): SourceReader {
  const grid = gridReader({
    kind: 'delimited',
    described: describe(delimiter),
    timeColumns: how.timeColumns,
    addressed: false,
  });
  const splitter = new RecordSplitter(delimiter);

  const takeAll = (records: readonly TextRecord[]): ImportError | null => {
    for (const { cells, line } of records) {
      const error = line <= how.skip ? null : grid.take(cells, line);
      if (error) return error;
    }
    return null;
  };

  const strayNote = (): string[] => {
    const { count, lines } = splitter.strays;
    if (count === 0) return [];
    return [
      `${plural(count, 'line holds', 'lines hold')} a stray quote mark, first line ${lines[0]}; it was left out.`,
    ];
  };

  return {
    source: withNotes(grid.source, strayNote),
    push: (text) => takeAll(splitter.push(text)),
    finish: () => takeAll(splitter.finish()) ?? grid.end(),
  };
}
