import { CAUSE_PLACE, neighboursOf, type Cause, type CauseFamily } from '../base';
import { CAUSE_TEXT, causeName } from './causeText';
import { acrossDivide, type Grade, GRADE_FROM, type Odds } from './grade';

/** What is written largest on a job. */
export interface Headline {
  /** The act's causes in words, or that it cannot be told. */
  readonly text: string;
  /** What they hold together; null when it cannot be told. */
  readonly share: number | null;
  readonly grade: Grade;
  readonly family: CauseFamily;
  /** The causes beneath, most probable first; one where it stands alone. */
  readonly parts: readonly Odds[];
  /** What to do about it, or what would tell. */
  readonly then: string;
}

/** Sound causes lead to the same act as well: nothing is mended. */
const NOTHING_WRONG: readonly Cause[] = ['healthy', 'insufficient-heat'];

/** The causes that lead to the same act as this one, itself included. */
export const sameAct = (cause: Cause): readonly Cause[] =>
  NOTHING_WRONG.includes(cause) ? NOTHING_WRONG : neighboursOf(cause);

/** Causes that lead to the same act, in one phrase. */
const TOGETHER: Readonly<Partial<Record<Cause, { readonly text: string; readonly then: string }>>> = {
  'thermostat-stuck-open': {
    text: 'Thermostat lets coolant through too soon',
    then: 'Take it out, bench-test it, look at its seat and seal; replace thermostat and seal.',
  },
  healthy: {
    text: 'Nothing wrong on the car',
    then: 'Mend nothing: explain it, and keep this trace as the vehicle’s own.',
  },
  'thermostat-opens-late': {
    text: 'Thermostat opens too late or not at all',
    then: 'Do not drive it hot; bench-test it, then replace it with its seal.',
  },
};

/** Share from which a job's headline names an act: to act on takes more than to suspect. */
const TOLD_FROM = 0.5;

/** Parts that hold less than this beside the leader are not named, share. */
const NAMED_FROM = 0.05;

function gradeOfShare(share: number, causes: readonly Odds[]): Grade {
  if (share >= GRADE_FROM.confirmed) return 'confirmed';
  if (share >= GRADE_FROM.likely) return 'likely';
  if (acrossDivide(causes)) return 'inconclusive';
  return share >= TOLD_FROM ? 'suspect' : 'inconclusive';
}

/**
 * What can be acted on: causes that lead to the same act are summed. Below half, or divided between sender and
 * thermostat, nothing is named.
 *
 * @param causes most probable first
 */
export function headlineOf(causes: readonly Odds[]): Headline {
  const groups = causes.map((c) => sameAct(c.cause));
  const shareOf = (group: readonly Cause[]) =>
    causes.reduce((sum, c) => sum + (group.includes(c.cause) ? c.probability : 0), 0);
  const group = groups.reduce((a, b) => (shareOf(b) > shareOf(a) ? b : a));
  const share = shareOf(group);
  const parts = causes.filter((c) => group.includes(c.cause));
  const leader = parts[0]!;
  const others = causes.filter((c) => !group.includes(c.cause));
  const grade = gradeOfShare(share, [leader, ...others]);
  const { family } = CAUSE_PLACE[leader.cause];
  if (grade === 'inconclusive') {
    return {
      text: 'Cannot tell yet',
      share: null,
      grade,
      family,
      parts: causes.slice(0, 2),
      then: `${causeName(causes[0]!.cause)} and ${causeName(causes[1]!.cause).toLowerCase()} stand closest; the next test parts what is open.`,
    };
  }
  const shared = parts.filter((c) => c.probability >= NAMED_FROM).length > 1 ? TOGETHER[group[0]!] : undefined;
  return {
    text: shared?.text ?? causeName(leader.cause),
    share,
    grade,
    family,
    parts,
    then: shared?.then ?? CAUSE_TEXT[leader.cause].then,
  };
}
