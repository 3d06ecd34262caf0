/** How a file writes its numbers. */
export interface NumberStyle {
  readonly decimalComma: boolean;
  /** Commas (or dots, with a decimal comma) between groups of three digits are thousands marks. */
  readonly grouped: boolean;
}

/** Dots for decimals, no marks. */
export const PLAIN_NUMBERS: NumberStyle = { decimalComma: false, grouped: false };

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

const NUMBER = /^[-+−]?(\d+(\.\d*)?|\.\d+)(e[-+]?\d+)?$/i;
const UNIT_BEHIND = /\s*[°º]?\s*(?:[A-Za-z%°]+(?:\/[A-Za-z]+)?)$/u;

/**
 * One cell as a number: NaN for a missing one, null for what is none. A unit behind the number is let be.
 */
export function readNumber(text: string, style: NumberStyle): number | null {
  // Nearly every cell is a plain number; Number() alone would take '', '0x1' and 'Infinity' as well.
  const first = text.charCodeAt(0);
  if (!style.grouped && ((first >= 48 && first <= 57) || first === 45) && text.length < 24) {
    const quick = +text;
    if (Number.isFinite(quick) && text.charCodeAt(1) !== 120) return quick;
  }
  if (isMissing(text)) return NaN;
  let cell = text
    .trim()
    .replace(/^"(.*)"$/, '$1')
    .replace(/^−/, '-');
  if (!/\d[eE][-+]?\d+$/.test(cell)) cell = cell.replace(UNIT_BEHIND, '');
  cell = cell.replace(/(\d)[\s\u00a0\u202f'’](?=\d{3}(?!\d))/gu, '$1');
  if (style.decimalComma) {
    if (style.grouped) cell = cell.replace(/\.(?=\d{3}(?!\d))/g, '');
    cell = cell.replace(',', '.');
  } else if (style.grouped) cell = cell.replace(/,(?=\d{3}(?!\d))/g, '');
  if (!NUMBER.test(cell)) return null;
  const value = Number(cell);
  return Number.isFinite(value) ? value : null;
}

/** Looks like a number in some style. */
export const looksNumeric = (cell: string): boolean =>
  /^[-+−]?(\d[\d.,'’\u00a0\u202f ]*|[.,]\d+)(e[-+]?\d+)?$/i.test(cell.trim());

/** What the numbers of a sample say of their style; null where they leave it open. */
export function sniffNumberStyle(columns: readonly (readonly string[])[]): NumberStyle | null {
  let dots = 0;
  let commas = 0;
  let groupedComma = false;
  let groupedDot = false;
  let open = false;
  for (const cells of columns) {
    const numbers = cells
      .map((c) => c.trim().replace(UNIT_BEHIND, ''))
      .filter((c) => /^[-+−]?[\d.,]+$/.test(c) && /\d/.test(c));
    for (const cell of numbers) {
      if (/^[-+−]?\d{1,3}(,\d{3})+\.\d+$/.test(cell) || /^[-+−]?\d{1,3}(,\d{3}){2,}$/.test(cell)) groupedComma = true;
      else if (/^[-+−]?\d{1,3}(\.\d{3})+,\d+$/.test(cell) || /^[-+−]?\d{1,3}(\.\d{3}){2,}$/.test(cell))
        groupedDot = true;
      else if (/^[-+−]?\d*\.\d+$/.test(cell)) dots++;
      else if (/^[-+−]?[1-9]\d{0,2},\d{3}$/.test(cell)) open = true;
      else if (/^[-+−]?\d*,\d+$/.test(cell)) commas++;
    }
  }
  if (groupedDot) return { decimalComma: true, grouped: true };
  if (groupedComma) return { decimalComma: false, grouped: true };
  if (commas > 0) return { decimalComma: true, grouped: false };
  if (!open) return PLAIN_NUMBERS;
  if (dots > 0) return { decimalComma: false, grouped: true };
  return sniffOpenGroups(columns);
}

/**
 * `1,234` alone can be either. Beside it, a column of thousands also holds smaller whole numbers without a mark (850);
 * three decimals everywhere and no zero before the mark stay open.
 */
function sniffOpenGroups(columns: readonly (readonly string[])[]): NumberStyle | null {
  const isThousands = columns.some(
    (cells) =>
      cells.some((c) => /^\s*[-+−]?\d+,\d{3}\s*$/.test(c)) &&
      cells.some((c) => /^\s*[-+−]?\d{3}\s*$/.test(c) && Math.abs(Number(c)) > 99),
  );
  return isThousands ? { decimalComma: false, grouped: true } : null;
}
