import { watchOpening, type OpeningSeen } from '@/core/drive';

/** Fan command above which it runs, %. */
const RUNS_PCT = 30;

/** What a log of the bleeding shows, from its first sample. */
export interface WarmUpSeen {
  readonly from: 'live log' | string;
  readonly live: boolean;
  /** When it began, ms since 1970; null for a file without a clock here. */
  readonly startedAt: number | null;
  readonly last_c: number;
  readonly top_c: number;
  readonly length_s: number;
  readonly opening: OpeningSeen | null;
  readonly fanOn_s: number | null;
  readonly fanOff_s: number | null;
}

/** What a log shows of a bleeding so far; null before two readings. */
export function seenIn(
  time_s: ArrayLike<number>,
  ect_c: ArrayLike<number>,
  more: {
    readonly rpm: ArrayLike<number> | null;
    readonly fan_pct: ArrayLike<number> | null;
    readonly opens_c: number;
  },
): Omit<WarmUpSeen, 'from' | 'live' | 'startedAt'> | null {
  const present = Array.from(ect_c).filter(Number.isFinite);
  if (present.length < 2) return null;
  const t0 = time_s[0]!;
  const edge = (rising: boolean, from: number): number | null => {
    const { fan_pct } = more;
    if (!fan_pct) return null;
    for (let i = 1; i < fan_pct.length; i++) {
      if (time_s[i]! - t0 < from) continue;
      const [was, is] = [fan_pct[i - 1]! > RUNS_PCT, fan_pct[i]! > RUNS_PCT];
      if (rising ? is && !was : was && !is) return time_s[i]! - t0;
    }
    return null;
  };
  const fanOn_s = edge(true, 0);
  return {
    last_c: present.at(-1)!,
    top_c: present.reduce((a, b) => Math.max(a, b)),
    length_s: time_s[time_s.length - 1]! - t0,
    opening: watchOpening(time_s, ect_c, { opens_c: more.opens_c, rpm: more.rpm }),
    fanOn_s,
    fanOff_s: fanOn_s === null ? null : edge(false, fanOn_s),
  };
}
