import type { Vehicle } from '../base';
import type { Prices } from '../case';
import { containersFor, coolantNeed, totals, type RepairSheet } from '../repair';
import type { ClosingSheet } from './sheet';

/** A line of the cost sheet, in the shop's currency. */
export interface CostLine {
  readonly key: string;
  readonly what: string;
  /** How it comes about. */
  readonly how: string;
  /** Coolant that went in, of what was bought; only of that line. */
  readonly used_l?: number;
  /** As planned; null where it was not. */
  readonly planned: number | null;
  /** As it came; null while it is not known. */
  readonly actual: number | null;
}

/** What a job costs, planned against taken. */
export interface CostSheet {
  readonly lines: readonly CostLine[];
  /** Null while a line has no figure. */
  readonly planned: number | null;
  readonly actual: number | null;
  /** Paid for, and still the shop's: what is left in opened containers. */
  readonly containerRest: { readonly l: number; readonly worth: number };
  /** Deposits on old parts: paid, got back, still to be sent back. */
  readonly deposits: { readonly paid: number; readonly back: number; readonly due: number };
}

const sum = (values: readonly (number | null)[]): number | null =>
  values.some((v) => v === null) ? null : values.reduce((s: number, v) => s + v!, 0);

/** Litres of what was bought that went in: concentrate or ready mix, not the water beside it. */
function boughtIn_l(repair: RepairSheet): number {
  const { kind } = repair.plan.coolant;
  return repair.drain.lines
    .filter((x) => x.kind === 'added' && (x.pct ?? 0) > 0)
    .reduce((s, x) => s + (kind === 'concentrate' ? (x.l * Math.min(100, x.pct ?? 0)) / 100 : x.l), 0);
}

/** What the shop and the vehicle say of costs. */
export interface CostBasis {
  readonly vehicle: Vehicle;
  readonly prices: Pick<Prices, 'labourPerHour'>;
}

/** Coolant as it was to be bought for the whole filling. */
function coolantPlanned(repair: RepairSheet, { coolant }: Vehicle): number {
  const whole = { ...repair, drain: { ...repair.drain, lines: [] } };
  return coolantNeed(whole, coolant.volume_l, repair.fill.target_pct ?? coolant.glycol_pct).cost;
}

function coolantLine(
  repair: RepairSheet,
  vehicle: Vehicle,
): { line: CostLine | null; rest: CostSheet['containerRest'] } {
  const { containerPrice, container_l } = repair.plan.coolant;
  const used_l = boughtIn_l(repair);
  if (totals(repair.drain.lines).in_l === 0) return { line: null, rest: { l: 0, worth: 0 } };
  const need = containersFor(used_l, container_l, containerPrice);
  const line: CostLine = {
    ...{ key: 'coolant', what: 'Coolant', planned: coolantPlanned(repair, vehicle), actual: need.cost },
    how: `${need.containers} × ${containerPrice.toFixed(2)}`,
    used_l,
  };
  return { line, rest: { l: need.left_l, worth: need.leftCost } };
}

/**
 * What a job costs: parts, coolant by whole containers, labour by the minutes taken, and what was written beside. A part
 * or a time of which nothing is known leaves the sum open: it is not counted as nothing.
 */
export function costSheet(
  repair: RepairSheet | null,
  closing: ClosingSheet,
  { vehicle, prices }: CostBasis,
): CostSheet {
  const parts = repair?.plan.parts ?? [];
  const partLines = parts.map((p): CostLine => ({
    ...{ key: p.id, what: p.name, how: p.note, planned: p.price, actual: p.price },
  }));
  const coolant = repair ? coolantLine(repair, vehicle) : { line: null, rest: { l: 0, worth: 0 } };
  const { minutesPlanned = null, minutesTaken = null } = repair?.plan ?? {};
  const cost = (min: number | null) => (min === null ? null : (min / 60) * prices.labourPerHour);
  const labour: CostLine = {
    ...{ key: 'labour', what: 'Labour', planned: cost(minutesPlanned), actual: cost(minutesTaken) },
    how: `${minutesTaken === null ? 'minutes not written down' : `${minutesTaken} min`} at ${prices.labourPerHour.toFixed(2)} an hour`,
  };
  const extra = closing.extraCosts.map((e): CostLine => ({
    ...{ key: e.id, what: e.what, how: '', planned: null, actual: e.amount },
  }));
  const paid = parts.reduce((s, p) => s + (p.deposit ?? 0), 0);
  const back = parts.reduce((s, p) => s + (p.depositBackAt === null ? 0 : (p.deposit ?? 0)), 0);
  const deposit: CostLine = {
    ...{ key: 'deposit', what: 'Deposits on old parts', planned: null, actual: paid - back },
    how: `${paid.toFixed(2)} paid, ${back.toFixed(2)} back`,
  };
  const lines = [
    ...partLines,
    ...(coolant.line ? [coolant.line] : []),
    ...(repair ? [labour] : []),
    ...extra,
    ...(paid > 0 ? [deposit] : []),
  ];
  return {
    lines,
    planned: repair ? sum([...parts.map((p) => p.price), cost(minutesPlanned), coolant.line?.planned ?? 0]) : null,
    actual: sum(lines.map((x) => x.actual)),
    containerRest: coolant.rest,
    deposits: { paid, back, due: paid - back },
  };
}
