import type { Vehicle } from '../../base';
import type { Entry, ProofItem } from '../../case';
import type { RepairSheet } from '../../repair';
import type { ProofDrive } from '../proofDrive';

/** An item of the acceptance: all that is shown, without the verdict. */
export type AcceptanceItem = Exclude<ProofItem, 'verdict'>;

/** Where an item stands. `waits`: it is not yet time for it. */
export type AcceptanceState = 'met' | 'failed' | 'open' | 'waits' | 'left-out' | 'not-needed';

/** One item of the acceptance. */
export interface AcceptanceRow {
  readonly item: AcceptanceItem;
  readonly state: AcceptanceState;
  /** What was seen or measured, or what is still to be done. */
  readonly says: string;
  /** When it was shown, ms since 1970; null while it was not. */
  readonly at: number | null;
  /** From when on it can be done, ms since 1970; null: at once. */
  readonly due: number | null;
  /** A person may answer it; the others follow from readings. */
  readonly byHand: boolean;
  /** A figure of the drive. */
  readonly measured: boolean;
  /** A code came back after the work. */
  readonly returned?: true;
}

/** What an acceptance is worked out from. */
export interface AcceptanceInput {
  readonly vehicle: Vehicle;
  readonly entries: readonly Entry[];
  readonly repair: RepairSheet | null;
  /** The drive after the work; null before one. */
  readonly drive: ProofDrive | null;
  /** ms since 1970. */
  readonly now: number;
}
