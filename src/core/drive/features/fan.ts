import { GRID_S } from '../driveSeries';
import type { FeatureDrive, NotTold, Told } from './feature';

/** Fan command above which it runs, %. */
const RUNS_FROM_PCT = 30;

/** Moments at which the fan went on and off. */
export interface FanMoments {
  readonly on: readonly number[];
  readonly off: readonly number[];
  /** True when they come from marks made by hand. */
  readonly byHand: boolean;
}

/** Reads them from the fan's command, else from marks; null when neither is there. */
export function fanMoments({ series, marks }: FeatureDrive): FanMoments | null {
  const { fan_pct } = series;
  if (!fan_pct) {
    const of = (kind: 'fan-on' | 'fan-off') => marks.filter((m) => m.kind === kind).map((m) => m.at_s);
    const on = of('fan-on');
    const off = of('fan-off');
    return on.length + off.length > 0 ? { on, off, byHand: true } : null;
  }
  const on: number[] = [];
  const off: number[] = [];
  for (let i = 1; i < fan_pct.length; i++) {
    const was = fan_pct[i - 1]! > RUNS_FROM_PCT;
    const is = fan_pct[i]! > RUNS_FROM_PCT;
    if (is && !was) on.push(i * GRID_S);
    if (was && !is) off.push(i * GRID_S);
  }
  return { on, off, byHand: false };
}

const NOT_LOGGED = 'The fan was not logged: mark when it goes on and off.';

/** Mean reading at some moments. */
function readingAt(drive: FeatureDrive, moments: readonly number[], byHand: boolean): Told | NotTold {
  const { reading_c, rounding_k } = drive.series;
  const values = moments.map((t) => reading_c[Math.round(t / GRID_S)]!).filter(Number.isFinite);
  if (values.length === 0) return { why: 'It did not happen on this drive.' };
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  const each = Math.hypot(0.3 * rounding_k, byHand ? 1.5 : 0.5);
  const scatter = Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / values.length);
  return {
    value: mean,
    sd: Math.max(each, scatter) / Math.sqrt(values.length),
    from_s: moments[0]!,
    to_s: moments.at(-1)!,
  };
}

/** Reading at which the fan goes on. */
export function fanOn(drive: FeatureDrive): Told | NotTold {
  const found = fanMoments(drive);
  return found ? readingAt(drive, found.on, found.byHand) : { why: NOT_LOGGED };
}

/** Reading at which the fan goes off again. */
export function fanOff(drive: FeatureDrive): Told | NotTold {
  const found = fanMoments(drive);
  return found ? readingAt(drive, found.off, found.byHand) : { why: NOT_LOGGED };
}

/** Times that the fan went on. */
export function fanCycles(drive: FeatureDrive): Told | NotTold {
  const found = fanMoments(drive);
  if (!found) return { why: NOT_LOGGED };
  const all = [...found.on, ...found.off];
  const place = all.length > 0 ? { from_s: Math.min(...all), to_s: Math.max(...all) } : { from_s: 0, to_s: 0 };
  return { value: found.on.length, sd: 0, ...place };
}

/** Mean time that the fan runs until it has pulled the reading down. */
export function fanFall(drive: FeatureDrive): Told | NotTold {
  const found = fanMoments(drive);
  if (!found) return { why: NOT_LOGGED };
  const ran = found.on.flatMap((on) => {
    const off = found.off.find((t) => t > on);
    return off === undefined ? [] : [{ on, off }];
  });
  if (ran.length === 0) return { why: 'The fan did not go on and off again on this drive.' };
  const value = ran.reduce((s, r) => s + r.off - r.on, 0) / ran.length;
  return { value, sd: (found.byHand ? 5 : 1.5) / Math.sqrt(ran.length), from_s: ran[0]!.on, to_s: ran.at(-1)!.off };
}
