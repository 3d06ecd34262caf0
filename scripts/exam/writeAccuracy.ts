import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const FILE = path.join(import.meta.dirname, '..', '..', 'docs', 'accuracy.md');

/** Measured parts of docs/accuracy.md, each between marks of its name. */
export type AccuracyPart = 'exam' | 'worlds' | 'left-out';

/** Replaces a measured part of docs/accuracy.md; the words around it stay. @param command that makes it again */
export function writeAccuracy(part: AccuracyPart, report: string, command: string): void {
  const text = readFileSync(FILE, 'utf8');
  const beginMark = `<!-- ${part}: begin -->`;
  const endMark = `<!-- ${part}: end -->`;
  const begin = text.indexOf(beginMark);
  const end = text.indexOf(endMark);
  if (begin < 0 || end < begin)
    throw new Error(`${FILE}: the lines ${beginMark} and ${endMark} must stand in this order`);
  writeFileSync(
    FILE,
    `${text.slice(0, begin)}${beginMark}\n\nMade by \`${command}\`.\n\n${report}\n\n${text.slice(end)}`,
  );
}
