/** State of a switched part. */
export type Switched = 'works' | 'dead' | 'always-on';

/** What a cause changes in the twin; the neutral value leaves the healthy twin as it is. */
export interface TwinFault {
  /** Share of full radiator flow past a shut valve; 0 leaves the vehicle's own vent. */
  readonly leak: number;
  readonly openingShift_k: number;
  readonly liftLimit: number;
  /** A weak spring gives way to the pump: opens this much lower per 1000 rpm, K. */
  readonly springPerRpm_k: number;
  /** A sticking stem opens and closes this much late, K. */
  readonly stick_k: number;
  readonly heatingElement: Switched;
  /** Offset between element and reading, K: moves fan control with it. */
  readonly readingOffset_k: number;
  readonly senderLag_s: number;
  readonly fan: Switched;
  readonly pumpScale: number;
  readonly radiatorScale: number;
  /** Share of coolant replaced by air. */
  readonly air: number;
}

/** A sound vehicle. */
export const NO_TWIN_FAULT: TwinFault = {
  leak: 0,
  openingShift_k: 0,
  liftLimit: 1,
  springPerRpm_k: 0,
  stick_k: 0,
  heatingElement: 'works',
  readingOffset_k: 0,
  senderLag_s: 0,
  fan: 'works',
  pumpScale: 1,
  radiatorScale: 1,
  air: 0,
};
