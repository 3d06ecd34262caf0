import { max, min } from 'd3-array';
import { duration_s, temperatureText, type Trace, type Vehicle } from '../base';
import type { SignalFindings } from './raw/detectors';
import { HOT_START_BELOW_K, lowestRating } from './raw/frozen';
import type { Quality } from './finding';

/** Shortest drive that can tell anything, s. */
const SHORTEST_S = 300;
/** Smallest rise that shows a warm-up, K. */
const SMALLEST_RISE_K = 14;
/** Longest hole in the temperature that leaves the shape readable, s. */
const LONGEST_GAP_S = 240;

/** Checks whether a trace can carry a verdict; each problem says what to log instead. */
export function assessQuality(trace: Trace, findings: SignalFindings, vehicle: Vehicle): Quality {
  const problems: string[] = [];
  const ect = trace.channels.ect_c;
  const good: number[] = [];
  for (let i = 0; i < ect.length; i++) if (Number.isFinite(ect[i]!) && !findings.bad[i]) good.push(i);
  const length_s = duration_s(trace);
  if (good.length < 12) {
    return {
      usable: false,
      problems: [`Only ${good.length} usable temperature samples; log at least one every 10 s.`],
    };
  }
  if (length_s < SHORTEST_S) {
    problems.push(
      `Too short: ${(length_s / 60).toFixed(1)} min. Log from a cold start until the reading has held steady for 5 min.`,
    );
  }
  const values = good.map((i) => ect[i]!);
  const early = good.filter((i) => trace.time_s[i]! - trace.time_s[0]! <= 30).map((i) => ect[i]!);
  const start = min(early) ?? values[0]!;
  const highest = max(values) ?? start;
  const opening = lowestRating(vehicle);
  if (findings.frozenFrom_s === null && !findings.nearlyFrozen) {
    if (start > opening - HOT_START_BELOW_K) {
      problems.push(
        `Hot start at ${temperatureText(start)}. Log again from cold, after the engine has stood overnight.`,
      );
    } else if (highest - start < SMALLEST_RISE_K) {
      problems.push(
        `No rise to judge: ${temperatureText(start)} to ${temperatureText(highest)}. Log a drive with the engine running from cold, 20 min or more.`,
      );
    }
  }
  let gap = 0;
  for (let k = 1; k < good.length; k++) gap = Math.max(gap, trace.time_s[good[k]!]! - trace.time_s[good[k - 1]!]!);
  if (gap > LONGEST_GAP_S && findings.frozenFrom_s === null) {
    problems.push(`The temperature is missing for ${Math.round(gap)} s. Check the logger and log again.`);
  }
  return { usable: problems.length === 0, problems };
}
