import type { Cause, ChannelName, ChannelSet, Trace, Vehicle } from '../../base';
import { CHANNELS_OF_SET, logRun, type LoggerSettings } from '../logger';
import type { Random } from '../random';
import type { PlantRun } from '../simulate';

/** Draws a logger for a channel set: what the vehicle offers, how often, how cleanly. */
function drawWorldLogger(set: ChannelSet, vehicle: Vehicle, cause: Cause, random: Random): LoggerSettings {
  const channels = [...CHANNELS_OF_SET[set]] as ChannelName[];
  const drop = (name: ChannelName, p: number) => {
    if (channels.includes(name) && random.chance(p)) channels.splice(channels.indexOf(name), 1);
  };
  const add = (name: ChannelName, p: number) => {
    if (random.chance(p)) channels.push(name);
  };
  if (set === 'full') {
    drop('maf_gps', 0.45);
    drop('fan_pct', 0.4);
    drop('heater_pct', 0.35);
    drop('ambient_c', 0.15);
    add('oil_c', 0.3);
    add('rad_out_c', 0.12);
    add('ect2_c', 0.15);
    if (vehicle.thermostat.heated) add('thermostat_heater_pct', 0.7);
  }
  if (set !== 'temperature-only') add('gauge_c', cause === 'gauge-sender-fault' ? 1 : 0.35);
  const slow = random.chance(0.35);
  return {
    channels,
    period_s: slow ? random.uniform(2, 5) / (set === 'full' ? 2 : 1) : random.uniform(0.5, 2),
    jitter: random.uniform(0, 0.2),
    lost: random.uniform(0, 0.03),
    polled: random.chance(0.25),
  };
}

/** Logs a run as a drawn logger would. A gauge fault always has its gauge logged. */
export function logWorldRun(run: PlantRun, set: ChannelSet, vehicle: Vehicle, cause: Cause, random: Random): Trace {
  return logRun(run, drawWorldLogger(set, vehicle, cause, random), random);
}
