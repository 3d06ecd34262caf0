import type { ChannelName } from '../../base';
import { answeringUnit, readAnswer, readCanFrame, reassembly, type Reassembly } from '../../obd';
import { importError, type ImportError } from '../importError';
import type { SourceReader } from './readers';
import { GrowingNumbers } from './growingNumbers';
import { LineList } from './lineList';
import { RowTable } from './rowTable';

/** Share of stamps below the one before from which they are steps from frame to frame. */
const MOST_BACK = 0.2;
/** Service byte of a refusal. Source: ISO 14229-1, 8.2.2. */
const REFUSAL = 0x7f;

interface Unit {
  readonly receiver: Reassembly;
  readonly columns: Map<ChannelName, number>;
  answers: number;
}

const unitName = (id: number): string => id.toString(16).toUpperCase();

/**
 * Reader for CAN logs with answers to mode 01. The control unit with the lowest identifier is the engine's; what others
 * say of the same channels stands in columns of their own.
 */
export function canLogReader(): SourceReader {
  const table = new RowTable();
  table.addColumn('time_s', 's', true);
  const units = new Map<number, Unit>();
  let line = 0;
  let frames = 0;
  let refusals = 0;
  let engine = Infinity;
  /** Stamps, those below the one before, and their sum: a log may give steps instead of times. */
  let stamps = 0;
  let back = 0;
  let before_s = NaN;
  let sum_s = 0;
  const sums = new GrowingNumbers();
  const unknown = new Set<number>();

  const columnFor = (unit: Unit, id: number, channel: ChannelName): number => {
    let at = unit.columns.get(channel);
    if (at === undefined) {
      at = table.addColumn(`${channel} of control unit ${unitName(id)}`, null, false, true);
      unit.columns.set(channel, at);
    }
    return at;
  };

  const take = (text: string): void => {
    const frame = readCanFrame(text);
    if (frame?.time_s != null) {
      stamps++;
      sum_s += frame.time_s;
      if (frame.time_s < before_s) back++;
      before_s = frame.time_s;
    }
    const id = frame && answeringUnit(frame);
    if (!frame || id === null) return;
    frames++;
    // ISO 15765-4 gives the engine the lowest answering identifier; it answers first wherever it answers at all.
    engine = Math.min(engine, id);
    let unit = units.get(id);
    if (!unit) {
      unit = { receiver: reassembly(), columns: new Map(), answers: 0 };
      units.set(id, unit);
    }
    const message = unit.receiver.push(frame.data);
    if (!message) return;
    if (message[0] === REFUSAL) refusals++;
    const answer = readAnswer(message);
    if (!answer) return;
    if (answer.stoppedAt !== null) unknown.add(answer.stoppedAt);
    if (answer.values.length === 0) return;
    unit.answers++;
    table.startRow(line);
    table.put(0, frame.time_s ?? '', line);
    sums.set(table.rows - 1, sum_s);
    for (const { channel, value } of answer.values) table.put(columnFor(unit, id, channel), value, line);
  };

  const push = (text: string): ImportError | null => {
    for (const one of text.split('\n')) {
      line++;
      if (one.trim() !== '') take(one);
    }
    // The piece ends with a line break, which begins no new line yet.
    if (text.endsWith('\n')) line--;
    return null;
  };

  const notes = (): string[] => {
    const found: string[] = [];
    const broken = [...units.values()].reduce((sum, u) => sum + u.receiver.broken(), 0);
    const others = [...units.keys()].filter((id) => id !== engine).map(unitName);
    if (others.length > 0)
      found.push(`Control unit ${unitName(engine)} was taken for the engine's; ${others.join(', ')} also answered.`);
    if (refusals > 0) found.push(`${refusals} requests were refused by a control unit.`);
    if (broken > 0) found.push(`${broken} answers of several frames broke off and were left out.`);
    if (back > MOST_BACK * stamps) found.push('The log gives the steps between frames; they were added up.');
    if (unknown.size > 0) {
      const pids = [...unknown].map((p) => p.toString(16).toUpperCase().padStart(2, '0')).join(', ');
      found.push(`Answers were read up to parameter ${pids}, whose length is not known.`);
    }
    return found;
  };

  /** Columns are named once it is known which control unit is the engine's; others only fill what it does not say. */
  const nameColumns = (): void => {
    const own = units.get(engine)?.columns ?? new Map<ChannelName, number>();
    const named = new Set(own.keys());
    for (const [channel, at] of own) table.own(at, channel);
    for (const unit of units.values()) {
      for (const [channel, at] of unit.columns) {
        if (named.has(channel)) continue;
        named.add(channel);
        table.own(at, channel);
      }
    }
  };

  const finish = (): ImportError | null => {
    nameColumns();
    if (back > MOST_BACK * stamps) {
      for (let row = 0; row < table.rows; row++) table.columns[0]!.numbers.set(row, sums.get(row));
    }
    if (table.rows > 0) {
      if (Object.keys(table.columns[0]!.kinds).length > 0) return null;
      return importError(
        'no-time',
        'This CAN log carries no times. Log again with time stamps (the "(seconds)" in front of each frame).',
      );
    }
    return importError(
      'no-temperature',
      frames === 0
        ? 'This CAN log holds no answers to diagnostic requests (identifiers 7E8 to 7EF or 18DAF1xx). Log while a tester polls mode 01.'
        : 'This CAN log holds answers, but none to mode 01 with a known parameter. Poll 05 (coolant temperature) while logging.',
    );
  };

  return {
    source: {
      kind: 'can-log',
      table,
      headerLine: null,
      described: 'CAN log with answers of mode 01',
      oneReadingPerRow: false,
      repeatedHeader: new LineList(),
      notes,
    },
    push,
    finish,
  };
}
