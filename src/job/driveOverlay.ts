import type { DriveLook } from '@/core/desk';
import { alignedAbscissa, type DriveAlignment } from '@/core/drive';
import type { Curve, Lane, Range } from '@/ui/picture/lane';

/** Moment of opening by a look's own figures. */
const opensOf = (look: DriveLook): number | null => {
  const told = look.features.find((f) => f.name === 'opening-time')?.told;
  return told ? (told.from_s + told.to_s) / 2 : null;
};

/** Looks of drives laid over this one; the first is the one that it is compared with. */
export const OVERLAY_LOOKS: readonly Partial<Curve>[] = [
  { colour: 'var(--family-open)', dash: '7 4' },
  { colour: 'var(--family-shut)', dash: '2 3', width: 2 },
  { colour: 'var(--family-sender)', dash: '10 3 2 3', width: 2 },
  { colour: 'var(--family-flow)', dash: '4 2', width: 2 },
];

/** Drives over each other by one abscissa; null where this one, or all others, do not have it. */
export function driveOverlay(
  here: { look: DriveLook; name: string },
  others: readonly { look: DriveLook; name: string }[],
  by: DriveAlignment,
): { lane: Lane; range: Range; missing: readonly string[] } | null {
  const own = alignedAbscissa(here.look, by, opensOf(here.look));
  const laid = others.map((o, i) => ({ ...o, i, at: alignedAbscissa(o.look, by, opensOf(o.look)) }));
  const there = laid.filter((l) => l.at !== null);
  if (own === null || there.length === 0) return null;
  const curve = (time_s: Float64Array, look: DriveLook, label: string, rest: Partial<Curve>): Curve => ({
    ...{ label, colour: 'var(--trace)', width: 2.5, time_s, values: look.smooth.level_c },
    ...rest,
  });
  const all = [own, ...there.map((l) => l.at!)];
  return {
    lane: {
      curves: [
        ...there.map((l) => curve(l.at!, l.look, l.name, OVERLAY_LOOKS[l.i % OVERLAY_LOOKS.length]!)),
        curve(own, here.look, here.name, {}),
      ],
    },
    range: { from_s: Math.min(...all.map((a) => a[0]!)), to_s: Math.max(...all.map((a) => a.at(-1)!)) },
    missing: laid.filter((l) => l.at === null).map((l) => l.name),
  };
}
