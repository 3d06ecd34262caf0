import { CHANNEL_NAMES, type ChannelName } from './channels';

/**
 * A logged drive: parallel arrays, one entry per row. Times are seconds from the first row, strictly rising.
 * NaN is a missing sample; a channel that was not logged is absent.
 */
export interface Trace {
  readonly time_s: Float64Array;
  readonly channels: Readonly<Partial<Record<ChannelName, Float64Array>>> & { readonly ect_c: Float64Array };
}

/** How much of the drive was logged: decides what a judge may lean on. */
export type ChannelSet = 'full' | 'basic' | 'temperature-only';

/** Length of the trace, s; 0 for fewer than two rows. */
export function duration_s(trace: Trace): number {
  const n = trace.time_s.length;
  return n < 2 ? 0 : trace.time_s[n - 1]! - trace.time_s[0]!;
}

/** Number of samples that are not missing. */
export function countPresent(values: Float64Array | undefined): number {
  if (!values) return 0;
  let n = 0;
  for (const v of values) if (Number.isFinite(v)) n++;
  return n;
}

/** Whether at least so many samples are not missing; looks no further than it must. */
export function presentAtLeast(values: Float64Array | undefined, least: number): boolean {
  if (!values) return false;
  let n = 0;
  for (const v of values) if (Number.isFinite(v) && ++n >= least) return true;
  return n >= least;
}

const starts = new WeakMap<Float64Array, Float64Array>();

/** Times of a trace from its first row, s: found once, as a log may have a million. */
export function sinceStart_s({ time_s }: Pick<Trace, 'time_s'>): Float64Array {
  const first = time_s[0] ?? 0;
  if (first === 0) return time_s;
  const since = starts.get(time_s) ?? time_s.map((t) => t - first);
  starts.set(time_s, since);
  return since;
}

/** Channels that carry at least one sample, in canonical order. */
export function loggedChannels(trace: Trace): ChannelName[] {
  return CHANNEL_NAMES.filter((name) => presentAtLeast(trace.channels[name], 1));
}

/** Classifies a trace by what was logged beside the coolant temperature. */
export function channelSet(trace: Trace): ChannelSet {
  const has = (name: ChannelName) => presentAtLeast(trace.channels[name], 2);
  if (has('maf_gps') || has('load_pct')) return 'full';
  if (has('speed_kmh') || has('rpm')) return 'basic';
  return 'temperature-only';
}

/** Rows of a log that its print looks at: every one of a drive, some of a log of days. */
const PRINTED_ROWS = 50_000;

/** 32-bit FNV-1a over the bits of numbers. Source: Fowler, Noll, Vo; RFC 9923. */
function hashOf(values: Float64Array): number {
  const words = new Uint32Array(values.buffer);
  let hash = 0x811c9dc5;
  for (const word of words) hash = Math.imul(hash ^ word, 0x01000193);
  return hash >>> 0;
}

/**
 * A print of the log by its times and coolant readings: two logs with the same one are one log, from whatever file and
 * with whatever other channels.
 */
export function logPrint({ time_s, channels }: Trace): string {
  const step = Math.ceil(time_s.length / PRINTED_ROWS) || 1;
  const rows = Math.ceil(time_s.length / step);
  const since = Float64Array.from({ length: rows }, (_, i) => time_s[i * step]! - time_s[0]!);
  // A missing sample has many bit patterns.
  const ect = Float64Array.from({ length: rows }, (_, i) => channels.ect_c[i * step]!).map((v) =>
    Number.isNaN(v) ? NaN : v,
  );
  return `${time_s.length} ${hashOf(since).toString(36)} ${hashOf(ect).toString(36)}`;
}
