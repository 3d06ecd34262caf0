import { isFault } from '../../src/core/base';
import { drawWorldScenario } from '../../src/core/plant';
import type { ExamRequest } from './case';
import { CLEAR_K, OBSERVABLE_K } from './metrics';
import { judgedOutside, type OutsideCase } from './outsideCase';
import { worldRequest } from './worldRequest';

/** Worlds of an exam: numbers that the learned layer never met. */
export const EXAM_WORLDS = { first: 1001, count: 24 } as const;
/** A drive shorter than this shows nothing, s. */
const SHORT_S = 480;

/** Draws and judges drive `index` of an exam over worlds. */
export function runWorldCase(index: number, { seed }: Pick<ExamRequest, 'seed'>): OutsideCase {
  const s = drawWorldScenario(worldRequest(index, seed, EXAM_WORLDS.count, EXAM_WORLDS.first));
  const long = s.trace.time_s.at(-1)! >= SHORT_S;
  const shown = !isFault(s.causes[0]!) || s.effect_k >= OBSERVABLE_K;
  const known = {
    id: `${s.seed}`,
    group: s.world.name,
    causes: s.causes,
    hotStart: s.start === 'hot',
    observable: long && shown && s.start !== 'hot',
    clear: s.effect_k >= CLEAR_K,
    channels: s.channelSet,
  };
  return judgedOutside(known, s.trace, s.vehicle);
}
