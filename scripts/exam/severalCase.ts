import { readFileSync } from 'node:fs';
import path from 'node:path';
import { isFault, type Cause, type ChannelSet, type PerCause, type Trace, type Vehicle } from '../../src/core/base';
import { judgeNow } from '../../src/core/judge';
import { drawWorldScenario, type WorldScenario } from '../../src/core/plant';
import type { ExamRequest } from './case';
import { fieldDrive } from '../learn/fieldSet';
import { OBSERVABLE_K } from './metrics';
import { worldRequest } from './worldRequest';

/** What one drive of a car says alone. */
export interface DriveWord {
  readonly usable: boolean;
  readonly odds: PerCause<number>;
  /** What is true on this drive: sound or too cold is a matter of the drive. */
  readonly truth: Cause;
}

/** Several drives of one individual, each judged alone. */
export interface SeveralCase {
  readonly id: string;
  readonly group: string;
  readonly channels: ChannelSet | 'as logged';
  /** The fault shows on the first drive; a sound car counts always. */
  readonly observable: boolean;
  readonly drives: readonly DriveWord[];
}

/** Drives of each car. */
const DRIVES = 3;
/** Worlds of these cars: numbers that neither the learned layer nor the other exams met. */
export const SEVERAL_WORLDS = { first: 3001, count: 40 } as const;
const NEXT_SEED = 70_000_000;

/** Judges one drive and keeps what it says of the causes. */
export function wordOf(trace: Trace, vehicle: Vehicle, truth: Cause): DriveWord {
  const { causes, quality } = judgeNow(trace, vehicle);
  const odds = Object.fromEntries(causes.map((c) => [c.cause, c.probability])) as PerCause<number>;
  return { usable: quality.usable, odds, truth };
}

/** Draws a car in a world and drives it on three days. One fault or none. */
export function runSeveralWorld(index: number, { seed }: Pick<ExamRequest, 'seed'>): SeveralCase {
  const asked = worldRequest(index, seed, SEVERAL_WORLDS.count, SEVERAL_WORLDS.first);
  const request = {
    ...asked,
    causes: asked.causes.slice(0, 1),
    start: asked.start === 'hot' ? ('cold' as const) : asked.start,
  };
  const first = drawWorldScenario(request);
  const again = Array.from({ length: DRIVES - 1 }, (_, k): WorldScenario => {
    const next = worldRequest(index + (k + 1) * NEXT_SEED, seed, SEVERAL_WORLDS.count, SEVERAL_WORLDS.first);
    const { start } = next;
    return drawWorldScenario({ ...request, seed: next.seed, start: start === 'hot' ? 'cold' : start, same: first });
  });
  return {
    id: `${first.seed}`,
    group: first.world.name,
    channels: first.channelSet,
    observable: !isFault(first.causes[0]!) || first.effect_k >= OBSERVABLE_K,
    drives: [first, ...again].map((s) => wordOf(s.trace, s.vehicle, s.causes[0]!)),
  };
}

/** A car of an archive with several drives each. */
export interface AgainTruth {
  readonly traces: readonly string[];
  readonly vehicle: string;
  readonly cause: Cause;
  readonly observable_on_first: boolean;
}

/** The cars of a folder of such an archive. Throws where the folder is none. */
export const againTruth = (folder: string): readonly AgainTruth[] =>
  (JSON.parse(readFileSync(path.join(folder, 'truth.json'), 'utf8')) as { items: AgainTruth[] }).items;

/** Judges car `index` of such a folder. */
export async function runSeveralField(index: number, folder: string): Promise<SeveralCase> {
  const t = againTruth(folder)[index]!;
  const drives: DriveWord[] = [];
  for (const trace of t.traces) {
    const drive = await fieldDrive(folder, { trace, vehicle: t.vehicle });
    drives.push(wordOf(drive.trace, drive.vehicle, t.cause));
  }
  return {
    id: t.traces[0]!,
    group: path.basename(t.vehicle, '.json'),
    channels: 'as logged',
    observable: t.observable_on_first || !isFault(t.cause),
    drives,
  };
}
