import { median } from 'd3-array';
import type { ChannelName, Trace } from '../../base';

/** First readings, °C: after a night all agree. Null where not logged. */
export interface AtStart {
  readonly ect_c: number | null;
  readonly outside_c: number | null;
  readonly intake_c: number | null;
  readonly gauge_c: number | null;
  readonly second_c: number | null;
  readonly oil_c: number | null;
}

/** Time after key-on in which a reading still shows the soak, s. */
const SOAK_S = 30;

/** Median of a channel's first readings, °C; null without any. */
function firstReading(trace: Trace, name: ChannelName, bad?: Uint8Array): number | null {
  const values = trace.channels[name];
  const early = values?.filter(
    (v, i) => trace.time_s[i]! - trace.time_s[0]! <= SOAK_S && Number.isFinite(v) && !bad?.[i],
  );
  return early && early.length > 0 ? median(early)! : null;
}

/**
 * First readings of everything that tells a temperature.
 *
 * @param bad samples of the reading that no coolant can follow
 * @param outside_c the outside temperature that was given by hand, °C; counts where none was logged
 */
export const readAtStart = (trace: Trace, bad: Uint8Array, outside_c: number | null): AtStart => ({
  ect_c: firstReading(trace, 'ect_c', bad),
  outside_c: firstReading(trace, 'ambient_c') ?? outside_c,
  intake_c: firstReading(trace, 'iat_c'),
  gauge_c: firstReading(trace, 'gauge_c'),
  second_c: firstReading(trace, 'ect2_c'),
  oil_c: firstReading(trace, 'oil_c'),
});
