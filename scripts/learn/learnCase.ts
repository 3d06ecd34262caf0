import path from 'node:path';
import { CAUSES, isFault, type Cause, type Trace, type Vehicle } from '../../src/core/base';
import { addLogs } from '../../src/core/evidence';
import { judgeFiguresNow } from '../../src/core/judge';
import { drawScenario, drawWorldScenario, type WorldRequest } from '../../src/core/plant';
import { requestFor } from '../exam/case';
import { CLEAR_K, OBSERVABLE_K } from '../exam/metrics';
import { worldRequest } from '../exam/worldRequest';
import { fieldDrive, fieldTruth } from './fieldSet';
import { retold } from './retold';

/** A drive with a known outcome, as the learned layer sees it. */
export interface LearnCase {
  readonly id: string;
  readonly origin: 'world' | 'field';
  /** 0 as it was logged; others are the same drive told again, see {@link retold}: to learn from, not to be asked. */
  readonly telling: number;
  /** World or vehicle: left out as a whole when the layer is examined. */
  readonly group: string;
  readonly causes: readonly Cause[];
  /** Something to learn from: not hot, not short, and the fault moved the reading. */
  readonly counts: boolean;
  /** Faults that moved it plainly. */
  readonly clear: boolean;
  readonly figures: Readonly<Record<string, number | null>>;
  /** Log odds by fits and signal, in the order of the causes. */
  readonly physics: readonly number[];
}

/** Digits that a figure is kept with. */
const KEPT = 1e4;

/** What the judge's fits and signal say of a drive. */
function told(
  as: { trace: Trace; vehicle: Vehicle; causes: readonly Cause[] },
  telling: number,
  drive: number,
): Pick<LearnCase, 'figures' | 'physics' | 'telling'> {
  const { trace, vehicle } = retold(as, telling, drive);
  const { finding, figures } = judgeFiguresNow(trace, vehicle);
  const rest = finding.evidence.filter((l) => l.id !== 'experience');
  const logs = addLogs(...rest.map((l) => l.logLikelihood));
  return {
    telling,
    figures: Object.fromEntries(
      Object.entries(figures).map(([name, v]) => [name, Number.isFinite(v) ? Math.round(v * KEPT) / KEPT : null]),
    ),
    physics: CAUSES.map((c) => (logs[c] > -Infinity ? Math.round(logs[c] * KEPT) / KEPT : -1000)),
  };
}

/** Seeds and worlds of the drives that the layer learns from: exams take others. */
export const LEARN = { seed: 5_000_000, worlds: 60, firstWorld: 0 } as const;

/** Case `index` of the drawn worlds. */
export const learnFromWorld = (index: number, telling = 0): LearnCase =>
  worldCase(worldRequest(index, LEARN.seed, LEARN.worlds, LEARN.firstWorld), telling);

/** Seed of the drives with two faults at once: their share of an archive is too small to learn them from. */
const PAIR_SEED = 5_500_000;

/** Case `index` of two faults at once, in the worlds that are learned from. */
export const learnFromPair = (index: number, telling = 0): LearnCase =>
  worldCase(worldRequest(index, PAIR_SEED, LEARN.worlds, LEARN.firstWorld, 'all'), telling);

function worldCase(request: WorldRequest, telling: number): LearnCase {
  const s = drawWorldScenario(request);
  return {
    id: `world ${s.seed}`,
    origin: 'world',
    group: s.world.name,
    causes: s.causes,
    counts: s.start !== 'hot' && (!isFault(s.causes[0]!) || s.effect_k >= OBSERVABLE_K),
    clear: s.effect_k >= CLEAR_K,
    ...told(s, telling, s.seed),
  };
}

/** Seed of the drives in the home world that are learned from: exams take others. */
const HOME_SEED = 1_200_000;

/** Case `index` of the home world, by the requests of its exam. */
export function learnFromHome(index: number, telling = 0): LearnCase {
  const request = requestFor(index, { seed: HOME_SEED, only: null });
  const s = drawScenario(request.cause === 'gauge-sender-fault' ? { ...request, channelSet: 'full' } : request);
  return {
    id: `home ${s.seed}`,
    origin: 'world',
    group: 'home',
    causes: [s.cause],
    counts: !s.hotStart && (!isFault(s.cause) || s.effect_k >= OBSERVABLE_K),
    clear: s.effect_k >= CLEAR_K,
    ...told({ ...s, causes: [s.cause] }, telling, s.seed),
  };
}

/** Drive `index` of a field set. */
export async function learnFromField(index: number, folder: string, telling = 0): Promise<LearnCase> {
  const t = fieldTruth(folder)[index]!;
  const { trace, vehicle } = await fieldDrive(folder, t);
  return {
    id: t.id,
    origin: 'field',
    group: path.basename(t.vehicle, '.json'),
    causes: t.causes,
    counts: t.expect === 'cause' && t.observable,
    clear: t.clear,
    ...told({ trace, vehicle, causes: t.causes }, telling, index),
  };
}
