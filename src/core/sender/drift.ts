/**
 * Where a drifted element still reads right, °C: senders are sold by their resistance at 20 or 25 °C (domain.md,
 * senders), and what another curve or age changes is the slope.
 */
const RIGHT_AT_C = 20;

/** Reading of a drifted element, °C: right when cold, off in proportion above. @param drift K/K */
export const driftedReading = (t_c: number, drift: number): number => t_c + drift * Math.max(0, t_c - RIGHT_AT_C);
