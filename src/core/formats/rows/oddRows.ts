import { LineList, plural } from '../table/lineList';
import type { Source } from '../table/readers';
import { type CleaningLog } from './cleaning';

/** Share of rows of another width up to which they are damaged ones; beyond, the file is written so. */
export const FEW_ODD = 0.2;

/**
 * Rows that are to be left out because they have another number of cells than the header: a lost cell or an unquoted
 * decimal comma shifts what follows under the wrong names. Where many rows are like that, a person must say.
 *
 * @param chosen a person chose the columns of this very file
 * @returns the rows by number, or the question
 */
export function oddRowsOf(
  source: Source,
  chosen: boolean,
  log: CleaningLog,
): { readonly out: ReadonlySet<number>; readonly question: string | null } {
  const { oddRows, rows } = source.table;
  const found = new LineList();
  for (const line of oddRows.lines) found.add(line);
  const many = found.count > FEW_ODD * rows;
  const taken = log.otherwise('other-width') || (many && chosen);
  const counted = `${plural(found.count, 'row has', 'rows have')} another number of cells than the header`;
  if (many && !taken) {
    const message = `${found.count} of ${rows} rows have another number of cells than the header, first on line ${found.lines[0]}: a name or a cell is missing, and what follows may stand under the wrong name. Choose the columns by their values.`;
    return { out: new Set(), question: message };
  }
  const what = taken
    ? `${counted} and ${found.count === 1 ? 'was' : 'were'} read as ${found.count === 1 ? 'it stands' : 'they stand'}.`
    : `${counted} and ${found.count === 1 ? 'was' : 'were'} left out.`;
  log.note('other-width', found, what, many ? null : taken ? 'Leave them out' : 'Take them as they stand', !taken);
  return { out: taken ? new Set() : new Set(oddRows.rows), question: null };
}
