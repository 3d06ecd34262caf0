import { perCause, type Cause, type PerCause } from '../base';
import {
  catalogueItem,
  headlineOf,
  logPriors,
  openTests,
  proposeTest,
  sortedOdds,
  toProbabilities,
  type CauseLogs,
  type DriveEvidence,
  type EvidenceLine,
  type Headline,
  type Odds,
  type TestProposal,
} from '../evidence';
import type { CaseVehicle } from './context';
import { decide, type Decision } from './decide';
import { inOrder, type CheckEntry, type DriveEntry, type Entry, type WorkEntry } from './entry';
import { SHIPPED_FIGURES, type Figures } from './figures';
import {
  afterWork,
  arrivalLogs,
  arrivalPaths,
  nowLogs,
  seen,
  seenOfWork,
  weatherOpen,
  type Path,
} from './filter/paths';
import { strongestMove, type Moved } from './filter/moved';
import { NO_WORD, wordTogether } from './filter/together';
import { driveReading } from './lines/driveReading';
import { driveSays, type DrivePart } from './filter/driveSays';
import { counting } from './lines/counting';
import { pricesFor } from './prices';
import { separability, type Separability } from './separability';
import { asksSince, isSinceRepair, sinceRepair, standsSince } from './filter/sinceRepair';
import { WORK } from './work';

/** A piece of evidence and how it moved the odds. */
export interface CaseLine extends EvidenceLine {
  readonly entryId: string;
  readonly at: number;
  readonly moved: Moved;
  /** What a drive's line is made of; empty for every other. */
  readonly parts: readonly DrivePart[];
}

/** The odds after one entry. */
export interface CaseStep {
  readonly entryId: string;
  readonly at: number;
  readonly kind: Entry['kind'];
  readonly says: string;
  readonly now: PerCause<number>;
  readonly atArrival: PerCause<number>;
}

/** A drive of the chronicle and whether it counts. */
export interface CaseDrive {
  readonly entryId: string;
  readonly traceId: string;
  readonly at: number;
  readonly counts: boolean;
  /** Why it does not count; empty when it does. */
  readonly why: string;
}

/** Everything that follows from a job's chronicle. */
export interface Case {
  /** What is wrong now, most probable first. */
  readonly now: readonly Odds[];
  readonly atArrival: readonly Odds[];
  readonly headline: Headline;
  /** In order of time. */
  readonly lines: readonly CaseLine[];
  /** The odds over time, from arrival on; the first is before any entry. */
  readonly steps: readonly CaseStep[];
  readonly drives: readonly CaseDrive[];
  /** Whether the repairs done can be told apart; null before any work. */
  readonly separability: Separability | null;
  /** Work was done and no drive has shown yet what came of it. */
  readonly unproven: boolean;
  /** A fault shows after work: whether it was there before it is worth a question. */
  readonly askSince: boolean;
  readonly next: readonly TestProposal[];
  readonly decision: Decision;
  /** Entries that say nothing by themselves because a later or a measured one says it. */
  readonly superseded: ReadonlySet<string>;
  /** Entries that this version does not understand. */
  readonly unknown: readonly Entry[];
}

/** What a case is made of. */
export interface CaseInput extends CaseVehicle {
  readonly entries: readonly Entry[];
  /** Evidence of each judged drive by its trace. */
  readonly drives: ReadonlyMap<string, DriveEvidence>;
  readonly figures?: Figures;
}

/** Log weight of a cause all of whose stories were dropped. */
const DROPPED_LOG = -1e6;
const NOTHING: ReadonlySet<string> = new Set();
/** Tests proposed at once. */
const PROPOSED = 3;

/** The forward pass over a chronicle, entry by entry. */
class Walk {
  paths: Path[];
  now: PerCause<number>;
  readonly lines: CaseLine[] = [];
  readonly steps: CaseStep[] = [];
  readonly drives: CaseDrive[] = [];
  readonly works: WorkEntry[] = [];
  /** How many lines there were when the last work was done. */
  private linesAtWork = 0;
  /** Words of the drives since the last work, and what they say together. */
  private words: CauseLogs[] = [];
  private together = NO_WORD;
  /** A drive since the last work counts; of the others at least one cannot tell. */
  private countedSinceWork = false;
  private hopeless = false;
  private proofDue = false;
  private readonly rates: PerCause<number>;
  private readonly possible: PerCause<boolean>;

