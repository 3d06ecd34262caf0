import { CAUSES } from '../../src/core/base';
import type { ExamFigures, Share } from './metrics';

const pct = (s: Share): string => (s.of === 0 ? '-' : `${(100 * s.share).toFixed(0)} % (${s.of})`);

/** The exam as Markdown tables. */
export function examReport(f: ExamFigures): string {
  const rows: [string, string, string, string][] = [
    ['top-1, clear single faults, full channels', pct(f.clearBySet.full), '85 %', '95 %'],
    ['top-1, clear, basic', pct(f.clearBySet.basic), '75 %', '90 %'],
    ['top-1, clear, temperature only', pct(f.clearBySet['temperature-only']), '55 %', '75 %'],
    ['top-1, all observable single faults, all channel sets', pct(f.observable), '65 %', '85 %'],
    ['the same with neighbours merged', pct(f.observableMerged), '75 %', '92 %'],
    ['sound vehicle accused, confirmed or likely', pct(f.falseAccusals), '3 %', '0.5 %'],
    ['sender called thermostat or the reverse', pct(f.swaps), '4 %', '1 %'],
    ['hot starts graded inconclusive', pct(f.hopeless), '90 %', '99 %'],
    ['expected calibration error', f.calibrationError.toFixed(3), '0.08', '0.04'],
  ];
  const table = [
    '| figure | measured (cases) | floor | aim |',
    '|---|---|---|---|',
    ...rows.map((r) => `| ${r.join(' | ')} |`),
  ];
  const reliability = [
    '| said | cases | mean said | right |',
    '|---|---|---|---|',
    ...f.reliability
      .filter((b) => b.count > 0)
      .map(
        (b) =>
          `| ${b.from.toFixed(2)}-${b.to.toFixed(2)} | ${b.count} | ${b.said.toFixed(2)} | ${b.right.toFixed(2)} |`,
      ),
  ];
  const byCause = [
    '| cause (observable) | full | basic | temperature only | clear, all sets |',
    '|---|---|---|---|---|',
    ...f.byCause.map(
      (c) =>
        `| ${c.cause} | ${pct(c.bySet.full)} | ${pct(c.bySet.basic)} | ${pct(c.bySet['temperature-only'])} | ${pct(c.clear)} |`,
    ),
  ];
  const confusion = CAUSES.flatMap((truth, i) => {
    const row = f.confusion[i]!;
    const total = row.reduce((a, b) => a + b, 0);
    if (total === 0) return [];
    const parts = [...CAUSES, 'inconclusive' as const]
      .map((v, k) => ({ v, n: row[k]! }))
      .filter((x) => x.n > 0)
      .sort((a, b) => b.n - a.n)
      .map((x) => `${x.v} ${x.n}`);
    return [`| ${truth} | ${total} | ${parts.join(', ')} |`];
  });
  return [
    table.join('\n'),
    '### Reliability of the stated probability',
    reliability.join('\n'),
    '### Top-1 by cause and channel set',
    byCause.join('\n'),
    '### What was called what',
    ['| truth | cases | verdicts |', '|---|---|---|', ...confusion].join('\n'),
  ].join('\n\n');
}
