/** How a person says that a file writes its numbers. */
export interface NumberStyle {
  readonly decimalComma: boolean;
  /** Commas (or dots, with a decimal comma) between groups of three digits are thousands marks. */
  readonly grouped: boolean;
}

/** A cell: text as it stands, or a number that a workbook or JSON held as one and that no style of writing touches. */
export type Cell = string | number;

/** What a cell holds as text; numbers as JavaScript writes them. */
export const cellText = (cell: Cell | undefined): string => (cell === undefined ? '' : String(cell));

/** A mark between digits. */
export type DigitMark = '.' | ',';

/** Words that loggers write for "no reading". */
const MISSING = new Set(
  [
    '- -- --- ---- – — * ** *** ? ?? . nan n/a na n.a. n.v. nv nd null nil none nodata off inf -inf +inf infinity',
    '-infinity #n/a #value! #div/0! #null! error err invalid timeout unavailable undefined unknown missing -.- --.-',
  ]
    .join(' ')
    .split(' ')
    .concat(['', 'no data', 'not supported', 'not available', 'no response', 'no answer', 'no value']),
);
const SWITCHED_ON = new Set(['on', 'true', 'yes', 'active', 'ein', 'an']);
const SWITCHED_OFF = new Set(['off', 'false', 'no', 'inactive', 'aus']);

/** True for an empty cell and for the words that stand for one. */
export const isMissing = (cell: string): boolean => MISSING.has(cell.trim().toLowerCase());

/** 100 for a switch that is on, 0 for one that is off, null for anything else. */
export function readSwitch(cell: string): number | null {
  const word = cell.trim().toLowerCase();
  return SWITCHED_ON.has(word) ? 100 : SWITCHED_OFF.has(word) ? 0 : null;
}

/**
 * How a number is written: `whole` without a mark; `decimal` with a mark that can only part decimals; `grouped` with one
 * that can only part thousands; `like`: a mark before exactly three digits, which can do either.
 */
export type NumberForm = 'whole' | 'decimal' | 'grouped' | 'like';

/** A number as its cell writes it; of a `like` one the value with decimals, a thousandth of the other. */
export interface WrittenNumber {
  readonly value: number;
  readonly form: NumberForm;
  /** The mark that the form speaks of; null for whole numbers. */
  readonly mark: DigitMark | null;
  /** Letters behind the number, '' without any. */
  readonly unit: string;
}

/** Longest cell that can be a number with its unit, characters. */
const LONGEST_NUMBER = 60;
const UNIT_BEHIND = /^([^a-z%°ºµμ]*?)(\s1\/|\s*)([°º]?\s*[a-zµμ%°º]+(?:\/[a-z0-9]+)?(?:-1)?)$/i;
const EXPONENT = /^[-+]?(?:\d+[.,]?\d*|[.,]\d+)e[-+]?\d+$/i;
const WHOLE = /^[-+]?\d+$/;
const LIKE = /^[-+]?[1-9]\d{0,2}([.,])\d{3}$/;
const GROUPS = /^[-+]?\d{1,3}(?:(?:,\d{3})+\.\d*|(?:\.\d{3})+,\d*|(?:,\d{3}){2,}|(?:\.\d{3}){2,})$/;
const DECIMAL = /^[-+]?(?:\d+([.,])\d*|([.,])\d+)$/;

const inGroups = (text: string, group: DigitMark): number =>
  Number(
    text
      .split(group)
      .join('')
      .replace(group === '.' ? ',' : '.', '.'),
  );

/** Reads a number as its cell writes it; null for what is none. A missing one is none, see {@link isMissing}. */
export function readWritten(cell: string): WrittenNumber | null {
  if (cell.length > LONGEST_NUMBER) return null;
  let text = cell
    .trim()
    .replace(/^"(.*)"$/, '$1')
    .replace(/^−/, '-');
  let unit = '';
  if (!EXPONENT.test(text)) {
    const behind = UNIT_BEHIND.exec(text);
    if (behind) {
      text = behind[1]!;
      unit = (behind[2]! + behind[3]!).replace(/\s+/g, '');
    }
  }
  text = text.trim().replace(/(\d)[\s\u00a0\u202f'’](?=\d{3}(?!\d))/gu, '$1');
  const found = (value: number, form: NumberForm, mark: DigitMark | null): WrittenNumber | null =>
    Number.isFinite(value) ? { value, form, mark, unit } : null;
  if (WHOLE.test(text)) return found(Number(text), 'whole', null);
  const like = LIKE.exec(text);
  if (like) return found(Number(text.replace(',', '.')), 'like', like[1] as DigitMark);
  if (GROUPS.test(text)) {
    const group = text[text.search(/[.,]/)] as DigitMark;
    return found(inGroups(text, group), 'grouped', group);
  }
  const decimal = DECIMAL.exec(text);
  if (decimal) return found(Number(text.replace(',', '.')), 'decimal', (decimal[1] ?? decimal[2]) as DigitMark);
  if (EXPONENT.test(text)) {
    const mark = text.includes(',') ? ',' : text.includes('.') ? '.' : null;
    return found(Number(text.replace(',', '.')), mark ? 'decimal' : 'whole', mark);
  }
  return null;
}

/** Looks like a number in some style. */
export const looksNumeric = (cell: string): boolean =>
  cell.length <= LONGEST_NUMBER && /^[-+−]?(\d[\d.,'’\u00a0\u202f ]*|[.,]\d+)(e[-+]?\d+)?$/i.test(cell.trim());