  constructor(
    private readonly input: CaseInput,
    private readonly figures: Figures,
  ) {
    this.rates = figures.baseRates;
    const logs = logPriors(figures.baseRates);
    if (!input.vehicle.thermostat.heated) logs['thermostat-heating-fault'] = -Infinity;
    this.possible = perCause((c) => logs[c] > -Infinity);
    this.paths = arrivalPaths(logs);
    this.now = this.odds(nowLogs);
  }

  /** Odds from the stories; a cause whose stories were dropped keeps the floor of what is possible. */
  private odds(marginal: (paths: readonly Path[]) => PerCause<number>): PerCause<number> {
    const logs = marginal(this.paths);
    return toProbabilities(perCause((c) => (this.possible[c] ? Math.max(logs[c], DROPPED_LOG) : -Infinity)));
  }

  /** True while drives were logged and none of them can tell, or work waits for its proof. */
  get shouldLogAgain(): boolean {
    return (this.hopeless && !this.countedSinceWork) || this.proofDue;
  }

  get unproven(): boolean {
    return this.proofDue;
  }

  private line(
    entry: Entry,
    line: EvidenceLine,
    change: (paths: readonly Path[]) => Path[],
    parts: readonly DrivePart[] = [],
  ): void {
    const before = this.now;
    this.paths = change(this.paths);
    this.now = this.odds(nowLogs);
    this.lines.push({ ...line, entryId: entry.id, at: entry.at, moved: strongestMove(before, this.now), parts });
  }

  add(entry: Entry, lines: readonly EvidenceLine[]): void {
    for (const line of lines) this.line(entry, line, (paths) => seen(paths, line.logLikelihood));
  }

  /** Whether what is wrong now came with the work. */
  since(entry: CheckEntry): void {
    const said = sinceRepair(entry.answer);
    if (said) this.line(entry, said.line(entry), (paths) => seenOfWork(paths, said.log));
  }

  step(entry: Entry, says: string): void {
    const atArrival = this.odds(arrivalLogs);
    this.steps.push({ entryId: entry.id, at: entry.at, kind: entry.kind, says, now: this.now, atArrival });
  }

  /** Why a drive does not count; empty when it does. */
  private whyNot(entry: DriveEntry, drive: DriveEvidence | undefined): string {
    if (entry.leftOut !== '') return `Left out: ${entry.leftOut}`;
    if (!drive) return 'Not judged yet.';
    const same = (d: CaseDrive) => d.traceId === entry.traceId || (drive.log !== null && this.logOf(d) === drive.log);
    // An old log that is read again after work would pass for its proof.
    if (this.drives.some((d) => d.counts && same(d))) return 'The same log is on this job already and counts once.';
    return drive.quality.usable ? '' : (drive.quality.problems[0] ?? 'It cannot tell.');
  }

  private logOf({ traceId }: CaseDrive): string | null {
    return this.input.drives.get(traceId)?.log ?? null;
  }

  /** @param beside items answered between the same two works */
  drive(entry: DriveEntry, beside: ReadonlySet<string>): void {
    const drive = this.input.drives.get(entry.traceId);
    const why = this.whyNot(entry, drive);
    const { id: entryId, traceId, at } = entry;
    this.drives.push({ entryId, traceId, at, counts: why === '', why });
    if (entry.leftOut === '' && drive?.quality.usable === false) this.hopeless = true;
    if (!drive || why !== '') return;
    if (!this.countedSinceWork && this.works.length > 0) this.paths = weatherOpen(this.paths, this.rates);
    this.countedSinceWork = true;
    this.proofDue = false;
    const said = driveSays(entry.id, drive, { beside, before: this.words.length, possible: this.possible });
    this.words = [...this.words, said.word];
    const before = this.together;
    this.together = wordTogether(this.words);
    const adds = (c: Cause) => (this.together[c] === before[c] ? 0 : this.together[c] - before[c]);
    const logLikelihood = perCause((c) => (this.possible[c] ? adds(c) : 0));
    this.line(entry, { ...said.line, logLikelihood }, (paths) => seen(paths, logLikelihood), said.parts);
  }

