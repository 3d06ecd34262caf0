/** A frame of a CAN log. */
export interface CanFrame {
  /** Seconds on the log's own scale; null when the log carries no times. */
  readonly time_s: number | null;
  readonly id: number;
  readonly extended: boolean;
  readonly data: readonly number[];
}

const LOGGED = /^\s*\(([-\d:. T]{1,40})\)\s+\S+\s+([0-9A-Fa-f]{3}|[0-9A-Fa-f]{8})#([0-9A-Fa-f.]*)/;
const SHOWN =
  /^\s*(?:\(([-\d:. T]{1,40})\)\s+)?\S+\s+(?:[RT]X\s+[-\w]+\s+[-\w]*\s+)?([0-9A-Fa-f]{3}|[0-9A-Fa-f]{8})\s+\[(\d+)\]\s+((?:[0-9A-Fa-f]{2}\s*)*)/;

const hexBytes = (text: string): number[] => (text.match(/[0-9A-Fa-f]{2}/g) ?? []).map((pair) => parseInt(pair, 16));

/** Seconds of a time stamp: a number, or a date and a clock; null for anything else. */
function secondsOf(stamp: string): number | null {
  if (/^\d+(\.\d+)?$/.test(stamp)) return Number(stamp);
  const match = /^(\d{4}-\d\d-\d\d)[ T](\d\d:\d\d:\d\d)(\.\d+)?$/.exec(stamp);
  const whole = match ? Date.parse(`${match[1]}T${match[2]}Z`) / 1000 : NaN;
  return Number.isFinite(whole) ? whole + Number(match![3] ?? 0) : null;
}

/**
 * Reads a line of a CAN log in the two usual forms: `(12.5) can0 7E8#0341055A` and
 * `(12.5) can0 7E8 [8] 03 41 05 5A 00 00 00 00`; the time may
 * be a date with a clock.
 *
 * @returns null for any other line
 */
export function readCanFrame(line: string): CanFrame | null {
  const logged = LOGGED.exec(line);
  if (logged) {
    const [, time, id, data] = logged;
    return { time_s: secondsOf(time!), id: parseInt(id!, 16), extended: id!.length === 8, data: hexBytes(data!) };
  }
  const shown = SHOWN.exec(line);
  if (!shown) return null;
  const [, time, id, , data] = shown;
  return {
    time_s: time === undefined ? null : secondsOf(time),
    id: parseInt(id!, 16),
    extended: id!.length === 8,
    data: hexBytes(data!),
  };
}

/**
 * Number of the control unit that answers on an identifier, null for other traffic. Source: ISO 15765-4, 6.3: 7E8-7EF
 * with 11 bits, 18 DA F1 xx with 29.
 */
export function answeringUnit(frame: CanFrame): number | null {
  if (!frame.extended) return frame.id >= 0x7e8 && frame.id <= 0x7ef ? frame.id : null;
  return (frame.id & 0x1fffff00) === 0x18daf100 ? frame.id & 0x1fffffff : null;
}

/** Writes a frame in the logged form. */
export function writeCanFrame(frame: CanFrame & { readonly time_s: number }): string {
  const id = frame.id
    .toString(16)
    .toUpperCase()
    .padStart(frame.extended ? 8 : 3, '0');
  const data = frame.data.map((b) => b.toString(16).toUpperCase().padStart(2, '0')).join('');
  return `(${frame.time_s.toFixed(6)}) can0 ${id}#${data}`;
}
