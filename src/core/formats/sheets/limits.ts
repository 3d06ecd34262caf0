/** Longest text of a cell that is kept, characters. */
export const LONGEST_TEXT = 200;
/** Most sheets of a workbook, or tables of a page, that are read. */
export const MOST_SHEETS = 60;
