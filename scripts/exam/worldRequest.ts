import { CAUSES, isFault, type ChannelSet } from '../../src/core/base';
import { FAULT_PAIRS, scrambledRandom, type WorldRequest } from '../../src/core/plant';

/** Causes that a drawn request takes, by share: as in a garage's archive, sound cars first. */
const FAULTS = CAUSES.filter(isFault);
const SETS: readonly (readonly [ChannelSet, number])[] = [
  ['full', 0.45],
  ['basic', 0.35],
  ['temperature-only', 0.2],
];

/**
 * What drive `index` of an exam over worlds asks for.
 *
 * @param worlds how many worlds take turns, from number 1 on
 */
export function worldRequest(index: number, seed: number, worlds: number, firstWorld = 1): WorldRequest {
  const random = scrambledRandom(seed + index, 3);
  const kind = random.uniform(0, 1);
  const causes =
    kind < 0.23
      ? (['healthy'] as const)
      : kind < 0.33
        ? (['insufficient-heat'] as const)
        : kind < 0.4
          ? random.pick(FAULT_PAIRS)
          : ([FAULTS[index % FAULTS.length]!] as const);
  let left = random.uniform(0, 1);
  const drawn = SETS.find(([, share]) => (left -= share) < 0)?.[0] ?? 'full';
  // A gauge's fault is a complaint about the gauge: it is logged.
  const gauge = causes.some((c) => c === 'gauge-sender-fault');
  const channelSet = gauge && drawn === 'temperature-only' ? 'basic' : drawn;
  const begin = random.uniform(0, 1);
  return {
    seed: seed + index,
    world: firstWorld + (index % worlds),
    causes,
    channelSet,
    start: begin < 0.04 ? 'hot' : begin < 0.25 ? 'part-soaked' : 'cold',
  };
}
