/** What a person can mark on a running drive with one touch; kept with its minute and, where early, evidence. */
export const MARKS = {
  'mark-top-hose-warm': 'Top hose warm',
  'mark-heater-hot': 'Heater hot',
  'mark-fan-on': 'Fan on',
  'mark-needle-in-place': 'Needle in its place',
} as const;

/** Name of a mark. */
export type MarkId = keyof typeof MARKS;

/** The answer that every mark carries. */
export const MARKED = 'seen';

/** True for the name of a mark. */
export const isMark = (item: string): item is MarkId => Object.hasOwn(MARKS, item);
