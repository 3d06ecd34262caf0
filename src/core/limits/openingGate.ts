/** Reading below which coolant is cold to the touch, °C: skin bears about 40 °C for long. */
export const OPEN_BELOW_C = 35;
/** Least time since the engine stopped, min: metal heats the coolant on after key-off. */
export const OPEN_AFTER_MIN = 30;
/** A stand after which the whole car is at outside temperature, h; the usual rule for a soak. */
export const OVERNIGHT_H = 8;

/** What is known before a cooling system is opened; null: not answered yet. */
export interface OpeningSigns {
  readonly coldToTouch: boolean | null;
  readonly softHose: boolean | null;
  readonly since_min: number | null;
  /** Scan reading, °C. */
  readonly reading_c: number | null;
  /** A second thermometer on housing or hose, °C. */
  readonly probe_c: number | null;
  /** The odds or the soak cast doubt on the sender: its reading proves nothing. */
  readonly senderSuspect: boolean;
}

/** Whether a cooling system may be opened, and what is missing or in the way. */
export interface OpeningGate {
  readonly open: boolean;
  readonly says: string;
}

const shut = (says: string): OpeningGate => ({ open: false, says });

/**
 * Cold to the touch, hose soft and time since key-off together; a temperature as well, from a thermometer that is to be
 * trusted, unless the car stood overnight.
 */
export function openingGate(signs: OpeningSigns): OpeningGate {
  const { coldToTouch, softHose, since_min, reading_c, probe_c, senderSuspect } = signs;
  if (softHose === false) return shut('The hose is firm: there is pressure. Wait.');
  if (coldToTouch === false) return shut('Still warm to the touch. Wait.');
  const thermometers = [reading_c, probe_c].filter((c) => c !== null);
  if (thermometers.some((c) => c > OPEN_BELOW_C)) return shut('Still hot. Wait.');
  if (since_min !== null && since_min < OPEN_AFTER_MIN) {
    return shut(`Give it ${OPEN_AFTER_MIN} minutes after the engine stopped: metal heats the coolant on.`);
  }
  if (coldToTouch === null || softHose === null || since_min === null) {
    return shut('Answer all three: cold to the touch, hose soft, how long the engine has been off.');
  }
  const overnight = since_min >= 60 * OVERNIGHT_H;
  if (!overnight && senderSuspect && probe_c === null) {
    return shut('The sender itself is suspected: hold a second thermometer to the housing, or let it stand overnight.');
  }
  if (!overnight && thermometers.length === 0) {
    return shut(
      'Read the coolant with a scan tool or a thermometer on the housing; without either, let it stand overnight.',
    );
  }
  return { open: true, says: 'Cool enough. Cover the cap, open to the first stop, let pressure go.' };
}
