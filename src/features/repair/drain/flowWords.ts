import type { LedgerLine, LedgerState } from '@/core/repair';

/** What each kind of line is called. */
export const FLOW_NAME: Readonly<Record<LedgerLine['kind'], string>> = {
  drained: 'drained',
  spilled: 'spilled',
  'drawn-off': 'drawn off',
  added: 'put in',
};

/** Openings that coolant comes out of. */
export const OPENINGS = [
  'Radiator tap',
  'Lower hose',
  'Block plug',
  'Housing',
  'Heater hose',
  'Tank',
  'Sample',
] as const;

const LEVEL_L = 0.15;

/**
 * What the volumes prove and what they do not. @param out_l and in_l so far
 */
export function volumesSay(
  state: LedgerState,
  out_l: number,
  in_l: number,
): { readonly proves: string; readonly not: string } {
  const renewed = Math.round(100 * (state.renewed_share ?? 0));
  if (in_l === 0) {
    return {
      proves: 'What came out is known; the rest is still inside.',
      not: 'Draining never empties it: block, heater and coolers keep theirs.',
    };
  }
  const apart = in_l - out_l;
  if (Math.abs(apart) <= Math.max(LEVEL_L, 2 * state.inside_sd_l)) {
    return {
      proves: 'As much went in as came out: the level is as it was before.',
      not: `Not that it is renewed: ${renewed} % of what is inside is new. Not that it was full before.`,
    };
  }
  return apart > 0
    ? {
        proves: 'More went in than came out: it was short before, or the air is out now.',
        not: `Not which of the two. ${renewed} % of what is inside is new.`,
      }
    : {
        proves: 'Less went in than came out: air is inside, or it is not full yet.',
        not: `Not where the air sits. ${renewed} % of what is inside is new.`,
      };
}
