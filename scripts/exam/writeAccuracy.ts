import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const FILE = path.join(import.meta.dirname, '..', '..', 'docs', 'accuracy.md');
const BEGIN = '<!-- exam: begin -->';
const END = '<!-- exam: end -->';

/** Replaces the measured part of docs/accuracy.md; the words around it stay. */
export function writeAccuracy(report: string, exam: { count: number; seed: number }): void {
  const text = readFileSync(FILE, 'utf8');
  const begin = text.indexOf(BEGIN);
  const end = text.indexOf(END);
  if (begin < 0 || end < begin) throw new Error(`${FILE}: the lines ${BEGIN} and ${END} must stand in this order`);
  const command = `npm run exam -- --count ${exam.count} --seed ${exam.seed} --write`;
  writeFileSync(FILE, `${text.slice(0, begin)}${BEGIN}\n\nMade by \`${command}\`.\n\n${report}\n\n${text.slice(end)}`);
}
