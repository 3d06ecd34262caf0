/** One thing that is shown, or looked at, after the work. */
export interface ProofItemSpec {
  /** As it is asked, and as the chronicle says it. */
  readonly ask: string;
  /** Answers by key, in words. */
  readonly answers: Readonly<Record<string, string>>;
}

const YES_NO = { yes: 'yes', no: 'no' } as const;
/** Damp is watched, a drip is a leak. */
const LEAK = { dry: 'dry', damp: 'damp', drip: 'drips' } as const;

/**
 * What a person sees or says after the work, by key. `left-out` is an answer to each of them: it was not done, and the
 * text says why.
 */
export const PROOF_ITEMS = {
  washed: { ask: 'Washed off before it was warmed up: water dries, coolant shows', answers: YES_NO },
  'first-heat': { ask: 'First heat cycle: warmed up until it opened, cooled down', answers: YES_NO },
  'leaks-cold': { ask: 'Looked for leaks cold, before the first start', answers: LEAK },
  'leaks-hot': { ask: 'Looked for leaks hot, engine off', answers: LEAK },
  'leaks-later': { ask: 'Looked for leaks again, days later', answers: LEAK },
  'codes-saved': { ask: 'Codes and freeze frames saved, then cleared', answers: YES_NO },
  opening: { ask: 'Opening', answers: {} },
  hold: { ask: 'Hold band', answers: {} },
  sag: { ask: 'Sag with speed', answers: {} },
  'cabin-heat': { ask: 'Cabin heat at the vents', answers: { hot: 'hot', lukewarm: 'lukewarm', cold: 'cold' } },
  'fan-cycled': {
    ask: 'Fan cut in and out again',
    answers: { 'in-and-out': 'in and out', 'in-only': 'in, not out', never: 'never came on' },
  },
  pressure: { ask: 'Pressure holds', answers: YES_NO },
  monitor: {
    ask: 'Monitor ran and no code came back',
    answers: { clean: 'ran, no code', returned: 'a code came back' },
  },
  'level-again': { ask: 'Cold level on the second day', answers: {} },
  verdict: {
    ask: 'Verdict',
    answers: { proven: 'proven', 'not-proven': 'not proven yet', 'not-cured': 'not cured' },
  },
} as const satisfies Readonly<Record<string, ProofItemSpec>>;

/** Key of something shown after the work. */
export type ProofItem = keyof typeof PROOF_ITEMS;

/** Every one of them, in the order of the work; the verdict last. */
export const PROOF_ITEM_NAMES = Object.keys(PROOF_ITEMS) as readonly ProofItem[];

/** Verdicts on a repair. */
export type ProofVerdict = keyof (typeof PROOF_ITEMS)['verdict']['answers'];

/** The answer that says that it was not done. */
export const LEFT_OUT = 'left-out';

/** What it is, with its answers. */
export const proofItem = (item: ProofItem): ProofItemSpec => PROOF_ITEMS[item];

/** True for an item with an answer that it has. */
export const isProofAnswer = (item: string, answer: string): item is ProofItem =>
  Object.hasOwn(PROOF_ITEMS, item) &&
  (answer === LEFT_OUT ? item !== 'verdict' : Object.hasOwn(proofItem(item as ProofItem).answers, answer));
