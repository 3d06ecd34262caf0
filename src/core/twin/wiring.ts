/** What lies between a sender's element and the reading. */
export interface SenderWiring {
  readonly offset_k: number;
  /** Resistance in plug and earth, Ω. */
  readonly series_ohm: number;
  /** Leakage across the sender, Ω; Infinity without. */
  readonly parallel_ohm: number;
}

/** Sound wiring. */
export const SOUND_WIRING: SenderWiring = { offset_k: 0, series_ohm: 0, parallel_ohm: Infinity };
