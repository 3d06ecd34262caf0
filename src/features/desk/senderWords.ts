import type { Finding } from '@/core/judge';

/** The sender's fault in plain words, where one leads. */
export function senderWords(finding: Pick<Finding, 'inner' | 'verdict'>): string | null {
  const { wiring, fault } = finding.inner;
  if (!finding.verdict.cause.startsWith('sender-')) return null;
  if (wiring.series_ohm > 0) {
    return `About ${Math.round(wiring.series_ohm)} Ω too much in plug or earth: right when cold, ever lower when hot.`;
  }
  if (Number.isFinite(wiring.parallel_ohm)) {
    return `About ${Math.round(wiring.parallel_ohm)} Ω across the sender: too high when cold, nearly right when hot.`;
  }
  if (wiring.offset_k !== 0) {
    return `It reads about ${Math.abs(wiring.offset_k).toFixed(0)} K too ${wiring.offset_k < 0 ? 'low' : 'high'} over the whole range.`;
  }
  return fault.senderLag_s > 0 ? `It follows the coolant about ${Math.round(fault.senderLag_s)} s late.` : null;
}
