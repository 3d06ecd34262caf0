import type { CircuitNote, Maybe } from './finding';

/**
 * Reading below which a viscous fan has no reason to roar, and above which it has had every reason, °C: a radiator's air
 * is warm enough for a clutch from about where a thermostat is open. Working figures of the project.
 */
export const ROAR = { cold_c: 60, late_c: 108 } as const;

/** What the times of a viscous fan mean; nothing before it was heard. */
export function clutchNotes({
  roars_c,
  quiet_c,
}: {
  readonly roars_c?: Maybe;
  readonly quiet_c?: Maybe;
}): CircuitNote[] {
  if (roars_c === undefined) return [];
  if (roars_c < ROAR.cold_c) {
    return [{ kind: 'fault', says: 'It roars from cold and goes on: the clutch is locked, and cools on the road.' }];
  }
  if (roars_c > ROAR.late_c) return [{ kind: 'fault', says: 'It comes late or not at all: the clutch slips.' }];
  const heard: CircuitNote = { kind: 'sound', says: 'It roars when hot, as it should.' };
  if (quiet_c === undefined) return [heard];
  return [
    heard,
    quiet_c < roars_c
      ? { kind: 'sound', says: 'Quiet again below: it lets go.' }
      : { kind: 'look', says: 'Quiet at a higher reading than it roared at: read both again.' },
  ];
}
