import type { Glycol } from '../coolant';
import type { Cause } from '../base';
import type { WorkKind } from '../case';
import type { Procedure } from '../procedure';
import type { ColdLevel } from '../case';
import type { Instrument, OutKind } from './ledger';

/** Why the job is done, where no cause of the list is it. */
export const OTHER_FAULTS = ['leak', 'preventive', 'not-known'] as const;
export type FaultFound = Cause | (typeof OTHER_FAULTS)[number];

/** A part to be fitted. What is not known is null. */
export interface PlannedPart {
  readonly id: string;
  readonly name: string;
  /** Work that it belongs to; null: an extra. */
  readonly work: WorkKind | null;
  readonly rated_c: number | null;
  readonly build: 'insert' | 'housing' | null;
  readonly source: 'maker' | 'other' | null;
  readonly sealIncluded: boolean | null;
  readonly vent: boolean | null;
  readonly price: number | null;
  /** Paid for the old part, got back with it; null: none. */
  readonly deposit: number | null;
  readonly depositBackAt: number | null;
  readonly waitDays: number | null;
  readonly warrantyUntil: string;
  readonly note: string;
}

/** What is put in. */
export interface PlannedCoolant {
  readonly glycol: Glycol;
  /** Approval text of the label, in the car and on the container; empty: not known. */
  readonly approvalInCar: string;
  readonly approvalNew: string;
  readonly kind: 'concentrate' | 'ready' | 'waterless';
  /** Strength of a ready mix, %. */
  readonly ready_pct: number;
  readonly container_l: number;
  readonly containerPrice: number;
  readonly water: 'demineralised' | 'distilled' | 'soft-tap' | 'hard-tap' | null;
}

/** Something outside the maker's way, allowed and written down. */
export const EXCEPTION_KINDS = ['second-valve', 'no-valve', 'waterless', 'winter-cover'] as const;
export interface RepairException {
  readonly id: string;
  readonly kind: (typeof EXCEPTION_KINDS)[number];
  readonly risk: string;
  readonly conditions: string;
  /** Day on which it is looked at again, ISO. */
  readonly reviewOn: string;
}

/** A figure from somebody's papers: what, how much, where it stands. */
export interface ReferenceLine {
  readonly id: string;
  readonly what: string;
  readonly value: string;
  readonly source: string;
  readonly page: string;
}

/** What is to be done, with what. */
export interface RepairPlan {
  readonly works: readonly WorkKind[];
  readonly fault: FaultFound | null;
  readonly faultWords: string;
  readonly parts: readonly PlannedPart[];
  readonly extras: readonly string[];
  readonly coolant: PlannedCoolant;
  readonly minutesPlanned: number | null;
  readonly minutesTaken: number | null;
  readonly exceptions: readonly RepairException[];
  readonly references: readonly ReferenceLine[];
  /** Lines of the pick list that are at hand. */
  readonly have: readonly string[];
  readonly ownTools: readonly string[];
}

/** What this job needs to be made safe for, and what of it is done. */
export interface SafeState {
  readonly raise: boolean;
  readonly lift: boolean;
  readonly battery: boolean;
  readonly air: boolean;
  /** Where it stands. */
  readonly place: string;
  readonly weather: string;
  /** Steps that are done, ms since 1970, by their key. */
  readonly done: Readonly<Record<string, number>>;
}

/** Kinds of things taken off. */
export const STRIP_KINDS = [
  'hose',
  'clamp',
  'bolt',
  'connector',
  'bracket',
  'thermostat',
  'sender',
  'housing',
  'part',
] as const;
export type StripKind = (typeof STRIP_KINDS)[number];

/** One thing taken off. */
export interface StripItem {
  readonly id: string;
  readonly kind: StripKind;
  readonly name: string;
  readonly at: number;
  /** Label on it, where it sat. */
  readonly label: string;
  readonly place: string;
  readonly thread: string;
  readonly head_mm: number | null;
  readonly length_mm: number | null;
  readonly torque_nm: number | null;
  readonly torqueSource: string;
  readonly note: string;
  readonly photoId: string | null;
  /** Fitted again, ms since 1970; null: still off. */
  readonly backAt: number | null;
}

