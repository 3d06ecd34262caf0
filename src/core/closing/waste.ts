import { totals, type RepairSheet } from '../repair';

/** What came out, and where it went. */
export interface WasteRecord {
  readonly out_l: number;
  /** Of it handed in; null while nothing is written. */
  readonly handedIn_l: number | null;
  readonly place: string;
  readonly at: number | null;
  /** Came out, was not spilled, and is not written down as handed in, l. */
  readonly missing_l: number;
  readonly spilled_l: number;
}

/** Old coolant is hazardous waste: what came out against what was handed in. Null where nothing came out. */
export function wasteRecord(repair: RepairSheet | null): WasteRecord | null {
  if (!repair) return null;
  const { out_l } = totals(repair.drain.lines);
  if (out_l === 0) return null;
  const spilled_l = repair.drain.lines.filter((x) => x.kind === 'spilled').reduce((s, x) => s + x.l, 0);
  const { l, place, at } = repair.drain.disposal;
  return { out_l, spilled_l, handedIn_l: l, place, at, missing_l: Math.max(0, out_l - spilled_l - (l ?? 0)) };
}
