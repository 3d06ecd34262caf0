import { type Vehicle } from '../core/base';
import { caseOf, type DriveEntry } from '../core/case';
import { causeName, describeTest, gradeOf } from '../core/evidence';
import { remarksText, resultLine, verdictText, type Finding } from '../core/judge';

/** The finding whose drive speaks clearest for what all drives together say. */
const clearest = (findings: readonly Finding[], cause: string): Finding => {
  const share = (f: Finding) => (f.quality.usable ? (f.causes.find((c) => c.cause === cause)?.probability ?? 0) : -1);
  return findings.reduce((a, b) => (share(b) > share(a) ? b : a));
};

/**
 * Several drives of one vehicle, in order of time, judged together: one line of `varmek-result/1` that speaks of all of
 * them, with each drive's own verdict.
 */
export function drivesLine(
  files: readonly string[],
  vehicle: Vehicle,
  findings: readonly Finding[],
): Record<string, unknown> {
  const entries = findings.map((_, i): DriveEntry => ({
    ...{ id: `${i}`, at: i, kind: 'drive' },
    traceId: `${i}`,
    leftOut: '',
  }));
  const drives = new Map(findings.map((f, i) => [`${i}`, f]));
  const found = caseOf({ vehicle, senderPoints: [], entries, drives });
  const counted = found.drives.filter((d) => d.counts).length;
  const leader = found.now[0]!;
  const shown = clearest(findings, leader.cause);
  const grade = counted > 0 ? gradeOf(found.now) : 'inconclusive';
  const reason =
    counted === 0
      ? verdictText(shown)
      : grade === 'inconclusive'
        ? `Cannot tell yet from ${counted} drives: ${causeName(leader.cause).toLowerCase()} and ${causeName(found.now[1]!.cause).toLowerCase()} fit about as well.`
        : `${causeName(leader.cause)} by ${counted} of ${findings.length} drives together. ${remarksText(shown.why[0] ?? [])}`.trim();
  const causes = found.now.map(({ cause, probability }) => ({
    ...{ cause, probability },
    parameters: shown.causes.find((c) => c.cause === cause)?.parameters ?? {},
  }));
  const together: Finding = {
    ...shown,
    verdict: { cause: leader.cause, probability: leader.probability, grade },
    causes,
    also: (shown.also ?? []).filter((cause) => cause !== leader.cause),
    quality: { usable: counted > 0, problems: found.drives.filter((d) => !d.counts).map((d) => d.why) },
    next: found.next.map(describeTest),
  };
  return {
    ...resultLine(files[0]!, together, reason),
    file: files,
    drives: findings.map((f, i) => ({
      file: files[i],
      verdict: { ...f.verdict, reason: verdictText(f) },
      quality: f.quality,
    })),
  };
}
