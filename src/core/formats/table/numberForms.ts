import { CHANNELS } from '../../base';
import type { DigitMark, NumberStyle, WrittenNumber } from '../words/cells';
import { readHeader, type HeaderReading } from '../words/headers';
import { TIME_UNITS_S } from '../words/timeCells';
import type { GrowingNumbers } from './growingNumbers';
import { CellList } from './lineList';

const MARKS: readonly DigitMark[] = ['.', ','];
const otherMark = (mark: DigitMark): DigitMark => (mark === '.' ? ',' : '.');

/** How the cells of a column write their numbers: counted while they come, settled when the column is whole. */
export class NumberForms {
  /** Numbers whose mark can only part decimals. */
  private readonly decimals: Readonly<Record<DigitMark, CellList>> = { '.': new CellList(), ',': new CellList() };
  /** Numbers whose mark can only part thousands. */
  private readonly groups: Record<DigitMark, number> = { '.': 0, ',': 0 };
  /** Numbers with a mark before three digits, put with decimals; the rows of all of them. */
  private readonly likes: Readonly<Record<DigitMark, CellList>> = {
    '.': new CellList(Infinity),
    ',': new CellList(Infinity),
  };
  /** Numbers from 100 on without a mark, and from 1000 on. */
  private hundreds = 0;
  private thousands = 0;
  /** Thousands are marked, as far as it is known by now. */
  isGrouped = false;

  whole(value: number): void {
    const size = Math.abs(value);
    if (size >= 1000) this.thousands++;
    else if (size >= 100) this.hundreds++;
  }

  decimal(mark: DigitMark, row: number, line: number): void {
    this.decimals[mark].add(row, line);
  }

  like(mark: DigitMark, row: number, line: number): void {
    this.likes[mark].add(row, line);
  }

  add({ value, form, mark }: WrittenNumber, row: number, line: number): void {
    if (form === 'whole') this.whole(value);
    else if (form === 'decimal') this.decimal(mark!, row, line);
    else if (form === 'like') this.like(mark!, row, line);
    else {
      this.groups[mark!]++;
      this.isGrouped = true;
    }
  }

  /** How often a mark can only part decimals. */
  votes(mark: DigitMark): number {
    return this.decimals[mark].count + this.groups[otherMark(mark)];
  }

  /** The mark of this column's decimals as far as it shows one by itself; null where it does not. */
  get ownMark(): DigitMark | null {
    const [dots, commas] = [this.votes('.'), this.votes(',')];
    return dots === commas ? null : dots > commas ? '.' : ',';
  }

  /**
   * Settles what the marks of this column mean and puts its numbers right.
   *
   * @param numbers the column's numbers, changed in place
   * @param about what is known beside the column: its header, the mark of the file's decimals, a person's word
   * @param refuse called for cells that fit no meaning of the others; they are blanked
   * @returns true where it stays open
   */
  settle(
    numbers: GrowingNumbers,
    about: { readonly header: string; readonly fileMark: DigitMark | null; readonly person: NumberStyle | null },
    refuse: (row: number, line: number) => void,
  ): boolean {
    const blank = (cells: CellList): void =>
      cells.rows.forEach((row, i) => {
        numbers.set(row, NaN);
        refuse(row, cells.lines[i]!);
      });
    const own = this.ownMark;
    const like = MARKS.reduce((a, b) => (this.likes[b].count > this.likes[a].count ? b : a));
    const meaning = this.meaningOf(like, own, numbers, about);
    if (meaning === 'open') return true;
    const mark = meaning === null ? own : meaning === 'decimals' ? like : otherMark(like);
    if (meaning === 'thousands') {
      this.isGrouped = true;
      for (const row of this.likes[like].rows) numbers.set(row, Math.round(1000 * numbers.get(row)));
    }
    // What stands against the others is a damaged cell.
    if (mark === null) return false;
    blank(this.decimals[otherMark(mark)]);
    const second = this.likes[otherMark(like)];
    if (meaning === 'decimals') for (const row of second.rows) numbers.set(row, Math.round(1000 * numbers.get(row)));
    else if (this.votes(mark) === 0) blank(second);
    return false;
  }

  /** What the mark before three digits parts in this column; null where no cell has one. */
  private meaningOf(
    like: DigitMark,
    own: DigitMark | null,
    numbers: GrowingNumbers,
    about: { readonly header: string; readonly fileMark: DigitMark | null; readonly person: NumberStyle | null },
  ): 'decimals' | 'thousands' | 'open' | null {
    const { rows } = this.likes[like];
    if (rows.length === 0) return null;
    const asDecimal = (mark: DigitMark): 'decimals' | 'thousands' => (mark === like ? 'decimals' : 'thousands');
    if (about.person) return asDecimal(about.person.decimalComma ? ',' : '.');
    // A few cells against very many are damaged ones.
    if (own !== null && this.votes(own) > Math.max(1, FEW * rows.length)) return asDecimal(own);
    const byChannel = meaningByChannel(readHeader(about.header), numbers, rows);
    if (byChannel) return byChannel;
    if (this.thousands > FEW * rows.length) return 'decimals';
    if (this.hundreds > FEW * rows.length) return 'thousands';
    const mark = own ?? about.fileMark;
    if (mark !== null) return asDecimal(mark);
    return like === '.' ? 'decimals' : 'open';
  }
}

/** Share of a column's cells that may be damaged. */
const FEW = 0.02;
/** An engine that runs turns at least this fast, rpm; a log of one that never does is none. */
const SLOWEST_ENGINE = 150;
/** Loggers write a row at least this often, s, and at most this often. */
const SLOWEST_STEP_S = 90;
const FASTEST_STEP_S = 0.004;

/** What a channel says of its marks: one meaning gives values that it can take, the other none. */
function meaningByChannel(
  { channel, unit }: Pick<HeaderReading, 'channel' | 'unit'>,
  numbers: GrowingNumbers,
  rows: readonly number[],
): 'decimals' | 'thousands' | null {
  if (channel === null) return null;
  if (channel === 'time_s') return meaningOfTimes(numbers, rows, TIME_UNITS_S[unit ?? 's'] ?? 1);
  let highest = 0;
  for (const row of rows) highest = Math.max(highest, Math.abs(numbers.get(row)));
  if (1000 * highest > CHANNELS[channel].max) return 'decimals';
  return channel === 'rpm' && highest < SLOWEST_ENGINE ? 'thousands' : null;
}

/** Times run on: the meaning in which they step back less often, or else step as loggers do. */
function meaningOfTimes(
  numbers: GrowingNumbers,
  rows: readonly number[],
  unit_s: number,
): 'decimals' | 'thousands' | null {
  const isLike = new Set(rows);
  const look = (factor: number): { back: number; step: number } => {
    const steps: number[] = [];
    let back = 0;
    let before = NaN;
    for (let i = 0; i < Math.min(numbers.length, 20_000); i++) {
      const value = numbers.get(i) * (isLike.has(i) ? factor : 1);
      if (!Number.isFinite(value)) continue;
      if (value < before) back++;
      if (value > before) steps.push(value - before);
      before = value;
    }
    steps.sort((a, b) => a - b);
    return { back, step: unit_s * (steps[steps.length >> 1] ?? NaN) };
  };
  const decimals = look(1);
  const thousands = look(1000);
  if (decimals.back !== thousands.back) return decimals.back < thousands.back ? 'decimals' : 'thousands';
  if (decimals.step < FASTEST_STEP_S) return 'thousands';
  return thousands.step > SLOWEST_STEP_S ? 'decimals' : null;
}
