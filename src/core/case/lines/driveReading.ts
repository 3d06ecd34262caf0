import type { DriveEvidence } from '../../evidence';

/** A reading further from a moment than this is not the one of that moment, s. */
const NEAR_S = 20;

/** The reading of a judged drive at a moment, °C; null where the drive is not judged or has none near it. */
export function driveReading(drives: ReadonlyMap<string, DriveEvidence>, traceId: string, at_s: number): number | null {
  const { time_s, measured_c } = drives.get(traceId)?.curves ?? {};
  if (!time_s || !measured_c) return null;
  let nearest: number | null = null;
  let away = NEAR_S;
  for (let i = 0; i < time_s.length; i++) {
    const apart = Math.abs(time_s[i]! - at_s);
    if (Number.isFinite(measured_c[i]!) && apart <= away) {
      away = apart;
      nearest = measured_c[i]!;
    }
  }
  return nearest;
}
