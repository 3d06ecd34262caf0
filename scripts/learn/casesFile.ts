import { readFileSync, writeFileSync } from 'node:fs';
import type { LearnCase } from './learnCase';

/** Writes drives with their figures, one a line. */
export function writeCases(file: string, cases: readonly LearnCase[]): void {
  writeFileSync(file, cases.map((c) => JSON.stringify(c)).join('\n') + '\n');
}

const parsed = (line: string): Partial<LearnCase> | null => {
  try {
    return JSON.parse(line) as Partial<LearnCase>;
  } catch {
    return null;
  }
};

/** Reads them. Throws where a line is no drive as it is written today: says which, and how to mend it. */
export function readCases(file: string): LearnCase[] {
  return readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((line, i) => {
      if (line === '') return [];
      const found = parsed(line);
      if (!found?.id || !found.figures || !found.physics || found.telling === undefined)
        throw new Error(
          `${file}, line ${i + 1}: no drive with figures and a telling; make the file anew with --worlds N, --pairs N, --home N or --field FOLDER`,
        );
      return [found as LearnCase];
    });
}
