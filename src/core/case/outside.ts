import type { Entry, MeasurementEntry } from './entry';

/** Readings of the outside air further from a drive than this say nothing of it, ms: half a day. */
const SAME_DAY_MS = 12 * 3_600_000;

const outsideOf = (e: MeasurementEntry): number | undefined =>
  e.name === 'outside' || e.name === 'soak' ? e.values.outside_c : undefined;

/** How near a place is to the drive: what was read or planned for it goes before the weather of a complaint. */
const FAR: Readonly<Record<string, number>> = { complaint: 1 };

/**
 * Outside temperature that a person gave for a drive, °C: of the cold look, the plan or the complaint, whichever lies
 * nearest; null where none was given on that day.
 */
export function outsideGiven_c(entries: readonly Entry[], drivenAt: number): number | null {
  const given = entries
    .filter((e): e is MeasurementEntry => e.kind === 'measurement' && e.takenBack !== true)
    .flatMap((e) => {
      const outside_c = outsideOf(e);
      const away = Math.abs(e.at - drivenAt);
      return outside_c === undefined || away > SAME_DAY_MS ? [] : [{ outside_c, far: FAR[e.place] ?? 0, away }];
    })
    .sort((a, b) => a.far - b.far || a.away - b.away);
  return given[0]?.outside_c ?? null;
}
