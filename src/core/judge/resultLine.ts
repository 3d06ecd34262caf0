import type { Finding } from './finding';
import { verdictText } from './words/verdictText';

/**
 * Plain-data form of a finding as the headless command prints it, `varmek-result/1`.
 *
 * @param reason the verdict in words, where it is another than the finding's own
 */
export function resultLine(file: string, finding: Finding, reason = verdictText(finding)): Record<string, unknown> {
  const round = (p: number) => Math.round(p * 1e6) / 1e6;
  // Rounding must not break the sum: the leader takes the difference.
  const rest = finding.causes.slice(1).map((c) => ({ ...c, probability: round(c.probability) }));
  const leader = finding.causes[0]!;
  const leading = round(1 - rest.reduce((sum, c) => sum + c.probability, 0));
  return {
    schema: 'varmek-result/1',
    file,
    verdict: { ...finding.verdict, probability: leading, reason },
    causes: [{ ...leader, probability: leading }, ...rest],
    // A monitor that did not run has no verdict: null, never false.
    codes: finding.codes.map(({ code, ran, wouldSet, at_s }) => ({
      ...{ code, wouldSet, ran },
      at_s: wouldSet ? at_s : null,
    })),
    quality: finding.quality,
    next: finding.next.map(({ test, why }) => ({ test, why })),
    ...(finding.also && finding.also.length > 0 ? { also: finding.also } : {}),
    ...(finding.leansOn ? { leans_on: finding.leansOn } : {}),
  };
}
