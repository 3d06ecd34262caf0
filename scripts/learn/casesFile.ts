import { readFileSync, writeFileSync } from 'node:fs';
import type { LearnCase } from './learnCase';

/** Writes drives with their figures, one a line. */
export function writeCases(file: string, cases: readonly LearnCase[]): void {
  writeFileSync(file, cases.map((c) => JSON.stringify(c)).join('\n') + '\n');
}

/** Reads them. */
export function readCases(file: string): LearnCase[] {
  return readFileSync(file, 'utf8')
    .split('\n')
    .filter((line) => line !== '')
    .map((line) => JSON.parse(line) as LearnCase);
}
