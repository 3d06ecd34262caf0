import type { Cell } from '../words/cells';
import type { RowTable } from './rowTable';

/**
 * Rows of a log that gives one reading per line: readings of one time share a row, wherever they stand in the file. A
 * channel that reads twice at one time begins another row.
 */
export class RowsByTime {
  private readonly rowOf = new Map<string, number>();

  constructor(private readonly table: RowTable) {}

  /** Puts a reading; `timeAt` and `at` are columns of the table. */
  put(reading: { time: Cell; timeAt: number; at: number; cell: Cell; line: number }): void {
    const { time, timeAt, at, cell, line } = reading;
    const key = String(time);
    let row = this.rowOf.get(key);
    if (row === undefined || Number.isFinite(this.table.columns[at]!.numbers.get(row))) {
      this.table.startRow(line);
      row = this.table.rows - 1;
      this.table.put(timeAt, time, line);
      this.rowOf.set(key, row);
    }
    this.table.put(at, cell, line, row);
  }
}