  work(entry: WorkEntry): void {
    const before = this.works.filter((w) => w.work === entry.work).length;
    const { risks } = this.figures;
    const sameVisit = this.works.length > 0 && this.lines.length === this.linesAtWork;
    const { rates, possible } = this;
    const situation = { risks, benchPassed: entry.benchPassed, before, rates, possible, sameVisit };
    this.paths = afterWork(this.paths, entry.work, situation);
    this.now = this.odds(nowLogs);
    this.works.push(entry);
    this.linesAtWork = this.lines.length;
    this.words = [];
    this.together = NO_WORD;
    this.hopeless = false;
    this.countedSinceWork = false;
    this.proofDue = true;
  }
}

function walkAll(input: CaseInput, figures: Figures) {
  const entries = inOrder(input.entries.filter((e) => e.takenBack !== true));
  const { byEntry, superseded, done, besideDrive } = counting(entries, {
    ...input,
    catalogue: figures.catalogue,
    readingAt: (traceId, at_s) => driveReading(input.drives, traceId, at_s),
  });
  const walk = new Walk(input, figures);
  const first = { id: '', at: entries[0]?.at ?? 0, kind: 'note', stage: '', text: '' } as const;
  walk.step(first, 'Before anything is known');
  for (const entry of entries) {
    if (entry.kind === 'work') {
      walk.work(entry);
      walk.step(entry, `${WORK[entry.work].done}${entry.detail === '' ? '' : `: ${entry.detail}`}`);
    } else if (entry.kind === 'drive') {
      walk.drive(entry, besideDrive.get(entry.id) ?? NOTHING);
      if (walk.drives.at(-1)?.counts) walk.step(entry, 'Drive logged');
    } else if (isSinceRepair(entry)) {
      if (walk.works.length === 0 || !standsSince(entry, entries)) continue;
      walk.since(entry);
      walk.step(entry, walk.lines.at(-1)!.seen);
    } else {
      const lines = byEntry.get(entry.id) ?? [];
      if (lines.length === 0) continue;
      walk.add(entry, lines);
      walk.step(entry, lines.map((l) => l.seen).join('; '));
    }
  }
  return { walk, entries, superseded, done, unknown: entries.filter((e) => e.kind === 'unknown') };
}

/**
 * The case of a job: what its entries say of the car, one after the other, with work moving the state between them
 * (docs/decisions/0013). Order within a stretch without work does not matter.
 */
export function caseOf(input: CaseInput): Case {
  const figures = input.figures ?? SHIPPED_FIGURES;
  const { walk, entries: entriesInOrder, superseded, done, unknown } = walkAll(input, figures);
  const { vehicle } = input;
  if (walk.drives.some((d) => d.counts && d.at >= (walk.works.at(-1)?.at ?? -Infinity))) done.add('cold-start-log');
  const now = sortedOdds(walk.now);
  const tests = openTests(walk.now, vehicle, { done, catalogue: figures.catalogue });
  const basis = { vehicle, prices: pricesFor(vehicle, figures.ownPrices), risks: figures.risks };
  const decision = decide(walk.now, tests, basis);
  const best = decision.tests.map((t) => t.proposal).slice(0, PROPOSED);
  // A trace that cannot tell is logged again before anything else is tried; so is a drive after work.
  const again = walk.shouldLogAgain
    ? proposeTest(catalogueItem('cold-start-log', figures.catalogue), walk.now, vehicle)
    : null;
  const atArrival = sortedOdds(walk.steps.at(-1)!.atArrival);
  return {
    now,
    atArrival,
    headline: headlineOf(now),
    lines: walk.lines,
    steps: walk.steps,
    drives: walk.drives,
    separability: separability(walk.works, atArrival, now),
    unproven: walk.unproven,
    askSince: asksSince(entriesInOrder, walk.lines, walk.steps.at(-1)!),
    next: again ? [again, ...best.filter((t) => t.item.id !== again.item.id)].slice(0, PROPOSED) : best,
    decision,
    superseded,
    unknown,
  };
}
