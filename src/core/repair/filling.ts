import type { Result } from '../base';
import { expansion } from '../coolant';
import { INSTRUMENTS, ledgerOf, type Flow, type LedgerError, type LedgerState } from './ledger';
import { mixFor, type MixAnswer } from './mix';
import type { DrainState, FillState, LedgerLine, PlannedCoolant } from './sheet';
import { strengthFor, type Strength } from './strength';

/** A line of the sheet as a flow, with the uncertainty of what it was measured by. */
export function flowOf({ kind, l, measuredBy, pct }: LedgerLine): Flow {
  const sd_l = INSTRUMENTS[measuredBy].sd(l);
  return kind === 'added' ? { kind, l, sd_l, pct: pct ?? 0 } : { kind, l, sd_l };
}

/** What is inside by a sheet's ledger. */
export const insideNow = (drain: DrainState, capacity_l: number): Result<LedgerState, LedgerError> =>
  ledgerOf(
    { capacity_l, start_l: Math.max(0, capacity_l - (drain.shortfall_l ?? 0)), start_pct: drain.start_pct },
    drain.lines.map(flowOf),
  );

/** What came out and what went in, l. */
export function totals(lines: readonly LedgerLine[]): { readonly out_l: number; readonly in_l: number } {
  const sum = (of: (line: LedgerLine) => boolean) => lines.filter(of).reduce((s, line) => s + line.l, 0);
  return { out_l: sum((x) => x.kind !== 'added'), in_l: sum((x) => x.kind === 'added') };
}

/** The strength that is aimed at: chosen by hand, else by the climate; null while neither is known. */
export function aimOf(fill: FillState, coolant: PlannedCoolant): (Strength & { readonly byHand: boolean }) | null {
  const { coldest_c, margin_k, ageing_pct, least_pct, target_pct } = fill;
  const { glycol } = coolant;
  const climate = coldest_c === null ? null : strengthFor({ glycol, coldest_c, margin_k, ageing_pct, least_pct });
  if (target_pct === null) return climate && { ...climate, byHand: false };
  const asked = strengthFor({ glycol, coldest_c: 40, margin_k: 0, ageing_pct: 0, least_pct: target_pct });
  const tooCold = coldest_c !== null && asked.freezes_c > coldest_c - margin_k + 0.05;
  return { ...asked, target_pct, tooCold, byHand: true };
}

/** Volumes to add, over what stays inside. */
export interface FillingPlan {
  /** With the old coolant at the strength that is taken for it. */
  readonly answer: MixAnswer;
  /** Strength that comes out where the old is weakest and strongest it can be, %; null where nothing is added. */
  readonly low_pct: number | null;
  readonly high_pct: number | null;
}

/** How the rest of the room is filled to a strength, and how far the unknown old coolant can move it. */
export function fillingPlan(state: LedgerState, capacity_l: number, target_pct: number, add_pct: number): FillingPlan {
  const residual_l = Math.min(state.inside_l, capacity_l);
  const answer = mixFor({ capacity_l, residual_l, residual_pct: state.pct ?? 0, target_pct, add_pct });
  if (!answer.reachable) return { answer, low_pct: null, high_pct: null };
  const with_pct = (old: number) => (residual_l * old + answer.add_l * add_pct) / capacity_l;
  return { answer, low_pct: with_pct(state.pct_low ?? 0), high_pct: with_pct(state.pct_high ?? 0) };
}

/** Strength of what is bought, %. */
export const strengthBought_pct = ({ kind, ready_pct }: PlannedCoolant): number => (kind === 'ready' ? ready_pct : 100);

/** Growth of the coolant from cold to the opening, l: the level rises by it, and falls when air leaves. */
export const growsBy_l = (coolant: PlannedCoolant, pct: number, litres: number, from_c: number, to_c: number): number =>
  litres * expansion(coolant.glycol, pct, { from_c, to_c });
