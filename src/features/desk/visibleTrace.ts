import type { Trace } from '@/core/base';
import type { Range } from '@/ui/picture/lane';

/** Rows of a trace within a stretch. */
export function visibleTrace({ time_s, channels }: Trace, { from_s, to_s }: Range): Trace {
  const t0 = time_s[0]!;
  const first = time_s.findIndex((t) => t - t0 >= from_s);
  const after = time_s.findIndex((t) => t - t0 > to_s);
  const cut = (values: Float64Array) => values.slice(first, after < 0 ? undefined : after);
  const cutChannels = Object.fromEntries(Object.entries(channels).map(([name, values]) => [name, cut(values)]));
  return { time_s: cut(time_s), channels: cutChannels as Trace['channels'] };
}
