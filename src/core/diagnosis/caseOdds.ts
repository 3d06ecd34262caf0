import { CAUSES, type Cause, type Vehicle } from '../base';
import { catalogueItem } from './catalogue/catalogue';
import { gradeOf, type EvidenceLine, type Finding, type Grade } from './finding';
import { bestTests, proposeTest, type TestProposal } from './nextTest';
import { toProbabilities } from './posterior';
import { logPriors } from './priors';
import { flatLogs } from './signalEvidence';

/** One answered item of the evidence catalogue. */
export interface Answer {
  readonly itemId: string;
  /** Index among the item's answers. */
  readonly answer: number;
}

/** A piece of evidence and how it moved the odds. */
export interface CaseLine {
  readonly id: string;
  readonly seen: string;
  readonly source: string;
  /** Why it bears on the causes; empty for lines of a trace. */
  readonly reason: string;
  /** The cause whose odds it moved most, and by what factor. */
  readonly moved: { readonly cause: Cause; readonly factor: number };
}

/** The odds of a whole job. */
export interface CaseOdds {
  readonly causes: readonly { readonly cause: Cause; readonly probability: number }[];
  readonly grade: Grade;
  /** In the order in which they count: answers, then the trace. */
  readonly lines: readonly CaseLine[];
  readonly next: readonly TestProposal[];
}

/**
 * Statements of one conversation, or codes of one read-out, are not independent: each further one of a stage counts
 * with this share of its weight. A working figure of the project.
 */
const FURTHER_WEIGHT = 0.6;
const DEPENDENT_STAGES: readonly string[] = ['complaint', 'code'];

interface Weighted {
  readonly id: string;
  readonly seen: string;
  readonly source: string;
  readonly reason: string;
  readonly logs: Readonly<Record<Cause, number>>;
}

const STAGE_SOURCE: Readonly<Record<string, string>> = {
  complaint: 'complaint',
  code: 'stored code',
  'cold-look': 'cold look',
  'key-on': 'key on, cold',
  running: 'engine running',
  drive: 'drive',
  bench: 'bench',
};

function weighAnswers(answers: readonly Answer[], vehicle: Vehicle): Weighted[] {
  const seen = new Map<string, number>();
  return answers.map(({ itemId, answer }) => {
    const item = catalogueItem(itemId);
    const likelihood = item.likelihood(answer, vehicle);
    const nth = seen.get(item.stage) ?? 0;
    seen.set(item.stage, nth + 1);
    const weight = DEPENDENT_STAGES.includes(item.stage) ? FURTHER_WEIGHT ** nth : 1;
    const logs = { ...flatLogs() };
    for (const cause of CAUSES) logs[cause] = weight * Math.log(likelihood[cause]);
    const yes = item.answers[answer] === 'yes';
    return {
      id: itemId,
      seen: yes ? item.ask : `${item.ask}: ${item.answers[answer]}`,
      source: STAGE_SOURCE[item.stage] ?? item.stage,
      reason: item.reason,
      logs,
    };
  });
}

const fromTrace = (lines: readonly EvidenceLine[]): Weighted[] =>
  lines.map((l) => ({ id: l.id, seen: l.seen, source: l.source, reason: '', logs: l.logLikelihood }));

/** Which cause a step moved most, judged by the change of its probability, and the factor on its odds. */
function strongestMove(
  before: Readonly<Record<Cause, number>>,
  after: Readonly<Record<Cause, number>>,
): CaseLine['moved'] {
  const cause = CAUSES.reduce((a, b) => (Math.abs(after[b] - before[b]) > Math.abs(after[a] - before[a]) ? b : a));
  const odds = (p: number) => p / Math.max(1e-12, 1 - p);
  return { cause, factor: odds(after[cause]) / Math.max(1e-12, odds(before[cause])) };
}

/**
 * The odds of a job: base rates, every answered item, and the judged trace, one after the other.
 *
 * @param finding the trace that counts, or null; one that cannot tell adds nothing
 */
export function caseOdds(vehicle: Vehicle, answers: readonly Answer[], finding: Finding | null): CaseOdds {
  const usable = finding?.quality.usable ? finding.evidence : [];
  const steps = [...weighAnswers(answers, vehicle), ...fromTrace(usable)];
  const logs = logPriors();
  if (!vehicle.thermostat.heated) logs['thermostat-heating-fault'] = -Infinity;
  let now = toProbabilities(logs);
  const lines = steps.map((step): CaseLine => {
    const before = now;
    for (const cause of CAUSES) logs[cause] += step.logs[cause];
    now = toProbabilities(logs);
    const { id, seen, source, reason } = step;
    return { id, seen, source, reason, moved: strongestMove(before, now) };
  });
  const causes = CAUSES.map((cause) => ({ cause, probability: now[cause] })).sort(
    (a, b) => b.probability - a.probability,
  );
  const done = new Set(answers.map((a) => a.itemId));
  if (usable.length > 0) done.add('cold-start-log');
  const tests = bestTests(now, vehicle, done);
  // A trace that cannot tell is logged again before anything else is tried.
  const again = finding && !finding.quality.usable ? proposeTest(catalogueItem('cold-start-log'), now, vehicle) : null;
  return {
    causes,
    grade: gradeOf(causes),
    lines,
    next: again ? [again, ...tests.filter((t) => t.item.id !== again.item.id).slice(0, 2)] : tests,
  };
}
