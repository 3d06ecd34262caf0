import { median } from 'd3-array';

/** A moment at which the reading leapt faster than coolant can. */
export interface Leap {
  readonly at_s: number;
  readonly from: number;
  readonly to: number;
}

/** What a recording made while plug and wire were moved shows. */
export interface WiggleFinding {
  readonly samples: number;
  readonly length_s: number;
  /** Scatter of a quiet contact, from neighbouring samples, in the recording's unit. */
  readonly scatter: number;
  readonly leaps: readonly Leap[];
  /** Samples that were not there at all. */
  readonly dropped: number;
  readonly verdict: 'jumps' | 'steady' | 'too-short';
}

/** Shortest recording that says anything, s and samples. */
const LEAST = { s: 15, samples: 20 } as const;
/** A leap stands out of the scatter by this factor and is at least this large, in degrees or per cent of the level. */
const STANDS_OUT = 6;
const LEAST_LEAP = { celsius: 3, share: 0.05 } as const;

/** What a recording says by its leaps and its length. */
export function wiggleVerdict({
  samples,
  length_s,
  leaps,
}: Pick<WiggleFinding, 'samples' | 'length_s' | 'leaps'>): WiggleFinding['verdict'] {
  if (leaps.length > 0) return 'jumps';
  return length_s < LEAST.s || samples < LEAST.samples ? 'too-short' : 'steady';
}

/**
 * Looks for leaps in a recording: coolant at rest does not move, so that whatever leaps is the contact.
 *
 * @param time_s rising
 * @param values same length, °C or Ω or V, NaN where missing
 */
export function wiggleTest(
  time_s: ArrayLike<number>,
  values: ArrayLike<number>,
  unit: '°C' | 'Ω' | 'V',
): WiggleFinding {
  const present: { t: number; v: number }[] = [];
  let dropped = 0;
  for (let i = 0; i < values.length; i++) {
    if (Number.isFinite(values[i]!)) present.push({ t: time_s[i]!, v: values[i]! });
    else dropped++;
  }
  const length_s = present.length < 2 ? 0 : present.at(-1)!.t - present[0]!.t;
  const steps = present.slice(1).map((p, i) => Math.abs(p.v - present[i]!.v));
  // Of normal scatter the middle step between neighbours is 0.954 standard deviations.
  const scatter = (median(steps) ?? 0) / 0.954;
  const level = Math.abs(median(present, (p) => p.v) ?? 0);
  const least = unit === '°C' ? LEAST_LEAP.celsius : LEAST_LEAP.share * level;
  const from = Math.max(STANDS_OUT * scatter, least);
  const leaps = present.slice(1).flatMap((p, i): Leap[] => {
    const before = present[i]!;
    return Math.abs(p.v - before.v) > from ? [{ at_s: p.t, from: before.v, to: p.v }] : [];
  });
  const found = { samples: present.length, length_s, scatter, leaps, dropped };
  return { ...found, verdict: wiggleVerdict(found) };
}

/**
 * Leaps that say as much as a look by eye: one alone may be a slip of the probe.
 *
 * @returns probability that the contact is bad, 0...1
 */
export function badContact({ leaps, verdict }: WiggleFinding): number {
  if (verdict === 'too-short') return 0.5;
  return verdict === 'steady' ? 0.03 : leaps.length === 1 ? 0.8 : 0.97;
}
