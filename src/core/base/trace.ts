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

/** Channels that carry at least one sample, in canonical order. */
export function loggedChannels(trace: Trace): ChannelName[] {
  return CHANNEL_NAMES.filter((name) => countPresent(trace.channels[name]) > 0);
}

/** Classifies a trace by what was logged beside the coolant temperature. */
export function channelSet(trace: Trace): ChannelSet {
  const has = (name: ChannelName) => countPresent(trace.channels[name]) >= 2;
  if (has('maf_gps') || has('load_pct')) return 'full';
  if (has('speed_kmh') || has('rpm')) return 'basic';
  return 'temperature-only';
}
