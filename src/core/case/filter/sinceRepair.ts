import { isFault, type PerCause } from '../../base';
import { flatLogs, type EvidenceLine } from '../../evidence';
import type { CheckEntry, Entry } from '../entry';
import type { Path } from './paths';

/** Whether what is wrong now was there before the work: asked where a fault shows after work. */
export const SINCE_REPAIR = {
  item: 'since-repair',
  ask: 'Was this there before the work?',
  answers: [
    { key: 'since', says: 'no, only since the work' },
    { key: 'before', says: 'yes, as before' },
  ],
  reason: 'What came with the work was brought by it: a part, a connector, air. What was there before was not mended.',
} as const;

/**
 * How often each answer is given: of a fault that the work brought, of one that was there before, and where nothing is
 * wrong. People take an old sign for a new one now and then. Working figures of the project.
 */
const SAID = {
  since: { brought: 0.88, stayed: 0.08, sound: 0.12 },
  before: { brought: 0.06, stayed: 0.84, sound: 0.12 },
} as const;

type Answer = keyof typeof SAID;
const isAnswer = (answer: string): answer is Answer => Object.hasOwn(SAID, answer);

/** True for the entry that answers it. */
export const isSinceRepair = (entry: Entry): entry is CheckEntry =>
  entry.kind === 'check' && entry.item === SINCE_REPAIR.item;

/** Whether an answer is the latest between the same two works: said again, in another tab perhaps, it counts once. */
export function standsSince(entry: Entry, entries: readonly Entry[]): boolean {
  const later = entries.slice(entries.indexOf(entry) + 1);
  const work = later.findIndex((e) => e.kind === 'work');
  return !later.slice(0, work < 0 ? undefined : work).some(isSinceRepair);
}

/** True for the item and one of its answers. */
export const isSinceRepairAnswer = (item: string, answer: string): boolean =>
  item === SINCE_REPAIR.item && isAnswer(answer);

/** What an answer says of a story, and its line; null for no answer. */
export function sinceRepair(
  answer: string,
): { readonly log: (path: Path) => number; readonly line: (entry: CheckEntry) => EvidenceLine } | null {
  if (!isAnswer(answer)) return null;
  const said = SAID[answer];
  return {
    log: ({ now, brought }) => Math.log(!isFault(now) ? said.sound : brought ? said.brought : said.stayed),
    line: (entry) => ({
      id: `${entry.id}:${SINCE_REPAIR.item}`,
      kind: 'said',
      seen: answer === 'since' ? 'What shows now came only since the work' : 'What shows now was there before the work',
      reason: SINCE_REPAIR.reason,
      source: 'after the work',
      logLikelihood: flatLogs(),
    }),
  };
}

/**
 * From this share on a fault after work is worth the question, where a sign made it this much likelier and it is not held
 * to have been there at arrival anyway.
 */
const ASKED = { share: 0.15, factor: 1.5, atArrivalBelow: 0.6 } as const;

/**
 * True where a sign of a fault has come up since the last work and nobody has said yet whether it is new.
 *
 * @param entries in order of time, none taken back
 * @param lines of the case, in order of time
 */
export function asksSince(
  entries: readonly Entry[],
  lines: readonly {
    readonly entryId: string;
    readonly moved: { readonly cause: keyof PerCause<number>; readonly factor: number };
  }[],
  { now, atArrival }: { readonly now: PerCause<number>; readonly atArrival: PerCause<number> },
): boolean {
  const last = entries.findLastIndex((e) => e.kind === 'work');
  if (last < 0) return false;
  const after = entries.slice(last + 1);
  if (after.some(isSinceRepair)) return false;
  const ids = new Set(after.map((e) => e.id));
  return lines.some(
    ({ entryId, moved }) =>
      ids.has(entryId) &&
      isFault(moved.cause) &&
      moved.factor > ASKED.factor &&
      now[moved.cause] >= ASKED.share &&
      atArrival[moved.cause] < ASKED.atArrivalBelow,
  );
}
