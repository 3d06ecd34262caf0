import type { DriveLook, FeatureRow } from '../desk';
import type { CodeResult } from '../monitor';

/** A drive that is looked at for what it proves. */
export interface ProofDrive {
  readonly traceId: string;
  /** When it was driven, ms since 1970. */
  readonly at: number;
  readonly look: DriveLook;
  readonly monitors: readonly CodeResult[];
}

/** A figure of a drive by its name. @throws {Error} for a name that the desk does not have */
export function figureOf({ features }: Pick<DriveLook, 'features'>, name: FeatureRow['name']): FeatureRow {
  const row = features.find((f) => f.name === name);
  if (!row) throw new Error(`figureOf: the desk measures no ${name}`);
  return row;
}

/** Uncertainties of a figure that are allowed for before it is called outside. */
const SDS = 2;

/**
 * Whether a figure lies where sound vehicles of the kind lie on this very drive, allowing for its uncertainty and for
 * the scatter between cars of a kind beyond the drawn ones. Null where it was not told, or nothing is expected of it.
 *
 * @param room in the figure's unit
 */
export function asSound(row: FeatureRow, room: number): boolean | null {
  if (!row.told || !row.expected) return null;
  const { value, sd } = row.told;
  const slack = SDS * sd + room;
  return value >= row.expected[0] - slack && value <= row.expected[1] + slack;
}
