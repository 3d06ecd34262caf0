/** What a warm-up in the making shows of its opening. */
export interface OpeningSeen {
  /** From the first sample, s. */
  readonly at_s: number;
  readonly reading_c: number;
}

/** What is watched beside the reading. */
export interface OpeningWatch {
  /** Temperature at which the thermostat is to open, °C. */
  readonly opens_c: number;
  /** Engine speed, rpm; null where it is not logged. */
  readonly rpm: ArrayLike<number> | null;
}

/** Stretches before and after a moment over which the climb is taken, s. */
const BEFORE_S = 180;
const AFTER_S = 75;
/** The climb falls to less than this share of what it was. */
const FALLS_TO = 0.35;
/** Least climb before, K/s: slower ones flatten by themselves. */
const LEAST_CLIMB = 0.9 / 60;
/** An opening lies no further from the rating than this, K: elsewhere something else bends the curve, boiling too. */
const NEAR_RATING_K = 12;
/** A reading that climbs on by more than this was not held by an opening, K: a sound one lets it rise to the fan at most. */
const CLIMBS_ON_K = 10;
/** An engine speed that falls below this share of what it was is another climb, until its heat has arrived, s. */
const SLOWER = 0.8;
const SETTLES_S = 150;
/** Least stretch before a moment that its climb is told from, s. */
const LEAST_BEFORE_S = 60;
/** Engine speed is taken over so long, s. */
const SPEED_OVER_S = 20;

/** Slope of the straight line through samples, K/s; NaN for fewer than three. */
function slope(time_s: ArrayLike<number>, values: ArrayLike<number>, from: number, to: number): number {
  let n = 0;
  let st = 0;
  let sv = 0;
  for (let i = from; i < to; i++) {
    if (!Number.isFinite(values[i]!)) continue;
    n++;
    st += time_s[i]!;
    sv += values[i]!;
  }
  if (n < 3) return NaN;
  let up = 0;
  let down = 0;
  for (let i = from; i < to; i++) {
    if (!Number.isFinite(values[i]!)) continue;
    up += (time_s[i]! - st / n) * (values[i]! - sv / n);
    down += (time_s[i]! - st / n) ** 2;
  }
  return down > 0 ? up / down : NaN;
}

function meanOf(values: ArrayLike<number>, from: number, to: number): number {
  let n = 0;
  let sum = 0;
  for (let i = from; i < to; i++) {
    if (!Number.isFinite(values[i]!)) continue;
    n++;
    sum += values[i]!;
  }
  return n > 0 ? sum / n : NaN;
}

/** When the engine last became slower, for each sample; minus infinity before it did. */
function slowedAt(time_s: ArrayLike<number>, rpm: ArrayLike<number>): Float64Array {
  const out = new Float64Array(time_s.length);
  let last_s = -Infinity;
  let from = 0;
  const speed = new Float64Array(time_s.length);
  for (let i = 0; i < time_s.length; i++) {
    while (time_s[from]! < time_s[i]! - SPEED_OVER_S) from++;
    speed[i] = meanOf(rpm, from, i + 1);
    let before = 0;
    for (let k = i; k >= 0 && time_s[k]! >= time_s[i]! - 2 * SPEED_OVER_S; k--) before = Math.max(before, speed[k]!);
    if (speed[i]! < SLOWER * before) last_s = time_s[i]!;
    out[i] = last_s;
  }
  return out;
}

/**
 * The opening in a warm-up that is still being logged: the first moment near the rating at which a steady climb gives way
 * to a much flatter one. For the bleeding, where a late word is worth little; the desk measures it better afterwards.
 *
 * @param time_s rising
 * @param ect_c coolant reading, °C; NaN where missing
 * @returns null while it has not shown
 */
export function watchOpening(
  time_s: ArrayLike<number>,
  ect_c: ArrayLike<number>,
  { opens_c, rpm }: OpeningWatch,
): OpeningSeen | null {
  const n = time_s.length;
  let from = 0;
  let to = 0;
  const slowed = rpm ? slowedAt(time_s, rpm) : null;
  let best: (OpeningSeen & { readonly ratio: number }) | null = null;
  for (let i = 0; i < n; i++) {
    const t = time_s[i]!;
    while (time_s[from]! < t - BEFORE_S) from++;
    while (to < n && time_s[to]! <= t + AFTER_S) to++;
    const settled_s = (slowed?.[i] ?? -Infinity) + SETTLES_S;
    while (time_s[from]! < settled_s && from < i) from++;
    const whole = t - time_s[from]! >= LEAST_BEFORE_S && time_s[n - 1]! >= t + AFTER_S;
    if (!whole || !(Math.abs(ect_c[i]! - opens_c) <= NEAR_RATING_K)) continue;
    // Slower in what follows: the flatter climb is the engine's.
    if (slowed && slowed[to - 1]! > t - SETTLES_S) continue;
    const before = slope(time_s, ect_c, from, i + 1);
    const after = slope(time_s, ect_c, i, to);
    if (!(before >= LEAST_CLIMB) || !(after <= FALLS_TO * before)) continue;
    const ratio = after / before;
    // The sharpest bend within reach of the first one is the opening.
    if (best && t - time_s[0]! - best.at_s > AFTER_S) break;
    if (!best || ratio < best.ratio) best = { at_s: t - time_s[0]!, reading_c: ect_c[i]!, ratio };
  }
  if (!best) return null;
  for (let i = 0; i < n; i++) {
    if (time_s[i]! - time_s[0]! > best.at_s && ect_c[i]! > best.reading_c + CLIMBS_ON_K) return null;
  }
  return { at_s: best.at_s, reading_c: best.reading_c };
}
