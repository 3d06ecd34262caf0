import { CAUSES, perCause, type Cause } from '../../base';
import { addLogs, causeName, EXPERIENCE_LINE, logPriors, type CauseLogs, type EvidenceLine } from '../../evidence';
import type { Figures } from './figure';
import { groupOf } from './figureGroups';
import { experienced, type Experience, type Experienced } from './network';
import { withSecondFault } from './secondFault';

/** Groups of figures that are named. */
const NAMED_GROUPS = 2;

/** Log odds of one cause against another after experience. */
const lead = (e: Experienced, over: Cause, under: Cause): number => e.logOdds[over] - e.logOdds[under];

/**
 * Which groups of figures speak most for the leader against the next cause: how much its lead falls when a group is put
 * to the middle of all drives.
 */
function reasonsOf(experience: Experience, figures: Figures, physics: CauseLogs, found: Experienced): string[] {
  const [leader, next] = CAUSES.toSorted((a, b) => found.logOdds[b] - found.logOdds[a]) as [Cause, Cause];
  const whole = lead(found, leader, next);
  const groups = [...new Set(experience.names.map(groupOf))];
  const without = groups.map((group) => {
    const rest = Object.fromEntries(Object.entries(figures).filter(([name]) => groupOf(name) !== group));
    return { group, gives: whole - lead(experienced(experience, rest, physics), leader, next) };
  });
  return without
    .filter((g) => g.gives > 0.1)
    .sort((a, b) => b.gives - a.gives)
    .slice(0, NAMED_GROUPS)
    .map((g) => g.group);
}

/** What experience adds to the lines of evidence of a drive. */
export interface ExperienceFound {
  readonly line: EvidenceLine;
  /** By how much, in log odds, the chance of a second fault lifts each cause in the line. */
  readonly beside: CauseLogs;
  /** Probability that each cause is present, alone or beside another. */
  readonly present: CauseLogs;
}

/**
 * The line that drives with a known outcome add: what figures like these turned out to be, beyond what the other lines
 * say already. Together with them and the usual base rates it gives the odds that were learned.
 *
 * @param lines of the fits and of the signal
 */
export function experienceLine(
  experience: Experience,
  figures: Figures,
  lines: readonly EvidenceLine[],
): ExperienceFound {
  const physics = addLogs(...lines.map((l) => l.logLikelihood));
  const found = experienced(experience, figures, physics);
  const priors = logPriors();
  // What cannot be on this car cannot be beside another fault either.
  const present = perCause((c) => (physics[c] > -Infinity ? found.present[c] : 0));
  const odds = withSecondFault({ ...found, present });
  const raw = perCause((c) => (physics[c] > -Infinity ? odds[c] - priors[c] - physics[c] : 0));
  const leader = CAUSES.reduce((a, b) => (found.logOdds[b] > found.logOdds[a] ? b : a));
  const reasons = reasonsOf(experience, figures, physics, found);
  const most = reasons.length > 0 ? `; most of it by ${reasons.join(' and ')}` : '';
  return {
    line: {
      id: EXPERIENCE_LINE,
      kind: 'raw',
      seen: `Drives with figures like these mostly turned out as: ${causeName(leader).toLowerCase()}${most}`,
      reason:
        'Drives with a known outcome, simulated in many worlds and logged, say how far fits and signs can be trusted. What the likeliest fault leaves over goes to causes that may be there instead of it, and to those that may be there beside it.',
      logLikelihood: perCause((c) => raw[c] - raw[leader]),
      source: 'drives with known outcome',
    },
    beside: perCause((c) => odds[c] - found.logOdds[c]),
    present,
  };
}
