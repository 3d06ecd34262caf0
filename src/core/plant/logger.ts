import { type ChannelName, type ChannelSet, type Trace } from '../base';
import type { Random } from './random';
import type { PlantRun } from './simulate';

/** How a simulated scan tool logs. */
export interface LoggerSettings {
  readonly channels: readonly ChannelName[];
  /** Mean time between rows, s. */
  readonly period_s: number;
  /** Relative scatter of the period. */
  readonly jitter: number;
  /** Share of samples lost. */
  readonly lost: number;
  /** True when each row carries only the channel just polled, as slow loggers write. */
  readonly polled: boolean;
}

/** Rounding of each channel on the diagnostic bus (SAE J1979 scaling). */
const STEP: Readonly<Record<ChannelName, number>> = {
  ect_c: 1,
  ect2_c: 1,
  gauge_c: 1,
  iat_c: 1,
  ambient_c: 1,
  speed_kmh: 1,
  rpm: 0.25,
  load_pct: 100 / 255,
  maf_gps: 0.01,
  fan_pct: 100 / 255,
  heater_pct: 1,
  thermostat_heater_pct: 100 / 255,
  oil_c: 1,
  rad_out_c: 1,
};

/** Channels of each set that a logger offers. */
export const CHANNELS_OF_SET: Readonly<Record<ChannelSet, readonly ChannelName[]>> = {
  full: ['ect_c', 'iat_c', 'ambient_c', 'speed_kmh', 'rpm', 'load_pct', 'maf_gps', 'fan_pct', 'heater_pct'],
  basic: ['ect_c', 'iat_c', 'speed_kmh', 'rpm'],
  'temperature-only': ['ect_c'],
};

/** Logs a simulated drive: polls, rounds and loses samples as a scan tool does. */
export function logRun(run: PlantRun, settings: LoggerSettings, random: Random): Trace {
  const end = run.time_s[run.time_s.length - 1]!;
  const times: number[] = [];
  for (let t = 0; t <= end; t += settings.period_s * Math.max(0.2, random.normal(1, settings.jitter))) times.push(t);
  const n = times.length;
  const pick = (name: ChannelName, index: number): Float64Array => {
    const source = run[name];
    const out = new Float64Array(n).fill(NaN);
    for (let i = 0; i < n; i++) {
      if (settings.polled && i % settings.channels.length !== index) continue;
      if (i > 0 && random.chance(settings.lost)) continue;
      const at = Math.min(source.length - 1, Math.round(times[i]! / (run.time_s[1]! - run.time_s[0]!)));
      out[i] = Math.round(source[at]! / STEP[name]) * STEP[name];
    }
    return out;
  };
  const channels: Partial<Record<ChannelName, Float64Array>> = {};
  settings.channels.forEach((name, index) => {
    channels[name] = pick(name, index);
  });
  return {
    time_s: Float64Array.from(times, (t) => Math.round(t * 1000) / 1000),
    channels: { ...channels, ect_c: channels.ect_c ?? pick('ect_c', 0) },
  };
}
