import { CAUSE_PLACE } from '../base';
import { proofItem, type Case, type ProofVerdict } from '../case';
import type { AcceptanceRow } from './acceptance/row';

/** What is proposed as the verdict on a repair, and what it rests on. */
export interface ProposedVerdict {
  readonly verdict: ProofVerdict;
  /** What the car being well holds of the odds now. */
  readonly sound: number;
  /** What speaks for it, in words. */
  readonly shows: readonly string[];
  /** What keeps it from being proven, in words; empty for one that is. */
  readonly lacks: readonly string[];
  /** The day from which the next open item can be done, ms since 1970; null where nothing waits for a day. */
  readonly due: number | null;
}

/** What a verdict is proposed from. */
export interface VerdictInput {
  readonly case: Case;
  readonly rows: readonly AcceptanceRow[];
  /** A drive after the work that counts was measured. */
  readonly driven: boolean;
  /** What the drive leaves unproven, in words. */
  readonly notProven: readonly string[];
}

/** The odds of a sound car from which a repair can be called proven, and of a fault from which it is not cured. */
const SOUND_FROM = 0.8;
const FAULT_FROM = 0.5;

/** Open items that are named; the list itself stands beside. */
const NAMED = 3;

/** Short name of an item for a list. */
const nameOf = (row: AcceptanceRow): string => proofItem(row.item).ask.split(/[:,]/)[0]!.toLowerCase();

/** The first of a list, and how many more there are. */
function listed(names: readonly string[]): string {
  const rest = names.length - NAMED;
  return rest <= 1 ? names.join('; ') : `${names.slice(0, NAMED).join('; ')}; and ${rest} more`;
}

/** What the car being sound, or only cold, holds of the odds. */
export const soundShare = ({ now }: Pick<Case, 'now'>): number =>
  now.reduce((sum, o) => sum + (CAUSE_PLACE[o.cause].family === 'sound' ? o.probability : 0), 0);

/**
 * The verdict that the figures allow. Proven needs a drive after the work in the complaint's own conditions, numbers
 * inside the band of a sound car, odds that agree, and nothing of the acceptance open or failed. A drive after the work
 * by which a fault is still likelier than not, or a code that came back, is not cured. All else is not proven, which is
 * a full answer with a date.
 */
export function proposeVerdict({ case: found, rows, driven, notProven }: VerdictInput): ProposedVerdict {
  const sound = soundShare(found);
  const failed = rows.filter((r) => r.state === 'failed');
  const open = rows.filter((r) => r.state === 'open' || r.state === 'waits');
  const met = rows.filter((r) => r.state === 'met');
  const numbers = met.filter((r) => r.measured);
  const waits = rows.flatMap((r) => (r.state === 'waits' && r.due !== null ? [r.due] : []));
  const due = waits.length > 0 ? Math.min(...waits) : null;
  const lacks = [
    ...(driven ? [] : ['no drive after the work has been judged']),
    ...(driven && sound < SOUND_FROM ? [`the odds of a sound car are ${Math.round(100 * sound)} %`] : []),
    ...(driven && numbers.length === 0 ? ['no figure of the drive lies in the band of a sound car yet'] : []),
    ...notProven,
    ...failed.map((r) => `${nameOf(r)}: ${r.says}`),
    ...(open.length > 0 ? [`still to be shown: ${listed(open.map(nameOf))}`] : []),
  ];
  const shows = [
    ...(driven ? [`the odds of a sound car are ${Math.round(100 * sound)} %`] : []),
    ...numbers.map((r) => r.says),
  ];
  const returned = failed.some((r) => r.item === 'monitor' && r.returned === true);
  const notCured = (driven && 1 - sound >= FAULT_FROM && !found.unproven) || returned;
  const verdict = notCured ? 'not-cured' : lacks.length === 0 ? 'proven' : 'not-proven';
  return { verdict, sound, shows, lacks, due };
}
