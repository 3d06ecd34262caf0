import { CAUSE_TEXT, causeName, type CaseOdds, type CauseFamily } from '@/core/diagnosis';
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

/** Odds as parts of a strip. */
export function oddsShares(causes: CaseOdds['causes']): Share[] {
  return causes.map(({ cause, probability }) => ({
    key: cause,
    name: causeName(cause),
    share: probability,
    ...FAMILY_LOOK[CAUSE_TEXT[cause].family],
  }));
}
