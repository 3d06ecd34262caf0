import type { MarkId } from './marks';

/** What a mark on a logged drive can be: its name, the unit of what was read there, and the places that it can be at. */
interface DriveMarkSpec {
  readonly label: string;
  /** Quantity that is read with it; null where seeing it is all. */
  readonly reads: 'temperature' | 'needle' | null;
  readonly places: readonly string[];
  /** Words by which a mark column of a log means it. */
  readonly words: RegExp;
  /** The mark of a running drive that says the same, and is evidence when it comes early. */
  readonly as: MarkId | null;
}

const HOSES = ['upper hose', 'lower hose', 'heater hose'] as const;

/** Marks that are set by hand on a drive. */
export const DRIVE_MARKS = {
  'hose-warm': {
    ...{ label: 'Hose warm', reads: null, places: HOSES, as: 'mark-top-hose-warm' },
    words: /hose.*(warm|hot)|(warm|hot).*hose/i,
  },
  'fan-on': { ...{ label: 'Fan on', reads: null, places: [], as: 'mark-fan-on' }, words: /fan.*(\bon\b|start|run)/i },
  'fan-off': { ...{ label: 'Fan off', reads: null, places: [], as: null }, words: /fan.*(\boff\b|stop)/i },
  bubbles: { ...{ label: 'Bubbles', reads: null, places: [], as: null }, words: /bubbl/i },
  'heater-hot': { ...{ label: 'Heater hot', reads: null, places: [], as: 'mark-heater-hot' }, words: /heater.*hot/i },
  needle: {
    ...{ label: 'Needle at', reads: 'needle', places: [], as: 'mark-needle-in-place' },
    words: /needle|gauge/i,
  },
  vent: { ...{ label: 'Vent temperature', reads: 'temperature', places: [], as: null }, words: /vent/i },
  probe: {
    ...{ label: 'Infrared or probe', reads: 'temperature', as: null },
    places: ['thermostat housing', ...HOSES, 'radiator top', 'radiator bottom', 'head near sender'],
    words: /probe|infrared|clamp|\bir\b/i,
  },
  other: { ...{ label: 'Note', reads: null, places: [], as: null }, words: /$^/ },
} as const satisfies Record<string, DriveMarkSpec>;

/** Kind of a mark on a drive. */
export type DriveMarkKind = keyof typeof DRIVE_MARKS;

/** Every kind, in the order in which they are offered. */
export const DRIVE_MARK_KINDS = Object.keys(DRIVE_MARKS) as DriveMarkKind[];

/** True for the name of a mark on a drive. */
export const isDriveMark = (kind: string): kind is DriveMarkKind => Object.hasOwn(DRIVE_MARKS, kind);

/** What a mark column of a log means by its words. */
export function driveMarkOf(text: string): { readonly mark: DriveMarkKind; readonly place: string } {
  const mark = DRIVE_MARK_KINDS.find((k) => DRIVE_MARKS[k].words.test(text)) ?? 'other';
  const hoses: readonly (readonly [RegExp, string])[] = [
    [/top|upper/i, HOSES[0]],
    [/bottom|lower/i, HOSES[1]],
    [/heater/i, HOSES[2]],
  ];
  const place = mark === 'hose-warm' ? (hoses.find(([w]) => w.test(text))?.[1] ?? HOSES[0]) : '';
  return { mark, place };
}
