import type { Cause } from '../../base';

/** Figures of each thing that can be pointed at in a trace. Temperatures °C, differences K, rates K/min, times s. */
export interface RemarkFigures {
  'cannot-carry': { readonly problem: string };
  'leaves-sound-band': { readonly low_c: number; readonly high_c: number; readonly reading_c: number };
  'inside-sound-band': { readonly level_c: number; readonly expected_c: number };
  /** Inside as far as it can be trusted: the end of the drive has no level. */
  'inside-while-trusted': object;
  climb: { readonly rate_kpmin: number; readonly expected_kpmin: number; readonly start_c: number };
  level: { readonly level_c: number; readonly spread_k: number };
  sag: { readonly per10kmh_k: number };
  standstill: { readonly rate_kpmin: number };
  revs: { readonly idle_kpmin: number; readonly held_kpmin: number };
  swings: { readonly height_k: number; readonly period_s: number; readonly count: number };
  uneven: object;
  'passes-while-shut': { readonly share: number };
  'opens-at': { readonly fitted_c: number; readonly rated_c: number };
  'no-bend': { readonly highest_c: number; readonly rated_c: number };
  'highest-reading': { readonly highest_c: number };
  'opens-heated': { readonly rated_c: number; readonly heated_c: number };
  /** First reading, and how far it stood above outside and intake air; null where that was not logged. */
  'start-against-air': {
    readonly start_c: number;
    readonly outside_k: number | null;
    readonly intake_k: number | null;
  };
  'shifted-shape': object;
  'late-bends': { readonly lag_s: number };
  leaps: { readonly count: number };
  'stands-still': { readonly reading_c: number };
  'hardly-moves': object;
  'no-gauge': object;
  'gauge-apart': { readonly apart_k: number };
  'sound-stays-cold': { readonly level_c: number; readonly rated_c: number };
  'heat-too-little': { readonly rated_c: number };
  'no-rival': object;
  /** The next cause, and how many times less likely it is. */
  rival: { readonly cause: Cause; readonly times: number };
  'parts-from-rival': {
    readonly cause: Cause;
    readonly rival_c: number;
    readonly best_c: number;
    readonly read_c: number;
  };
  'rival-is-rarer': object;
  /** The vehicle figure that the rival bends most, in prior standard deviations, beside the best cause's. */
  'rival-bends': { readonly parameter: string; readonly rival_sd: number; readonly best_sd: number };
  'rival-alike': object;
}

export type RemarkKind = keyof RemarkFigures;

/** Something seen in a trace that speaks for its finding: what, where, with which figures. Words are made at the edge. */
export type Remark = {
  readonly [K in RemarkKind]: {
    readonly kind: K;
    /** Its place, s from the start; null where it concerns the whole drive. */
    readonly at_s: number | null;
    readonly figures: RemarkFigures[K];
  };
}[RemarkKind];

/** Builds a {@link Remark}. */
export const remark = <K extends RemarkKind>(
  kind: K,
  figures: RemarkFigures[K],
  at_s: number | null = null,
): Extract<Remark, { kind: K }> => ({ kind, at_s, figures }) as unknown as Extract<Remark, { kind: K }>;
