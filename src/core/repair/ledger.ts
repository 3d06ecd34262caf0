import { fail, ok, type Result } from '../base';

/** What came out. */
export const OUT_KINDS = ['drained', 'spilled', 'drawn-off'] as const;
export type OutKind = (typeof OUT_KINDS)[number];

/** Coolant that came out or went in, in order of time. */
export type Flow =
  | { readonly kind: OutKind; readonly l: number; readonly sd_l: number }
  | { readonly kind: 'added'; readonly l: number; readonly sd_l: number; readonly pct: number };

/** How it stood before. */
export interface LedgerStart {
  readonly capacity_l: number | null;
  /** What was inside; null: as much as it holds. */
  readonly start_l: number | null;
  readonly start_pct: number | null;
}

/** What is inside now, and what can be said of it. */
export interface LedgerState {
  readonly inside_l: number;
  readonly inside_sd_l: number;
  /** Glycol by volume, %; null with nothing inside. */
  readonly pct: number | null;
  readonly pct_low: number | null;
  readonly pct_high: number | null;
  /** Share of what is inside that was added; null with nothing inside. */
  readonly renewed_share: number | null;
  /** Short of the capacity, l; null where that is not known. */
  readonly missing_l: number | null;
  /** Old coolant inside, l. */
  readonly old_l: number;
}

/** A flow that cannot be: which, and why. */
export interface LedgerError {
  /** Number of the flow; null for the start. */
  readonly at: number | null;
  readonly message: string;
}

/** Old coolant of which nothing is known counts as half, anywhere between none and all of it glycol, %. */
const UNKNOWN_OLD_PCT = { low: 0, middle: 50, high: 100 } as const;
/** Volumes below this are none, l. */
const NONE_L = 1e-9;
/** How many of its standard uncertainties a volume may be off before it is a contradiction. */
const OFF_BY = 3;

interface Contents {
  inside_l: number;
  glycol_l: number;
  old_l: number;
}

/** Runs the flows through a vessel whose contents mix before each of them; what cannot come out does not. */
function pass(start_l: number, start_pct: number, flows: readonly Flow[]): Contents {
  const c: Contents = { inside_l: start_l, glycol_l: (start_l * start_pct) / 100, old_l: start_l };
  for (const flow of flows) {
    if (flow.kind === 'added') {
      c.inside_l += flow.l;
      c.glycol_l += (flow.l * flow.pct) / 100;
      continue;
    }
    const kept = c.inside_l > NONE_L ? Math.max(0, 1 - flow.l / c.inside_l) : 0;
    c.inside_l *= kept;
    c.glycol_l *= kept;
    c.old_l *= kept;
  }
  return c;
}

const share_pct = (c: Contents): number => (100 * c.glycol_l) / c.inside_l;

/** The first flow that takes out more than there was, beyond what its measuring allows. */
function impossible(start_l: number, flows: readonly Flow[]): LedgerError | null {
  let inside_l = start_l;
  let variance = 0;
  for (const [at, flow] of flows.entries()) {
    variance += flow.sd_l ** 2;
    inside_l += flow.kind === 'added' ? flow.l : -flow.l;
    if (inside_l < -NONE_L - OFF_BY * Math.sqrt(variance)) {
      const had = (inside_l + flow.l).toFixed(2);
      return {
        at,
        message: `${flow.l} l cannot come out: at most ${had} l were inside. The capacity or the start is wrong.`,
      };
    }
    inside_l = Math.max(0, inside_l);
  }
  return null;
}

/**
 * What is inside after all that came out and went in. Each drain takes of what is inside as it is mixed at that moment;
 * volumes are at one temperature. Uncertainties of the volumes are independent and carried through by their first order;
 * `pct_low` and `pct_high` lie two of them away, and hold an unknown old strength altogether.
 */
export function ledgerOf(start: LedgerStart, flows: readonly Flow[]): Result<LedgerState, LedgerError> {
  const start_l = start.start_l ?? start.capacity_l ?? 0;
  const wrong = impossible(start_l, flows);
  if (wrong) {
    return start.start_l === null && start.capacity_l === null
      ? fail({ at: null, message: 'More came out than went in: say what was inside, or what it holds.' })
      : fail(wrong);
  }
  const unknown = start.start_pct === null;
  const middle = start.start_pct ?? UNKNOWN_OLD_PCT.middle;
  const now = pass(start_l, middle, flows);
  const moved = (change: (c: Contents) => number): number =>
    Math.sqrt(
      flows.reduce((sum, flow, i) => {
        if (flow.sd_l === 0) return sum;
        const by = (sign: 1 | -1) => {
          const l = Math.max(0, flow.l + sign * flow.sd_l);
          return change(pass(start_l, middle, [...flows.slice(0, i), { ...flow, l }, ...flows.slice(i + 1)]));
        };
        return sum + ((by(1) - by(-1)) / 2) ** 2;
      }, 0),
    );
  const inside_l = now.inside_l > NONE_L ? now.inside_l : 0;
  const inside_sd_l = moved((c) => c.inside_l);
  const missing_l = start.capacity_l === null ? null : start.capacity_l - inside_l;
  if (inside_l === 0) {
    return ok({
      inside_l,
      inside_sd_l,
      pct: null,
      pct_low: null,
      pct_high: null,
      renewed_share: null,
      missing_l,
      old_l: 0,
    });
  }
  const two_sd = 2 * moved((c) => (c.inside_l > NONE_L ? share_pct(c) : share_pct(now)));
  const within = (pct: number) => Math.min(100, Math.max(0, pct));
  const at = (pct: number) => share_pct(pass(start_l, pct, flows));
  return ok({
    inside_l,
    inside_sd_l,
    pct: share_pct(now),
    pct_low: within((unknown ? at(UNKNOWN_OLD_PCT.low) : share_pct(now)) - two_sd),
    pct_high: within((unknown ? at(UNKNOWN_OLD_PCT.high) : share_pct(now)) + two_sd),
    renewed_share: 1 - now.old_l / inside_l,
    missing_l,
    old_l: now.old_l,
  });
}

/** How a volume was measured. */
export const INSTRUMENTS = {
  jug: { says: 'jug with marks', sd: (l: number) => Math.max(0.05, 0.02 * l) },
  scale: { says: 'on a scale', sd: (l: number) => Math.max(0.01, 0.005 * l) },
  container: { says: 'whole containers', sd: (l: number) => Math.max(0.02, 0.01 * l) },
  eye: { says: 'by eye', sd: (l: number) => Math.max(0.1, 0.3 * l) },
} as const satisfies Readonly<Record<string, { readonly says: string; readonly sd: (l: number) => number }>>;

/** Name of an instrument; its standard uncertainties are working figures. */
export type Instrument = keyof typeof INSTRUMENTS;

/** Every instrument, in the order of the list. */
export const INSTRUMENT_NAMES = Object.keys(INSTRUMENTS) as readonly Instrument[];
