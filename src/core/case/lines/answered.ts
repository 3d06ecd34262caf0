import { findItem, logsOf, type EvidenceKind, type ItemId, type Stage } from '../../evidence';
import { CODES } from '../../codes';
import { normalCdf } from '../../signal';
import type { LineContext } from '../context';
import type { BenchEntry, CheckEntry, CodeEntry, MarkEntry, StatementEntry } from '../entry';
import { DRIVE_MARKS } from '../driveMarks';
import { isMark } from '../marks';
import { fromBenchTest } from './benched';
import { measuredLine, softAnswer, type LineDraft } from './draft';
import { fromMeasurement } from './measured';

const SOURCE: Readonly<Record<Stage, { readonly source: string; readonly kind: EvidenceKind }>> = {
  complaint: { source: 'complaint', kind: 'said' },
  code: { source: 'stored code', kind: 'code' },
  'cold-look': { source: 'cold look', kind: 'seen' },
  'key-on': { source: 'key on, cold', kind: 'seen' },
  running: { source: 'engine running', kind: 'seen' },
  drive: { source: 'drive', kind: 'seen' },
  bench: { source: 'bench', kind: 'bench' },
};

/** The line of one answered item. */
function answered(context: LineContext, id: string, answer: string, where = ''): LineDraft[] {
  const item = findItem(id, context.catalogue);
  const given = item?.answers.find((a) => a.key === answer);
  if (!item || !given) return [];
  return [
    {
      ...SOURCE[item.stage],
      seen: `${given.says === 'yes' ? item.ask : `${item.ask}: ${given.says}`}${where}`,
      reason: item.reason,
      logLikelihood: logsOf(item.likelihood(answer, context.vehicle)),
      answers: [item.id],
    },
  ];
}

/** A statement of the customer. */
export const fromStatement = (entry: StatementEntry, context: LineContext): LineDraft[] =>
  answered(context, entry.item, entry.answer);

/** A stored code. */
export function fromCode(entry: CodeEntry, context: LineContext): LineDraft[] {
  const id = CODES.find((c) => c.code === entry.code)?.itemId ?? null;
  return id === null
    ? []
    : answered(context, id, 'yes').map((line) => ({
        ...line,
        seen: `${entry.code} ${entry.clearedAt === null ? 'stored' : 'was stored, since cleared'}`,
      }));
}

/** A test on the bench; that of a new part says nothing of what was wrong. */
export const fromBench = (entry: BenchEntry, context: LineContext): LineDraft[] =>
  entry.test ? fromBenchTest(entry, context) : entry.part === 'new' ? [] : answered(context, entry.item, entry.answer);

/** Marks that are evidence when they come early: until which minute, and how sharply. */
const EARLY: Readonly<Record<string, { readonly item: ItemId; readonly until_min: number; readonly seen: string }>> = {
  'mark-top-hose-warm': { item: 'hose-top-2min', until_min: 3, seen: 'Top hose warm' },
  'mark-fan-on': { item: 'fan-from-cold', until_min: 1.5, seen: 'Fan running' },
};
const MARK_SD_MIN = 0.5;

/** A mark of a drive: warm at minute ten proves nothing, warm at minute one does. */
function fromMark({ item, minute }: Pick<CheckEntry, 'item' | 'minute'>, context: LineContext): LineDraft[] {
  const early = EARLY[item];
  if (!early || minute === null) return [];
  const first = normalCdf((early.until_min - minute) / MARK_SD_MIN);
  if (first < 0.02) return [];
  const seen = `${early.seen} at minute ${minute.toFixed(1)}`;
  // A mark that may be late is half an answer: the rest says nothing either way.
  const row = softAnswer(context, early.item, [1, 0]);
  const blurred = Object.fromEntries(Object.entries(row).map(([c, p]) => [c, first * p + (1 - first) * 0.5]));
  return [{ ...measuredLine(context, early.item, seen, blurred as typeof row), source: 'drive, by hand' }];
}

/** Places whose temperature is that of the coolant at the sender. */
const AT_SENDER: readonly string[] = ['thermostat housing', 'head near sender'];

/** A probe held to the housing while the drive was logged: beside what the log shows at that moment. */
function fromProbe(entry: MarkEntry, context: LineContext): LineDraft[] {
  const { id, at, traceId, at_s, value, place } = entry;
  const scan_c = context.readingAt?.(traceId, at_s) ?? null;
  if (value === null || scan_c === null || !AT_SENDER.includes(place)) return [];
  const values = { housing_c: value, scan_c };
  const lines = fromMeasurement(
    { ...{ id, at, kind: 'measurement', name: 'housing', values }, ...{ tolerance: {}, place, text: '' } },
    context,
  );
  return lines.map((line) => ({ ...line, seen: `${line.seen}, minute ${(at_s / 60).toFixed(1)} of the drive` }));
}

/** A mark set on a logged drive says what the same mark of a running one says. */
export function fromDriveMark(entry: MarkEntry, context: LineContext): LineDraft[] {
  const { mark, place, at_s } = entry;
  if (mark === 'probe') return fromProbe(entry, context);
  const item = DRIVE_MARKS[mark].as;
  const upper = mark !== 'hose-warm' || place === '' || place === DRIVE_MARKS['hose-warm'].places[0];
  return item !== null && upper ? fromMark({ item, minute: at_s / 60 }, context) : [];
}

/** Something seen or felt. */
export function fromCheck(entry: CheckEntry, context: LineContext): LineDraft[] {
  if (isMark(entry.item)) return fromMark(entry, context);
  return answered(
    context,
    entry.item,
    entry.answer,
    entry.minute === null ? '' : `, minute ${entry.minute.toFixed(1)}`,
  );
}