/** Things that go in or onto the engine for the work and must come out again. */
export const COUNTED = ['plugs', 'rags', 'clamps', 'tools'] as const;
export type Counted = (typeof COUNTED)[number];

/** What lies open. */
export interface StripState {
  readonly items: readonly StripItem[];
  readonly counts: Readonly<Record<Counted, { readonly in: number; readonly out: number }>>;
  /** Orientation and seat, ticked, ms since 1970, by key. */
  readonly seated: Readonly<Record<string, number>>;
  readonly closedAt: number | null;
  readonly dropped: readonly {
    readonly id: string;
    readonly what: string;
    readonly at: number;
    readonly foundAt: number | null;
  }[];
  readonly capOff: boolean;
  readonly softHousing: boolean;
  readonly cure_min: number | null;
}

/** One line of the ledger. */
export interface LedgerLine {
  readonly id: string;
  readonly at: number;
  readonly kind: OutKind | 'added';
  readonly l: number;
  readonly measuredBy: Instrument;
  /** Opening that it came out of, or what went in. */
  readonly where: string;
  /** Strength of what went in, %; null for what came out. */
  readonly pct: number | null;
}

/** A jar kept to be looked at. */
export interface SampleJar {
  readonly id: string;
  readonly at: number;
  readonly label: string;
  readonly looks: string;
}

/** Draining and flushing. */
export interface DrainState {
  /** Short of full before anything was opened, l; null: not looked at. */
  readonly shortfall_l: number | null;
  readonly start_pct: number | null;
  readonly lines: readonly LedgerLine[];
  readonly flushed: number;
  readonly drainEach_l: number | null;
  readonly until_pct: number;
  readonly way: 'gentle' | 'hose' | null;
  readonly signs: {
    readonly deposits: boolean | null;
    readonly spoilt: boolean | null;
    readonly oldParts: boolean | null;
  };
  readonly cleaner: {
    readonly name: string;
    readonly can_l: number | null;
    readonly treats_l: number | null;
    readonly lost_l: number | null;
    readonly least_min: number | null;
    readonly most_min: number | null;
  };
  readonly dried: boolean;
  readonly waterLimit_pct: number;
  readonly jars: readonly SampleJar[];
  readonly disposal: { readonly l: number | null; readonly place: string; readonly at: number | null };
}

/** Mixing and filling. */
export interface FillState {
  readonly coldest_c: number | null;
  readonly margin_k: number;
  readonly ageing_pct: number;
  readonly least_pct: number;
  /** Chosen by hand; null: as the climate asks. */
  readonly target_pct: number | null;
  /** Ticks of the steps, ms since 1970, by key. */
  readonly done: Readonly<Record<string, number>>;
  readonly beforeStart_l: number | null;
  /** Drained coolant goes back in: what is true of it. */
  readonly reuse: Readonly<Record<string, boolean>>;
}

/** Bleeding. */
export interface BleedState {
  /** As it was chosen: later changes of the shop's procedure do not reach a run. */
  readonly procedure: Procedure | null;
  readonly conditions: readonly string[];
  readonly levels: readonly (ColdLevel & { readonly id: string })[];
  /** Whether bubbles came, cycle by cycle. */
  readonly bubbles: readonly boolean[];
  readonly settled_mm: number;
}

/** A repair from its plan to "filled and bled". */
export interface RepairSheet {
  readonly plan: RepairPlan;
  readonly safe: SafeState;
  readonly strip: StripState;
  readonly drain: DrainState;
  readonly fill: FillState;
  readonly bleed: BleedState;
  /** Work written into the chronicle, ms since 1970, by its kind. */
  readonly written: Readonly<Partial<Record<WorkKind, number>>>;
  /** Filled and bled, ms since 1970. */
  readonly closedAt: number | null;
}
