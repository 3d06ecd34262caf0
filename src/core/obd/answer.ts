import { PID_SIGNALS, pidLength } from './pids';
import type { ChannelName } from '../base';

/** What an answer of mode 01 says. */
export interface ModeOneAnswer {
  readonly values: readonly { readonly channel: ChannelName; readonly value: number }[];
  /** Parameter at which reading stopped because its length is not known; null when all was read. */
  readonly stoppedAt: number | null;
}

/** First byte of a positive answer to mode 01. Source: ISO 15031-5, 7.1. */
const POSITIVE = 0x41;

/**
 * Reads an answer with one or several parameters: `41 05 5A 0C 0B B8`.
 *
 * @param payload bytes after the transport layer, from the service byte on
 * @returns null for any other service
 */
export function readAnswer(payload: ArrayLike<number>): ModeOneAnswer | null {
  if (payload.length < 3 || payload[0] !== POSITIVE) return null;
  const values: { channel: ChannelName; value: number }[] = [];
  let at = 1;
  while (at < payload.length) {
    const pid = payload[at]!;
    const length = pidLength(pid);
    if (length === null || at + 1 + length > payload.length) return { values, stoppedAt: pid };
    const data = Array.from({ length }, (_, i) => payload[at + 1 + i]!);
    for (const signal of PID_SIGNALS[pid] ?? []) {
      const value = signal.decode(data);
      if (Number.isFinite(value)) values.push({ channel: signal.channel, value });
    }
    at += 1 + length;
  }
  return { values, stoppedAt: null };
}
