import { CAUSES, isFault, type Cause, type ChannelSet } from '../../src/core/base';
import { FAULT_PAIRS, scrambledRandom, type Random, type WorldRequest } from '../../src/core/plant';

/** Causes that a drawn request takes, by share: as in a garage's archive, sound cars first. */
const FAULTS = CAUSES.filter(isFault);
const SETS: readonly (readonly [ChannelSet, number])[] = [
  ['full', 0.45],
  ['basic', 0.35],
  ['temperature-only', 0.2],
];

/** The causes of drive `index`, in the shares of an archive. */
function drawCauses(index: number, random: Random): readonly Cause[] {
  const kind = random.uniform(0, 1);
  if (kind < 0.23) return ['healthy'];
  if (kind < 0.33) return ['insufficient-heat'];
  return kind < 0.4 ? random.pick(FAULT_PAIRS) : [FAULTS[index % FAULTS.length]!];
}

/**
 * What drive `index` of an exam over worlds asks for.
 *
 * @param worlds how many worlds take turns, from number 1 on
 * @param pairs two faults at once on every drive, all pairs in turn
 */
export function worldRequest(
  index: number,
  seed: number,
  worlds: number,
  firstWorld = 1,
  pairs: 'some' | 'all' = 'some',
): WorldRequest {
  const random = scrambledRandom(seed + index, 3);
  const drawnCauses = drawCauses(index, random);
  const causes = pairs === 'all' ? FAULT_PAIRS[index % FAULT_PAIRS.length]! : drawnCauses;
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
