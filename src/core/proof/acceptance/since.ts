import { inOrder, proofItem, WORK, type Entry, type ProofEntry, type WorkEntry } from '../../case';
import type { AcceptanceInput, AcceptanceItem, AcceptanceRow } from './row';

/** A night: the level is read again cold, on the second day. */
export const NIGHT_MS = 8 * 3_600_000;

/** Where an item stands, without its name. */
export type Seen = Omit<AcceptanceRow, 'item' | 'byHand' | 'measured'>;

/** An item that is still to be shown. */
export const open = (says: string, due: number | null = null): Seen => ({ state: 'open', says, at: null, due });
/** An item that was shown. */
export const shown = (state: 'met' | 'failed', says: string, at: number | null): Seen => ({
  state,
  says,
  at,
  due: null,
});
/** An item that this car and this work do not ask for. */
export const NOT_NEEDED: Seen = { state: 'not-needed', says: '', at: null, due: null };

/** What is worked with: entries that count since the last work, and that work. */
export interface Since {
  readonly input: AcceptanceInput;
  readonly works: readonly WorkEntry[];
  readonly workedAt: number | null;
  readonly opened: boolean;
  readonly after: readonly Entry[];
  readonly all: readonly Entry[];
}

/** What counts since the last work. */
export function sinceWork(input: AcceptanceInput): Since {
  const all = inOrder(input.entries.filter((e) => e.takenBack !== true));
  const works = all.filter((e): e is WorkEntry => e.kind === 'work');
  const last = all.findLastIndex((e) => e.kind === 'work');
  return {
    ...{ input, works, all },
    workedAt: works.at(-1)?.at ?? null,
    opened: works.some((w) => WORK[w.work].opens),
    after: all.slice(last + 1),
  };
}

/** What a person said of an item since the last work; null while nobody did. */
export const saidOf = ({ after }: Since, item: AcceptanceItem): ProofEntry | null =>
  after.findLast((e): e is ProofEntry => e.kind === 'proof' && e.item === item) ?? null;

/** An item that a person answers: which answers are well, and what is asked for before. */
export function byHand(since: Since, item: AcceptanceItem, well: readonly string[], todo: string): Seen {
  const said = saidOf(since, item);
  if (!said) return open(todo);
  const words = proofItem(item).answers[said.answer] ?? said.answer;
  const says = said.text === '' ? words : `${words}: ${said.text}`;
  return shown(well.includes(said.answer) ? 'met' : 'failed', says, said.at);
}
