import { CAUSES, perCause, type Cause, type PerCause } from '../../base';
import {
  addLogs,
  causeName,
  COURSE_LINE,
  driveWord,
  EXPERIENCE_LINE,
  logPriors,
  START_LINE,
  toProbabilities,
  VISIBILITY_LINE,
  type CauseLogs,
  type DriveEvidence,
  type EvidenceLine,
  type Odds,
} from '../../evidence';

/** One part of a drive: what the drive would say alone if it ended there. */
export interface DrivePart {
  readonly part: 'fit' | 'signs' | 'learned';
  readonly lines: readonly EvidenceLine[];
  /** What leads by this part and those before it. */
  readonly leads: Odds;
}

/** A drive as one line of evidence, and what that line is made of. */
export interface DriveSaid {
  readonly word: CauseLogs;
  readonly line: Omit<EvidenceLine, 'logLikelihood'>;
  readonly parts: readonly DrivePart[];
}

const partOf = ({ id }: EvidenceLine): DrivePart['part'] =>
  id === COURSE_LINE || id === VISIBILITY_LINE ? 'fit' : id === EXPERIENCE_LINE ? 'learned' : 'signs';

/** Where a drive stands in its job. */
interface Place {
  /** Items answered between the same two works. */
  readonly beside: ReadonlySet<string>;
  /** Drives that counted before it, between the same two works. */
  readonly before: number;
  /** Causes that can be on this car. */
  readonly possible: PerCause<boolean>;
}

/** A line of a drive beside what was answered: a cold look after a night has said what its first readings say. */
const besideAnswers = (line: EvidenceLine, answered: ReadonlySet<string>): EvidenceLine =>
  line.id === START_LINE && answered.has('soak-agreement')
    ? { ...line, seen: `${line.seen}: counted by the cold look`, logLikelihood: perCause(() => 0) }
    : line;

function leaderOf(logs: PerCause<number>, possible: PerCause<boolean>): Odds {
  const odds = toProbabilities(perCause((c) => (possible[c] ? logs[c] : -Infinity)));
  const cause = CAUSES.reduce((a: Cause, b) => (odds[b] > odds[a] ? b : a));
  return { cause, probability: odds[cause] };
}

/**
 * What a drive says in its job: its one word, by which it counts, and how that word comes about. Its parts are shown and
 * never counted apart: what drives with a known outcome add is said of this drive's own fit and signs.
 */
export function driveSays(entryId: string, drive: DriveEvidence, { beside, before, possible }: Place): DriveSaid {
  const evidence = drive.evidence.map((line) => besideAnswers(line, beside));
  const word = driveWord({ evidence });
  let sum: CauseLogs = logPriors();
  const parts = (['fit', 'signs', 'learned'] as const).flatMap((part): DrivePart[] => {
    const lines = evidence.filter((line) => partOf(line) === part);
    if (lines.length === 0) return [];
    sum = addLogs(sum, ...lines.map((l) => l.logLikelihood));
    return [{ part, lines, leads: leaderOf(sum, possible) }];
  });
  const { cause, probability } = leaderOf(addLogs(logPriors(), word), possible);
  const alone = `${causeName(cause).toLowerCase()} ${Math.round(100 * probability)} %`;
  return {
    word,
    parts,
    line: {
      id: `${entryId}:drive`,
      kind: 'course',
      seen: before === 0 ? `Drive: by itself ${alone}` : `Further drive: by itself ${alone}`,
      reason:
        before === 0
          ? 'Fit of the warm-up, signs in the signal and what drives with a known outcome showed, as one.'
          : 'Drives of one car share what the model has wrong of it: together they say more than one and less than as many cars.',
      source: 'drive',
    },
  };
}
