import {
  channelSet,
  type Cause,
  type ChannelName,
  type ChannelSet,
  type Trace,
  type Vehicle,
} from '../../src/core/base';
import { CHANNELS_OF_SET, scrambledRandom } from '../../src/core/plant';

/**
 * How often each drive is told: as it was logged, then again of a car whose figures are a little off, then again by a
 * poorer logger too. A fit falls into one valley or the next by chance; what is learned must not be that chance.
 */
export const TELLINGS = 3;

/** How far figures of a vehicle's papers are off (working figure: what papers and scales differ by). */
const PAPERS_SD = 0.03;

/** The logger with fewer channels that a telling is left with. */
const POORER: Readonly<Record<ChannelSet, readonly ChannelSet[]>> = {
  full: ['basic', 'temperature-only'],
  basic: ['temperature-only'],
  'temperature-only': ['temperature-only'],
};

/**
 * A drive told again.
 *
 * @param telling 0 as it was logged; below {@link TELLINGS}
 * @param drive a number of its own: same number, same telling
 */
export function retold(
  { trace, vehicle, causes }: { trace: Trace; vehicle: Vehicle; causes: readonly Cause[] },
  telling: number,
  drive: number,
): { trace: Trace; vehicle: Vehicle } {
  if (telling === 0) return { trace, vehicle };
  const random = scrambledRandom(drive, telling);
  const off = (v: number) => random.spread(v, PAPERS_SD);
  const { engine, coolant } = vehicle;
  const another: Vehicle = {
    ...vehicle,
    engine: {
      ...engine,
      displacement_l: off(engine.displacement_l),
      kerb_mass_kg: off(engine.kerb_mass_kg),
    },
    coolant: { ...coolant, volume_l: off(coolant.volume_l) },
  };
  // A gauge's fault shows between two channels only.
  if (telling === 1 || causes.includes('gauge-sender-fault')) return { trace, vehicle: another };
  const left: readonly ChannelName[] = CHANNELS_OF_SET[random.pick(POORER[channelSet(trace)])];
  const channels = Object.fromEntries(Object.entries(trace.channels).filter(([c]) => left.includes(c as ChannelName)));
  return { trace: { ...trace, channels: { ...channels, ect_c: trace.channels.ect_c } }, vehicle: another };
}
