/** Most lines kept of where something was found. */
export const MOST_LINES = 20;

/** Lines where something was found: how many, and the first few. */
export class LineList {
  count = 0;
  readonly lines: number[] = [];

  add(line: number): void {
    this.count++;
    if (this.lines.length < MOST_LINES) this.lines.push(line);
  }
}

/** Cells whose meaning only the whole column tells: all of them counted, this many kept. */
const MOST_KEPT = 1000;

/** Rows of some cells of a column, with their lines. */
export class CellList {
  count = 0;
  rows: number[] = [];
  lines: number[] = [];

  constructor(private readonly most = MOST_KEPT) {}

  add(row: number, line: number): void {
    this.count++;
    if (this.rows.length >= this.most) return;
    this.rows.push(row);
    this.lines.push(line);
  }

  clear(): void {
    this.count = 0;
    this.rows = [];
    this.lines = [];
  }
}

/** A count with its noun. */
export const plural = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;
