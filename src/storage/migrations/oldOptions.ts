import {
  CLEANING_KINDS,
  type CleaningKind,
  type ImportReport,
  type ReadOptions,
  type TakenColumn,
} from '@/core/formats';

/** Choices about a file before each had a kind of its own: two kinds of jump of the clock shared one. */
export interface OldOptions extends Omit<ReadOptions, 'otherwise'> {
  readonly leave?: readonly string[];
}

const kindsOf = (old: string): readonly CleaningKind[] =>
  old === 'clock-jump' ? ['clock-set-back', 'clock-set-forward'] : CLEANING_KINDS.filter((k) => k === old);

/** The same choices as they are kept now. */
export function choicesOf({ leave, ...rest }: OldOptions & Pick<ReadOptions, 'otherwise'>): ReadOptions {
  return leave ? { ...rest, otherwise: leave.flatMap(kindsOf) } : rest;
}

/** Where the understanding of a column came from, by the words that told it then; any other came from its header. */
const ORIGIN_BY_WORDS: Readonly<Record<string, TakenColumn['origin']>> = {
  'chosen by hand': 'person',
  'from its unit': 'unit',
  'from its values': 'values',
  'unit from its steps': 'values',
};

/** An import report of then as it is written now. */
export function reportOf(old: ImportReport): ImportReport {
  return {
    ...old,
    columns: old.columns.map((c) => ({ ...c, origin: c.origin ?? ORIGIN_BY_WORDS[c.why] ?? 'header' })),
    cleaning: old.cleaning.map((c) =>
      (c.kind as string) === 'clock-jump'
        ? { ...c, kind: c.what.includes('set forward') ? 'clock-set-forward' : 'clock-set-back' }
        : c,
    ),
  };
}
