import { isBleedPlace, WORK, type Entry } from '../case';
import type { CautionId } from '../cautions';
import {
  DRAIN_STEPS,
  EXCEPTIONS,
  FILL_STEPS,
  PLACE_CAUTIONS,
  safeSteps,
  SEAT_STEPS,
  type RepairSheet,
} from '../repair';
import type { Vehicle } from '../base';

/** Cautions of a test that has them wherever it is shown. */
const OF_DRIVES: readonly CautionId[] = ['suspect-car', 'driver-drives', 'carbon-monoxide', 'overheating-on-the-road'];

/** Cautions that stood on the screens of what was done on this job, each once, in the order of the work. */
export function cautionsGiven(entries: readonly Entry[], repair: RepairSheet | null, vehicle: Vehicle): CautionId[] {
  const live = entries.filter((e) => e.takenBack !== true);
  const given: CautionId[] = [];
  if (live.some((e) => e.kind === 'code')) given.push('save-before-clearing');
  if (live.some((e) => e.kind === 'drive')) given.push(...OF_DRIVES);
  if (live.some((e) => e.kind === 'bench' && e.test?.of === 'thermostat')) given.push('bench-water');
  if (repair) {
    const opens = live.some((e) => e.kind === 'work' && WORK[e.work].opens);
    const { raise, lift, battery, air, done } = repair.safe;
    const safe = safeSteps({ hybrid: vehicle.engine.hybrid, raise, lift, battery, air, opens });
    given.push(...safe.filter((s) => done[s.id] !== undefined).flatMap((s) => s.cautions));
    if (repair.strip.items.length > 0) given.push(...PLACE_CAUTIONS.counts);
    given.push(...SEAT_STEPS.filter((s) => repair.strip.seated[s.id] !== undefined).flatMap((s) => s.cautions));
    const ticked = [...DRAIN_STEPS, ...FILL_STEPS].filter((s) => repair.fill.done[s.id] !== undefined);
    given.push(...ticked.flatMap((s) => s.cautions));
    if (repair.drain.lines.length > 0) given.push(...PLACE_CAUTIONS.waste, ...PLACE_CAUTIONS.coolant);
    const bled = live.some((e) => e.kind === 'measurement' && e.name === 'level' && isBleedPlace(e.place));
    if (bled || repair.bleed.levels.length > 0) given.push(...PLACE_CAUTIONS.air);
    given.push(...repair.plan.exceptions.flatMap((e) => EXCEPTIONS[e.kind].cautions));
  }
  return [...new Set(given)];
}
