import type { CodeResult, WhyNot } from './result';

/** What each code is about, in short. */
export const MONITOR_NAME: Readonly<Record<string, string>> = {
  P0116: 'coolant against other temperatures after a soak',
  P0117: 'sender circuit low',
  P0118: 'sender circuit high',
  P0119: 'sender circuit intermittent',
  P0125: 'too cool for closed loop',
  P0128: 'slow warm-up',
  P0217: 'over-temperature',
  P0597: 'thermostat heating open',
  P0598: 'thermostat heating low',
  P0599: 'thermostat heating high',
};

const whole = (v: number | null): string => (v === null ? 'unknown' : String(Math.round(v)));
const minutes = (v: number | null): string => (v === null ? 'unknown' : `${(v / 60).toFixed(1)} min`);

/** A condition that was not met, in words; quantities in SI, to be shown in the shop's units. */
export function whyNotText(w: WhyNot): string {
  switch (w.kind) {
    case 'engine-ran':
      return 'It runs with the engine running; on this log it never did.';
    case 'start-reading':
      return `It runs from a start between ${whole(w.from)} °C and ${whole(w.to)} °C; this one was ${
        w.was === null ? 'not logged' : `at ${whole(w.was)} °C`
      }.`;
    case 'start-not-cold-enough':
      return `It runs from a start below ${whole(w.to)} °C; this one was at ${whole(w.was)} °C.`;
    case 'intake-air':
      return `It needs intake air of ${whole(w.from)} °C or more; it was ${whole(w.was)} °C.`;
    case 'idle-share':
      return `At most ${whole(w.to)} % of the warm-up may be idling; it was ${whole(w.was)} %.`;
    case 'mean-speed':
      return `It needs a mean of ${whole(w.from)} km/h; it was ${whole(w.was)} km/h.`;
    case 'drive-length':
      return w.from === null
        ? `The drive ended after ${minutes(w.was)}, before the engine had taken in enough to decide.`
        : `It decides after ${minutes(w.from)}; the drive ended after ${minutes(w.was)}.`;
    case 'sound-vehicle-warms':
      return `On this drive even a sound vehicle need not reach ${whole(w.from)} °C: the slowest would come to ${whole(w.was)} °C.`;
    case 'channel':
      return `It needs ${w.what}, which was not logged.`;
    case 'soak':
      return `The other temperatures must agree within ${whole(w.to)} K to prove a soak; they were ${whole(w.was)} K apart.`;
    case 'circuit-not-logged':
      return 'The circuit itself is not in a log: measure element and wiring.';
  }
}

/** Verdict of a monitor in two words. */
export const monitorVerdict = ({ wouldSet }: Pick<CodeResult, 'wouldSet'>): string =>
  wouldSet === null ? 'Did not run' : wouldSet ? 'Would set' : 'Passes';

/** What stands behind a verdict: when and by how much, or which conditions were not met. */
export function monitorDetail(r: CodeResult): string {
  if (!r.ran || r.at_s === null) return r.whyNot.map(whyNotText).join(' ');
  const by = r.margin_k === null ? '' : `${Math.abs(r.margin_k).toFixed(1)} K ${r.margin_k < 0 ? 'short' : 'to spare'}`;
  if (!r.wouldSet) return by === '' ? '' : `With ${by}.`;
  return `At ${minutes(r.at_s)}${by === '' ? '' : `, ${by}`}.`;
}

/** What a monitor made of a drive, verdict and reason in one. */
export function monitorText(r: CodeResult): string {
  const detail = monitorDetail(r);
  return `${monitorVerdict(r)}${detail === '' ? '.' : r.ran ? ` ${detail.charAt(0).toLowerCase()}${detail.slice(1)}` : `. ${detail}`}`;
}
