/** A cost beside parts, coolant and labour: fuel of the drives, tools, cleaner, postage. */
export interface ExtraCostLine {
  readonly id: string;
  readonly what: string;
  readonly amount: number;
}

/** When the car is due again, whichever comes first. What is not known is null or empty. */
export interface NextDue {
  readonly what: string;
  /** Day, ISO; empty: none. */
  readonly on: string;
  readonly at_km: number | null;
  /** Where it stands: handbook, label, the shop's own. */
  readonly source: string;
}

/** Handing a car over and closing its job. */
export interface ClosingSheet {
  readonly odometer_km: number | null;
  readonly extraCosts: readonly ExtraCostLine[];
  /** Ticks of the hand-over, ms since 1970, by key. */
  readonly done: Readonly<Record<string, number>>;
  readonly nextDue: NextDue;
  /** For whoever has this vehicle next: it comes up at its next arrival. */
  readonly notesNext: string;
  /** What the customer was told to watch. */
  readonly toWatch: string;
  readonly by: string;
  readonly handedOverAt: number | null;
}
