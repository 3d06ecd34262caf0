import { cellText, type Cell } from '../words/cells';
import type { ImportError } from '../importError';
import type { Layout, LongLayout } from './layout';
import { MOST_COLUMNS, tooManyColumns } from './readers';
import { RowsByTime } from './rowsByTime';
import type { RowTable } from './rowTable';

const trimmed = (cell: Cell | undefined): string => cellText(cell).trim();

/** Reads rows whose every reading stands in a row of its own: time, name, value. */
export class LongRows {
  private readonly columns = new Map<string, number>();
  private readonly rows: RowsByTime;

  constructor(
    private readonly table: RowTable,
    private readonly layout: LongLayout,
  ) {
    this.rows = new RowsByTime(table);
  }

  add(cells: readonly Cell[], line: number): ImportError | null {
    const { nameAt, valueAt, unitAt, timeAt } = this.layout;
    const unit = unitAt >= 0 ? trimmed(cells[unitAt]) : '';
    const name = `${trimmed(cells[nameAt])}${unit ? ` (${unit})` : ''}`;
    let at = this.columns.get(name);
    if (at === undefined) {
      if (this.columns.size >= MOST_COLUMNS) return tooManyColumns(line);
      at = this.table.addColumn(name, null, false);
      this.columns.set(name, at);
    }
    this.rows.put({ time: cells[timeAt] ?? '', timeAt: 0, at, cell: cells[valueAt] ?? '', line });
    return null;
  }
}

/** Reads rows in which each channel stands beside a time of its own: time, value, time, value. */
export class PairedRows {
  private readonly rows: RowsByTime;
  private readonly pairs: { readonly timeAt: number; readonly valueAt: number; readonly at: number }[] = [];

  constructor(table: RowTable, layout: Layout) {
    this.rows = new RowsByTime(table);
    for (const { timeAt, valueAt } of layout.pairs!) {
      const at = table.addColumn(layout.header[valueAt]!, layout.units[valueAt] ?? null, false);
      this.pairs.push({ timeAt, valueAt, at });
    }
  }

  add(cells: readonly Cell[], line: number): null {
    for (const { timeAt, valueAt, at } of this.pairs) {
      const time = cells[timeAt] ?? '';
      if (trimmed(time) !== '') this.rows.put({ time, timeAt: 0, at, cell: cells[valueAt] ?? '', line });
    }
    return null;
  }
}
