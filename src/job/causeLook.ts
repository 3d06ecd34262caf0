import { CAUSE_PLACE, type Cause, type CauseFamily } from '@/core/base';
import { causeName, type Odds } from '@/core/evidence';
import { familyColour } from '@/ui/colours';
import type { GlyphShape } from '@/ui/Glyph';
import type { Share } from '@/ui/ShareStrip';

/** Colour and shape of each family of causes. */
export const FAMILY_LOOK: Readonly<Record<CauseFamily, { colour: string; shape: GlyphShape }>> = {
  sound: { colour: familyColour('sound'), shape: 'circle' },
  open: { colour: familyColour('open'), shape: 'down' },
  shut: { colour: familyColour('shut'), shape: 'up' },
  sender: { colour: familyColour('sender'), shape: 'diamond' },
  flow: { colour: familyColour('flow'), shape: 'square' },
};

/** Colour and shape of a cause. */
export const causeLook = (cause: Cause) => FAMILY_LOOK[CAUSE_PLACE[cause].family];

/** Odds as parts of a strip. */
export const oddsShares = (causes: readonly Odds[]): Share[] =>
  causes.map(({ cause, probability }) => ({
    key: cause,
    name: causeName(cause),
    share: probability,
    ...causeLook(cause),
  }));
