import { perCause } from '../../base';
import type { EvidenceKind, EvidenceLine } from '../../evidence';
import type { LineContext } from '../context';
import type { Entry, MeasurementEntry } from '../entry';
import { fromBench, fromCheck, fromCode, fromDriveMark, fromStatement } from './answered';
import type { LineDraft } from './draft';
import { fromMeasurement, levelOverTime } from './measured';

/**
 * Statements of one conversation, or codes of one read-out, are not independent. Of n of them each counts with the mean
 * of 1, 0.6, 0.6², ...: together as much as if each further one had 0.6 of the weight of the one before, whatever the
 * order in which they were given. A working figure of the project.
 */
const FURTHER_WEIGHT = 0.6;
const DEPENDENT: readonly EvidenceKind[] = ['said', 'code'];
const sharedWeight = (n: number): number => (1 - FURTHER_WEIGHT ** n) / (1 - FURTHER_WEIGHT) / n;

function draftsOf(entry: Entry, context: LineContext): LineDraft[] {
  switch (entry.kind) {
    case 'statement':
      return fromStatement(entry, context);
    case 'code':
      return fromCode(entry, context);
    case 'check':
      return fromCheck(entry, context);
    case 'mark':
      return fromDriveMark(entry, context);
    case 'bench':
      return fromBench(entry, context);
    case 'measurement':
      return fromMeasurement(entry, context);
    default:
      return [];
  }
}

/** What an entry gives, and what it is about: a later entry about the same replaces an earlier one. */
interface Given {
  readonly entry: Entry;
  readonly draft: LineDraft;
}

const measured = ({ draft }: Given): boolean => draft.kind === 'measured';

/** Of everything that answers one item the latest counts; a measured value goes before a word. */
function latestPerItem(given: readonly Given[]): readonly Given[] {
  const best = new Map<string, Given>();
  for (const g of given) {
    for (const item of g.draft.answers) {
      const before = best.get(item);
      if (!before || measured(g) || !measured(before)) best.set(item, g);
    }
  }
  const kept = new Set(best.values());
  return given.filter((g) => kept.has(g));
}

/** The entries of a stretch without work, as lines. */
function stretch(
  entries: readonly Entry[],
  context: LineContext,
): { readonly given: readonly Given[]; readonly all: readonly Given[] } {
  const all = entries.flatMap((entry) => draftsOf(entry, context).map((draft): Given => ({ entry, draft })));
  const levels = entries.filter((e): e is MeasurementEntry => e.kind === 'measurement');
  const fell = levelOverTime(entries, context).map((draft): Given => ({
    entry: levels.filter((e) => e.name === 'level').at(-1)!,
    draft,
  }));
  const kept = latestPerItem([...all, ...fell]);
  const counts = (kind: EvidenceKind) => kept.filter((g) => g.draft.kind === kind).length;
  const given = kept.map((g) => {
    if (!DEPENDENT.includes(g.draft.kind)) return g;
    const weight = sharedWeight(counts(g.draft.kind));
    const { logLikelihood } = g.draft;
    return { ...g, draft: { ...g.draft, logLikelihood: perCause((c) => weight * logLikelihood[c]) } };
  });
  return { given, all };
}

/** Which entries count, and with which lines. */
export interface Counting {
  readonly byEntry: ReadonlyMap<string, readonly EvidenceLine[]>;
  /** Entries whose evidence another one carries. */
  readonly superseded: ReadonlySet<string>;
  /** Items answered since the last work. */
  readonly done: Set<string>;
  /** For each drive, the items answered between the same two works. */
  readonly besideDrive: ReadonlyMap<string, ReadonlySet<string>>;
}

/** @param entries in order of time, none taken back */
export function counting(entries: readonly Entry[], context: LineContext): Counting {
  const byEntry = new Map<string, EvidenceLine[]>();
  const superseded = new Set<string>();
  const besideDrive = new Map<string, ReadonlySet<string>>();
  let done = new Set<string>();
  let from = 0;
  const close = (to: number) => {
    const between = entries.slice(from, to);
    const { given, all } = stretch(between, context);
    done = new Set(given.flatMap((g) => g.draft.answers));
    for (const entry of between) if (entry.kind === 'drive') besideDrive.set(entry.id, done);
    for (const { entry, draft } of given) {
      const { answers, ...line } = draft;
      byEntry.set(entry.id, [...(byEntry.get(entry.id) ?? []), { ...line, id: `${entry.id}:${answers[0]}` }]);
    }
    for (const { entry } of all) if (!byEntry.has(entry.id)) superseded.add(entry.id);
  };
  entries.forEach((entry, i) => {
    if (entry.kind !== 'work') return;
    close(i);
    from = i + 1;
  });
  close(entries.length);
  return { byEntry, superseded, done, besideDrive };
}
